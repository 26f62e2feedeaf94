<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed } from 'vue'
import { USER_NAMES, type UserId } from '@juvena/core/reference/lists'
import { areaOf } from '@juvena/core/drawing/geometry'
import type { Ring } from '@juvena/core/entities/drawing'
import { cautionsInTurn } from '@juvena/core/present/cautionsSaid'
import { OPERATIONS } from '@juvena/core/reference/operations'
import { showDay } from '@juvena/core/calendar/day'
import { howSaid, stepAmounts } from '@juvena/core/present/dayWork'
import type { PlannedStep } from '@juvena/core/plan/order'
import type { ZoneSeed } from '@juvena/core/seed/seedPlan'
import { num } from '@juvena/core/trace/figure'
import { lookSaid } from '@juvena/core/present/lookSaid'
import { leftOut } from '@juvena/core/present/leftOut'
import { zoneOf } from '@juvena/core/trace/scope'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { useStock } from '../../stores/stock.ts'
import SheetFigure from './SheetFigure.vue'
import SheetHead from './SheetHead.vue'

/** Steps in order with hours and cautions, and amounts weighed out by zone. */
const firm = useFirm()
const job = useJob()
const stock = useStock()
const plan = computed(() => sure(job.plan))
const zones = computed(() => plan.value.zones.filter((z) => z.area))
const names = (ids: string[]) =>
  ids.length === zones.value.length && ids.length > 1
    ? 'all zones'
    : ids.map((id) => zones.value.find((z) => z.id === zoneOf(id))?.name ?? id).join(', ')
const guesses = computed(() => plan.value.notices.filter((n) => n.kind === 'guess'))
const holds = computed(() => plan.value.notices.filter((n) => n.level === 'hold'))
/** What the ground asks for and is left out, with why. */
const notPlanned = computed(() =>
  zones.value.flatMap((z) =>
    leftOut(z.rungs).map((rung) => ({ key: `${z.id}.${rung.operation}`, zone: z.name, rung })),
  ),
)
const site = computed(() => job.draft?.site)
const remarks = computed(() => job.zones.filter((z) => z.notes))
const seeded = computed(() => zones.value.filter((z) => z.seed))
const onBare = computed(() => seeded.value.some((z) => sure(z.seed).onBare))
/** Which lots a zone is sown from, with what each gives. */
const lotsOf = (zone: string) =>
  plan.value.seedUse
    .filter((u) => zoneOf(u.zone) === zone)
    .map((u) => {
      const lot = job.draft?.lots?.find((l) => l.id === u.lot)
      const number = stock.read.get(u.stock)?.number || lot?.name
      return number ? `lot ${number}: ${firm.hand(u.kg, 'kg')}` : ''
    })
    .filter(Boolean)
    .join(', ')
interface Row {
  step: PlannedStep
  /** The same step on later days: weekly mows stand in one row. */
  again: PlannedStep[]
}
/** Steps by day, which is never split over two pages, with the cautions of that day, each in full where it first stands. */
const days = computed(() => {
  const map = new Map<string, Row[]>()
  const first = new Map<string, Row>()
  for (const step of plan.value.steps) {
    const kind = `${step.kind} ${step.zones.join()}`
    const row = first.get(kind)
    if (row && (OPERATIONS[step.kind].later?.times ?? 1) > 1) row.again.push(step)
    else {
      const own = { step, again: [] }
      first.set(kind, own)
      map.set(step.chosen, [...(map.get(step.chosen) ?? []), own])
    }
  }
  const heed = cautionsInTurn(
    [...map].map(([day, rows]) => ({
      id: day,
      cautions: [...new Set(rows.flatMap((r) => r.step.cautions))],
    })),
  )
  return [...map].map(([day, rows]) => ({
    day,
    rows,
    heed: heed.get(day) ?? [],
  }))
})
/** What a step puts down, zone by zone and lift by lift. */
const gives = (s: PlannedStep) =>
  stepAmounts(s, plan.value, { lots: [] })
    .map((a) =>
      [
        `${a.zone} ${firm.weighed(a.value, a.unit, a.pans)}`,
        s.kind === 'sow' && a.pans > 1 ? '' : firm.say(a.detail),
      ]
        .filter(Boolean)
        .join(', '),
    )
    .join('; ')
/** What a drawn patch takes by hand, g/m²: more than the passes lay, or what is sown there. */
const patchRate = ({ onBare, bulk }: ZoneSeed) =>
  onBare ? (1000 * num(onBare.kg)) / num(onBare.ground) : num(bulk)
/** Bare patches that are drawn, each with the seed it takes. */
const patches = computed(() =>
  (job.draft?.drawing?.shapes ?? [])
    .filter((x) => x.kind === 'bare')
    .flatMap((x, i) => {
      const zone =
        seeded.value.find((z) => z.id === x.zone) ??
        (seeded.value.length === 1 && !x.zone ? seeded.value[0] : undefined)
      const partly = plan.value.survey.marks.find((m) => m.shape === x.id)
      const area = partly ? partly.on : areaOf(x.at as Ring[])
      const rate =
        zone?.seed && (zone.seed.onBare || zone.sowing === 'spots') && patchRate(zone.seed)
      return zone && rate && area > 0
        ? [
            {
              id: x.id ?? String(i),
              name: x.name || `patch ${i + 1}`,
              zone: zone.name,
              area,
              kg: (area * rate) / 1000,
            },
          ]
        : []
    }),
)
/** Blades or tines are out that day. */
const machines = computed(() => plan.value.steps.some((s) => s.cautions.includes('tines')))
const packs = (line: (typeof plan.value.materials)[number]) =>
  line.packs
    ? line.packs.counts.map((c) => `${c.count} × ${c.size} ${sure(line.packs).unit}`).join(' + ')
    : ''
</script>

<template>
  <section class="dense">
    <SheetHead title="For the crew" />
    <p v-if="job.draft?.notes" class="notes">{{ job.draft.notes }}</p>
    <template v-if="holds.length">
      <h3>Holds: not before these are resolved</h3>
      <ul class="holds">
        <li v-for="n in holds" :key="n.id">
          <b>{{ firm.say(n.title) }}</b> {{ firm.say(n.says) }}
        </li>
      </ul>
    </template>
    <p v-if="job.draft?.users?.length" class="notes">
      Used by {{ job.draft.users.map((u) => USER_NAMES[u as UserId]).join(', ') }}.
    </p>
    <h3 v-if="site?.below || site?.beside">Below and beside</h3>
    <ul class="cautions">
      <li v-if="site?.below">▲ Below ground here: {{ site.below }}</li>
      <li v-if="site?.beside">▲ Beside the lawn: {{ site.beside }}</li>
    </ul>
    <template v-if="remarks.length">
      <h3>Seen on the walk</h3>
      <ul>
        <li v-for="z in remarks" :key="z.id">
          <b>{{ z.name || 'Unnamed zone' }}</b>: {{ z.notes }}
        </li>
      </ul>
    </template>
    <p v-for="n in guesses" :key="n.id" class="guess">
      <b>{{ firm.say(n.title) }}</b> {{ firm.say(n.says) }}
    </p>
    <h3>Order of work</h3>
    <table>
      <thead>
        <tr>
          <th>day</th>
          <th><span class="only-read">done</span></th>
          <th>step</th>
          <th v-if="zones.length > 1">where</th>
          <th class="n">hours</th>
        </tr>
      </thead>
      <tbody v-for="{ day, rows, heed } in days" :key="day" class="whole-day">
        <tr v-if="heed.length && rows.length > 1" class="heed">
          <td class="day" :rowspan="rows.length + 1"><SheetFigure :id="rows[0]!.step.day.id" /></td>
          <td :colspan="zones.length > 1 ? 4 : 3">
            <template v-for="c in heed" :key="c">▲ {{ c }}&ensp;</template>
          </td>
        </tr>
        <tr v-for="(r, i) in rows" :key="r.step.id">
          <td
            v-if="i === 0 && (!heed.length || rows.length === 1)"
            class="day"
            :rowspan="rows.length"
          >
            <SheetFigure :id="r.step.day.id" />
          </td>
          <td class="boxes">
            <span v-for="s in [r.step, ...r.again]" :key="s.id" class="box">{{
              s.state === 'done' ? '✓' : ''
            }}</span>
          </td>
          <td>
            <b>{{ firm.say(r.step.name) }}</b><template v-if="firm.say(howSaid(r.step, plan))"
              >, {{ firm.say(howSaid(r.step, plan)) }}</template
            ><template v-if="r.again.length"
              >; again {{ r.again.map((s) => showDay(s.chosen)).join(', ') }}</template
            >.
            <span v-if="gives(r.step)" class="gives">{{ gives(r.step) }}. </span>
            <span class="why">{{ firm.say(r.step.why) }}</span>
            <span v-if="r.step.look" class="why"> {{ firm.say(lookSaid(r.step.look)) }}</span>
            <template v-if="rows.length === 1"
              ><span v-for="c in heed" :key="c" class="why heeded"> ▲ {{ c }}</span></template
            >
          </td>
          <td v-if="zones.length > 1">{{ names(r.step.zones) }}</td>
          <td class="n"><SheetFigure :id="r.step.hours.id" /></td>
        </tr>
      </tbody>
    </table>
    <template v-if="notPlanned.length">
      <h3>Asked for, not planned</h3>
      <ul class="not">
        <li v-for="n in notPlanned" :key="n.key">
          <b>{{ n.zone }}: {{ firm.say(n.rung.name) }}.</b> {{ firm.say(n.rung.reason) }}
        </li>
      </ul>
    </template>
    <h3>Weigh out, zone by zone</h3>
    <table>
      <thead>
        <tr>
          <th>line</th>
          <th v-for="z in zones.slice(0, 6)" :key="z.id" class="n">{{ z.name }}</th>
          <th class="n">to load</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in plan.materials" :key="line.id">
          <td>
            {{ firm.say(line.name) }}<span class="why">{{ firm.say(line.detail) }}</span>
          </td>
          <td v-for="z in zones.slice(0, 6)" :key="z.id" class="n">
            <SheetFigure :id="line.cells[z.id]" />
          </td>
          <td class="n">
            <span v-if="packs(line)" class="why">{{ packs(line) }}, </span
            ><SheetFigure :id="line.total" />
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="zones.length > 6">
      <h3>The other zones</h3>
      <ul>
        <li v-for="z in zones.slice(6)" :key="z.id">
          <b>{{ z.name }}</b> <SheetFigure :id="z.area" />:
          <template v-for="(line, i) in plan.materials.filter((l) => l.cells[z.id])" :key="line.id"
            >{{ i ? '; ' : '' }}{{ firm.say(line.name) }}
            <SheetFigure :id="line.cells[z.id]" /></template
          ><template v-if="z.seed"
            >; each seed pan <SheetFigure :id="z.seed.pan.id" exact /><template v-if="z.seed.onBare"
              >, bare patches once more <SheetFigure :id="z.seed.onBare.pan.id" exact /></template
          ></template>
        </li>
      </ul>
    </template>
    <template v-if="seeded.length">
      <h3>Seed: pans and passes</h3>
      <table class="pans">
        <thead>
          <tr>
            <th>zone</th>
            <th>mix and lots</th>
            <th class="n">each of two pans</th>
            <th v-if="onBare" class="n">bare patches, once more</th>
            <th class="n">setting</th>
            <th class="n">strip test, one pass</th>
            <th class="n">handfuls</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="z in seeded" :key="z.id">
            <td>
              <b>{{ z.name }}</b>
            </td>
            <td>
              {{ sure(z.seed).name }}<span class="why">{{ lotsOf(z.id) }}</span>
            </td>
            <td class="n"><SheetFigure :id="sure(z.seed).pan.id" exact /></td>
            <td v-if="onBare" class="n">
              <SheetFigure v-if="sure(z.seed).onBare" :id="sure(z.seed).onBare.pan.id" exact />
            </td>
            <td class="n">
              <template v-if="sure(z.seed).handSown">by hand</template>
              <SheetFigure v-else-if="sure(z.seed).setting" :id="sure(z.seed).setting.id" />
              <template v-else>try first</template>
            </td>
            <td class="n">
              <SheetFigure v-if="!sure(z.seed).handSown" :id="sure(z.seed).strip.id" />
            </td>
            <td class="n"><SheetFigure :id="sure(z.seed).handfuls.id" /></td>
          </tr>
        </tbody>
      </table>
      <p v-if="patches.length" class="patches">
        <b>Patches, raked through to soil and sown by hand:</b>
        {{
          patches
            .map(
              (x) => `${x.name} (${x.zone}, ${firm.hand(x.area, 'm2')}) ${firm.hand(x.kg, 'kg')}`,
            )
            .join('; ')
        }}.
      </p>
      <p class="why">
        Two passes at right angles, one pan each, by hand too. Weigh the pans out before you start;
        what is over after the second pass goes on thin places. Handfuls to a
        {{ firm.settings.units === 'us' ? 'square yard' : 'square metre' }}, for corners and
        patches: rake each patch through to soil first.
      </p>
    </template>
    <p class="why foot">
      <template v-if="machines"
        >At the end of the day: machines washed and greased, blades and tines looked at, their state
        noted in the diary. </template
      >Juvena advises; local code, the label and the licensed applicator decide.
    </p>
  </section>
</template>

<style scoped>
/* A small lawn's work is one page. */
.page.dense {
  font-size: 0.78rem;
  line-height: 1.25;
}
.page.dense :deep(td) {
  padding: 0.09rem 0.5rem 0.09rem 0;
  line-height: 1.25;
}
.page.dense :deep(th) {
  padding: 0.1rem 0.5rem 0.1rem 0;
}
.page.dense h3 {
  margin: 0.4rem 0 0.05rem;
}
.page.dense .heed + tr td {
  border-top-color: transparent;
}
.box {
  display: inline-block;
  width: 0.95rem;
  height: 0.95rem;
  border: 1.5px solid #000;
  line-height: 0.9rem;
  text-align: center;
}
.day {
  white-space: nowrap;
  vertical-align: top;
}
.why {
  font-size: 0.72rem;
  color: #444;
}
td > .why {
  margin-left: 0.25rem;
}
.pans .why {
  display: block;
}
.gives {
  font-weight: 700;
}
.boxes {
  width: 1.3rem;
}
.why.heeded {
  color: #000;
}
/* What to heed stands at the head of its day. */
.heed td {
  font-size: 0.72rem;
}
.patches {
  font-size: 0.875rem;
  padding-top: 0.3rem;
}
.whole-day {
  break-inside: avoid;
}
.holds {
  border: 2px solid #000;
  padding: 0.3rem 0.6rem;
}
.guess,
.holds li,
.not li,
.cautions li,
.notes {
  font-size: 0.875rem;
  padding: 0.08rem 0;
}
.notes {
  border: 1px solid #000;
  padding: 0.3rem 0.5rem;
  margin-top: 0.6rem;
  white-space: pre-line;
}
td.n {
  white-space: nowrap;
}
.foot {
  margin-top: 0.25rem;
}
</style>
