<script setup lang="ts">
import { computed } from 'vue'
import { addDays, daysBetween, showDay } from '@juvena/core/calendar/day'
import type { PackagePlan } from '@juvena/core/plan/order'
import FigureValue from '../../parts/FigureValue.vue'
import WindowRibbon from './WindowRibbon.vue'
import { dayText } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { usePins } from './pins.ts'

/**
 * The next honest seasons of a piece of work side by side: the season, its day, what it is worth
 * and what it costs. Taking another pins the work there.
 */
const props = defineProps<{ pack: PackagePlan }>()
const firm = useFirm()
const job = useJob()
const NAMES = { spring: 'Spring', summer: 'High summer', autumn: 'Autumn', winter: 'Winter' }
const anchor = () => props.pack.steps.find((s) => s.kind === props.pack.anchor)
const pinned = () => anchor()?.state === 'pinned'
/** A year and a month ahead. */
const DAYS = 395
const months = computed(() => {
  const list: { day: string; at: number; name: string }[] = []
  for (let i = 0; i < DAYS - 28; i++) {
    const day = addDays(job.today, i)
    if (day.endsWith('-01')) list.push({ day, at: i, name: showDay(day).slice(6) })
  }
  return list
})
const away = (day: string) => {
  const days = daysBetween(job.today, day)
  return days <= 1
    ? days === 1
      ? 'tomorrow'
      : 'today'
    : days < 14
      ? `in ${days} days`
      : `in ${Math.round(days / 7)} weeks`
}
const { pin } = usePins()
function take(day: string | null) {
  const step = anchor()
  if (step) pin(step, day)
}
</script>

<template>
  <div v-if="pack.plants" class="year">
    <WindowRibbon
      :spans="pack.window"
      :by-grass="pack.byGrass"
      :worth="pack.worth?.weeks"
      names
      :from="job.today"
      :days="DAYS"
      :cut-off="String(pack.cutOff.value)"
      :sow="pack.sowDay"
      reasons
      name="The year ahead"
    />
    <div class="months" aria-hidden="true">
      <span v-for="m in months" :key="m.day" :style="{ left: `${(m.at / DAYS) * 100}%` }">{{
        m.name
      }}</span>
    </div>
  </div>
  <ul class="choices" :aria-label="pack.plants ? 'When it could be sown' : 'When it could be done'">
    <li v-for="c in pack.choices" :key="c.day" :class="{ taken: c.taken }">
      <p class="head">
        <b>{{ NAMES[c.season] }}</b>
        <span class="small soft">{{ c.bars ? 'no day left' : away(c.day) }}</span>
        <span v-if="c.taken" class="mark fine">{{ pinned() ? 'chosen by you' : 'chosen' }}</span>
      </p>
      <p v-if="c.bars" class="small bars">{{ firm.say(c.bars) }}</p>
      <p v-else class="when">
        <b>{{ dayText(c.day, job.today) }}</b>
        <span v-if="c.odds" class="odds"
          ><FigureValue :id="c.odds.id" /> <span class="small soft">of years</span></span
        >
      </p>
      <p v-if="c.inTime && !c.bars" class="date">
        <span class="small">right by your customer’s date</span>
        <span class="odds"
          ><FigureValue :id="c.inTime.id" /> <span class="small soft">of years</span></span
        >
      </p>
      <p v-if="!c.bars" class="small">
        <b>{{ c.state }}</b>: {{ firm.say(c.reason) }}.
        <span class="soft">{{ firm.say(c.costs) }}</span>
      </p>
      <button
        v-if="!c.taken"
        type="button"
        class="act slight"
        :disabled="c.bars !== null"
        :aria-label="`choose ${NAMES[c.season]}, ${dayText(c.day, job.today)}`"
        @click="take(c.day)"
      >
        choose
      </button>
      <button v-else-if="pinned()" type="button" class="plain small" @click="take(null)">
        let the plan choose
      </button>
    </li>
  </ul>
</template>

<style scoped>
.bars {
  color: var(--hold);
}
.year {
  margin: 0.5rem 0 0.2rem;
  display: flex;
  flex-direction: column-reverse;
}
.months {
  position: relative;
  height: 1.1rem;
  font-size: 0.75rem;
  color: var(--soft);
}
.months span {
  position: absolute;
  border-left: 1px solid var(--rule);
  padding-left: 0.2rem;
}
.choices {
  list-style: none;
  margin: 0.4rem 0 0.6rem;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
  gap: 0.6rem;
}
li {
  border: 1px solid var(--rule);
  background: var(--sheet);
  padding: 0.45rem 0.7rem 0.55rem;
}
li.taken {
  border-color: var(--moss);
  box-shadow: inset 0 3px 0 var(--moss);
}
.head {
  display: flex;
  gap: 0.5rem;
  align-items: baseline;
}
.head .mark {
  margin-left: auto;
}
.when {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 0.5rem;
  font-size: 1.15rem;
  line-height: 1.35;
}
.date {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 0.5rem;
}
.odds {
  white-space: nowrap;
  flex: none;
}
.odds :deep(.figure) {
  white-space: nowrap;
}
li > p.small {
  line-height: 1.3;
  margin-bottom: 0.3rem;
}
</style>
