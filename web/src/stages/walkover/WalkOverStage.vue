<script setup lang="ts">
import { computed, defineAsyncComponent, h } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import StageHead from '../../parts/StageHead.vue'
import { useJob } from '../../stores/job.ts'
import CustomerForm from './CustomerForm.vue'
import HistoryForm from './HistoryForm.vue'
import SiteForm from './SiteForm.vue'
import ZonesForm from './ZonesForm.vue'

const PlanPart = defineAsyncComponent({
  loader: () => import('./plan/PlanPart.vue'),
  delay: 120,
  loadingComponent: { render: () => h('p', { class: 'soft' }, 'Loading the plan…') },
})

/**
 * What was walked: the plan, zones, site and seasons, history, customer. Each part has its address,
 * so a reload comes back to it.
 */
const job = useJob()
const route = useRoute()
const router = useRouter()
const PARTS = {
  plan: 'Plan',
  zones: 'Zones',
  site: 'Site and season',
  history: 'History',
  customer: 'Customer',
} as const
type Part = keyof typeof PARTS
const part = computed<Part>(() =>
  typeof route.query.part === 'string' && route.query.part in PARTS
    ? (route.query.part as Part)
    : 'zones',
)
const go = (to: Part) =>
  void router.replace({
    query: {
      ...route.query,
      part: to === 'zones' ? undefined : to,
      figure: undefined,
      shape: undefined,
      show: undefined,
    },
  })
const wrong = (p: Part) =>
  job.problems.filter((x) =>
    p === 'plan'
      ? x.path.startsWith('drawing')
      : p === 'zones'
        ? x.path.startsWith('zones')
        : p === 'site'
          ? x.path.startsWith('site')
          : p === 'history'
            ? x.path.startsWith('treatments')
            : ['customerDate', 'walked', 'name'].includes(x.path),
  ).length
const count = (p: Part) =>
  p === 'plan'
    ? (job.draft?.drawing?.shapes?.length ?? 0)
    : p === 'zones'
      ? (job.draft?.zones?.length ?? 0)
      : p === 'history'
        ? (job.draft?.treatments?.length ?? 0)
        : null
const siteWanting = computed(
  () =>
    job.plan?.notices.some((n) => n.id === 'frost.wanted' && n.level === 'warn') ||
    job.draft?.site?.latitude === undefined ||
    job.draft?.site?.latitude === null,
)
</script>

<template>
  <div>
    <StageHead name="Walk-over">
      <div class="parts" role="group" aria-label="Parts of the walk-over">
        <button
          v-for="(name, p) in PARTS"
          :key="p"
          type="button"
          class="act slight"
          :aria-pressed="p === part"
          @click="go(p)"
        >
          {{ name }}<span v-if="count(p) !== null">{{ count(p) }}</span>
          <span v-if="wrong(p)" class="mark hold">{{ wrong(p) }} to mend</span>
          <span v-else-if="p === 'site' && siteWanting" class="mark waiting">wanted</span>
        </button>
      </div>
    </StageHead>
    <PlanPart v-if="part === 'plan'" />
    <ZonesForm v-else-if="part === 'zones'" />
    <SiteForm v-else-if="part === 'site'" />
    <HistoryForm v-else-if="part === 'history'" />
    <CustomerForm v-else />
  </div>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}
</style>
