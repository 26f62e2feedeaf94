import { readdirSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { performance } from 'node:perf_hooks'
import { gzipSync } from 'node:zlib'
import { defaultFirm } from '../core/src/model/firm.ts'
import { readJob, type JobDraft, type ZoneDraft } from '../core/src/model/job.ts'
import { planJob } from '../core/src/plan.ts'

/** Measures planJob at 1, 20 and 200 zones, reading a draft, and the compressed script the first page loads. */
const root = resolve(import.meta.dirname, '..')
const texture = ['sand', 'loam', 'clay'] as const
const zone = (i: number): ZoneDraft => ({
  id: `z${i}`,
  name: `Zone ${i}`,
  area: `${80 + i} m²`,
  slope: i % 7 === 0 ? '1 in 5' : '2 %',
  sunHours: `${3 + (i % 6)} h`,
  cover: { wanted: 55, weeds: 20, moss: 5, bare: 20 },
  incurable: i % 9 === 0 ? 60 : 0,
  thatch: '15 mm',
  penetration: 'stops',
  soilMoist: true,
  texture: texture[i % 3],
  heightOfCut: '40 mm',
  present: ['perennial-ryegrass'],
  lowsDepth: i % 4 === 0 ? '10 mm' : null,
  lowsShare: i % 4 === 0 ? '30 %' : null,
})
const job = (n: number): JobDraft => ({
  name: 'Bench',
  site: { latitude: -44.2, frost: '25 Apr', soilTemperature: '17.4 °C', tapFlow: '20 L/min' },
  zones: Array.from({ length: n }, (_, i) => zone(i + 1)),
})

function median(times: number[]): number {
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!
}
function time(work: () => unknown, runs: number): number {
  for (let i = 0; i < Math.min(20, runs); i++) work()
  return median(
    Array.from({ length: runs }, () => {
      const from = performance.now()
      work()
      return performance.now() - from
    }),
  )
}

const firm = defaultFirm()
let one = 0
for (const [zones, runs] of [
  [1, 200],
  [20, 200],
  [200, 40],
] as const) {
  const draft = job(zones)
  const read = readJob(draft).job!
  const planning = time(() => planJob(read, { today: '2027-02-22', firm, diary: [] }), runs)
  const reading = time(() => readJob(draft), runs)
  one ||= planning
  console.log(
    `planJob ${String(zones).padStart(3)} zones: median ${planning.toFixed(2)} ms (${(planning / one).toFixed(1)} × one zone); reading the draft ${reading.toFixed(2)} ms`,
  )
}

const dist = join(root, 'web/dist')
const html = readFileSync(join(dist, 'index.html'), 'utf8')
const assets = readdirSync(join(dist, 'assets'))
const size = (name: string) => gzipSync(readFileSync(join(dist, 'assets', name))).length
const closure = (names: string[]): Set<string> => {
  const all = new Set<string>()
  const take = (name: string) => {
    if (all.has(name)) return
    all.add(name)
    for (const m of readFileSync(join(dist, 'assets', name), 'utf8').matchAll(/(?:from|import)\s*["']\.\/([\w.-]+\.js)["']/g)) take(m[1]!)
  }
  names.forEach(take)
  return all
}
const entry = [...html.matchAll(/assets\/([\w.-]+\.js)/g)].map((m) => m[1]!)
const season = assets.filter((name) => /^SeasonPlace-.*\.js$/.test(name))
const jobPlace = assets.filter((name) => /^(JobPlace|WalkOverStage)-.*\.js$/.test(name))
const kB = (names: Set<string>) => ([...names].reduce((sum, name) => sum + size(name), 0) / 1000).toFixed(0)
console.log(`first page (season, usable): ${kB(closure([...entry, ...season]))} kB of compressed script; its chart comes after`)
console.log(
  `a job’s walk-over: ${kB(closure([...entry, ...jobPlace]))} kB of compressed script, and its worker ${(assets.filter((n) => /^plan\.worker-/.test(n)).reduce((s, n) => s + size(n), 0) / 1000).toFixed(0)} kB`,
)
