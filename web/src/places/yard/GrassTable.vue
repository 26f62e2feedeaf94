<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { GRASSES } from '@juvena/core/reference/grasses'
import { useFirm } from '../../stores/firm.ts'

/** The grasses of the trade, with their ranges. */
const firm = useFirm()
const route = useRoute()
const grasses = computed(() => Object.values(GRASSES))
const range = (r: readonly [number, number] | null, unit: 'g/m2' | 'mm' | 'C' | 'd') => {
  if (!r) return '—'
  return firm.show({ low: r[0], high: r[1] }, unit).number.replaceAll(' ', '')
}
const unit = (u: 'g/m2' | 'mm' | 'C') => firm.show(1, u).unit
</script>

<template>
  <div class="lying" tabindex="0" role="region" aria-label="Grasses">
    <p class="small soft">Common practice: extension handbooks, from memory, ±15 %. Rates are bag rates; days are at good soil warmth.</p>
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
          <th class="n">soil good<br />{{ unit('C') }}</th>
          <th class="n">sun<br />h</th>
          <th>wear</th>
          <th>drought</th>
          <th>spread</th>
          <th>thatch</th>
          <th class="n">cut<br />{{ unit('mm') }}</th>
          <th class="n">N a year<br />{{ unit('g/m2') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="g in grasses" :key="g.id" :class="{ asked: route.query.grass === g.id }">
          <td>
            <b>{{ g.name }}</b>
          </td>
          <td>{{ g.season }}</td>
          <td class="n">{{ g.newRate ? range(g.newRate, 'g/m2') : 'plugs, turf' }}</td>
          <td class="n">{{ range(g.overseedRate, 'g/m2') }}</td>
          <td class="n">{{ range(g.days, 'd') }}</td>
          <td class="n">{{ g.seedsPerGram?.toLocaleString('en') ?? '—' }}</td>
          <td class="n">{{ g.soilMin === null ? '—' : firm.show(g.soilMin, 'C').number }}</td>
          <td class="n">{{ range(g.soilGood, 'C') }}</td>
          <td class="n">{{ g.sunLeast }}</td>
          <td>{{ g.wear }}</td>
          <td>{{ g.drought }}</td>
          <td>{{ g.spread }}</td>
          <td>{{ g.thatch }}</td>
          <td class="n">{{ range(g.cut, 'mm') }}</td>
          <td class="n">{{ range(g.nitrogen, 'g/m2') }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
td {
  font-size: 0.875rem;
  padding: 0.4rem 0.6rem 0.4rem 0;
  white-space: nowrap;
}
td:first-child {
  white-space: normal;
  min-width: 11rem;
}
.asked td {
  background: var(--sun-wash);
}
</style>
