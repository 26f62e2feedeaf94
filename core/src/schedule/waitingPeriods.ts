import type { Job } from '../entities/job.ts'
import { addDays, showDay, type Day } from '../calendar/day.ts'
import { TREATMENT_KINDS } from '../reference/lists.ts'
import { rule, type Figure, type Notice, type Workings } from '../trace/figure.ts'

export const waitRules = {
  label: rule('wait.label', 'The label’s waiting period, from the day of treatment. The label wins.', '{0} + {1}', 'reading', 'the label'),
  usual: rule('wait.usual', 'Label not given: the longest of the usual range for its kind. The label wins.', '{0} + {1}', 'practice'),
  seeded: rule('wait.seeded', 'Young seedlings are torn out: no tines or blades for 56 days after seeding.', '{0} + 56 days', 'practice'),
  dressed: rule('wait.dressed', 'A dressing is grown through before the next: 28 days.', '{0} + 28 days', 'practice'),
}

export interface Waits {
  /** First day seed may go down. */
  sow: Day | null
  open: Day | null
  dress: Day | null
  figures: Figure[]
}

const later = (a: Day | null, b: Day): Day => (a === null || b > a ? b : a)

/** Waiting periods left by what was put down before. A combined feed counts as the weedkiller in it. */
export function waitsOf(job: Job, today: Day, w: Workings, notices: Notice[]): Waits {
  const waits: Waits = { sow: null, open: null, dress: null, figures: [] }
  job.treatments.forEach((t, i) => {
    const kind = TREATMENT_KINDS[t.kind]
    const name = t.product ? `${kind.name} (${t.product})` : kind.name
    const days = t.waitDays ?? kind.wait
    if (!t.date) {
      if (kind.herbicide)
        notices.push({
          id: `wait.${i}.undated`,
          stage: 1,
          level: 'warn',
          title: `When was the ${name} put down?`,
          says: 'Without its date nobody can say when seed is safe. Ask the customer, and enter the day.',
        })
      return
    }
    if (t.date > today)
      notices.push({
        id: `wait.${i}.future`,
        stage: 1,
        level: 'warn',
        title: `The ${name} is dated ${showDay(t.date, true)}, which is still to come.`,
        says: 'History is what has been done. Check the date.',
      })
    const date = w.read(6, `job.treatment.${i}.date`, `Put down: ${name}`, t.date, 'date')!
    const add = (key: string, label: string, until: Day, by: typeof waitRules.label, inputs: Figure[]) => {
      const figure = w.add(6, `job.treatment.${i}.${key}`, label, until, 'date', by, inputs, {
        change: 'The label of the product, if it says otherwise.',
      })
      waits.figures.push(figure)
      return figure
    }
    if (days > 0) {
      const wait =
        t.waitDays === null
          ? w.add(6, `job.treatment.${i}.wait`, `Usual wait: ${kind.name}`, days, 'd', usualWait)
          : w.read(6, `job.treatment.${i}.wait`, 'Wait on the label', days, 'd')!
      const until = addDays(t.date, days)
      const figure = add('until', `Seed is safe from: ${name}`, until, t.waitDays === null ? waitRules.usual : waitRules.label, [date, wait])
      waits.sow = later(waits.sow, until)
      if (until > today)
        notices.push({
          id: `wait.${i}`,
          stage: 6,
          level: 'warn',
          title: `${name.charAt(0).toUpperCase() + name.slice(1)}: no seed before ${showDay(until)}.`,
          says: `${t.kind.startsWith('feed-and') ? 'A combined feed counts as the weedkiller in it. ' : ''}${t.waitDays === null ? `The label’s wait is not given, so the longest usual one holds: ${days} days. ` : ''}Seed sown inside it does not come up. The label decides.`,
          figure: figure.id,
        })
    }
    if (t.kind === 'seeded')
      waits.open = later(waits.open, add('open', 'Tines and blades from', addDays(t.date, 56), waitRules.seeded, [date]).value as Day)
    if (t.kind === 'dressed')
      waits.dress = later(waits.dress, add('dress', 'Next dressing from', addDays(t.date, 28), waitRules.dressed, [date]).value as Day)
  })
  return waits
}

export const usualWait = rule(
  'wait.usual-days',
  'The longest usual waiting period of such a product; an unknown product takes the longest of all.',
  'by kind',
  'practice',
)
