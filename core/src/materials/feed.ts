import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import type { Grade } from '../entities/entry.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { quantity, say } from '../trace/message.ts'
import { JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { bagNitrogen, feedReadings, feedRules, nitrogenValues, starterValues } from './feedRules.ts'

export interface FeedPlan {
  grade: Grade
  gradeText: string
  rate: Figure
  nitrogen: Figure
  ceiling: Figure
  lays: { p2o5: Figure; k2o: Figure; p: Figure; k: Figure }
  zones: { zone: string; kg: Figure }[]
  total: Figure
  notices: Notice[]
}

export interface FeedBrief {
  job: Job
  firm: Firm
  schools: Schools
  /** The ground that is fed, by zone. */
  fed: readonly { zone: string; area: Figure }[]
  /** Soil at 50 mm, °C. */
  soil: Figure
  trace: Trace
}

/** Starter feed for the zones sown: product from grade and nitrogen wanted, what else it lays, the ceiling, and the law. */
export function planFeed(brief: FeedBrief): FeedPlan | null {
  const { job, firm, schools, fed, soil, trace } = brief
  if (fed.length === 0) return null
  const typed = job.feed.grade ?? firm.feedGrade
  const grade = typed ?? trace.values(starterValues)
  const gradeText = `${grade.n}-${grade.p2o5}-${grade.k2o}`
  const bag = trace.setting(bagNitrogen, JOB, typed?.n ?? null)
  const nitrogen = trace.read(feedReadings.nitrogen, JOB, job.feed.nitrogen) ?? trace.work(feedRules.target, JOB, {})
  const rate = trace.work(feedRules.rate, JOB, { nitrogen, grade: bag }, { label: say`Starter ${gradeText}, rate` })
  const slow = trace.readOr(feedReadings.slow, JOB, job.feed.slowShare)
  const ceiling = trace.work(feedRules.ceiling, JOB, { slow, soil })
  const p2o5 = trace.work(feedRules.p2o5, JOB, { rate, grade: grade.p2o5 })
  const k2o = trace.work(feedRules.k2o, JOB, { rate, grade: grade.k2o })
  const p = trace.work(feedRules.p, JOB, { p2o5 })
  const k = trace.work(feedRules.k, JOB, { k2o })
  const zones = fed.map(({ zone, area }) => ({
    zone,
    kg: trace.work(feedRules.kg, zoneScope(zone), { area, rate }, { label: say`Starter ${gradeText}`, school: `feed:${schools.feed}` }),
  }))
  const total = trace.work(feedRules.total, JOB, { zones: zones.map((z) => z.kg) }, { label: say`Starter ${gradeText} to order` })
  const notices = [...overCeiling(nitrogen, ceiling, soil, trace), ...(grade.p2o5 > 0 ? phosphorusNotices(brief, grade, gradeText, p) : [])]
  return { grade, gradeText, rate, nitrogen, ceiling, lays: { p2o5, k2o, p, k }, zones, total, notices }
}

function overCeiling(nitrogen: Figure, ceiling: Figure, soil: Figure, trace: Trace): Notice[] {
  if (num(nitrogen) <= num(ceiling) + 1e-9) return []
  const where = num(soil) >= trace.value(nitrogenValues.heat) ? ' in this heat' : ' with this much slow release'
  return [
    {
      id: 'feed.ceiling',
      stage: 5,
      level: 'hold',
      title: say`Too much nitrogen in one dose: ${nitrogen}.`,
      says: say`${ceiling} is the most${where}; more burns seedlings and runs to water. Lower the target, or give it in two doses four weeks apart.`,
      figure: nitrogen.id,
    },
  ]
}

const NO_P = 'Take a product with 0 as its middle number.'

/** What law and laboratory say of the phosphorus in the bag. */
function phosphorusNotices({ job, firm, schools, fed }: FeedBrief, grade: Grade, gradeText: string, p: Figure): Notice[] {
  const law = firm.phosphorusLaw
  const tests = job.zones.filter((z) => fed.some((s) => s.zone === z.id) && z.lab.phosphorus !== null)
  const short = tests.some((z) => z.lab.phosphorus === 'low')
  const enough = tests.length > 0 && !short
  const notice = (key: 'p-law' | 'p-test', level: Notice['level'], title: Notice['title'], says: Notice['says']): Notice => ({
    id: `feed.${key}`,
    stage: 5,
    level,
    title,
    says,
    figure: p.id,
  })
  const held = quantity(grade.p2o5, '%')
  if (law === 'barred')
    return [notice('p-law', 'hold', say`Phosphorus is barred here, and ${gradeText} holds ${held} P₂O₅.`, `${NO_P} Local law decides.`)]
  if (law === 'with-test') {
    if (short)
      return [
        notice(
          'p-law',
          'note',
          'Phosphorus: the test shows need.',
          'The laboratory finds too little, and the local rule wants that shown. Keep the report with the job.',
        ),
      ]
    return enough
      ? [
          notice(
            'p-law',
            'hold',
            'Phosphorus: the test shows no need.',
            `The local rule allows it only where a test shows need, and the laboratory finds enough. ${NO_P}`,
          ),
        ]
      : [
          notice(
            'p-law',
            'warn',
            'Phosphorus only with a soil test.',
            'The local rule wants a test that shows need. Keep the report with the job, or take a product with 0 as its middle number.',
          ),
        ]
  }
  const found: Notice[] = []
  if (law === 'new-seed-only')
    found.push(notice('p-law', 'note', 'Phosphorus: at new seed only.', 'The local rule allows it at sowing. Later feeds on this job carry none.'))
  const byTest = schools.phosphorus === 'by-test'
  if (enough && byTest)
    found.push(
      notice(
        'p-test',
        'warn',
        'Phosphorus: the laboratory finds enough.',
        say`${gradeText} holds ${held} P₂O₅, and more than enough does nothing. ${NO_P}`,
      ),
    )
  else if (tests.length === 0 && law === 'none' && byTest)
    found.push(
      notice(
        'p-law',
        'note',
        'Phosphorus: go by the test.',
        'Where the laboratory says adequate, more does nothing: take a product with 0 as its middle number.',
      ),
    )
  return found
}
