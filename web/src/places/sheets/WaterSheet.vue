<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, provide, ref } from 'vue'
import type { PackageFollow } from '@juvena/core/plan/follow'
import { showDay } from '@juvena/core/calendar/day'
import { dayIsFree } from '@juvena/core/establish/restrictions'
import { weeksOf } from '@juvena/core/calendar/weeks'
import { zoneOf } from '@juvena/core/trace/scope'
import { useJob } from '../../stores/job.ts'
import { NOTES } from './notes.ts'
import SheetFigure from './SheetFigure.vue'
import SheetHead from './SheetHead.vue'

/** The watering plan as a calendar to tick, for whoever waters. */
const job = useJob()
// Whoever reads this page does not follow numbers to their working.
provide(NOTES, ref(new Map()))
const water = computed(() => sure(sure(job.plan).follow.water))
const everyDay = computed(() => {
  const { days } = water.value
  if (!days) return 'Every day'
  return days.says.startsWith('not on') ? `Every day, ${days.says}` : days.says
})
const isFree = (day: string) => water.value.days === null || dayIsFree(water.value.days, day)
const split = computed(() => water.value.zones.some((z) => Math.max(...Object.values(z.parts)) > 1))
const packages = computed(() => sure(job.plan).follow.packages.filter((p) => p.plants))
/** Seed is kept moist until the slowest is up, or until growth stops. */
const moistUntil = ({ handOver, rest }: PackageFollow) => {
  const up = String(handOver?.value)
  return rest && rest.from < up ? rest.from : up
}
const name = (id: string) => sure(job.plan).zones.find((z) => z.id === zoneOf(id))?.name ?? id
/** " in 3": with a pause between. */
const inParts = (parts: number) => (parts > 1 ? ` in ${parts}` : '')
/** Most days of the calendar that are printed. */
const LONGEST = 60
</script>

<template>
  <section>
    <SheetHead title="For whoever waters" />
    <p class="who">
      <b>{{ job.draft?.waterer || 'Not named yet: fill in ______________________' }}</b>
    </p>
    <p>
      Seed that dries once in its first weeks is lost. Keep the top moist, never puddled: a
      footprint leaves your sole damp. If it rains well, leave that run out<template
        v-if="job.draft?.site?.rainGauge"
        >: read the gauge on site and write it down</template
      >.
    </p>
    <p v-if="job.draft?.site?.restrictions">
      <b>Restrictions here:</b> {{ job.draft.site.restrictions }}
    </p>
    <h3>Run times</h3>
    <table>
      <thead>
        <tr>
          <th>station</th>
          <th class="n">1 seedbed, each run</th>
          <th class="n">litres</th>
          <th class="n">2 growing on</th>
          <th class="n">3 established</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="z in water.zones" :key="z.zone">
          <td>
            <b>{{ name(z.zone) }}</b><span v-if="z.stations > 1"
              >, each of {{ z.stations }} stations in turn</span
            ><span v-if="!z.sprinkler">, by can, rose or hose</span>
          </td>
          <td class="n">
            <SheetFigure v-if="z.sprinkler" :id="z.sprinkler.minutes.id" />{{
              inParts(z.parts.seedbed)
            }}
          </td>
          <td class="n"><SheetFigure :id="z.litres.id" /></td>
          <td class="n"><SheetFigure :id="z.growing.id" />{{ inParts(z.parts.growing) }}</td>
          <td class="n"><SheetFigure :id="z.settled.id" />{{ inParts(z.parts.settled) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="split">“in 3” means three parts with a pause between, so that the water soaks in.</p>
    <p class="all">
      All zones a day <SheetFigure :id="water.daily.id" /><template v-if="water.tapMinutes"
        >, the tap open <SheetFigure :id="water.tapMinutes.id" /></template
      >. Each seedbed run lays down <SheetFigure :id="water.dose.id" />.
    </p>
    <div v-for="s in packages" :key="s.workPackage">
      <h3>
        1 {{ everyDay }}, at {{ water.timesSaid || 'no hour that is allowed' }}, until
        <SheetFigure :id="s.handOver?.id" />
      </h3>
      <table v-if="s.handOver" class="cal">
        <tbody>
          <tr v-for="(week, w) in weeksOf(s.sown, moistUntil(s), LONGEST)" :key="w">
            <td v-for="(day, i) in week" :key="i" :class="{ blank: !day }">
              <template v-if="day"
                >{{ showDay(day) }}<span v-if="s.dryDays.includes(day)" class="dry">leave dry</span
                ><span v-else-if="s.mownFirst.includes(day)" class="dry">once mown</span
                ><span v-else-if="!isFree(day)" class="dry">not allowed</span
                ><span v-else class="ticks"><i v-for="t in water.times" :key="t"></i></span
              ></template>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="s.mownFirst.length">
        On {{ s.mownFirst.map((d) => showDay(d)).join(', ') }} it is mown: water only after that, so
        that wheels and blades meet dry ground; the seed must not lie dry for a whole day.
      </p>
      <p v-if="s.rest">
        From about {{ showDay(s.rest.from) }} to {{ showDay(s.rest.to, true) }} nothing grows: leave
        it unwatered, and take the watering up again after that.
      </p>
      <h3>2 Growing on</h3>
      <p v-if="s.phases">
        Every other day{{ water.days ? ` (${water.days.says})` : '' }} from
        {{ showDay(s.phases.growing.from) }} to {{ showDay(s.phases.growing.to) }},
        <SheetFigure id="job.water.growing" /> each.
        <template v-if="s.dryDays.length"
          >Leave it dry on {{ s.dryDays.map((d) => showDay(d)).join(', ') }}: it is mown the day
          after, and seedlings pull out of wet ground.</template
        >
      </p>
      <h3>3 Established</h3>
      <p>
        Then<template v-if="s.phases">, from {{ showDay(s.phases.settled) }},</template>
        <SheetFigure id="job.water.settled" /> each three to four days, counting rain; more in heat.
      </p>
    </div>
  </section>
</template>

<style scoped>
.who {
  font-size: 1.125rem;
  padding: 0.5rem 0 0.2rem;
}
.all {
  padding-top: 0.4rem;
}
.cal td {
  border: 1px solid #888;
  font-size: 0.8125rem;
  padding: 0.25rem 0.35rem !important;
  width: 14.28%;
}
.cal .blank {
  border-color: transparent;
}
.dry {
  display: block;
  font-weight: 700;
}
.ticks {
  display: flex;
  gap: 0.25rem;
  padding-top: 0.15rem;
}
.ticks i {
  width: 0.85rem;
  height: 0.85rem;
  border: 1.2px solid #000;
}
</style>
