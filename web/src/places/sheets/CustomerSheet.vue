<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, provide, ref } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import { onTheDate } from '@juvena/core/present/onTheDate'
import { OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import { zoneOf } from '@juvena/core/trace/scope'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { NOTES } from './notes.ts'
import SheetFigure from './SheetFigure.vue'
import SheetHead from './SheetHead.vue'

/** What happens, how it looks and when, and what the customer does. */
const firm = useFirm()
const job = useJob()
// Whoever reads this page does not follow numbers to their working.
provide(NOTES, ref(new Map()))
const plan = computed(() => sure(job.plan))
interface Told {
  id: string
  pack: string
  text: string
}
/** What happens on a day, ground by ground. */
const byPack = (steps: readonly Told[]) =>
  [...new Set(steps.map((s) => s.pack))].map((pack) => ({
    pack,
    texts: [...new Set(steps.filter((s) => s.pack === pack).map((s) => s.text))],
  }))
const plants = (pack: string) => plan.value.packages.find((p) => p.id === pack)?.plants ?? false
/** What a step spreads, called what it is: sand, compost, screened topsoil. */
const spreads = (kind: StepKind) => {
  const of = kind === 'dress-again' ? 'dress' : kind
  const line = plan.value.materials.find((m) => m.spread?.some((s) => s.step === of))
  return line ? firm.say(line.name).split(',')[0]!.toLowerCase() : 'soil'
}
const days = computed(() => {
  const map = new Map<string, Told[]>()
  for (const s of plan.value.steps) {
    const { customer } = OPERATIONS[s.kind]
    const words = plants(s.workPackage) ? customer?.sown : (customer?.unsown ?? customer?.sown)
    const text = words?.replace('{soil}', () => spreads(s.kind))
    if (text)
      map.set(s.chosen, [...(map.get(s.chosen) ?? []), { id: s.day.id, pack: s.workPackage, text }])
  }
  return [...map]
})
const held = computed(() => plan.value.packages.filter((s) => s.verdict))
const passed = computed(() => plan.value.notices.filter((n) => n.kind === 'season-passed'))
const first = computed(() => plan.value.follow.packages.find((p) => p.up.length > 0))
const set = computed(() => plan.value.follow.packages.find((p) => p.plants && p.up.length === 0))
const worked = computed(() => plan.value.follow.packages.filter((p) => !p.plants && p.presentable))
const onDate = computed(() =>
  job.customerDay && job.customerDay >= job.today ? onTheDate(plan.value, job.customerDay) : null,
)
const open = computed(() => plan.value.zones.filter((z) => z.bare?.staysOpen))
const living = computed(() =>
  plan.value.zones.some((z) => z.sowing === 'over' || z.sowing === 'thin' || z.sowing === 'spots'),
)
const zoneName = (id: string) => plan.value.zones.find((z) => z.id === id)?.name ?? id
const zonesOf = (pack: string) =>
  (plan.value.packages.find((p) => p.id === pack)?.zones ?? [])
    .map((id) => zoneName(zoneOf(id)))
    .join(', ')
</script>

<template>
  <section>
    <SheetHead title="For the customer" />
    <p v-for="s in held" :key="s.id" class="held">
      <b>{{ firm.say(s.verdict) }}</b>
      {{ s.options.map((o) => `${firm.say(o.title)}: ${firm.say(o.says)}`).join(' ') }}
    </p>
    <p v-for="n in passed" :key="n.id" class="held">
      <b>{{ firm.say(n.title) }}</b>
    </p>
    <p class="ground">
      <SheetFigure :id="plan.totalArea" /> in {{ plan.zones.filter((z) => z.area).length }}
      {{ plan.zones.length === 1 ? 'zone' : 'zones' }}:
      <template v-for="(z, i) in plan.zones.filter((x) => x.area)" :key="z.id"
        >{{ i ? '; ' : '' }}{{ z.name }} <SheetFigure :id="z.area" /></template
      >.
    </p>
    <p v-if="onDate && onDate.verdict !== 'right'" class="held">
      <b>Your date, {{ showDay(onDate.day) }}: {{ firm.say(onDate.word) }}.</b>
      {{ firm.say(onDate.seen) }}
    </p>
    <p v-else-if="onDate" class="ground"><b>Your date.</b> {{ firm.say(onDate.seen) }}</p>
    <h3>What happens</h3>
    <table>
      <tbody>
        <tr v-for="[day, steps] in days" :key="day">
          <td class="day"><SheetFigure :id="steps[0]!.id" /></td>
          <td>
            <template v-for="(g, i) in byPack(steps)" :key="g.pack"
              ><br v-if="i" /><b v-if="plan.packages.length > 1">{{ zonesOf(g.pack) }}: </b
              >{{ g.texts.join(' ') }}</template
            >
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="first">
      <h3>What you will see</h3>
      <ul class="see">
        <li><b>Day 1.</b> Short, opened and rough, with seed on soil. That is right.</li>
        <li>
          <b>Day 2 to the first green.</b> Bare is normal. First seedlings:
          <template v-for="(u, i) in first.up" :key="u.grass"
            >{{ i ? '; ' : '' }}{{ firm.say(u.figure.label) }}
            <SheetFigure :id="u.figure.id" /></template
          >.
        </li>
        <li v-if="first.haze">
          <b>About {{ showDay(first.haze) }}.</b> A green haze, uneven.<template
            v-if="first.up.length > 1"
          >
            The quick grass stands, the slow one follows.</template
          >
        </li>
        <li v-if="first.judge">
          <b>Do not judge it before</b> <SheetFigure :id="first.judge.id" />: the slowest grass
          needs its time. Bare ground then is a reason to call us, not to throw more seed.<template
            v-if="first.lostFrom"
          >
            What has not shown by {{ showDay(first.lostFrom) }} does not come: stop watering
            it.</template
          >
        </li>
        <li v-if="first.presentable">
          <b>Looks right from</b> <SheetFigure :id="first.presentable.id" />.
        </li>
        <li><b>Next spring.</b> The full verdict: it fills in with its first spring growth.</li>
      </ul>
      <h3>What we ask of you</h3>
      <ul class="see">
        <li>
          <b>Water</b> as the watering page says, until <SheetFigure :id="first.handOver?.id" /> at
          least. One dry day can undo the rest.<template v-if="first.rest">
            From about {{ showDay(first.rest.from) }} nothing grows: watering stops, and is taken up
            again about {{ showDay(first.rest.to) }}.</template
          >
        </li>
        <li>
          <b>Keep off</b>, pets too, until the seedlings are mown<template
            v-if="first.seedlingsMown"
            >, expected <SheetFigure :id="first.seedlingsMown.id" /></template
          >.<template v-if="living">
            Where grass stands it may be crossed to mow and to water, no more.</template
          >
        </li>
        <li>
          <b>{{ living ? 'Mowing goes on' : 'First mow' }}</b> when it stands
          <template v-for="(m, i) in first.mow" :key="m.zone"
            >{{ i ? ', ' : '' }}<SheetFigure :id="m.height.id" /> ({{
              plan.zones.find((z) => z.id === zoneOf(m.zone))?.name
            }})</template
          >. Dry ground, sharp blade, no tight turns.
        </li>
        <li><b>No weedkiller</b> and no combined feed until we say so.</li>
      </ul>
    </template>
    <template v-if="set">
      <h3>What we ask of you</h3>
      <ul class="see">
        <li>
          <b>Water</b> what is set or laid every day until it holds when pulled. One dry day can
          undo the rest.
        </li>
        <li><b>Keep off</b> it until the first mow.</li>
      </ul>
    </template>
    <template v-if="worked.length || open.length">
      <h3>{{ first || set ? 'The ground that is not sown' : 'What you will see' }}</h3>
      <ul class="see">
        <li v-for="w in worked" :key="w.workPackage">
          <b>{{ zonesOf(w.workPackage) }}.</b> Nothing is sown. It looks rough and thin at first,
          and right from <SheetFigure :id="sure(w.presentable).id" />: it grows through by itself.
        </li>
        <li v-for="z in open" :key="z.id">
          <b>{{ z.name }}.</b> Nothing is sown. About <SheetFigure :id="sure(z.bare).after" /> lies
          bare once moss and mat are out. It does not close in a season by itself: we count after
          the first pass and decide with you whether it is sown.
        </li>
        <li v-for="w in plan.follow.waterIn" :key="`${w.step} ${w.zone}`">
          <b>Water, {{ zoneName(w.zone) }}.</b> {{ showDay(w.day) }}:
          <SheetFigure :id="w.need.id" /><template v-if="w.minutes"
            >, <SheetFigure :id="w.minutes.id" /></template
          >, <SheetFigure :id="w.litres.id" /><template v-if="!w.minutes">
            by can, rose or hose</template
          >; rain counts.<template v-if="w.until">
            Then look at it daily until {{ showDay(w.until) }}: holes dry turf. Where it wilts, give
            it {{ firm.hand(w.light, 'rain') }}.</template
          >
        </li>
        <li>Mow as usual once it has greened up. It may be walked on.</li>
      </ul>
    </template>
    <p v-if="!first && !set && !worked.length && !open.length" class="ground">
      Nothing is sown on this job.
    </p>
  </section>
</template>

<style scoped>
.ground {
  padding: 0.5rem 0 0;
}
.day {
  width: 7.5rem;
  white-space: nowrap;
}
.see li {
  padding: 0.15rem 0;
}
.held {
  border: 2px solid #000;
  padding: 0.4rem 0.6rem;
  margin-top: 0.6rem;
}
</style>
