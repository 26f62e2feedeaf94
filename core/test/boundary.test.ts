import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'

const root = resolve(import.meta.dirname, '../..')
const place = mkdtempSync(join(tmpdir(), 'boundary-'))
afterAll(() => rmSync(place, { recursive: true }))

/** Runs the boundary check on a small made-up tree; returns what it says. */
function check(files: Record<string, string>): string {
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(place, name)), { recursive: true })
    writeFileSync(join(place, name), text)
  }
  try {
    return execFileSync(
      process.execPath,
      [
        join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs'),
        'core/src',
        'server/src',
        '--config',
        join(root, '.dependency-cruiser.cjs'),
      ],
      { cwd: place, encoding: 'utf8', stdio: 'pipe' },
    )
  } catch (error) {
    return (error as { stdout: string }).stdout
  }
}

describe('the boundary check', () => {
  it('lets core import itself', () => {
    expect(
      check({
        'core/src/work/b.ts': "import { a } from './a.ts'\nexport const b = a\n",
        'core/src/work/a.ts': 'export const a = 1\n',
        'server/src/app.ts': 'export const s = 1\n',
      }),
    ).toContain('no dependency violations')
  })
  it('fails when core reaches into a room or into Node', () => {
    const said = check({
      'core/src/work/a.ts':
        "import { s } from '../../../server/src/app.ts'\nimport { readFileSync } from 'node:fs'\nexport const a = [s, readFileSync]\n",
    })
    expect(said.match(/core-is-pure/g)?.length).toBeGreaterThanOrEqual(2)
  })
  it('fails when a room reaches up, sideways, or stands on no row of the architecture page', () => {
    const one = (room: string) => ({ [`core/src/${room}/x.ts`]: 'export const x = 1\n' })
    const reaching = (from: string, to: string) => ({
      ...one(to),
      [`core/src/${from}/y.ts`]: `import { x } from '../${to}/x.ts'\nexport const y = x\n`,
    })
    const said = check({
      ...reaching('work', 'schedule'),
      ...reaching('materials', 'approach'),
      ...reaching('attic', 'work'),
    })
    for (const name of ['work-on-its-row', 'materials-on-its-row', 'every-room-on-a-row'])
      expect(said).toContain(name)
  })
})

describe('what runs with Juvena', () => {
  it('stands in the table of dependencies, each with its licence, and nothing else does', () => {
    const table = new Map(
      readFileSync(join(root, 'docs/dependencies.md'), 'utf8')
        .split('\n')
        .filter((line) => line.startsWith('| `'))
        .map((line) => line.split('|').map((cell) => cell.trim()))
        .map(([, name, rooms, , licence]) => [name!.replaceAll('`', ''), { rooms: rooms!, licence: licence! }]), // prettier-ignore
    )
    const used = new Map<string, string[]>()
    for (const room of ['core', 'server', 'web']) {
      const { dependencies } = read<{ dependencies: Record<string, string> }>(room)
      for (const name of Object.keys(dependencies))
        if (!name.startsWith('@juvena/')) used.set(name, [...(used.get(name) ?? []), room])
    }
    expect([...table.keys()].sort()).toEqual([...used.keys()].sort())
    for (const [name, { rooms, licence }] of table) {
      expect(rooms, name).toBe(used.get(name)!.join(', '))
      expect(licence, name).toBe(read<{ license: string }>(`node_modules/${name}`).license)
    }
  })
})
const read = <T>(folder: string) =>
  JSON.parse(readFileSync(join(root, folder, 'package.json'), 'utf8')) as T
