import { readdirSync, readFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { basename, join, resolve } from 'node:path'
import { fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { dependencies, root } from './ready.mjs'
import { withFaults } from './faults.mjs'

/**
 * Puts small faults into the core, one at a time, and counts how many the core's tests find.
 *
 *   npm run mutate                 a sample of 200 faults over every room of the core
 *   npm run mutate -- --all        every one of them
 *   npm run mutate -- seed 80      80 faults in one room (or in one file: seed/rates)
 *   npm run mutate -- --seed 8     another sample
 *   npm run mutate -- --workers 1  on one processor, beside other work
 */
const ROOMS = readdirSync(join(root, 'core/src'), { withFileTypes: true })
  .filter((f) => f.isDirectory())
  .map((f) => f.name)
  .sort()
/** The tests without any fault may take this long, on a busy machine too, ms. */
const LONGEST = 900_000
/** A fault that keeps the tests busy for so many times as long hangs them: it is found. */
const HANGS = 5

const args = process.argv.slice(2)
const option = (name, usual) =>
  args.includes(name) ? Number(args.splice(args.indexOf(name), 2)[1]) : usual
const drawn = option('--seed', 7)
const workers = option('--workers', cpus().length)
const all = args.includes('--all')
const [rooms, counts] = [(a) => ROOMS.includes(a.split('/')[0]), (a) => /^\d+$/.test(a)]
const strange = args.filter((a) => a !== '--all' && a !== '--runner' && !rooms(a) && !counts(a))
if (strange.length > 0) {
  console.error(`No such room: ${strange.join(', ')}. There are ${ROOMS.join(', ')}.`)
  process.exit(1)
}
const room = args.find(rooms)
// The runners leave no test out where one room is asked for.
if (room) process.env.JUVENA_ROOM = room
const wanted = all ? Infinity : Number(args.find(counts) ?? 200)

/** Every source with its faults in it, numbered through. */
export function faultySources() {
  const sources = new Map()
  let count = 0
  const files = readdirSync(join(root, 'core/src'), { recursive: true }).map(String).sort()
  for (const f of files.filter(
    (f) => f.endsWith('.ts') && ROOMS.some((r) => f.startsWith(`${r}/`)),
  )) {
    const made = withFaults(`core/src/${f}`, readFileSync(join(root, 'core/src', f), 'utf8'), count)
    sources.set(resolve(root, 'core/src', f), made)
    count += made.faults.length
  }
  return sources
}

/**
 * One process of two: keeps what it has read and compiled, and runs the tests anew for each fault
 * it is sent.
 */
async function runner() {
  const { createVitest } = await import('vitest/node')
  const sources = faultySources()
  const vitest = await createVitest(
    'test',
    {
      config: join(root, 'scripts/mutate.config.ts'),
      watch: false,
      bail: 1,
      reporters: [{}],
      maxWorkers: 1,
    },
    {
      plugins: [
        {
          name: 'faults',
          enforce: 'pre',
          transform: (code, id) => sources.get(id.split('?')[0])?.text,
        },
      ],
    },
  )
  const specs = await vitest.globTestSpecifications()
  const texts = new Map(specs.map((s) => [s, readFileSync(s.moduleId, 'utf8')]))
  const fileOf = new Map([...sources.values()].flatMap((s) => s.faults).map((f) => [f.id, f.file]))
  /** Tests that have found a fault before. */
  const finders = new Set()
  const pass = async (some) => {
    if (some.length === 0) return true
    vitest.state.filesMap.clear()
    const { testModules, unhandledErrors } = await vitest.runTestSpecifications(some, true)
    for (const m of testModules) if (!m.ok()) finders.add(m.moduleId)
    return (
      unhandledErrors.length === 0 && testModules.length > 0 && testModules.every((m) => m.ok())
    )
  }
  process.on('message', async (fault) => {
    process.env.JUVENA_FAULT = String(fault)
    const file = fileOf.get(fault)
    // Those that import the file, and those that found others, find most: they go first.
    const first = specs.filter(
      (s) => file && (finders.has(s.moduleId) || texts.get(s).includes(`/${basename(file)}'`)),
    )
    const rest = specs.filter((s) => !first.includes(s))
    process.send({ lived: (await pass(first)) && (await pass(rest)) })
  })
  // Whoever asked is gone: nobody waits for the answer.
  process.on('disconnect', () => process.exit())
  process.send({ ready: true })
}

/**
 * A runner that answers whether a fault lived; one that takes too long is stopped and another takes
 * its place.
 */
function tester() {
  let child = null
  const start = () =>
    new Promise((done) => {
      child = fork(fileURLToPath(import.meta.url), ['--runner'], {
        cwd: root,
        stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      })
      child.once('message', done)
    })
  return {
    async lives(fault, longest) {
      if (!child) await start()
      const mine = child
      return new Promise((done) => {
        const end = (lived, keep) => {
          clearTimeout(late)
          mine.removeAllListeners()
          if (!keep) {
            mine.kill('SIGKILL')
            child = null
          }
          done(lived)
        }
        const late = setTimeout(() => end(false, false), longest)
        mine.once('message', ({ lived }) => end(lived, true))
        mine.once('exit', () => end(false, false))
        mine.send(fault)
      })
    },
    stop: () => child?.kill('SIGKILL'),
  }
}

/** The same numbers for the same seed, so that a sample can be drawn again. */
function sample(list, count, seed) {
  const chance = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32
  return list
    .map((fault) => ({ fault, at: chance() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, count)
    .map((x) => x.fault)
}

async function main() {
  dependencies()
  const sources = faultySources()
  const every = [...sources.values()]
    .flatMap((s) => s.faults)
    .filter((f) => !room || f.file.startsWith(`core/src/${room}`))
  const chosen = sample(every, wanted, drawn)
  const testers = Array.from({ length: Math.max(1, workers) }, tester)
  const began = Date.now()
  if (!(await testers[0].lives(-1, LONGEST))) {
    console.error('The tests fail without any fault: put that right first.')
    process.exit(1)
  }
  console.log(
    `${chosen.length} of ${every.length} faults in ${new Set(every.map((f) => f.file)).size} files`,
  )
  const longest = HANGS * (Date.now() - began)
  const score = {}
  let next = 0
  await Promise.all(
    testers.map(async (t) => {
      while (next < chosen.length) {
        const fault = chosen[next++]
        const lived = await t.lives(fault.id, longest)
        const name = fault.file.split('/')[2]
        score[name] ??= { found: 0, all: 0 }
        score[name].all++
        if (lived) console.log(`  lived: ${fault.file}:${fault.line} ${fault.what}`)
        else score[name].found++
      }
      t.stop()
    }),
  )
  const told = (name, { found, all }) =>
    console.log(`${name.padEnd(12)} ${found} of ${all}  ${Math.round((100 * found) / all)} %`)
  for (const [name, s] of Object.entries(score).sort()) told(name, s)
  told(
    'all',
    Object.values(score).reduce((a, s) => ({ found: a.found + s.found, all: a.all + s.all }), {
      found: 0,
      all: 0,
    }),
  )
}

await (process.argv.includes('--runner') ? runner() : main())
