<script setup lang="ts">
import { computed } from 'vue'
import { addDays, daysBetween, showDay } from '@juvena/core/calendar/day'
import { REASONS } from '@juvena/core/climate/dayReasons'
import type { PackagePlan, PlannedStep, WindowSpan } from '@juvena/core/plan/order'
import { OPERATIONS } from '@juvena/core/reference/operations'
import type { Message } from '@juvena/core/rules/message'
import { zoneOf } from '@juvena/core/trace/scope'
import { dayText } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/**
 * The job on one line of time: a lane for each piece of work with the days that are right for it,
 * the work as cores taken from it, why that day and what another would be; below, the visits as they
 * fall.
 */
const firm = useFirm()
const job = useJob()
defineProps<{ titleOf: (pack: PackagePlan) => string }>()

/** Nine weeks a column each, then two months a column. */
const WEEKS = 9
const LATER = 5
const TWO_MONTHS = 61
const DAYS = WEEKS * 7 + LATER * TWO_MONTHS
/** Where a day lies, 0 to 1 of the lane. */
const place = (day: string) => {
  const d = Math.min(DAYS, Math.max(0, daysBetween(job.today, day)))
  const columns = d < WEEKS * 7 ? d / 7 : WEEKS + (d - WEEKS * 7) / TWO_MONTHS
  return columns / (WEEKS + LATER)
}
const percent = (x: number) => `${(100 * x).toFixed(2)}%`
const heads = computed(() => [
  ...Array.from({ length: WEEKS }, (_, w) => addDays(job.today, 7 * w)).map((day, i) => ({
    day,
    // Beside the first day there is no room for the second.
    text:
      i === 1
        ? ''
        : i === 0 || Number(day.slice(8)) <= 7
          ? showDay(day).slice(4)
          : String(Number(day.slice(8))),
  })),
  ...Array.from({ length: LATER }, (_, m) => addDays(job.today, WEEKS * 7 + m * TWO_MONTHS)).map(
    (day) => ({ day, text: showDay(day).slice(4).replace(/^\d+ /, '') }),
  ),
])

interface Piece {
  key: string
  at: number
  /** In a word each, the weightiest first. */
  words: string[]
  weights: Map<string, number>
  says: string
  plants: boolean
  done: boolean
}
/** Steps so near that their cores would lie on one another are one core. */
const APART = 0.095
function piecesOf(steps: readonly PlannedStep[]): Piece[] {
  const pieces: Piece[] = []
  for (const s of [...steps].sort((a, b) => a.chosen.localeCompare(b.chosen))) {
    const [word, weight] = OPERATIONS[s.kind].short
    if (weight === 0 && steps.length > 1) continue
    const at = place(s.chosen)
    const near = pieces.at(-1)
    const says = `${showDay(s.chosen)}: ${firm.say(s.name)}`
    const name = firm.say(word) || firm.say(s.name)
    if (near && at - near.at < APART) {
      near.weights.set(name, Math.max(weight, near.weights.get(name) ?? 0))
      near.says += `; ${says}`
      near.plants ||= OPERATIONS[s.kind].plants === true
      near.done &&= s.state === 'done'
    } else
      pieces.push({
        key: s.id,
        at,
        words: [],
        weights: new Map([[name, weight]]),
        says,
        plants: OPERATIONS[s.kind].plants === true,
        done: s.state === 'done',
      })
  }
  for (const p of pieces) p.words = [...p.weights].sort((a, b) => b[1] - a[1]).map(([name]) => name)
  return pieces
}

interface Lane {
  id: string
  pack: PackagePlan | null
  name: string
  sub: string
  spans: { left: string; width: string; state: string; says: string }[]
  cutOff: string | null
  pieces: Piece[]
  why: string
  other: string
}
const spansOf = (window: readonly WindowSpan[]) =>
  window
    .filter((s) => daysBetween(job.today, s.from) < DAYS && s.to >= job.today)
    .map((s) => ({
      left: percent(place(s.from)),
      width: percent(place(addDays(s.to, 1)) - place(s.from)),
      state: s.state,
      says: `${showDay(s.from)} to ${showDay(s.to)}, ${s.state}: ${firm.say(REASONS[s.reason])}`,
    }))
const zonesText = (ids: readonly string[]) => {
  const all = job.plan?.zones.filter((z) => z.area) ?? []
  return ids.length === all.length && ids.length > 1
    ? 'all zones'
    : ids.map((id) => all.find((z) => z.id === zoneOf(id))?.name ?? id).join(', ')
}
/** What is said of a day that is not taken, beside the one that is. */
function otherDays(pack: PackagePlan): string {
  const taken = pack.choices.find((c) => c.taken)
  return pack.choices
    .filter((c) => !c.taken)
    .map((c) => {
      const [a, b] = [c.odds?.value, taken?.odds?.value]
      const differ = typeof a === 'number' && typeof b === 'number' ? a - b : null
      const worth = differ === null ? c.state : `${differ > 0 ? '+' : differ < 0 ? '−' : '±'}${Math.abs(differ)}` // prettier-ignore
      return `${dayText(c.day, job.today)}: ${worth}`
    })
    .join(' · ')
}
const reasonAt = (pack: PackagePlan): Message =>
  REASONS[pack.window.find((w) => w.from <= pack.sowDay && pack.sowDay <= w.to)?.reason ?? 'good']
const lanes = computed<Lane[]>(() => {
  const { plan } = job
  if (!plan) return []
  const later = new Set(plan.follow.later.map((s) => s.id))
  const stepsOf = (pack: string) => plan.steps.filter((s) => s.workPackage === pack)
  const ordered = [...plan.packages].sort((a, b) => Number(b.kind === 'due') - Number(a.kind === 'due')) // prettier-ignore
  return ordered.flatMap((pack): Lane[] => {
    const mine = stepsOf(pack.id)
    const work = mine.filter((s) => !later.has(s.id))
    const after = mine.filter((s) => later.has(s.id))
    const odds = pack.choices.find((c) => c.taken)?.odds
    const lane: Lane = {
      id: pack.id,
      pack,
      name: pack.kind === 'due' ? firm.say(work[0]?.name ?? '') : '',
      sub: pack.kind === 'due' ? zonesText(pack.zones) : '',
      spans: pack.kind === 'due' ? [] : spansOf(pack.window),
      cutOff: pack.kind === 'due' || pack.kind === 'feed' || pack.kind === 'barrier' ? null : String(pack.cutOff.value), // prettier-ignore
      pieces: piecesOf(work),
      why:
        pack.kind === 'due'
          ? `${dayText(pack.sowDay, job.today)}: due, it waits for nothing else.`
          : `${dayText(pack.sowDay, job.today)}: ${odds ? `${odds.value} years in 100; ` : ''}${firm.say(reasonAt(pack))}.`,
      other: otherDays(pack),
    }
    const f = plan.follow.packages.find((x) => x.workPackage === pack.id)
    const growing = f?.phases?.growing
    return after.length === 0
      ? [lane]
      : [
          lane,
          {
            id: `${pack.id} after`,
            pack: null,
            name: pack.plants ? 'Waters, then grows on' : 'Afterwards',
            sub: f?.wateringDays
              ? `${f.wateringDays.value} days kept moist`
              : zonesText(pack.zones),
            spans: [],
            cutOff: null,
            pieces: piecesOf(after),
            why: growing
              ? `Growing on ${dayText(growing.from, job.today)} to ${dayText(growing.to, job.today)}.`
              : '',
            other: f?.rest
              ? `nothing grows ${dayText(f.rest.from, job.today)} to ${dayText(f.rest.to, job.today)}`
              : '',
          },
        ]
  })
})

/** The work of a day in a word each; what goes without saying is left out. */
function shortly(steps: readonly PlannedStep[]): string {
  const words = [
    ...new Set(steps.map((s) => firm.say(OPERATIONS[s.kind].short[0])).filter(Boolean)),
  ]
  return (words.length > 0 ? words : steps.map((s) => firm.say(s.name))).join(', ')
}

/** Days on site, with what is done on each; evenings are nobody's visit. */
const SHOWN_VISITS = 12
const visits = computed(() => {
  const byDay = new Map<string, PlannedStep[]>()
  for (const s of job.plan?.steps ?? [])
    if (!OPERATIONS[s.kind].evening && s.state !== 'done')
      byDay.set(s.chosen, [...(byDay.get(s.chosen) ?? []), s])
  return [...byDay].map(([day, steps]) => ({
    day,
    hours: steps.reduce((sum, s) => sum + Number(s.hours.value), 0),
    sows: steps.some((s) => OPERATIONS[s.kind].plants),
    says: shortly(steps),
  }))
})
</script>

<template>
  <div class="calendar">
    <div class="lane-grid head" aria-hidden="true">
      <span>work</span>
      <span class="scale"
        ><i v-for="h in heads" :key="h.day" :style="{ left: percent(place(h.day)) }">{{
          h.text
        }}</i></span
      >
    </div>
    <ul aria-label="Work by its season">
      <li v-for="l in lanes" :key="l.id" class="lane-grid">
        <div class="label">
          <b>{{ l.pack && !l.name ? titleOf(l.pack) : l.name }}</b>
          <span v-if="l.sub" class="small soft">{{ l.sub }}</span>
        </div>
        <div class="lane" :class="{ turf: l.pack, slim: l.spans.length === 0 }">
          <span
            v-for="s in l.spans"
            :key="s.left"
            class="span"
            :class="s.state"
            :style="{ left: s.left, width: s.width }"
            :title="s.says"
          />
          <span v-if="l.cutOff" class="cut" :style="{ left: percent(place(l.cutOff)) }" />
          <a
            v-for="p in l.pieces"
            :key="p.key"
            class="core"
            :class="{ plants: p.plants, done: p.done }"
            :href="`#step-${p.key}`"
            :style="{ left: `min(${percent(p.at)}, calc(100% - 2.5rem))` }"
            :title="p.says"
            ><span v-for="w in p.words.slice(0, 2)" :key="w">{{ w }}</span
            ><span v-if="p.words.length > 2">+{{ p.words.length - 2 }}</span
            ><span class="only-read">{{ p.says }}</span></a
          >
        </div>
        <p class="why small">
          {{ l.why }}<span v-if="l.other" class="soft">{{ l.other }}</span>
        </p>
      </li>
    </ul>
    <ol class="stops" aria-label="Visits">
      <li v-for="v in visits.slice(0, SHOWN_VISITS)" :key="v.day" :class="{ sows: v.sows }">
        <b>{{ dayText(v.day, job.today) }}</b>
        <span class="soft small">{{ firm.hand(v.hours, 'work-h') }}</span>
        <span class="does">{{ v.says }}</span>
      </li>
    </ol>
    <p v-if="visits.length > SHOWN_VISITS" class="small soft">
      and {{ visits.length - SHOWN_VISITS }} more, below.
    </p>
  </div>
</template>

<style scoped>
.calendar {
  margin: 0.6rem 0 1rem;
}
ul,
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
.lane-grid {
  display: grid;
  grid-template-columns: 8.2rem minmax(0, 1fr);
  gap: 0 0.7rem;
  border-bottom: 1px solid var(--rule);
}
.head {
  border-bottom: 2px solid var(--ink);
  font-size: 0.75rem;
  color: var(--soft);
}
.scale {
  position: relative;
  height: 1.2rem;
  overflow: hidden;
}
.scale i {
  position: absolute;
  font-style: normal;
  white-space: nowrap;
}
.label {
  padding: 0.35rem 0;
  line-height: 1.2;
  grid-row: span 2;
}
.label span {
  display: block;
}
.lane {
  position: relative;
  min-height: 3.6rem;
  overflow: hidden;
}
.lane.slim {
  min-height: 2.7rem;
}
.lane.turf::before {
  content: '';
  position: absolute;
  inset: 0 0 auto 0;
  height: 7px;
  border-bottom: 2px solid var(--moss);
  background:
    repeating-linear-gradient(101deg, var(--moss) 0 1px, transparent 1px 7px),
    repeating-linear-gradient(78deg, var(--moss) 0 1px, transparent 1px 11px);
  opacity: 0.75;
}
.span {
  position: absolute;
  top: 9px;
  bottom: 0;
}
.span.open {
  background: color-mix(in srgb, var(--moss) 30%, transparent);
}
.span.marginal {
  background: color-mix(in srgb, var(--moss) 11%, transparent);
}
.span.shut {
  border-bottom: 2px solid color-mix(in srgb, var(--hold) 30%, transparent);
}
.cut {
  position: absolute;
  top: 9px;
  bottom: 0;
  border-left: 3px solid var(--hold);
}
.core {
  position: absolute;
  top: 9px;
  min-width: 2.2rem;
  max-width: 3.6rem;
  min-height: 2rem;
  padding: 0.1rem 0.25rem 0.2rem;
  display: grid;
  align-content: center;
  justify-items: center;
  border: 1.5px solid var(--ink);
  border-top: 0;
  border-radius: 0 0 9px 9px;
  background: var(--sheet);
  color: var(--ink);
  font-size: 0.6875rem;
  line-height: 1.1;
  text-decoration: none;
  overflow: hidden;
}
.core.plants {
  border-bottom: 5px solid var(--moss);
}
.core.done {
  background: var(--moss-wash);
  border-style: dashed;
  border-top: 0;
}
.core:hover,
.core:focus-visible {
  z-index: 2;
  background: var(--paper-deep);
}
.why {
  margin: 0;
  padding: 0.15rem 0 0.3rem;
  line-height: 1.25;
  grid-column: 2;
}
.why span {
  margin-left: 0.6rem;
}
.stops {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
  gap: 0.5rem;
  margin-top: 0.7rem;
}
.stops li {
  border: 1px solid var(--rule);
  background: var(--sheet);
  padding: 0.35rem 0.55rem 0.45rem;
  line-height: 1.25;
}
.stops li.sows {
  border: 2px solid var(--moss);
}
.stops b {
  margin-right: 0.35rem;
}
.stops .soft {
  white-space: nowrap;
}
.does {
  display: block;
}
@media (max-width: 760px) {
  .lane-grid {
    grid-template-columns: minmax(0, 1fr);
    padding: 0.3rem 0;
  }
  .head {
    display: none;
  }
  .lane {
    min-height: 2.9rem;
  }
  .label {
    grid-row: auto;
  }
  .why {
    grid-column: 1;
  }
}
</style>
