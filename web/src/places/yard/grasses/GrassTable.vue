<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { GRASSES, type Grass } from '@juvena/core/reference/grasses'
import { TRAIT_COLUMNS, type TraitColumn } from '@juvena/core/reference/grassTraits'
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
/** Numbers are told in the firm's units, but for what is too small for eighths of an inch. */
const cell = (c: TraitColumn, g: Grass): string => {
  const value = c.of(g)
  if (value === null) return c.id === 'newRate' ? 'plugs, turf' : '—'
  if (typeof value === 'string') return value
  const [low, high] = typeof value === 'number' ? [value, value] : value
  if (c.unit && !c.small) return firm.show({ low, high }, c.unit).number.replaceAll(' ', '')
  const plain = (x: number) => x.toLocaleString('en')
  return low === high ? plain(low) : `${plain(low)}–${plain(high)}`
}
const unitOf = (c: TraitColumn) =>
  c.small ? c.unit : c.unit && c.unit !== '%' ? firm.show(1, c.unit).unit : ''
const own = (g: Grass) => !(g.id in GRASSES)
const changed = (g: Grass) => !own(g) && g !== GRASSES[g.id]
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
            <th>spread</th>
            <th v-for="c in TRAIT_COLUMNS" :key="c.id" :class="{ n: c.isNumber }">
              {{ c.head }}<br v-if="unitOf(c)" />{{ unitOf(c) }}
            </th>
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
            <td>{{ g.spread }}</td>
            <td v-for="c in TRAIT_COLUMNS" :key="c.id" :class="{ n: c.isNumber }">
              {{ cell(c, g) }}
            </td>
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
th.n {
  min-width: 3.4rem;
}
/* The name of the grass stays beside its traits. */
th:first-child,
td:first-child {
  position: sticky;
  left: 0;
  z-index: 1;
  background: var(--sheet);
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
