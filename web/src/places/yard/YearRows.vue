<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { proxy } from 'comlink'
import { addDays, showDay } from '@juvena/core/calendar/day'
import { CAUSE_NAMES, CAUSES, REASONS } from '@juvena/core/climate/dayReasons'
import { oddsOffBy } from '@juvena/core/climate/sowingOdds'
import type { StationClimate } from '@juvena/core/climate/placeYear'
import type { YearPage, YearRow } from '@juvena/core/present/yearPage'
import { GRASSES } from '@juvena/core/reference/grasses'
import { capital, dayByKey, dayText, dayUnder } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'
import { plain } from '../../stores/plain.ts'
import type { OddsByRow, StationSite } from '../../workers/year.worker.ts'
import { startYears } from './manyYears.ts'

/**
 * When each grass may be sown through the year, and in how many years it succeeds. A day under the
 * pointer, or reached with the arrow keys, says why.
 */
const props = defineProps<{ year: YearPage; site: StationSite; station: StationClimate | null }>()
const firm = useFirm()
const DAYS = 365
const HUNDREDS = 10

/** Odds over more years than the page came with: each hundred narrows them. */
const more = shallowRef<OddsByRow | null>(null)
/** Share done, 0 to 1, while years are being tried. */
const trying = ref<number | null>(null)
const failure = ref('')
let years: ReturnType<typeof startYears> | null = null
function stop() {
  years?.end()
  years = null
  trying.value = null
}
async function tryMore() {
  stop()
  failure.value = ''
  trying.value = 0
  const mine = (years = startYears())
  const { first, today } = props.year
  try {
    await mine.worker.odds(
      plain({
        site: props.site,
        station: props.station,
        firm: firm.settings,
        today: addDays(first, today),
        first,
        hundreds: HUNDREDS,
      }),
      proxy((share, known) => {
        if (years !== mine) return
        trying.value = share
        more.value = known
      }),
    )
  } catch {
    failure.value = 'The years could not be worked out here. The odds of a hundred years stay.'
  }
  if (years === mine) stop()
}
watch(
  () => props.year,
  () => {
    // New days came in: what was being tried is tried again with them.
    const again = trying.value !== null
    stop()
    more.value = null
    if (again) void tryMore()
  },
)
onUnmounted(stop)
const rows = computed(() =>
  props.year.rows.map((row) => ({ ...row, odds: more.value?.[row.id] ?? row.odds })),
)
const tried = computed(() => rows.value.find((row) => row.odds)?.odds?.years ?? 0)
const TITLES: Record<YearRow['kind'], (row: YearRow) => [string, string]> = {
  lawn: (row) => [
    row.grasses.length > 1 ? 'fine fescues' : GRASSES[row.grasses[0]!]!.short,
    row.grasses[0] === 'kentucky-bluegrass'
      ? 'eight weeks to stand'
      : GRASSES[row.grasses[0]!]!.season === 'warm'
        ? 'warm season'
        : 'new or over',
  ],
  cover: () => ['quick cover', 'annual ryegrass'],
  dormant: () => ['dormant sowing', 'fine fescue, bluegrass'],
}
const titleOf = (row: YearRow) => TITLES[row.kind](row)
const curve = (row: YearRow) =>
  row.odds ? row.odds.succeed.map((n, i) => `${i},${30 - (n / 100) * 27}`).join(' ') : ''
const at = ref<{ row: string; day: number } | null>(null)
const dayOf = (i: number) => {
  const day = addDays(props.year.first, i < props.year.today ? i + DAYS : i)
  return { day, text: dayText(day, addDays(props.year.first, props.year.today)) }
}
const spanAt = (row: YearRow, i: number) => sure(row.spans.find((s) => s.from <= i && s.to >= i))
function says(row: YearRow, i: number): { head: string; why: string; rest: string } {
  const span = spanAt(row, i)
  const n = row.odds?.succeed[i]
  const fails = row.odds
    ? CAUSES.map((c) => [c, sure(row.odds).fails[c][i]!] as const).filter(([, k]) => k >= 0.5)
    : []
  return {
    head: `${dayOf(i).text}, ${titleOf(row)[0]}: ${n === undefined ? span.state : `${Math.round(n)} in 100 years ± ${Math.ceil(oddsOffBy(n, sure(row.odds).years))}`}`,
    why: `${capital(span.state)}. ${capital(firm.say(REASONS[span.reason]))}.`,
    rest: fails.length
      ? `What fails the rest: ${fails
          .sort((a, b) => b[1] - a[1])
          .map(([c, k]) => `${Math.round(k)} ${CAUSE_NAMES[c]}`)
          .join(', ')}.`
      : '',
  }
}
const told = computed(() => {
  const row = at.value && rows.value.find((r) => r.id === sure(at.value).row)
  return row
    ? { ...says(row, sure(at.value).day), left: (sure(at.value).day / DAYS) * 100, row: row.id }
    : null
})
const point = (row: YearRow, event: PointerEvent) =>
  (at.value = { row: row.id, day: dayUnder(event, DAYS) })
function key(row: YearRow, event: KeyboardEvent) {
  const to = dayByKey(event.key, at.value?.row === row.id ? at.value.day : props.year.today, DAYS)
  if (to === null) return
  event.preventDefault()
  at.value = { row: row.id, day: (to + DAYS) % DAYS }
}
const focus = (row: YearRow) =>
  (at.value = { row: row.id, day: at.value?.row === row.id ? at.value.day : props.year.today })
/** In words, a line for each: open spans first. */
const summary = computed(() =>
  props.year.rows
    .map((row) => {
      // Spans of one state side by side read as one, whatever their reasons.
      const joined = row.spans.reduce<{ from: number; to: number; state: string }[]>(
        (list, { from, to, state }) => {
          const last = list.at(-1)
          return last?.state === state
            ? [...list.slice(0, -1), { ...last, to }]
            : [...list, { from, to, state }]
        },
        [],
      )
      const spans = (state: string) =>
        joined
          .filter((s) => s.state === state)
          .map(
            (s) =>
              `${showDay(addDays(props.year.first, s.from)).slice(4)} to ${showDay(addDays(props.year.first, s.to)).slice(4)}`,
          )
      const [open, marginal] = [spans('open'), spans('marginal')]
      return open.length + marginal.length === 0
        ? `${titleOf(row)[0]}: never`
        : `${titleOf(row)[0]}: ${[open.length ? `open ${open.join(', ')}` : '', marginal.length ? `with care ${marginal.join(', ')}` : ''].filter(Boolean).join('; ')}`
    })
    .join('. '),
)
/** What may be sown now, and until when; and what comes next for the others. */
const now = computed(() => {
  const today = props.year.today
  const on = (i: number) => dayOf(((i % DAYS) + DAYS) % DAYS).text.replace(/^\w+ /, '')
  const lawns = props.year.rows.filter((r) => r.kind === 'lawn')
  const open = lawns
    .filter((r) => spanAt(r, today).state === 'open')
    .map((r) => `${titleOf(r)[0]} until ${on(spanAt(r, today).to)}`)
  const next = lawns.flatMap((r) => {
    if (spanAt(r, today).state === 'open') return []
    const ahead = [...r.spans]
      .map((s) => ({ s, in: (s.from - today + DAYS) % DAYS }))
      .filter(({ s }) => s.state !== 'shut')
      .sort((a, b) => a.in - b.in)[0]
    return ahead
      ? [
          `${titleOf(r)[0]} from ${on(ahead.s.from)}${ahead.s.state === 'marginal' ? ', with care' : ''}`,
        ]
      : []
  })
  return [
    open.length ? `Open now: ${open.join(', ')}.` : 'Nothing is open now.',
    next.length ? `Next: ${next.join('; ')}.` : '',
  ].join(' ')
})
const never = (row: YearRow) =>
  row.spans.every((s) => s.state === 'shut')
    ? `never: ${firm.say(REASONS[row.spans.find((s) => s.reason === 'never')?.reason ?? row.spans[0]!.reason])}`
    : ''
const months = computed(() =>
  Array.from({ length: DAYS }, (_, i) => ({ i, day: addDays(props.year.first, i) }))
    .filter(({ day }) => day.endsWith('-01'))
    .map(({ i, day }) => ({ i, name: showDay(day).slice(6) })),
)
</script>

<template>
  <figure>
    <div class="row months" aria-hidden="true">
      <span></span>
      <span class="lane"
        ><i v-for="m in months" :key="m.i" :style="{ left: `${(m.i / DAYS) * 100}%` }">{{
          m.name
        }}</i></span
      >
    </div>
    <div v-for="row in rows" :key="row.id" class="row">
      <p class="title">
        <b>{{ titleOf(row)[0] }}</b> <span class="small soft">{{ titleOf(row)[1] }}</span>
      </p>
      <div
        class="lane"
        tabindex="0"
        role="slider"
        :aria-label="`${titleOf(row)[0]}, day by day`"
        aria-valuemin="0"
        :aria-valuemax="DAYS - 1"
        :aria-valuenow="at?.row === row.id ? at.day : year.today"
        :aria-valuetext="
          at?.row === row.id && told
            ? `${told.head}. ${told.why} ${told.rest}`
            : says(row, year.today).head
        "
        @keydown="key(row, $event)"
        @focus="focus(row)"
        @blur="at = null"
      >
        <svg
          :viewBox="`0 0 ${DAYS} 32`"
          preserveAspectRatio="none"
          aria-hidden="true"
          @pointermove="point(row, $event)"
          @pointerleave="at = null"
        >
          <rect
            v-for="s in row.spans"
            :key="s.from"
            :x="s.from"
            y="0"
            :width="s.to - s.from + 1"
            height="32"
            :class="s.state"
          />
          <polyline v-if="curve(row)" :points="curve(row)" vector-effect="non-scaling-stroke" />
          <line
            v-if="row.cutOff !== null"
            :x1="row.cutOff + 1"
            :x2="row.cutOff + 1"
            y1="0"
            y2="32"
            class="cut"
            vector-effect="non-scaling-stroke"
          />
          <line
            :x1="year.today + 0.5"
            :x2="year.today + 0.5"
            y1="0"
            y2="32"
            class="today"
            vector-effect="non-scaling-stroke"
          />
          <line
            v-if="at?.row === row.id"
            :x1="at.day + 0.5"
            :x2="at.day + 0.5"
            y1="0"
            y2="32"
            class="at"
            vector-effect="non-scaling-stroke"
          />
        </svg>
        <span v-if="never(row)" class="never small soft">{{ never(row) }}</span>
        <div
          v-if="told?.row === row.id"
          class="told"
          :class="{ right: told.left > 60 }"
          :style="told.left > 60 ? { right: `${100 - told.left}%` } : { left: `${told.left}%` }"
        >
          <b>{{ told.head }}</b>
          <span>{{ told.why }}</span> <span>{{ told.rest }}</span>
        </div>
      </div>
    </div>
    <ul class="key small" aria-hidden="true">
      <li><i class="open"></i>open</li>
      <li><i class="marginal"></i>with care: spring, or late</li>
      <li><i class="shut"></i>shut, and why under the pointer</li>
      <li><i class="cutmark"></i>last day by the rule of weeks</li>
      <li><i class="oddsmark"></i>years in 100 that succeed, watered</li>
    </ul>
    <p class="years small">
      <template v-if="trying !== null">
        <progress :value="trying" max="1" aria-label="Trying more years" />
        <span class="soft">{{ tried }} of {{ HUNDREDS * 100 }} years</span>
        <button type="button" class="act slight" @click="stop">Stop</button>
      </template>
      <template v-else>
        <span class="soft"
          >Odds of {{ tried }} simulated years, up to ± {{ Math.ceil(oddsOffBy(50, tried)) }} by
          chance.</span
        >
        <button v-if="tried < HUNDREDS * 100" type="button" class="act slight" @click="tryMore">
          Try a thousand years
        </button>
      </template>
      <span v-if="failure" class="trouble" role="alert">{{ failure }}</span>
    </p>
    <figcaption>
      <span class="small">{{ now }}</span> <span class="only-read">{{ summary }}.</span>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.4rem 0.8rem 0.5rem;
}
.row {
  display: grid;
  grid-template-columns: 11.5rem minmax(0, 1fr);
  gap: 0.6rem;
  align-items: center;
  padding: 0.15rem 0;
}
.months {
  padding: 0;
}
.months .lane {
  height: 1.1rem;
}
.months i {
  position: absolute;
  font-style: normal;
  font-size: 0.75rem;
  color: var(--soft);
  padding-left: 0.2rem;
  border-left: 1px solid var(--rule);
}
.title {
  line-height: 1.15;
}
.title b {
  display: block;
}
.lane {
  position: relative;
}
.lane[tabindex]:focus-visible {
  outline: 2px solid var(--water);
  outline-offset: 1px;
}
svg {
  display: block;
  width: 100%;
  height: 1.75rem;
}
rect.open,
i.open {
  fill: var(--moss-wash);
  background: var(--moss-wash);
}
rect.marginal,
i.marginal {
  fill: var(--sun-wash);
  background: var(--sun-wash);
}
rect.shut,
i.shut {
  fill: var(--paper-deep);
  background: var(--paper-deep);
}
polyline {
  fill: none;
  stroke: var(--moss);
  stroke-width: 2;
}
.cut {
  stroke: var(--hold);
  stroke-width: 3;
}
.today {
  stroke: var(--ink);
  stroke-width: 2;
}
.at {
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 3 2;
}
.never {
  position: absolute;
  left: 0.8rem;
  top: 50%;
  transform: translateY(-50%);
  pointer-events: none;
}
.told {
  position: absolute;
  z-index: 3;
  bottom: calc(100% + 0.2rem);
  width: min(20rem, 80%);
  background: var(--sheet);
  border: 2px solid var(--ink);
  padding: 0.35rem 0.6rem;
  line-height: 1.3;
  font-size: 0.875rem;
  pointer-events: none;
}
.told b {
  display: block;
}
.key {
  list-style: none;
  margin: 0.3rem 0 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 1.2rem;
}
.key i {
  display: inline-block;
  width: 1.4rem;
  height: 0.8rem;
  margin-right: 0.35rem;
  vertical-align: -1px;
}
.years {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 0.8rem;
  margin-top: 0.3rem;
}
.years .trouble {
  color: var(--hold);
}
.key .shut {
  outline: 1px solid var(--rule);
}
.key .cutmark {
  width: 3px;
  background: var(--hold);
}
.key .oddsmark {
  height: 2px;
  vertical-align: 4px;
  background: var(--moss);
}
@media (max-width: 640px) {
  .row {
    grid-template-columns: 1fr;
    gap: 0.1rem;
  }
  .title b {
    display: inline;
  }
}
</style>
