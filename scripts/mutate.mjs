import { spawn } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { join } from 'node:path'
import ts from 'typescript'
import { dependencies, root } from './ready.mjs'

/**
 * Puts small faults into the core, one at a time, and counts how many the core's tests find.
 *
 *   npm run mutate                 a sample of 200 faults over the rooms below
 *   npm run mutate -- --all        every one of them
 *   npm run mutate -- seed 80      80 faults in one room
 */
const ROOMS = ['approach', 'climate', 'establish', 'findings', 'materials', 'schedule', 'seed', 'stock', 'trace', 'walkover', 'work', 'rules']
const args = process.argv.slice(2)
const room = args.find((a) => ROOMS.includes(a))
const wanted = args.includes('--all') ? Infinity : Number(args.find((a) => /^\d+$/.test(a)) ?? 200)
const verbose = args.includes('--verbose')

const SWAPS = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
}

/** Every small fault that can be put into a source: where, and what stands there instead. Texts, types and imports are left alone. */
function faultsIn(file, source) {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.ES2023, true)
  const found = []
  const put = (node, text, what) =>
    found.push({
      file,
      from: node.getStart(tree),
      to: node.getEnd(),
      text,
      what,
      line: tree.getLineAndCharacterOfPosition(node.getStart(tree)).line + 1,
    })
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return
    if (ts.isNumericLiteral(node) && !ts.isPropertyAssignment(node.parent)) {
      const value = Number(node.text.replaceAll('_', ''))
      // Which stage a notice stands in, and hairs that keep rounding errors from tipping, are no arithmetic.
      if (Math.abs(value) > 1e-5 || value === 0) put(node, value === 0 ? '1' : String(value * 1.1 + 1), 'number')
    }
    if (ts.isBinaryExpression(node)) {
      const sign = node.operatorToken.getText(tree)
      const typed = (n) => ts.isStringLiteralLike(n) || ts.isTemplateExpression(n)
      if (SWAPS[sign] && !(sign === '+' && (typed(node.left) || typed(node.right)))) put(node.operatorToken, SWAPS[sign], sign)
    }
    if (ts.isConditionalExpression(node)) put(node.condition, `!(${node.condition.getText(tree)})`, 'condition')
    if (ts.isPropertyAccessExpression(node) && node.expression.getText(tree) === 'Math' && /^(min|max|ceil|floor)$/.test(node.name.text))
      put(node.name, { min: 'max', max: 'min', ceil: 'floor', floor: 'ceil' }[node.name.text], `Math.${node.name.text}`)
    if (ts.isIfStatement(node)) put(node.expression, `!(${node.expression.getText(tree)})`, 'if')
    ts.forEachChild(node, visit)
  }
  visit(tree)
  return found
}

/** The same numbers for the same seed, so that a sample can be drawn again. */
function seeded(seed) {
  return () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32
}

function sample(list, count) {
  if (count >= list.length) return list
  const chance = seeded(7)
  return list
    .map((fault) => ({ fault, at: chance() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, count)
    .map((x) => x.fault)
}

/** Runs the core's tests with one fault in place; true when they found it. */
const survives = (fault) =>
  new Promise((done) => {
    const run = spawn('npx', ['vitest', 'run', '--config', 'scripts/mutate.config.ts', '--bail=1', '--reporter=dot'], {
      cwd: root,
      env: { ...process.env, FAULT: fault ? JSON.stringify(fault) : '' },
      stdio: 'ignore',
    })
    const late = setTimeout(() => run.kill('SIGKILL'), 300_000)
    run.on('exit', (code) => (clearTimeout(late), done(code === 0)))
  })

dependencies()
const inRoom = (name) => name === 'rules' || name === room || !room
const files = readdirSync(join(root, 'core/src'), { recursive: true })
  .map(String)
  .filter((f) => f.endsWith('.ts') && ROOMS.some((r) => f.startsWith(`${r}/`) && inRoom(r)) && (room !== 'rules' || f.endsWith('Rules.ts')))
const every = files.flatMap((f) => faultsIn(`core/src/${f}`, readFileSync(join(root, 'core/src', f), 'utf8')))
const chosen = sample(every, wanted)
if (!(await survives(null))) {
  console.error('The tests fail without any fault: put that right first.')
  process.exit(1)
}
console.log(`${chosen.length} of ${every.length} faults in ${files.length} files`)
const score = {}
let next = 0
await Promise.all(
  Array.from({ length: Math.max(1, cpus().length) }, async () => {
    while (next < chosen.length) {
      const fault = chosen[next++]
      const lived = await survives(fault)
      const name = fault.file.split('/')[2]
      score[name] ??= { found: 0, all: 0 }
      score[name].all++
      if (lived) console.log(`  lived: ${fault.file}:${fault.line} ${fault.what} -> ${fault.text.slice(0, 60)}`)
      else score[name].found++
      if (verbose) console.log(`${next}/${chosen.length}`)
    }
  }),
)
for (const [name, { found, all }] of Object.entries(score).sort())
  console.log(`${name.padEnd(12)} ${found} of ${all}  ${Math.round((100 * found) / all)} %`)
const [found, all] = Object.values(score).reduce(([f, a], s) => [f + s.found, a + s.all], [0, 0])
console.log(`all          ${found} of ${all}  ${Math.round((100 * found) / all)} %`)
