<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { addDays, daysBetween } from '@juvena/core/calendar/day'
import { REASONS } from '@juvena/core/climate/dayReasons'
import type { GrassWindow, WindowSpan } from '@juvena/core/plan/order'
import { capital, dayByKey, dayText, dayUnder } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'

/**
 * The sowing window over days, a band for each grass of a mix: open filled, marginal hatched, shut
 * lined; the cut-off and the sowing day drawn in. With
 * `reasons`, a day under the pointer or reached with the arrow keys says what it is and why.
 */
const props = defineProps<{
  spans: WindowSpan[]
  byGrass?: GrassWindow[]
  from: string
  days: number
  cutOff: string
  sow?: string | null
  /** What its weeks are worth, 0 to 100, by week from today: open days are the darker the more. */
  worth?: readonly number[]
  reasons?: boolean
  /** The grasses named on their bands, which are then as tall as a line of text. */
  names?: boolean
  name?: string
}>()
const firm = useFirm()
const id = useId()
interface Band {
  name: string
  spans: WindowSpan[]
  cutOff: string
}
const bands = computed<Band[]>(() =>
  props.byGrass?.length
    ? props.byGrass.map((g) => ({
        name: firm.grassShort(g.grass),
        spans: g.window,
        cutOff: g.cutOff,
      }))
    : [{ name: '', spans: props.spans, cutOff: props.cutOff }],
)
const tall = computed(() => 30 / bands.value.length)
interface Drawn extends WindowSpan {
  x: number
  end: number
  shade?: number
}
/** An open stretch, week by week where it is known what they are worth. */
function byWorth(stretch: Drawn): Drawn[] {
  if (stretch.state !== 'open' || !props.worth?.length) return [stretch]
  const began = daysBetween(firm.today, props.from)
  const list: Drawn[] = []
  for (let x = stretch.x; x < stretch.end;) {
    const week = Math.floor((began + x) / 7)
    const end = Math.min(stretch.end, 7 * (week + 1) - began)
    const worth = props.worth[week]
    list.push({ ...stretch, x, end, ...(worth === undefined ? {} : { shade: 0.08 + 0.0042 * worth }) }) // prettier-ignore
    x = end
  }
  return list
}
const drawn = computed(() =>
  bands.value.map((band) => ({
    name: band.name,
    cut: daysBetween(props.from, band.cutOff) + 1,
    pieces: band.spans
      .map((s) => ({
        ...s,
        x: Math.max(0, daysBetween(props.from, s.from)),
        end: Math.min(props.days, daysBetween(props.from, s.to) + 1),
      }))
      .filter((s) => s.end > s.x)
      .flatMap(byWorth),
  })),
)
const sowAt = computed(() => (props.sow ? daysBetween(props.from, props.sow) : -1))
const shownDay = (day: string) => dayText(day, firm.today)
const says = computed(() =>
  drawn.value
    .map(({ name, pieces }) =>
      [
        name,
        pieces
          .map(
            (s) =>
              `${s.state} ${shownDay(s.from)} to ${shownDay(s.to)}: ${firm.say(REASONS[s.reason])}`,
          )
          .join('; '),
      ]
        .filter(Boolean)
        .join(' '),
    )
    .join('. '),
)

const at = ref<number | null>(null)
const shown = computed(() => {
  const day = addDays(props.from, at.value ?? Math.max(0, Math.min(props.days - 1, sowAt.value)))
  // Grasses of one state and reason are told together.
  const told = new Map<string, string[]>()
  for (const { name, spans } of bands.value) {
    const span = spans.find((s) => s.from <= day && s.to >= day)
    if (!span) continue
    const what = `${span.state}. ${capital(firm.say(REASONS[span.reason]))}.`
    told.set(what, [...(told.get(what) ?? []), name])
  }
  if (told.size === 0) return ''
  if (told.size === 1) return `${shownDay(day)}: ${[...told.keys()][0]!}`
  return `${shownDay(day)}: ${[...told].map(([what, names]) => `${names.join(', ')} ${what}`).join(' ')}`
})
const point = (event: PointerEvent) => (at.value = dayUnder(event, props.days))
function key(event: KeyboardEvent) {
  const to = dayByKey(event.key, at.value ?? Math.max(0, sowAt.value), props.days)
  if (to === null) return
  event.preventDefault()
  at.value = Math.max(0, Math.min(props.days - 1, to))
}
</script>

<template>
  <span
    class="whole"
    :class="{ named: names && drawn.length > 1 }"
    :style="{ '--bands': drawn.length }"
    v-bind="
      reasons
        ? {
            tabindex: 0,
            role: 'slider',
            'aria-label': `${name ?? 'Sowing window'}, day by day`,
            'aria-valuemin': 0,
            'aria-valuemax': days - 1,
            'aria-valuenow': at ?? 0,
            'aria-valuetext': shown,
          }
        : {}
    "
    @focus="reasons && (at ??= Math.max(0, Math.min(props.days - 1, sowAt)))"
    @keydown="reasons && key($event)"
    @blur="at = null"
  >
    <svg
      class="ribbon"
      :viewBox="`0 0 ${days * 10} 30`"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`${name ?? 'Sowing window'}: ${says}. Last day ${shownDay(cutOff)}.`"
      @pointermove="reasons && point($event)"
      @pointerleave="at = null"
    >
      <defs>
        <pattern
          :id="`${id}marginal`"
          width="12"
          height="12"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="12" height="12" class="m1" />
          <rect width="6" height="12" class="m2" />
        </pattern>
        <pattern :id="`${id}shut`" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" class="s1" />
          <rect width="8" height="2" class="s2" />
        </pattern>
      </defs>
      <g v-for="(band, row) in drawn" :key="band.name">
        <rect
          v-for="p in band.pieces"
          :key="`${p.from} ${p.x}`"
          :x="p.x * 10"
          :y="row * tall"
          :width="(p.end - p.x) * 10"
          :height="tall"
          :class="[p.state, { shaded: p.shade !== undefined }]"
          :fill-opacity="p.shade"
          :fill="p.state === 'open' ? undefined : `url(#${id}${p.state})`"
        >
          <title v-if="!reasons">
            {{ band.name ? `${band.name} ` : '' }}{{ p.state }}: {{ firm.say(REASONS[p.reason]) }}
          </title>
        </rect>
        <line
          v-if="band.cut > 0 && band.cut <= days"
          :x1="band.cut * 10"
          :x2="band.cut * 10"
          :y1="row * tall"
          :y2="(row + 1) * tall"
          class="cut"
          vector-effect="non-scaling-stroke"
        />
        <line
          v-if="row > 0"
          x1="0"
          :x2="days * 10"
          :y1="row * tall"
          :y2="row * tall"
          class="between"
          vector-effect="non-scaling-stroke"
        />
      </g>
      <rect
        v-if="sowAt >= 0 && sowAt < days"
        :x="sowAt * 10"
        y="4"
        width="10"
        height="22"
        class="sow"
      />
      <line
        v-if="at !== null"
        :x1="at * 10 + 5"
        :x2="at * 10 + 5"
        y1="0"
        y2="30"
        class="at"
        vector-effect="non-scaling-stroke"
      />
    </svg>
    <span v-if="names && drawn.length > 1" class="names" aria-hidden="true">
      <span v-for="band in drawn" :key="band.name">{{ band.name }}</span>
    </span>
    <span v-if="reasons" class="why small" :class="{ idle: at === null }" aria-hidden="true">{{
      shown
    }}</span>
  </span>
</template>

<style scoped>
.whole {
  display: block;
  height: 100%;
}
.ribbon {
  width: 100%;
  height: 1.6rem;
  display: block;
}
.named {
  position: relative;
}
.named .ribbon {
  height: calc(var(--bands) * 1.15rem);
}
.names {
  position: absolute;
  top: 0;
  right: 0.3rem;
  text-align: right;
  font-size: 0.75rem;
  line-height: 1.15rem;
  pointer-events: none;
}
.names span {
  display: block;
}
.between {
  stroke: var(--sheet);
  stroke-width: 1;
}
.behind .ribbon {
  height: 100%;
}
.why {
  display: block;
  line-height: 1.3;
  padding-top: 0.15rem;
}
/* Behind other things the reason stands over them, while a day is asked about. */
.behind .why {
  position: absolute;
  z-index: 2;
  left: 0;
  top: 100%;
  margin-top: -0.4rem;
  padding: 0.15rem 0.5rem 0.25rem;
  background: var(--sheet);
  border: 1px solid var(--ink);
  pointer-events: none;
}
.behind .why.idle {
  display: none;
}
.open {
  fill: var(--moss-wash);
  stroke: none;
}
.open.shaded {
  fill: var(--moss);
}
.m1 {
  fill: var(--sheet);
}
.m2 {
  fill: var(--sun-wash);
}
.s1 {
  fill: var(--paper);
}
.s2 {
  fill: var(--hold-wash);
}
:root[data-theme='field'] .open {
  fill: #cfe3cc;
}
:root[data-theme='field'] .m2 {
  fill: #e2c46d;
}
:root[data-theme='field'] .s2 {
  fill: #d9a2a0;
}
.sow {
  fill: var(--moss);
}
.cut {
  stroke: var(--hold);
  stroke-width: 3;
}
.at {
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
