<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, defineAsyncComponent, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { addDays, daysBetween, showDay } from '@juvena/core/calendar/day'
import { REASONS } from '@juvena/core/climate/dayReasons'
import type { LooseRecord, PackagePlan, WayOut } from '@juvena/core/plan/order'
import { howSaid } from '@juvena/core/present/dayWork'
import { OPERATIONS } from '@juvena/core/reference/operations'
import { cautionsInTurn } from '@juvena/core/present/cautionsSaid'
import { zoneOf } from '@juvena/core/trace/scope'
import DayField from '../../parts/DayField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import NothingYet from '../../parts/NothingYet.vue'
import { PIECE_NAMES } from '../../parts/pieceNames.ts'
import QuantityField from '../../parts/QuantityField.vue'
import { useFirm } from '../../stores/firm.ts'
import StageHead from '../../parts/StageHead.vue'
import { useJob } from '../../stores/job.ts'
import JobCalendar from './JobCalendar.vue'
import { usePins } from './pins.ts'
import StepSlider from './StepSlider.vue'
import SowingChoices from './SowingChoices.vue'
import WindowRibbon from './WindowRibbon.vue'

const SoilChart = defineAsyncComponent(() => import('./SoilChart.vue'))

/**
 * The steps with their days, what each waits for, and how far it may slip. The verdict comes first
 * when nothing fits.
 */
const firm = useFirm()
const job = useJob()
/** What is due comes first: it waits for nothing. */
const packages = computed(() => {
  const all = job.plan?.packages ?? []
  return [...all.filter((p) => p.kind === 'due'), ...all.filter((p) => p.kind !== 'due')]
})
const zoneName = (id: string) => job.plan?.zones.find((z) => z.id === zoneOf(id))?.name ?? id
const names = (ids: string[]) =>
  ids.length === job.plan?.zones.filter((z) => z.area).length && ids.length > 1
    ? 'all zones'
    : ids.map(zoneName).join(', ')
const { pinOf, pin, unpin } = usePins()
const pinning = ref<string | null>(null)
const chart = ref(false)
const loose = computed(() => job.plan?.looseRecords ?? [])
const looseSays = ({ kind, zones, pin, tick }: LooseRecord) =>
  `${firm.say(OPERATIONS[kind].name)}${zones.length ? `, ${zones.map(zoneName).join(', ')}` : ''}: ${pin ? `pinned to ${showDay(pin.day, true)}` : `done ${showDay(sure(tick).day, true)}`}`
const stepsOf = (pack: string) => job.plan?.steps.filter((s) => s.workPackage === pack) ?? []
/** Does what a way out says: pins the work, or decides for its zones. */
function takeWayOut(pack: PackagePlan, take: WayOut) {
  if ('sowOn' in take) {
    const step = pack.steps.find((s) => s.kind === pack.anchor)
    if (step) pin(step, take.sowOn)
    return
  }
  job.edit(`way-out.${pack.id}`, (d) => {
    for (const zone of d.zones ?? [])
      if ('approach' in take) {
        if (take.zones.includes(zone.id)) zone.approach = take.approach
      } else {
        const mix = take.mixes.find((m) => m.zone === zone.id)?.mix
        if (mix) zone.mix = mix
      }
  })
}
/** A link to one step, as from the season, shows it and puts the focus there. */
const route = useRoute()
const pointed = computed(() =>
  route.hash.startsWith('#step-') ? decodeURIComponent(route.hash.slice(1)) : '',
)
watch(
  () => pointed.value !== '' && job.plan !== null,
  async (ready) => {
    if (!ready) return
    await nextTick()
    const row = document.getElementById(pointed.value)
    row?.scrollIntoView({ block: 'center' })
    row?.focus({ preventScroll: true })
  },
  { immediate: true },
)
const cautions = computed(() => cautionsInTurn(job.plan?.steps ?? []))
const STATE = { planned: '', pinned: 'pinned', done: 'done', unrecorded: 'passed' }
const range = computed(() => {
  const later = new Set(job.plan?.follow.later.map((s) => s.id))
  const steps = job.plan?.steps.filter((s) => !later.has(s.id)) ?? []
  const first = steps[0]?.chosen ?? job.today
  const from = first < addDays(job.today, 21) ? job.today : addDays(first, -3)
  const lastStep = steps.at(-1)?.chosen ?? job.today
  const cut =
    packages.value
      .filter((s) => s.kind !== 'due' && s.kind !== 'feed' && s.kind !== 'barrier')
      .map((s) => String(s.cutOff.value))
      .filter((c) => c >= from)
      .sort()
      .at(-1) ?? lastStep
  const last = [cut, lastStep].sort().at(-1)!
  return { from, days: Math.min(75, Math.max(21, daysBetween(from, last) + 5)) }
})
type Pack = (typeof packages.value)[number]
const LAST_DAY: Partial<Record<Pack['kind'], string>> = {
  kill: 'last day to sow',
  hold: 'last day to sow',
  later: 'last day to sow',
  sow: 'last day to sow',
  plant: 'last day to set it',
  scalp: 'last day to cut hard',
  barrier: 'the season ends',
  feed: 'last day to feed',
}
const title = (s: Pack) =>
  packages.value.length > 1 || !s.plants
    ? `${s.zones.map(zoneName).join(', ')}: ${PIECE_NAMES[s.kind]}`
    : ''
/** The name of a lane: what is done, and where. */
const laneTitle = (s: Pack) => {
  const kind = PIECE_NAMES[s.kind]
  const where = names(s.zones)
  return `${kind[0]!.toUpperCase()}${kind.slice(1)}${(job.plan?.zones.length ?? 0) > 1 ? `, ${where}` : ''}`
}
const setVisits = (visits: string | null) => job.edit('visits', (d) => (d.visits = visits))
</script>

<template>
  <div>
    <StageHead name="Order of work" says="in order and in season; pin a day, or leave it free">
      <button
        type="button"
        class="plain small right"
        :aria-expanded="chart"
        @click="chart = !chart"
      >
        {{ chart ? 'hide the soil chart' : 'soil and window chart' }}
      </button>
    </StageHead>
    <NothingYet
      v-if="packages.length === 0"
      says="Days come from zones with a size and an approach."
    />
    <div v-else class="visits">
      <p v-if="job.plan?.worth" class="worth">
        Worth of the plan <FigureValue :id="job.plan.worth" class="big" />
        <span class="small soft">of 100</span>
      </p>
      <QuantityField
        label="Visits wanted"
        kind="ratio"
        placeholder="as many as it takes"
        :model-value="job.draft?.visits"
        :problem="job.problemAt('visits')"
        @update:model-value="setVisits($event)"
      />
      <p class="small soft">
        Up to the sowing, or to what the days hang on. What must hold still holds; what is only
        better is given up, and said.
      </p>
    </div>
    <SoilChart v-if="chart && packages.length" />
    <JobCalendar v-if="packages.length" :title-of="laneTitle" />
    <section v-for="s in packages" :key="s.id">
      <div v-if="s.verdict" class="verdict" role="alert">
        <h3>{{ firm.say(s.verdict) }}</h3>
        <ul>
          <li v-for="(o, i) in s.options" :key="i">
            <button type="button" class="act slight" @click="takeWayOut(s, o.take)">
              {{ firm.say(o.title) }}
            </button>
            {{ firm.say(o.says) }}
          </li>
        </ul>
      </div>
      <h3 v-if="title(s)">{{ title(s) }}</h3>
      <SowingChoices v-if="s.plants ? s.choices.length > 0 : s.choices.length > 1" :pack="s" />
      <p v-if="s.kind !== 'due'" class="window">
        <span class="small soft"
          >{{ LAST_DAY[s.kind] ?? 'last day to open turf' }} <FigureValue :id="s.cutOff.id" /> ·
          {{ s.visits }} {{ s.visits === 1 ? 'visit' : 'visits' }}</span
        >
        <WindowRibbon
          :spans="s.window"
          :by-grass="s.byGrass"
          :worth="s.worth?.weeks"
          :from="range.from"
          :days="range.days"
          :cut-off="String(s.cutOff.value)"
          :sow="s.sowDay"
        />
      </p>
      <p v-if="s.givenUp.length" class="given small">
        <b>Given up:</b> {{ s.givenUp.map((g) => firm.say(g)).join(', ') }}.
      </p>
      <table>
        <thead>
          <tr>
            <th>day</th>
            <th>step</th>
            <th class="slip">may lie between</th>
            <th class="n">hours</th>
            <th><span class="only-read">pin</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="step in stepsOf(s.id)"
            :id="`step-${step.id}`"
            :key="step.id"
            :class="[
              step.state,
              { sow: step.kind === 'sow', pointed: pointed === `step-${step.id}` },
            ]"
            :tabindex="pointed === `step-${step.id}` ? -1 : undefined"
          >
            <td class="day">
              <FigureValue :id="step.day.id" :label="firm.say(step.name)" /><span
                v-if="STATE[step.state]"
                class="mark"
                :class="step.state === 'done' ? 'fine' : 'moved'"
                >{{ STATE[step.state] }}</span
              >
            </td>
            <td class="what">
              <b>{{ firm.say(step.name) }}</b><span
                v-if="firm.say(howSaid(step, sure(job.plan)))"
                class="how"
              >
                {{ firm.say(howSaid(step, sure(job.plan))) }}</span
              >
              <span class="soft small">{{ names(step.zones) }}</span>
              <span class="why small soft"
                >{{ firm.say(step.why)
                }}<template
                  v-if="firm.say(step.precondition) && step.precondition !== 'nothing' && !step.how"
                >
                  Wants {{ firm.say(step.precondition) }}.</template
                ><template v-if="step.holds && step.state !== 'done'">
                  Not before {{ showDay(step.holds.until).slice(4) }}:
                  {{ firm.say(REASONS[step.holds.why]) }}.</template
                ></span
              >
              <span v-if="step.look" class="look small"
                ><b>{{ firm.say(step.look.asks) }}</b>
                <span :class="{ taken: step.look.answer === 'yes' }"
                  >{{ firm.say(step.look.yes.when) }}: {{ firm.say(step.look.yes.says) }}</span
                >;
                <span :class="{ taken: step.look.answer === 'no' }"
                  >{{ firm.say(step.look.no.when) }}: {{ firm.say(step.look.no.says) }}</span
                >.</span
              >
              <span v-for="c in cautions.get(step.id)" :key="c" class="caution small"
                >▲ {{ c }}</span
              >
            </td>
            <td class="slip">
              <span class="small soft">{{
                step.earliest && step.latest
                  ? step.earliest === step.latest
                    ? 'no slack'
                    : `${showDay(step.earliest).slice(4)} – ${showDay(step.latest).slice(4)}`
                  : ''
              }}</span>
              <StepSlider
                v-if="step.earliest && step.latest"
                :step="step"
                :from="range.from"
                :days="range.days"
                :name="firm.say(step.name)"
                @move="pin(step, $event)"
              />
            </td>
            <td class="n">
              <FigureValue :id="step.hours.id" :label="`${firm.say(step.name)}, hours`" />
            </td>
            <td class="pin">
              <button
                v-if="step.state !== 'done'"
                type="button"
                class="plain small"
                :aria-label="`Pin ${firm.say(step.name)}`"
                @click="pinning = pinning === step.id ? null : step.id"
              >
                pin
              </button>
              <div v-if="pinning === step.id" class="pinner">
                <DayField
                  label="Day"
                  :model-value="pinOf(step)?.[1]"
                  :today="step.chosen"
                  :problem="job.problemAt(`pins.${pinOf(step)?.[0]}`)"
                  @update:model-value="pin(step, $event)"
                />
                <button
                  v-if="pinOf(step)"
                  type="button"
                  class="plain small"
                  @click="pin(step, null)"
                >
                  unpin
                </button>
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="loose.length" class="loose">
      <h3>Pinned or done, and no longer planned</h3>
      <p class="small soft">
        The plan has changed since. What you decided and did is kept here; it counts again as soon
        as the step does.
      </p>
      <ul>
        <li v-for="r in loose" :key="r.pin?.key ?? sure(r.tick).entry">
          {{ looseSays(r) }}
          <button v-if="r.pin" type="button" class="plain small" @click="unpin(r.pin.key)">
            delete
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.pointed > td:first-child {
  box-shadow: inset 4px 0 0 var(--clay);
  padding-left: 0.6rem;
}
.right {
  margin-left: auto;
}
section {
  margin-top: 0.7rem;
}
.verdict {
  border: 1.5px solid var(--hold);
  border-left-width: 6px;
  background: var(--hold-wash);
  padding: 0.6rem 0.9rem;
  margin-bottom: 0.6rem;
}
.verdict h3 {
  color: var(--hold);
  font-size: 1.125rem;
}
.verdict li {
  margin-top: 0.2rem;
}
.window {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.75rem;
  align-items: center;
  padding: 0.2rem 0 0.4rem;
}
td {
  padding: 0.3rem 0.6rem 0.3rem 0;
  line-height: 1.3;
}
.day {
  width: 6.2rem;
}
.day .mark {
  display: table;
  margin-top: 0.15rem;
}
tr.sow td {
  background: var(--moss-wash);
}
tr.done b {
  text-decoration: line-through;
  text-decoration-thickness: 1px;
}
.why,
.caution {
  display: block;
}
.caution {
  color: var(--hold);
}
.look {
  display: block;
  border-left: 4px solid var(--sun);
  padding-left: 0.5rem;
}
.look .taken {
  font-weight: 700;
}
.slip {
  width: 7.6rem;
  white-space: nowrap;
}
.visits {
  display: grid;
  grid-template-columns: auto 11rem 1fr;
  gap: 0.9rem;
  align-items: end;
}
.worth {
  white-space: nowrap;
}
.worth .big {
  font-size: 1.5rem;
  font-weight: 700;
}
.given {
  border-left: 4px solid var(--sun);
  padding-left: 0.6rem;
  margin-bottom: 0.3rem;
}
.how {
  margin-left: 0.3rem;
}
.pin {
  width: 2.5rem;
  padding-right: 0;
}
.pinner {
  width: 9rem;
  margin-left: -6.5rem;
}
@media (max-width: 760px) {
  .visits {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.3rem;
  }
  .slip,
  thead {
    display: none;
  }
  .window {
    grid-template-columns: 1fr;
  }
  tbody tr {
    display: grid;
    grid-template-columns: 1fr auto auto;
    gap: 0 0.75rem;
    border-top: 1px solid var(--rule);
    padding: 0.3rem 0;
  }
  td,
  tbody tr:first-child td,
  .day,
  .pin {
    border: 0;
    padding: 0.1rem 0;
    width: auto;
  }
  .what {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  .pinner {
    margin-left: -7rem;
  }
}
</style>
