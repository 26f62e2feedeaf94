<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import FirmSettings from './FirmSettings.vue'
import GrassTable from './grasses/GrassTable.vue'
import RuleBook from './RuleBook.vue'

const StockHere = defineAsyncComponent(() => import('./stock/StockHere.vue'))
const BackupsHere = defineAsyncComponent(() => import('./BackupsHere.vue'))
const LearntHere = defineAsyncComponent(() => import('./LearntHere.vue'))
const MachinesHere = defineAsyncComponent(() => import('./MachinesHere.vue'))
const OrdersHere = defineAsyncComponent(() => import('./OrdersHere.vue'))
const PricesHere = defineAsyncComponent(() => import('./prices/PricesHere.vue'))
const YearHere = defineAsyncComponent(() => import('./YearHere.vue'))

/**
 * What the firm works with: its settings and schools, its seed, the year and its weather, the
 * grasses of the trade, the rules, what its own diary says of them.
 */
const route = useRoute()
const PARTS = {
  firm: 'Firm and schools',
  stock: 'Stock',
  prices: 'Prices',
  orders: 'Orders',
  machines: 'Machines',
  year: 'Year and weather',
  grasses: 'Grasses',
  rules: 'Rule book',
  learnt: 'From your diary',
  backups: 'Backups',
} as const
const part = computed(() =>
  typeof route.params.part === 'string' && route.params.part in PARTS
    ? (route.params.part as keyof typeof PARTS)
    : 'firm',
)
</script>

<template>
  <div class="yard">
    <header>
      <h1>Yard</h1>
      <nav aria-label="Parts of the yard">
        <RouterLink
          v-for="(name, p) in PARTS"
          :key="p"
          class="act slight"
          :to="`/yard/${p}`"
          :aria-current="p === part ? 'true' : undefined"
          >{{ name }}</RouterLink
        >
      </nav>
    </header>
    <FirmSettings v-if="part === 'firm'" />
    <StockHere v-else-if="part === 'stock'" />
    <YearHere v-else-if="part === 'year'" />
    <GrassTable v-else-if="part === 'grasses'" />
    <PricesHere v-else-if="part === 'prices'" />
    <OrdersHere v-else-if="part === 'orders'" />
    <MachinesHere v-else-if="part === 'machines'" />
    <LearntHere v-else-if="part === 'learnt'" />
    <BackupsHere v-else-if="part === 'backups'" />
    <RuleBook v-else />
  </div>
</template>

<style scoped>
.yard {
  padding: 0.6rem 1.25rem 2rem;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
  align-items: center;
  margin-bottom: 0.75rem;
}
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}
@media (max-width: 640px) {
  .yard {
    padding: 0.6rem 0.9rem 2rem;
  }
}
</style>
