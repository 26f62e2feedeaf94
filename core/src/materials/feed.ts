import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import type { Grade } from '../entities/entry.ts'
import { showNumber } from '../quantities/show.ts'
import { num, readings, rule, type Figure, type Notice, type Workings } from '../trace/figure.ts'
import type { Schools } from '../reference/schools.ts'

export const feedRules = {
  rate: rule('feed.rate', 'Product is the nutrient wanted, divided by its share in the bag.', '{0} ÷ {1}', 'calculation'),
  kg: rule('feed.kg', 'Ground fed times product rate.', '{0} × {1}', 'calculation'),
  ceiling: rule(
    'feed.ceiling',
    'Quick nitrogen at most 4.9 g/m² a dose (1 lb/1,000 ft²), half in heat; slow-release may raise the whole to 7.3.',
    'the less of 4.9 g/m² ÷ (1 − {0}) and 7.3 g/m², halved when soil is at 24 °C or more',
    'model',
  ),
  target: rule('feed.target', 'Starter at sowing lays 2.4–4.9 g N/m² (½–1 lb/1,000 ft²).', 'within 2.4–4.9 g N/m²', 'practice'),
  oxide: rule('feed.oxide', 'What the grade lays down along with the nitrogen.', '{0} × share in the bag', 'calculation'),
  p: rule('feed.p', 'Phosphorus is 0.4364 of P₂O₅.', '0.4364 × {0}', 'calculation', 'atomic weights'),
  k: rule('feed.k', 'Potassium is 0.8301 of K₂O.', '0.8301 × {0}', 'calculation', 'atomic weights'),
  total: rule('feed.total', 'All zones together.', 'sum of zones', 'calculation'),
}

export const P_IN_P2O5 = 0.4364
export const K_IN_K2O = 0.8301
const QUICK_CEILING = 4.9
const ALL_CEILING = 7.3
const HEAT_SOIL = 24
/** Used where neither the job nor the firm names a product. */
const USUAL_GRADE: Grade = { n: 16, p2o5: 20, k2o: 8 }
const USUAL_NITROGEN = 3.2

export interface FeedPlan {
  grade: Grade
  gradeText: string
  rate: Figure
  nitrogen: Figure
  ceiling: Figure
  lays: { p2o5: Figure; k2o: Figure; p: Figure; k: Figure }
  zones: { zone: string; kg: Figure }[]
  total: Figure
}

/** Most nitrogen in one dose, g/m². */
export const nitrogenCeiling = (slowShare: number, hot: boolean): number =>
  Math.min(QUICK_CEILING / Math.max(1e-6, 1 - slowShare), ALL_CEILING) * (hot ? 0.5 : 1)

/** Starter feed for the zones sown: product from grade and nitrogen wanted, what else it lays, the ceiling, and the law. */
export function planFeed(
  job: Job,
  firm: Firm,
  schools: Schools,
  sown: readonly { zone: string; area: Figure }[],
  soil: Figure,
  w: Workings,
  notices: Notice[],
): FeedPlan | null {
  if (sown.length === 0) return null
  const grade = job.feed.grade ?? firm.feedGrade ?? USUAL_GRADE
  const gradeText = `${grade.n}-${grade.p2o5}-${grade.k2o}`
  const gradeFigure = w.add(
    5,
    'job.feed.grade',
    'Nitrogen in the bag',
    grade.n,
    '%',
    job.feed.grade ? readings.typed : firm.feedGrade ? readings.firm : readings.house,
  )
  const nitrogen =
    job.feed.nitrogen === null
      ? w.add(5, 'job.feed.nitrogen', 'Nitrogen wanted', USUAL_NITROGEN, 'g/m2', feedRules.target)
      : w.read(5, 'job.feed.nitrogen', 'Nitrogen wanted', job.feed.nitrogen, 'g/m2')!
  const rate = w.add(5, 'job.feed.rate', `Starter ${gradeText}, rate`, num(nitrogen) / (grade.n / 100), 'g/m2', feedRules.rate, [
    nitrogen,
    gradeFigure,
  ])
  const slow = w.readOr(5, 'job.feed.slow', 'Slow-release share of the nitrogen', job.feed.slowShare, 0, '%')
  const hot = num(soil) >= HEAT_SOIL
  const ceiling = w.add(5, 'job.feed.ceiling', 'Most nitrogen in one dose', nitrogenCeiling(num(slow) / 100, hot), 'g/m2', feedRules.ceiling, [
    slow,
    soil,
  ])
  const p2o5 = w.add(5, 'job.feed.p2o5', 'P₂O₅ laid', (num(rate) * grade.p2o5) / 100, 'g/m2', feedRules.oxide, [rate])
  const k2o = w.add(5, 'job.feed.k2o', 'K₂O laid', (num(rate) * grade.k2o) / 100, 'g/m2', feedRules.oxide, [rate])
  const p = w.add(5, 'job.feed.p', 'Phosphorus laid', num(p2o5) * P_IN_P2O5, 'g/m2', feedRules.p, [p2o5])
  const k = w.add(5, 'job.feed.k', 'Potassium laid', num(k2o) * K_IN_K2O, 'g/m2', feedRules.k, [k2o])
  const zones = sown.map(({ zone, area }) => ({
    zone,
    kg: w.add(5, `${zone}.feed.kg`, `Starter ${gradeText}`, (num(area) * num(rate)) / 1000, 'kg', feedRules.kg, [area, rate], {
      zone,
      school: `feed:${schools.feed}`,
    }),
  }))
  const total = w.add(
    5,
    'job.feed.total',
    `Starter ${gradeText} to order`,
    zones.reduce((sum, z) => sum + num(z.kg), 0),
    'kg',
    feedRules.total,
    zones.map((z) => z.kg),
  )
  if (num(nitrogen) > num(ceiling) + 1e-9)
    notices.push({
      id: 'feed.ceiling',
      stage: 5,
      level: 'hold',
      title: `Too much nitrogen in one dose: ${showNumber(num(nitrogen))} g/m².`,
      says: `${showNumber(num(ceiling))} g/m² is the most${hot ? ' in this heat' : ' with this much slow release'}; more burns seedlings and runs to water. Lower the target, or give it in two doses four weeks apart.`,
      figure: nitrogen.id,
    })
  if (grade.p2o5 > 0) {
    const law = firm.phosphorusLaw
    const tests = job.zones.filter((z) => sown.some((s) => s.zone === z.id) && z.lab.phosphorus !== null)
    const short = tests.some((z) => z.lab.phosphorus === 'low')
    const enough = tests.length > 0 && !short
    if (law === 'barred')
      notices.push({
        id: 'feed.p-law',
        stage: 5,
        level: 'hold',
        title: `Phosphorus is barred here, and ${gradeText} holds ${grade.p2o5} % P₂O₅.`,
        says: 'Take a product with 0 as its middle number. Local law decides.',
        figure: p.id,
      })
    else if (law === 'with-test')
      notices.push({
        id: 'feed.p-law',
        stage: 5,
        level: short ? 'note' : enough ? 'hold' : 'warn',
        title: short ? 'Phosphorus: the test shows need.' : enough ? 'Phosphorus: the test shows no need.' : 'Phosphorus only with a soil test.',
        says: short
          ? 'The laboratory finds too little, and the local rule wants that shown. Keep the report with the job.'
          : enough
            ? 'The local rule allows it only where a test shows need, and the laboratory finds enough. Take a product with 0 as its middle number.'
            : 'The local rule wants a test that shows need. Keep the report with the job, or take a product with 0 as its middle number.',
        figure: p.id,
      })
    else if (law === 'new-seed-only')
      notices.push({
        id: 'feed.p-law',
        stage: 5,
        level: 'note',
        title: 'Phosphorus: at new seed only.',
        says: 'The local rule allows it at sowing. Later feeds on this job carry none.',
        figure: p.id,
      })
    if (enough && schools.phosphorus === 'by-test' && law !== 'barred' && law !== 'with-test')
      notices.push({
        id: 'feed.p-test',
        stage: 5,
        level: 'warn',
        title: 'Phosphorus: the laboratory finds enough.',
        says: `${gradeText} holds ${grade.p2o5} % P₂O₅, and more than enough does nothing. Take a product with 0 as its middle number.`,
        figure: p.id,
      })
    else if (tests.length === 0 && law === 'none' && schools.phosphorus === 'by-test')
      notices.push({
        id: 'feed.p-law',
        stage: 5,
        level: 'note',
        title: 'Phosphorus: go by the test.',
        says: 'Where the laboratory says adequate, more does nothing: take a product with 0 as its middle number.',
        figure: p.id,
      })
  }
  return { grade, gradeText, rate, nitrogen, ceiling, lays: { p2o5, k2o, p, k }, zones, total }
}
