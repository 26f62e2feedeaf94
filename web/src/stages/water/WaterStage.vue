<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { daysBetween, showDay } from '@juvena/core/calendar/day'
import { readRestriction, restrictionSaid } from '@juvena/core/establish/restrictions'
import FigureValue from '../../parts/FigureValue.vue'
import NothingYet from '../../parts/NothingYet.vue'
import SchoolChoice from '../../parts/SchoolChoice.vue'
import StageHead from '../../parts/StageHead.vue'
import { zoneOf } from '@juvena/core/trace/scope'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import SeedbedOdds from './SeedbedOdds.vue'
import WaterAhead from './WaterAhead.vue'
import WetGround from './WetGround.vue'

/**
 * Two phases of water and the hand-over between them; minutes by station; which grass shows when.
 */
const firm = useFirm()
const job = useJob()
const water = computed(() => job.plan?.follow.water ?? null)
const waterIn = computed(() => job.plan?.follow.waterIn ?? [])
/** How the restriction is understood. */
const understood = computed(() => {
  const said = restrictionSaid(readRestriction(job.draft?.site?.restrictions ?? ''))
  return said ? `Understood: ${said}.` : ''
})
const zoneName = (id: string) => job.plan?.zones.find((z) => z.id === zoneOf(id))?.name ?? id
const packages = computed(() => (job.plan?.follow.packages ?? []).filter((p) => p.plants))
const zonesOf = (id: string) =>
  job.plan?.packages
    .find((s) => s.id === id)
    ?.zones.map(zoneName)
    .join(', ') ?? ''
/** Water of a run by phase, mm. */
const mm = (phase: 'growing' | 'settled') => Number(job.figure(`job.water.${phase}`)?.value ?? 0)
const dose = computed(() => Number(water.value?.dose.value ?? 0))
const deepest = computed(() => Math.max(1, dose.value, mm('growing'), mm('settled')))
const band = (id: string) => job.figure(id)?.value as { low: string; high: string } | undefined
</script>

<template>
  <div>
    <StageHead
      name="Water"
      says="seed that dries once in its first weeks is lost; minutes come from the sprinkler"
    />
    <NothingYet
      v-if="!water && waterIn.length === 0"
      says="Watering follows from zones that are sown, opened, dressed or fed."
    />
    <template v-if="water">
      <div class="school-row">
        <SchoolChoice choice="watering" />
        <dl>
          <div>
            <dt>each run</dt>
            <dd><FigureValue :id="water.dose.id" size="big" /></dd>
          </div>
          <div>
            <dt>a day, all zones</dt>
            <dd><FigureValue :id="water.daily.id" size="big" /></dd>
          </div>
          <div v-if="water.tapMinutes">
            <dt>tap open</dt>
            <dd><FigureValue :id="water.tapMinutes.id" size="big" /></dd>
          </div>
        </dl>
      </div>
      <p v-if="job.draft?.site?.restrictions" class="restricted">
        <b>Restrictions here.</b> {{ job.draft.site.restrictions }}
        <span class="soft">{{ understood }}</span>
      </p>
      <section v-for="s in packages" :key="s.workPackage" class="phases">
        <h3 v-if="packages.length > 1">{{ zonesOf(s.workPackage) }}</h3>
        <ol>
          <li>
            <WetGround
              :runs="water.times.map(() => dose)"
              :full="deepest"
              grass="none"
              :says="`Seedbed: ${water.times.length} runs a day, ${firm.hand(dose, 'mm')} each`"
            />
            <b>1 Keep the top moist</b>
            <span class="soft"
              >{{ showDay(s.sown) }} until <FigureValue v-if="s.handOver" :id="s.handOver.id"
            /></span>
            <span class="small"
              >{{ water.times.length }} {{ water.times.length === 1 ? 'run' : 'runs' }} a day at
              {{ water.timesSaid || 'no hour that is allowed'
              }}{{ water.days ? `, ${water.days.says}` : '' }}. Moist, never puddled; a footprint
              leaves the sole damp.<template v-if="s.mownFirst.length">
                On {{ s.mownFirst.map((d) => showDay(d)).join(', ') }} only once it is
                mown.</template
              ></span
            >
          </li>
          <li>
            <WetGround
              :runs="[mm('growing')]"
              :full="deepest"
              grass="seedlings"
              :says="`Growing on: one run of ${firm.hand(mm('growing'), 'mm')}`"
            />
            <b>2 Growing on</b>
            <span v-if="s.phases" class="soft"
              >{{ showDay(s.phases.growing.from) }} – {{ showDay(s.phases.growing.to) }}</span
            >
            <span v-if="s.rest" class="small"
              >From about {{ showDay(s.rest.from) }} to {{ showDay(s.rest.to, true) }} nothing
              grows: no water.</span
            >
            <span class="small"
              >Every other day, longer: <FigureValue id="job.water.growing" /> each.<template
                v-if="s.dryDays.length"
              >
                Off on {{ s.dryDays.map((d) => showDay(d)).join(', ') }}, for the mow of the day
                after.</template
              ></span
            >
          </li>
          <li>
            <WetGround
              :runs="[mm('settled')]"
              :full="deepest"
              grass="turf"
              :says="`Established: one run of ${firm.hand(mm('settled'), 'mm')}`"
            />
            <b>3 Established</b>
            <span v-if="s.phases" class="soft">from {{ showDay(s.phases.settled) }}</span>
            <span class="small"
              ><FigureValue id="job.water.settled" /> each three to four days, counting rain.</span
            >
          </li>
        </ol>
      </section>
      <WaterAhead v-if="job.plan?.follow.waterDays.length" />
      <SeedbedOdds v-if="packages.length" />
      <table>
        <thead>
          <tr>
            <th>station</th>
            <th class="n">rate</th>
            <th class="n">DU</th>
            <th class="n">seedbed run</th>
            <th class="n">litres a run</th>
            <th class="n">growing on</th>
            <th class="n">established</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="z in water.zones" :key="z.zone">
            <td>
              <b>{{ zoneName(z.zone) }}</b><small v-if="z.stations > 1" class="cycles"
                >each of {{ z.stations }} stations, in turn</small
              ><small v-if="!z.sprinkler" class="cycles">by can, rose or hose</small>
            </td>
            <td class="n" data-label="rate">
              <FigureValue v-if="z.sprinkler" :id="z.sprinkler.precipitation.id" />
            </td>
            <td class="n" data-label="DU">
              <FigureValue v-if="z.sprinkler" :id="z.sprinkler.uniformity.id" />
            </td>
            <td class="n" data-label="seedbed run">
              <FigureValue :id="z.sprinkler?.minutes.id ?? z.litres.id" size="big" /><small
                v-if="z.parts.seedbed > 1"
                class="cycles"
                >in {{ z.parts.seedbed }} parts</small
              >
            </td>
            <td class="n" data-label="litres a run"><FigureValue :id="z.litres.id" /></td>
            <td class="n" data-label="growing on">
              <FigureValue :id="z.growing.id" /><small v-if="z.parts.growing > 1" class="cycles"
                >in {{ z.parts.growing }} parts</small
              >
            </td>
            <td class="n" data-label="established">
              <FigureValue :id="z.settled.id" /><small v-if="z.parts.settled > 1" class="cycles"
                >in {{ z.parts.settled }} parts</small
              >
            </td>
          </tr>
        </tbody>
      </table>
      <section v-for="s in packages" :key="`up-${s.workPackage}`">
        <h3>
          When it shows <span class="soft">sown {{ showDay(s.sown) }}; days 0 to 35</span>
        </h3>
        <ul class="up">
          <li v-for="u in s.up" :key="u.grass">
            <span>{{ firm.grassName(u.grass) }}</span>
            <svg viewBox="0 0 35 4" preserveAspectRatio="none" aria-hidden="true">
              <rect width="35" height="4" class="track" />
              <rect
                v-if="band(u.figure.id)"
                :x="daysBetween(s.sown, sure(band(u.figure.id)).low)"
                :width="
                  Math.max(
                    1,
                    daysBetween(sure(band(u.figure.id)).low, sure(band(u.figure.id)).high),
                  )
                "
                height="4"
                class="shows"
              />
            </svg>
            <FigureValue :id="u.figure.id" />
          </li>
        </ul>
        <p v-if="s.judge" class="small">
          Bare is normal until then: do not judge it before
          <FigureValue :id="s.judge.id" /><template v-if="s.lostFrom"
            >; what has not shown by {{ showDay(s.lostFrom) }} is lost, and its watering
            stops</template
          >.
          <template v-if="s.pace"
            >By your counts it takes <FigureValue :id="s.pace.id" /> times the warmth of its table.
          </template>
          <RouterLink v-if="s.sown < job.today" :to="`/jobs/${job.id}/diary?part=take`"
            >It does not come up?</RouterLink
          >
        </p>
      </section>
    </template>
    <section v-if="waterIn.length">
      <h3>After work without seed <span class="soft">rain counts</span></h3>
      <table>
        <thead>
          <tr>
            <th>day</th>
            <th>zone</th>
            <th class="n">water in</th>
            <th class="n">minutes</th>
            <th class="n">litres</th>
            <th>then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="w in waterIn" :key="`${w.step} ${w.zone}`">
            <td>
              <b>{{ showDay(w.day) }}</b>
            </td>
            <td data-label="zone">{{ zoneName(w.zone) }}</td>
            <td class="n" data-label="water in"><FigureValue :id="w.need.id" size="big" /></td>
            <td class="n" data-label="minutes">
              <FigureValue v-if="w.minutes" :id="w.minutes.id" /><span v-else class="small"
                >by can, rose or hose</span
              >
            </td>
            <td class="n" data-label="litres"><FigureValue :id="w.litres.id" /></td>
            <td class="small" data-label="then">
              {{
                w.until
                  ? `look daily until ${showDay(w.until)}; ${firm.hand(w.light, 'rain')} where holes dry the turf`
                  : 'as usual'
              }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.school-row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 2rem;
  justify-content: space-between;
  padding: 0.5rem 0 0.6rem;
}
.restricted {
  border-left: 5px solid var(--sun-mark);
  padding: 0.15rem 0.6rem;
  margin-bottom: 0.4rem;
}
dl {
  display: flex;
  gap: 1.5rem;
}
dt {
  font-size: 0.75rem;
  color: var(--soft);
}
.phases {
  border-top: 1.5px solid var(--water);
  padding: 0.4rem 0 0.6rem;
}
ol {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(12rem, 1fr));
  gap: 0.4rem 1.25rem;
}
ol li > * {
  display: block;
}
ol li > .soft,
ol li > .small {
  font-size: 0.875rem;
}
section {
  margin-top: 0.8rem;
}
.cycles {
  display: block;
  color: var(--water);
}
.up li {
  display: grid;
  grid-template-columns: 12rem 1fr 12.5rem;
  gap: 0.75rem;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 0.25rem 0;
  font-size: 0.9375rem;
}
.up svg {
  width: 100%;
  height: 0.8rem;
}
.track {
  fill: var(--paper-deep);
}
.shows {
  fill: var(--moss);
}
h3 .soft {
  font-weight: 400;
  font-size: 0.875rem;
}
@media (max-width: 760px) {
  .up li {
    grid-template-columns: 1fr auto;
  }
  .up svg {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  table,
  tbody {
    display: block;
  }
  thead {
    display: none;
  }
  tr {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 0.2rem 0.8rem;
    border-bottom: 1px solid var(--rule);
    padding: 0.4rem 0;
  }
  td {
    border: 0;
    padding: 0;
  }
  td:first-child {
    grid-column: 1 / -1;
  }
  td.n {
    text-align: left;
  }
  td.n::before {
    display: block;
    content: attr(data-label);
    color: var(--soft);
    font-size: 0.75rem;
  }
}
</style>
