<script setup lang="ts">
import { computed } from 'vue'
import { daysBetween } from '@juvena/core/calendar/day'
import { REASONS } from '@juvena/core/climate/dayReasons'
import type { PackagePlan, PlannedStep } from '@juvena/core/plan/order'
import { differsText } from '@juvena/core/present/otherDays'
import { OPERATIONS } from '@juvena/core/reference/operations'
import { num } from '@juvena/core/trace/figure'
import { dayText } from '../../parts/dayRow.ts'
import WorthShade from '../../parts/WorthShade.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { useLastMove } from './lastMove.ts'
import LanePiece from './LanePiece.vue'
import { lanesOf, type Lane } from './lanes.ts'
import { headsOf, LINE_DAYS, placeOf } from './timeLine.ts'

/**
 * The job on one line of time: a lane for each piece of work with what its weeks are worth, the
 * work as cores taken from it, why that day and what another would cost; below, the visits as they
 * fall. A core is dragged, or moved by the arrow keys, to another day.
 */
const props = defineProps<{ titleOf: (pack: PackagePlan) => string }>()
const firm = useFirm()
const job = useJob()
const place = (day: string) => placeOf(job.today, day)
const percent = (x: number) => `${(100 * x).toFixed(2)}%`
const heads = computed(() => headsOf(job.today))
const lanes = computed(() =>
  job.plan ? lanesOf(job.plan, { today: job.today, told: firm.say, titleOf: props.titleOf }) : [],
)
const lastMove = useLastMove()

/** What a day would be worth for the work of a lane. */
function daySays({ pack }: Lane, leads: boolean, day: string): string {
  if (!pack?.worth || !leads) return ''
  const span = pack.window.find((w) => w.from <= day && day <= w.to)
  const week = Math.floor(daysBetween(job.today, day) / 7)
  const worth = pack.worth.weeks[week]
  if (span?.state === 'shut' || !worth)
    return span?.state === 'shut' ? `shut: ${firm.say(REASONS[span.reason])}` : 'shut'
  const differs = day === pack.sowDay ? 0 : worth - num(pack.worth.figure)
  return day === pack.sowDay
    ? `worth ${num(pack.worth.figure)} of 100`
    : `about ${worth} of 100, ${differsText(differs)}`
}
const open = (id: string) =>
  document.getElementById(`step-${id}`)?.scrollIntoView({ block: 'center' })

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
          <b>{{ l.name }}</b>
          <span v-if="l.sub" class="small soft">{{ l.sub }}</span>
        </div>
        <div class="lane" :class="{ turf: l.pack, slim: l.pack?.kind === 'due' || !l.pack }">
          <WorthShade
            v-if="l.pack && l.pack.kind !== 'due'"
            class="shade"
            :spans="l.pack.window"
            :worth="l.pack.worth?.weeks ?? []"
            :start="job.today"
            :from="job.today"
            :days="LINE_DAYS"
            :place="place"
          />
          <span v-if="l.cutOff" class="cut" :style="{ left: percent(place(l.cutOff)) }" />
          <LanePiece
            v-for="p in l.pieces"
            :key="p.key"
            :piece="p"
            :from="job.today"
            :says="(day) => daySays(l, p.leads, day)"
            @move="lastMove.move(p.step, $event)"
            @open="open(p.step.id)"
          />
        </div>
        <p class="why small">
          {{ l.why }}<span v-if="l.other" class="soft">{{ l.other }}</span>
        </p>
      </li>
    </ul>
    <div v-if="lastMove.told.value" class="moved-piece" role="status">
      <p>
        <b>{{ lastMove.told.value.says }}</b> {{ lastMove.told.value.costs }}
        <span class="soft">{{ lastMove.told.value.others }}</span>
        <span v-for="a in lastMove.told.value.against" :key="a" class="against">▲ {{ a }}</span>
      </p>
      <button type="button" class="act slight" @click="lastMove.undo()">undo this move</button>
      <button type="button" class="plain small" @click="lastMove.forget()">close</button>
    </div>
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
.shade {
  top: 9px;
}
.cut {
  position: absolute;
  top: 9px;
  bottom: 0;
  border-left: 3px solid var(--hold);
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
.moved-piece {
  display: flex;
  gap: 0.7rem;
  align-items: center;
  margin-top: 0.6rem;
  padding: 0.4rem 0.7rem;
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  line-height: 1.3;
}
.moved-piece p {
  flex: 1;
}
.moved-piece button {
  white-space: nowrap;
}
.against {
  display: block;
  color: var(--hold);
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
  .label {
    grid-row: auto;
  }
  .why {
    grid-column: 1;
  }
}
</style>
