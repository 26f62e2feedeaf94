<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { RouterLink } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import { PACE } from '@juvena/core/learning/observations'
import { learningValues } from '@juvena/core/learning/ownNumber'
import type { Unit } from '@juvena/core/quantities/show'
import { GRASSES } from '@juvena/core/reference/grasses'
import type { Answer } from '../../../../contract/answers.ts'
import { api } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'

/**
 * What the diaries say of the firm's own numbers, beside Juvena's: hours written beside a tick and
 * seedlings counted in frames. The firm takes one over, or gives it back, number by number.
 */
type Learnt = Answer<'learnt'>['numbers'][number]
const firm = useFirm()
const numbers = shallowRef<Learnt[] | null>(null)
const failure = ref('')
const open = ref<string | null>(null)
async function load() {
  failure.value = ''
  try {
    numbers.value = (await api<Answer<'learnt'>>('GET', '/learnt')).numbers
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

const prior = computed(
  () => firm.settings.values[learningValues.prior.id] ?? learningValues.prior.is,
)
const grassOf = (l: Learnt) => (l.value.startsWith(PACE) ? l.value.slice(PACE.length) : null)
const shown = (l: Learnt, value: number) =>
  grassOf(l) ? `× ${value.toPrecision(2)}` : firm.text(Number(value.toPrecision(3)), l.unit as Unit)
/** What the firm goes by now; null where it is Juvena's. */
function ownOf(l: Learnt): number | null {
  const grass = grassOf(l)
  if (!grass) return firm.settings.values[l.value] ?? null
  const own = firm.settings.grasses.find((g) => g.id === grass)?.daysHigh
  const table = GRASSES[grass]?.days?.[1]
  return own && table ? own / table : null
}
const isSame = (a: number | null, b: number) => a !== null && Math.abs(a - b) < 0.02 * Math.abs(b)
function use(l: Learnt) {
  const grass = grassOf(l)
  if (!grass) return firm.change({ values: { ...firm.settings.values, [l.value]: l.offered } })
  changeGrass(grass, Math.min(200, Math.max(1, Math.round(l.offered * (GRASSES[grass]?.days?.[1] ?? 1))))) // prettier-ignore
}
function giveBack(l: Learnt) {
  const grass = grassOf(l)
  if (grass) return changeGrass(grass, null)
  const values = { ...firm.settings.values }
  delete values[l.value]
  firm.change({ values })
}
/** The days of a grass, in the firm's own row of it; a row that says nothing more goes. */
function changeGrass(id: string, daysHigh: number | null) {
  const own = firm.settings.grasses
  const { id: _id, from: _from, ...rest } = { ...own.find((g) => g.id === id), daysHigh }
  const empty = Object.values(rest).every((v) => v === null || v === '')
  const row = { id, from: id, name: '', short: '', ...rest }
  firm.change({ grasses: [...own.filter((g) => g.id !== id), ...(empty ? [] : [row])] })
}
const rows = computed(() =>
  (numbers.value ?? []).map((l) => {
    const own = ownOf(l)
    return { ...l, own, taken: isSame(own, l.offered), near: isSame(own ?? l.usual, l.offered) }
  }),
)
</script>

<template>
  <section class="learnt" aria-label="From your diary">
    <p class="lead">
      Write the hours beside a tick, and count seedlings in a small frame: each is an observation of
      a number that Juvena goes by. It changes nothing by itself. You take a number over, one at a
      time, and can go back to Juvena’s.
    </p>
    <p v-if="failure" class="wrong" role="alert">
      {{ failure }} <button type="button" class="act slight" @click="load">Try again</button>
    </p>
    <p v-else-if="numbers === null" class="soft">Reading the diaries…</p>
    <p v-else-if="numbers.length === 0" class="soft">
      No diary says anything of a number yet. Tick a step off with its hours, or count plants in a
      frame on a job’s Diary: what it comes to stands here beside Juvena’s own.
    </p>
    <table v-else>
      <thead>
        <tr>
          <th scope="col">Number</th>
          <th scope="col" class="n">Juvena’s</th>
          <th scope="col" class="n">You go by</th>
          <th scope="col" class="n">From your diary</th>
          <th scope="col">From, to</th>
          <th scope="col"><span class="only-read">Decision</span></th>
        </tr>
      </thead>
      <tbody v-for="l in rows" :key="l.value">
        <tr>
          <th scope="row">
            <button
              type="button"
              class="plain"
              :aria-expanded="open === l.value"
              @click="open = open === l.value ? null : l.value"
            >
              {{ l.says }}
            </button>
          </th>
          <td class="n">{{ shown(l, l.usual) }}</td>
          <td class="n">
            <b v-if="l.own !== null">{{ shown(l, l.own) }}</b><span v-else class="soft"
              >the same</span
            >
          </td>
          <td class="n">
            <b class="big">{{ shown(l, l.middle) }}</b>
            <small class="soft">{{ l.n === 1 ? '1 job' : `middle of ${l.n}` }}</small>
          </td>
          <td class="small">
            <template v-if="l.n > 1">{{ shown(l, l.low) }} to {{ shown(l, l.high) }}</template>
            <span v-else class="soft">one says little yet</span>
          </td>
          <td>
            <div class="decide">
              <button
                v-if="!l.near"
                type="button"
                class="act"
                :aria-label="`Use ${shown(l, l.offered)} for: ${l.says}`"
                @click="use(l)"
              >
                Use {{ shown(l, l.offered) }}
              </button>
              <span v-else-if="l.taken" class="tag reading">as offered</span>
              <span v-else class="small soft">as good as Juvena’s</span>
              <button
                v-if="l.own !== null"
                type="button"
                class="act slight"
                :aria-label="`Use Juvena’s number again: ${l.says}`"
                @click="giveBack(l)"
              >
                Juvena’s
              </button>
            </div>
          </td>
        </tr>
        <tr v-if="open === l.value" class="from">
          <td colspan="6">
            <p class="small">
              {{ shown(l, l.offered) }} is offered: your {{ l.n === 1 ? 'job' : `${l.n} jobs` }} and
              Juvena’s number, which counts as {{ prior }} jobs, on a scale of ratios<template
                v-if="l.between"
                >. Nine times in ten your own lies between {{ shown(l, l.between.low) }} and
                {{ shown(l, l.between.high) }}</template
              >.
            </p>
            <ul>
              <li v-for="s in l.newest" :key="s.entry + s.job">
                <b>{{ shown(l, s.is) }}</b>
                <RouterLink :to="`/jobs/${s.job}/diary`">{{
                  s.name || 'Job without a name'
                }}</RouterLink>, {{ s.where }}, {{ showDay(s.on, true) }}
              </li>
            </ul>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.learnt {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.9rem 1.4rem 1.4rem;
}
.lead {
  max-width: 52rem;
  margin-bottom: 0.8rem;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 0.45rem 0.7rem 0.45rem 0;
  border-bottom: 1px solid var(--rule);
  text-align: left;
  font-weight: 400;
  vertical-align: baseline;
}
thead th {
  border-bottom: 2px solid var(--ink);
  font-size: 0.9375rem;
}
th.n,
td.n {
  text-align: right;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
th[scope='row'] button {
  font-size: 1rem;
}
.big {
  font-size: 1.2rem;
}
td.n small {
  display: block;
}
.decide {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  justify-content: flex-end;
  align-items: center;
  padding-right: 0;
}
.from td {
  background: var(--paper);
  padding: 0.5rem 0.7rem;
}
.from ul {
  list-style: none;
  margin: 0.3rem 0 0;
  padding: 0;
  columns: 2;
}
.wrong {
  color: var(--hold);
}
@media (max-width: 700px) {
  .learnt {
    padding: 0.7rem;
  }
  thead {
    display: none;
  }
  tr {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(6.5rem, 100%), 1fr));
    border-bottom: 1px solid var(--rule);
    padding: 0.4rem 0;
  }
  th,
  td {
    border: 0;
    padding: 0.15rem 0.4rem 0.15rem 0;
  }
  th[scope='row'],
  td:has(.decide),
  .from td {
    grid-column: 1 / -1;
  }
  table,
  tbody {
    display: block;
  }
  td.n {
    text-align: left;
    white-space: normal;
  }
  th,
  td {
    min-width: 0;
    overflow-wrap: anywhere;
  }
  .decide {
    justify-content: flex-start;
  }
  .from ul {
    columns: 1;
  }
}
</style>
