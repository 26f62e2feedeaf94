import { sure } from '../quantities/sure.ts'
import { showDay, type Day } from '../calendar/day.ts'
import type { Job } from '../entities/job.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import { quantity, say, type Message } from '../rules/message.ts'
import type { Figure } from '../trace/figure.ts'
import { REASONS } from '../climate/dayReasons.ts'
import { dayWork, WATER_WORDS, waterSaid } from './dayWork.ts'
import { branchesSaid } from './lookSaid.ts'
import { differsText, otherDays } from './otherDays.ts'
import { render, type Reader } from './render.ts'

/** " in 3 parts"; nothing for a run that is not split. */
const inParts = (parts: number) => (parts > 1 ? ` in ${parts} parts` : '')

const SIGNS = { hold: 'STOP', warn: 'NOTE', note: 'note' } as const

/**
 * A plan as a contractor reads it, as plain text: what is said first, the ways, the visits with
 * their steps and amounts, water, what follows, and the seasons with their odds.
 */
export function planText(job: Job, plan: JobPlan, reader: Reader): string {
  const told = (m: Message) => render(m, reader)
  const day = (d: Day) => showDay(d, true)
  const shown = (f: Pick<Figure, 'value' | 'unit'>) => told(say`${quantity(f.value, f.unit)}`)
  const figure = (id: string | null | undefined) => (id ? plan.figures[id] : undefined)
  const names = new Map(plan.zones.map((z) => [z.id, z.name]))
  const zoneName = (id: string) => names.get(id.replace(/ later$/, '')) ?? id
  const worth = figure(plan.worth)
  const lines: string[] = [
    `${job.name}, planned ${day(plan.today)}${worth ? `, worth ${shown(worth)} of 100` : ''}`,
  ]
  const part = (title: string, list: readonly string[]) => {
    if (list.length > 0) lines.push('', title, ...list.map((l) => `  ${l}`))
  }

  part(
    'SAID FIRST',
    plan.notices.map((n) => `${SIGNS[n.level]}: ${told(n.title)} ${told(n.says)}`.trim()),
  )
  part(
    'GROUND',
    plan.zones.map((z) => {
      const area = figure(z.area)
      const seed = z.seed ? `, ${z.seed.name}` : ''
      return `${z.name}: ${area ? shown(area) : 'no size'}, ${z.season}; ${z.approach.chosen}${seed}`
    }),
  )
  part(
    'FINDINGS',
    plan.findings
      .filter((f) => f.verdict !== 'fine')
      .map((f) => `${zoneName(f.zone)}: ${f.word}. ${told(f.says)} ${told(f.asks)}`),
  )
  const work = dayWork('', job, plan, [])
  const byDay = new Map<Day, typeof work.steps>()
  for (const s of work.steps) byDay.set(s.day, [...(byDay.get(s.day) ?? []), s])
  const visits = [...byDay].sort(([a], [b]) => a.localeCompare(b))
  part(
    'VISITS',
    visits.flatMap(([on, steps]) => {
      const hours = steps.reduce((sum, s) => sum + s.hours, 0)
      return [
        `${day(on)}${hours > 0 ? `, ${Math.round(hours * 10) / 10} h` : ''}`,
        ...steps.flatMap((s) => [
          `  ${told(s.name)}: ${s.where}${s.how === '' ? '' : `; ${told(s.how)}`}`,
          ...s.amounts.map((a) =>
            `    ${a.zone}: ${a.pans > 1 ? `${a.pans} pans of ` : ''}${told(say`${quantity(a.value, a.unit)}`)} ${told(a.what)} ${told(a.detail)}`.trimEnd(),
          ),
          ...[s.look ?? []]
            .flat()
            .flatMap((l) => [
              `    ${told(l.asks)} ${l.answer === null ? '' : `(${l.answer})`}`.trimEnd(),
              `    ${told(branchesSaid(l))}`,
            ]),
          ...[plan.steps.find((x) => x.id === s.id)?.holds ?? []]
            .flat()
            .map((h) => `    not before ${day(h.until)}: ${told(REASONS[h.why])}`),
          ...s.against.map((n) => `    ! ${told(n.title)} ${told(n.says)}`),
        ]),
      ]
    }),
  )
  part(
    'MATERIALS',
    plan.materials.flatMap((m) => {
      const total = figure(m.total)
      return total ? [`${told(m.name)}: ${shown(total)}`] : []
    }),
  )
  const { money } = plan
  const sum = (id: string) => shown(sure(figure(id)))
  part(
    'MONEY',
    money
      ? [
          ...money.lines.map((l) => `${told(l.what)}${told(l.detail) ? ` (${told(l.detail)})` : ''}: ${sum(l.figure)}`), // prettier-ignore
          `cost ${sum(money.cost.figure)}, price ${sum(money.price.figure)} ${money.taxIn ? 'with tax in it' : 'before tax'}`,
          ...(money.missing.length > 0
            ? [`no price yet: ${money.missing.map(told).join(', ')}`]
            : []),
          ...money.orders.map((o) => `${o.name}: ${o.lines.map((l) => told(l.what)).join(', ')}${o.orderBy ? `; order by ${showDay(o.orderBy, true)}${o.late ? ', which is behind' : ''}` : ''}`), // prettier-ignore
        ]
      : [],
  )
  const { water } = plan.follow
  part(
    'WATER',
    water
      ? [
          [`at ${water.timesSaid}`, water.days?.says].filter(Boolean).join(', '),
          ...water.zones.map(
            (z) =>
              `${zoneName(z.zone)}: ${shown(z.sprinkler?.minutes ?? z.litres)} a run${z.sprinkler ? '' : ' by can, rose or hose'}${inParts(z.parts.seedbed)}, then ${shown(z.growing)}${inParts(z.parts.growing)}, then ${shown(z.settled)}${inParts(z.parts.settled)}`,
          ),
          ...plan.follow.waterDays.map((w) =>
            w.advice === 'planned'
              ? `${day(w.day)}: ${told(waterSaid(w))}`
              : `${day(w.day)}: ${WATER_WORDS[w.advice]}. ${told(waterSaid(w))}`,
          ),
        ]
      : [],
  )
  part(
    'AFTERWARDS',
    plan.follow.packages.flatMap((f) => [
      ...f.up.map((u) => `shows: ${told(u.figure.label)} ${shown(u.figure)}`),
      ...(f.pace ? [`by your counts it takes ${shown(f.pace)} × the warmth of its table`] : []),
      ...(f.haze ? [`first haze ${day(f.haze)}`] : []),
      ...(f.judge ? [`not judged before ${shown(f.judge)}`] : []),
      ...(f.handOver ? [`moist until ${shown(f.handOver)}`] : []),
      ...(f.phases
        ? [`growing on ${day(f.phases.growing.from)} to ${day(f.phases.growing.to)}`]
        : []),
      ...(f.rest ? [`no water while nothing grows, ${day(f.rest.from)} to ${day(f.rest.to)}`] : []),
      ...(f.mowBand ? [`first mow ${shown(f.mowBand)}`] : []),
      ...(f.presentable ? [`looks right ${shown(f.presentable)}`] : []),
    ]),
  )
  part(
    'SEASONS',
    plan.packages.flatMap((p) => [
      `${p.kind}, ${p.zones.map(zoneName).join(', ')}: ${p.kind === 'due' ? 'when due' : `last day ${shown(p.cutOff)}`}`,
      ...p.choices.map(
        (c) =>
          `  ${c.taken ? '>' : ' '} ${c.season} ${day(c.day)}: ${c.state}, ${told(c.reason)}${c.odds ? `; ${c.odds.value} years in 100` : ''}. ${told(c.costs)}`,
      ),
      ...(p.worth
        ? [
            `  worth ${shown(p.worth.figure)} of 100 on ${day(p.sowDay)}: ${p.worth.parts.map(told).join('; ')}`,
            `  other days: ${otherDays(p.worth)
              .map((o) => `${showDay(o.day)} ${differsText(o.differs)}`)
              .join(' · ')}`,
          ]
        : []),
      ...(p.kind === 'due'
        ? []
        : p.window
            .slice(0, 12)
            .map((w) => `    ${day(w.from)}–${day(w.to)} ${w.state}: ${told(REASONS[w.reason])}`)),
    ]),
  )
  return `${lines.join('\n')}\n`
}
