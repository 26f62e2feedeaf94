import { readdirSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

const root = resolve(import.meta.dirname, '../..')
const words = readFileSync(join(root, 'docs/words.md'), 'utf8')
const banned = [...words.slice(words.indexOf('## Not used')).matchAll(/^- (.+)$/gm)].map(
  (m) => m[1]!,
)

const filesIn = (folder: string, end: string) =>
  readdirSync(join(root, folder), { recursive: true })
    .map(String)
    .filter((f) => f.endsWith(end))
    .map((f) => join(root, folder, f))

/**
 * Texts in a program that a reader may see: string literals and templates, without comments,
 * imports and names.
 */
function textsOf(source: string): string[] {
  const tree = ts.createSourceFile('x.ts', source, ts.ScriptTarget.ES2023, true)
  const found: string[] = []
  const visit = (node: ts.Node) => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return
    if (
      ts.isStringLiteralLike(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddle(node) ||
      ts.isTemplateTail(node)
    )
      found.push(node.text)
    ts.forEachChild(node, visit)
  }
  visit(tree)
  return found
}
/** A page's template without its comments, and the texts of its script. */
function textsOfPage(source: string): string[] {
  const script = /<script[^>]*>([\s\S]*?)<\/script>/.exec(source)?.[1] ?? ''
  const template = /<template>([\s\S]*)<\/template>/.exec(source)?.[1] ?? ''
  return [...textsOf(script), template.replace(/<!--[\s\S]*?-->/g, '')]
}

/** The language of screens and sheets (docs/words.md). */
describe('words', () => {
  const texts = [
    ...filesIn('web/src', '.vue').flatMap((f) =>
      textsOfPage(readFileSync(f, 'utf8')).map((text) => ({ f, text })),
    ),
    ...['core/src', 'server/src', 'web/src'].flatMap((folder) =>
      filesIn(folder, '.ts').flatMap((f) =>
        textsOf(readFileSync(f, 'utf8')).map((text) => ({ f, text })),
      ),
    ),
  ]
  it('the list is read, and so are the texts', () => {
    expect(banned.length).toBeGreaterThan(10)
    expect(texts.length).toBeGreaterThan(2000)
  })
  it.each(banned)('“%s” is nowhere to be read', (phrase) => {
    const sought = new RegExp(`\\b${phrase.replaceAll(' ', '\\s+')}\\b`, 'i')
    expect(
      texts
        .filter(({ text }) => sought.test(text))
        .map(({ f, text }) => `${f.slice(root.length)}: ${sought.exec(text)![0]}`),
    ).toEqual([])
  })
  it('nor does a comment or a document use one', () => {
    const sources = [
      ...['core/src', 'server/src', 'web/src'].flatMap((folder) => [
        ...filesIn(folder, '.ts'),
        ...filesIn(folder, '.vue'),
      ]),
      ...filesIn('docs', '.md').filter((f) => !f.endsWith('words.md')),
      join(root, 'README.md'),
    ]
    const sought = new RegExp(`\\b(${banned.join('|').replaceAll(' ', '\\s+')})\\b`, 'i')
    expect(sources.length).toBeGreaterThan(300)
    expect(
      sources.flatMap((f) =>
        (sought.exec(readFileSync(f, 'utf8')) ?? [])
          .slice(0, 1)
          .map((phrase) => `${f.slice(root.length)}: ${phrase}`),
      ),
    ).toEqual([])
  })
  it('no button ends in a full stop', () => {
    const pages = filesIn('web/src', '.vue').map((f) => ({
      f,
      template: /<template>([\s\S]*)<\/template>/.exec(readFileSync(f, 'utf8'))?.[1] ?? '',
    }))
    const buttons = pages.flatMap(({ f, template }) =>
      [...template.matchAll(/<button[^>]*>\s*([^<{]+?)\s*<\/button>/g)].map(
        (m) => `${f.slice(root.length)}: ${m[1]!}`,
      ),
    )
    expect(buttons.length).toBeGreaterThan(40)
    expect(buttons.filter((b) => b.endsWith('.'))).toEqual([])
  })
})
