<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, ref } from 'vue'
import type { ZoneSummary } from '@juvena/core/plan/jobPlan'
import { lightLines } from '@juvena/core/reference/siteValues'
import { num } from '@juvena/core/trace/figure'
import NothingYet from '../../parts/NothingYet.vue'
import SchoolChoice from '../../parts/SchoolChoice.vue'
import StageHead from '../../parts/StageHead.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import FitTable from './FitTable.vue'
import JobLots from './JobLots.vue'
import MixTable from './MixTable.vue'
import OneMixOffer from './OneMixOffer.vue'
import OtherMixes from './OtherMixes.vue'
import SeedFigures from './SeedFigures.vue'
import StandInLight from './StandInLight.vue'
import SwardDrawing from './SwardDrawing.vue'

/**
 * What to sow, why, and how much: a mix per zone, what will stand, its rate, and the lots it comes
 * from.
 */
const firm = useFirm()
const job = useJob()
const zones = computed(() => (job.plan?.zones ?? []).filter((z) => z.area))
const seeded = computed(() => zones.value.filter((z) => z.seed))
const asked = ref<string | null>(null)
const zone = computed(
  () => zones.value.find((z) => z.id === asked.value) ?? seeded.value[0] ?? zones.value[0] ?? null,
)
const grassesUsed = computed(() => [
  ...new Set(
    zones.value.flatMap((z) =>
      [...(z.seed?.mix ?? []), ...(z.later?.seed?.mix ?? [])].map((m) => m.grass),
    ),
  ),
])
const plants = (z: ZoneSummary) =>
  sure(z.seed).plants.map((p) => ({
    grass: p.grass,
    share: Number(job.figure(p.share.id)?.value ?? 0),
  }))
const cut = (z: ZoneSummary) => Number(job.ofZone(z.id, 'cut')?.value ?? 40)
const dark = computed(() =>
  zones.value.some((z) => {
    const sun = job.ofZone(z.id, 'sun')
    return sun !== null && num(sun) < lightLines.shade.is
  }),
)
const line = (z: ZoneSummary) => (z.seed ? z.seed.name : z.nothing ? 'no seed fits' : 'not sown')
</script>

<template>
  <div>
    <StageHead name="Seed" says="what suits the ground, and what that weighs" />
    <NothingYet
      v-if="zones.length === 0"
      says="A mix and its weight come from a zone with a size."
    />
    <nav v-if="zones.length > 1" class="zones" aria-label="Zones">
      <button
        v-for="z in zones"
        :key="z.id"
        type="button"
        class="zone"
        :aria-pressed="zone?.id === z.id"
        @click="asked = z.id"
      >
        <b>{{ z.name }}</b>
        <span class="small">{{ line(z) }}</span>
      </button>
    </nav>
    <section v-if="zone" :key="zone.id">
      <h3 v-if="zones.length === 1" class="ruled">{{ zone.name }}</h3>
      <p v-if="!zone.seed" class="none">
        {{
          zone.approach.chosen === 'leave'
            ? 'Not sown: left and fed.'
            : firm.say(zone.nothing ?? 'No seed here.')
        }}
      </p>
      <div v-else class="sown">
        <SwardDrawing :plants="plants(zone)" :cut="cut(zone)" />
        <h4 v-if="zone.later?.seed">The proper grass, in its season</h4>
        <MixTable :zone="zone" />
        <StandInLight :places="zone.seed.inLight" :cut="cut(zone)" />
        <FitTable :zone="zone" />
        <h4 v-if="zone.later?.seed">The quick cover, now</h4>
        <SeedFigures :zone="zone" />
        <OtherMixes :zone="zone" />
        <p v-if="zone.later?.seed" class="small">
          <b>Then, in its season:</b> {{ zone.later.seed.name }},
          {{ firm.hand(Number(job.figure(zone.later.seed.kg.id)?.value ?? 0), 'kg') }}.
        </p>
      </div>
    </section>
    <SchoolChoice v-if="dark" choice="shade" />
    <OneMixOffer />
    <JobLots :grasses="grassesUsed" />
  </div>
</template>

<style scoped>
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  padding: 0.1rem 0 0.6rem;
}
.zone {
  display: grid;
  text-align: left;
  border: 1.5px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  padding: 0.25rem 0.7rem;
  font: inherit;
  color: inherit;
  cursor: pointer;
  line-height: 1.25;
}
.zone[aria-pressed='true'] {
  border-color: var(--moss);
  background: var(--moss-wash);
}
.sown {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
}
h4 {
  margin: 0.3rem 0 0;
}
.none {
  padding: 0.4rem 0;
}
</style>
