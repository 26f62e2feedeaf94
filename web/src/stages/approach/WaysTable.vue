<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Way } from '@juvena/core/approach/ways'
import type { ZoneSummary } from '@juvena/core/plan/jobPlan'
import { APPROACH_NAMES, type ApproachId } from '@juvena/core/reference/lists'
import { OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import { operationName } from '@juvena/core/work/operationWords'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/**
 * Ready-made ways for one zone, side by side: what each takes, how long it looks bad, and what it
 * leaves undone.
 */
const props = defineProps<{ zone: ZoneSummary }>()
const emit = defineEmits<{ take: [approach: ApproachId] }>()
const firm = useFirm()
const job = useJob()
const ways = computed<Way[]>(() => job.ways[props.zone.id] ?? [])
const chosen = (w: Way) => w.approach === props.zone.approach.chosen
const FIT: Record<Way['fit'], string> = {
  suggested: 'asked for',
  cheaper: 'cheaper',
  dearer: 'more work',
  possible: 'another way',
}
const names = (kinds: StepKind[], sown: boolean) =>
  kinds
    .filter((k) => !OPERATIONS[k].quiet)
    .map((k) => firm.say(operationName(k, sown)).toLowerCase())
/** The first of a list, and how many more: the rungs beside it show each. */
const FEW = 4
const few = (list: readonly string[]) =>
  list.length === 0
    ? 'nothing'
    : list.length <= FEW + 1
      ? list.join(', ')
      : `${list.slice(0, FEW).join(', ')} and ${list.length - FEW} more`
const looks = ({ badDays: days, staysOpen }: Way) =>
  staysOpen
    ? 'until it is sown'
    : days === 0
      ? 'never'
      : days < 14
        ? `about ${days} days`
        : `about ${Math.round(days / 7)} weeks`
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
      <table>
        <thead>
          <tr>
            <td></td>
            <th v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              <button type="button" :aria-pressed="chosen(w)" @click="emit('take', w.approach)">
                <b>{{ APPROACH_NAMES[w.approach].split(':')[0] }}</b>
                <span class="small fit">{{
                  chosen(w) ? `${FIT[w.fit]} · chosen` : FIT[w.fit]
                }}</span>
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">your hours</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              <b>{{ w.hours > 0 ? firm.hand(w.hours, 'work-h') : 'none' }}</b>
            </td>
          </tr>
          <tr>
            <th scope="row">visits at least</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ w.visits }}
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
          <tr>
            <th scope="row">besides</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ chosen(w) ? '' : few(names(w.more, w.plants)) }}
            </td>
          </tr>
          <tr>
            <th scope="row">leaves out</th>
            <td v-for="w in shown" :key="w.approach" :class="{ chosen: chosen(w) }">
              {{ chosen(w) ? '' : few(names(w.less, w.plants)) }}
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
    <p class="small soft note">Costs come here once prices are known.</p>
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
.note {
  padding-top: 0.5rem;
}
</style>
