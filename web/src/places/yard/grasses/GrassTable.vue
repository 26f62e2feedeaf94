<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { GRASSES, type Grass } from '@juvena/core/reference/grasses'
import { useFirm } from '../../../stores/firm.ts'
import GrassForm from './GrassForm.vue'

/** The grasses of the trade with their ranges, and what the firm has changed or added. */
const firm = useFirm()
const route = useRoute()
const grasses = computed(() => Object.values(firm.grasses))
const chosen = ref<string | null>(typeof route.query.grass === 'string' ? route.query.grass : null)
watch(
  () => route.query.grass,
  (asked) => typeof asked === 'string' && (chosen.value = asked),
)
const range = (r: readonly [number, number] | null, unit: 'g/m2' | 'mm' | 'C' | 'd') => {
  if (!r) return '—'
  return firm.show({ low: r[0], high: r[1] }, unit).number.replaceAll(' ', '')
}
const unit = (u: 'g/m2' | 'mm' | 'C') => firm.show(1, u).unit
const own = (g: Grass) => !(g.id in GRASSES)
const changed = (g: Grass) => !own(g) && g !== GRASSES[g.id]
const sun = (g: Grass) =>
  g.sunLeast === g.sunGood ? `${g.sunLeast}` : `${g.sunLeast}–${g.sunGood}`
const add = () => (chosen.value = 'new')
</script>

<template>
  <div class="grasses" :class="{ aside: chosen }">
    <div class="lying" tabindex="0" role="region" aria-label="Grasses">
      <p class="small soft head">
        <span>
          Common practice: extension handbooks, from memory, ±15 %. Rates are bag rates; days are at
          good soil warmth. Spread, shares and what a grass bears are Juvena’s model. Choose a grass
          to change it.
        </span>
        <button type="button" class="act slight" @click="add">Add a grass of your own</button>
      </p>
      <table>
        <thead>
          <tr>
            <th>grass</th>
            <th>season</th>
            <th class="n">new<br />{{ unit('g/m2') }}</th>
            <th class="n">overseed<br />{{ unit('g/m2') }}</th>
            <th class="n">shows<br />days</th>
            <th class="n">seeds<br />per g</th>
            <th class="n">soil least<br />{{ unit('C') }}</th>
            <th class="n">sun<br />h</th>
            <th>wear</th>
            <th>drought</th>
            <th>heat</th>
            <th>cold</th>
            <th>wet</th>
            <th>salt</th>
            <th>thatch</th>
            <th class="n">pH</th>
            <th class="n">cut<br />{{ unit('mm') }}</th>
            <th class="n">leaf<br />mm</th>
            <th>spread</th>
            <th class="n">N a year<br />{{ unit('g/m2') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="g in grasses" :key="g.id" :class="{ asked: chosen === g.id }">
            <td>
              <button
                type="button"
                class="plain"
                :aria-expanded="chosen === g.id"
                @click="chosen = chosen === g.id ? null : g.id"
              >
                <b>{{ g.name }}</b>
              </button>
              <span v-if="own(g)" class="tag">yours</span
              ><span v-else-if="changed(g)" class="tag">changed</span>
            </td>
            <td>{{ g.season }}</td>
            <td class="n">{{ g.newRate ? range(g.newRate, 'g/m2') : 'plugs, turf' }}</td>
            <td class="n">{{ range(g.overseedRate, 'g/m2') }}</td>
            <td class="n">{{ range(g.days, 'd') }}</td>
            <td class="n">{{ g.seedsPerGram?.toLocaleString('en') ?? '—' }}</td>
            <td class="n">{{ g.soilMin === null ? '—' : firm.show(g.soilMin, 'C').number }}</td>
            <td class="n">{{ sun(g) }}</td>
            <td>{{ g.wear }}</td>
            <td>{{ g.drought }}</td>
            <td>{{ g.heat }}</td>
            <td>{{ g.cold }}</td>
            <td>{{ g.wet }}</td>
            <td>{{ g.salt }}</td>
            <td>{{ g.thatch }}</td>
            <td class="n">{{ g.ph[0] }}–{{ g.ph[1] }}</td>
            <td class="n">{{ range(g.cut, 'mm') }}</td>
            <td class="n">{{ g.leaf }}</td>
            <td>{{ g.spread }}</td>
            <td class="n">{{ range(g.nitrogen, 'g/m2') }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <div v-if="chosen" class="side">
      <GrassForm :key="chosen" :grass="chosen" @done="chosen = $event" />
    </div>
  </div>
</template>

<style scoped>
.grasses.aside {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 23rem;
  gap: 1.25rem;
  align-items: start;
}
.lying {
  overflow-x: auto;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  justify-content: space-between;
  align-items: center;
  margin: 0 0 0.3rem;
}
td {
  font-size: 0.875rem;
  padding: 0.4rem 0.6rem 0.4rem 0;
  white-space: nowrap;
}
td:first-child {
  white-space: normal;
  min-width: 11rem;
}
td button {
  text-align: left;
}
.asked td {
  background: var(--clay-wash);
}
.tag {
  border: 1px solid var(--clay);
  color: var(--clay);
  border-radius: 2px;
  padding: 0 0.3rem;
  font-size: 0.75rem;
  margin-left: 0.3rem;
}
.side {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.7rem 0.9rem 1rem;
}
@media (max-width: 1000px) {
  .grasses.aside {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
