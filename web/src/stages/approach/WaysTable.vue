<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import type { Way } from '@juvena/core/approach/ways'
import type { ZoneSummary } from '@juvena/core/plan/jobPlan'
import { APPROACH_NAMES, type ApproachId } from '@juvena/core/reference/lists'
import { OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import type { PlannedWays } from '@juvena/core/plannedWays'
import { operationName } from '@juvena/core/work/operationWords'
import { dayText } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { plannedWaysInWorker } from '../../stores/planner.ts'
import CoverByWeek from './CoverByWeek.vue'
import OfferList from './OfferList.vue'
import OfferMaker from './OfferMaker.vue'
import OwnWays from './OwnWays.vue'

/**
 * Ready-made ways for one zone, side by side: what each takes, how long it looks bad, and what it
 * leaves undone.
 */
const props = defineProps<{ zone: ZoneSummary }>()
const emit = defineEmits<{ take: [approach: ApproachId] }>()
const firm = useFirm()
const job = useJob()
const ways = computed<Way[]>(() => job.ways[props.zone.id] ?? [])
/** Each way planned whole: its days come a moment after the table. */
const whole = shallowRef<PlannedWays | null>(null)
watch(
  [ways, () => props.zone.id],
  async ([now, zone], [, zoneBefore]) => {
    if (zone !== zoneBefore) whole.value = null
    if (now.length === 0) return
    const found = await plannedWaysInWorker(zone, props.zone.approach.chosen).catch(() => null)
    if (ways.value === now && props.zone.id === zone) whole.value = found
  },
  { immediate: true },
)
const planned = (w: Way) => whole.value?.ways.find((p) => p.approach === w.approach)
const cash = (thousandths: number | null | undefined) =>
  thousandths == null ? '…' : firm.wholeMoney(thousandths)
const hire = (w: Way) => firm.say(planned(w)?.hire ?? '')
const odds = (w: Way) => planned(w)?.odds
const customer = (w: Way) => {
  const plan = planned(w)
  return plan ? firm.say(plan.customer) : '…'
}
const short = (day: string) => dayText(day, firm.today).slice(4)
const days = (w: Way) => {
  const plan = planned(w)
  if (!plan) return '…'
  if (!plan.days) return 'none'
  const { first, last } = plan.days
  return first === last ? short(first) : `${short(first)} to ${short(last)}`
}
const rightFrom = (w: Way) => {
  const plan = planned(w)
  if (!plan) return '…'
  if (plan.right) return short(plan.right.low)
  return w.badDays === 0 ? 'as now' : 'no day to promise'
}
const weeks = (w: Way) => planned(w)?.cover ?? []
const chosen = (w: Way) => w.approach === props.zone.approach.chosen
const FIT: Record<Way['fit'], string> = {
  suggested: 'asked for',
  cheaper: 'cheaper',
  dearer: 'more work',
  possible: 'another way',
}
/** Beside the way that is asked for: by hours, and by price as soon as both have one. */
const fit = (w: Way) => {
  const asked = ways.value.find((o) => o.fit === 'suggested')
  const [own, theirs] = [planned(w)?.money, asked && planned(asked)?.money]
  if (w.fit === 'suggested' || !own || !theirs) return FIT[w.fit]
  return own.price < theirs.price ? 'cheaper' : own.price > theirs.price ? 'dearer' : 'same price'
}
const names = (kinds: StepKind[], sown: boolean) =>
  kinds
    .filter((k) => !OPERATIONS[k].quiet)
    .map((k) => firm.say(operationName(k, sown)).toLowerCase())
/** The first of a list, and how many more: the rungs beside it show each. */
const FEW = 2
const few = (list: readonly string[]) =>
  list.length <= FEW + 1
    ? list.join(', ')
    : `${list.slice(0, FEW).join(', ')} and ${list.length - FEW} more`
const differs = (w: Way) => {
  if (chosen(w)) return []
  const [more, less] = [few(names(w.more, w.plants)), few(names(w.less, w.plants))]
  return [...(more ? [`also ${more}`] : []), ...(less ? [`not ${less}`] : [])]
}
const looks = ({ badDays: days, staysOpen }: Way) =>
  staysOpen
    ? 'until it is sown'
    : days === 0
      ? 'never'
      : days < 14
        ? `about ${days} days`
        : `about ${Math.round(days / 7)} weeks`
const cover = ({ cover: c }: Way) =>
  c
    ? `${[c.now, c.standing].map((x) => Math.round(x)).join(' → ')} → ${Math.round(c.low)}–${Math.round(c.high)} %`
    : ''
/** An offer is being made of the ways. */
const making = ref(false)
/** The best four stand beside each other; the rest behind one press. */
const FIRST = 4
const all = ref(false)
const shown = computed(() => {
  if (all.value) return ways.value
  const first = ways.value.slice(0, FIRST)
  const taken = ways.value.find(chosen)
  return taken && !first.includes(taken) ? [...first.slice(0, FIRST - 1), taken] : first
})
</script>

<template>
  <section class="ways" aria-label="Ready-made ways">
    <p v-if="ways.length === 0" class="soft small">Ways appear once the zone has a size.</p>
    <div v-else class="scroll" tabindex="0" role="region" aria-label="Ways beside each other">
      <table :style="{ '--ways': shown.length }">
        <thead>
          <tr>
            <td></td>
            <th v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              <button type="button" :aria-pressed="chosen(w)" @click="emit('take', w.approach)">
                <b>{{ APPROACH_NAMES[w.approach].split(':')[0] }}</b>
                <span class="small fit">{{ chosen(w) ? `${fit(w)} · chosen` : fit(w) }}</span>
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-if="shown.some((w) => planned(w)?.money)">
            <th scope="row">
              price, {{ firm.settings.prices.taxIn ? 'tax in it' : 'before tax' }}
            </th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              <b class="price" :class="{ over: planned(w)?.overBudget }">{{
                cash(planned(w)?.money?.price)
              }}</b>
              <span v-if="planned(w)?.overBudget" class="small part"
                >{{ cash(planned(w)?.overBudget) }} over the budget</span
              >
            </td>
          </tr>
          <tr v-if="shown.some((w) => planned(w)?.money)">
            <th scope="row">your cost</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ cash(planned(w)?.money?.cost) }}
            </td>
          </tr>
          <tr v-if="shown.some((w) => hire(w))">
            <th scope="row">hire</th>
            <td v-for="w in shown" :key="w.approach" class="small" :class="{ chosen: chosen(w) }">
              {{ planned(w) ? hire(w) || 'none' : '…' }}
            </td>
          </tr>
          <tr>
            <th scope="row">your hours</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              <b>{{ w.hours > 0 ? firm.hand(w.hours, 'work-h') : 'none' }}</b>
            </td>
          </tr>
          <tr>
            <th scope="row">visits</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ planned(w)?.days?.visits ?? w.visits }}
            </td>
          </tr>
          <tr>
            <th scope="row">first to last day</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ days(w) }}
            </td>
          </tr>
          <tr v-if="shown.some((w) => odds(w) != null)">
            <th scope="row">years in 100 it takes</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              <b v-if="odds(w) != null">{{ odds(w) }}</b>
              <span v-else class="soft">{{ w.plants ? 'not known' : 'nothing sown' }}</span>
            </td>
          </tr>
          <tr v-if="job.customerDay && shown.some((w) => planned(w)?.inTime != null)">
            <th scope="row">and right by {{ showDay(job.customerDay).slice(4) }}</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              <b>{{ planned(w)?.inTime ?? '' }}</b>
            </td>
          </tr>
          <tr v-if="shown.some((w) => weeks(w).length)">
            <th scope="row">wanted cover by week</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              <CoverByWeek v-if="weeks(w).length" :weeks="weeks(w)" />
              <span class="small">{{ cover(w) }}</span>
            </td>
          </tr>
          <tr>
            <th scope="row">looks right from</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ rightFrom(w) }}
            </td>
          </tr>
          <tr>
            <th scope="row">bare or rough</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ looks(w) }}
            </td>
          </tr>
          <tr v-if="shown.some((w) => w.bareAfter !== null)">
            <th scope="row">bare after blades</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ w.bareAfter === null ? '' : `about ${firm.hand(w.bareAfter, '%')}` }}
            </td>
          </tr>
          <tr v-if="shown.length > 1">
            <th scope="row">differs by</th>
            <td v-for="w in shown" :key="w.approach" class="small" :class="{ chosen: chosen(w) }">
              <span v-for="part in differs(w)" :key="part" class="part">{{ part }}</span>
            </td>
          </tr>
          <tr v-if="whole">
            <th scope="row">the customer</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ customer(w) }}
            </td>
          </tr>
          <tr>
            <th scope="row">stays wrong</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ firm.say(w.leaves) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="ways.length > FIRST" class="small">
      <button type="button" class="quiet" :aria-expanded="all" @click="all = !all">
        {{ all ? 'Show the best four' : `Show ${ways.length - FIRST} more` }}
      </button>
    </p>
    <p v-if="whole && firm.say(whole.says)" class="told">{{ firm.say(whole.says) }}</p>
    <p v-if="whole && job.plan?.money" class="make">
      <button type="button" class="act main" :aria-expanded="making" @click="making = !making">
        Make an offer
      </button>
    </p>
    <OfferMaker v-if="making" @given="making = false" @cancel="making = false" />
    <OfferList />
    <OwnWays />
    <p v-if="shown.some((w) => w.cover)" class="small soft note">
      Cover is Juvena’s own estimate, where the sowing takes. Numbers of your own replace it under
      Yard, Rule book.
    </p>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  table-layout: fixed;
  min-width: 24rem;
}
th[scope='row'],
thead td {
  width: 5.6rem;
  font-weight: 400;
  color: var(--soft);
  font-size: var(--size-small);
  text-align: left;
}
td,
th {
  padding: 0.35rem 0.5rem 0.35rem 0;
  vertical-align: top;
  line-height: 1.3;
  font-size: 0.9rem;
}
td,
thead th {
  padding-left: 0.5rem;
}
thead th,
thead td {
  border-bottom: 2px solid var(--ink);
}
thead button {
  display: grid;
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  padding: 0;
  font: inherit;
  color: inherit;
  cursor: pointer;
}
thead button:hover b {
  text-decoration: underline;
}
.chosen {
  background: var(--moss-wash);
  border-left: 2px solid var(--moss);
  border-right: 2px solid var(--moss);
}
thead .chosen {
  border-top: 2px solid var(--moss);
}
tbody tr:last-child .chosen {
  border-bottom: 2px solid var(--moss);
}
.fit {
  color: var(--soft);
  font-weight: 400;
}
.chosen .fit {
  color: var(--moss);
}
.part {
  display: block;
}
.price {
  font-size: 1.15rem;
}
.price.over {
  color: var(--soft);
}
@media (max-width: 900px) {
  table {
    min-width: calc((var(--ways) + 1) * 6.6rem);
  }
}
.make {
  padding-top: 0.6rem;
}
.told {
  padding: 0.6rem 0 0;
  font-weight: 700;
}
.note {
  padding-top: 0.5rem;
}
</style>
