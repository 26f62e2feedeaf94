<script setup lang="ts">
import { computed } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import { isBehind } from '@juvena/core/plan/stepState'
import { beforeAndAfter } from '@juvena/core/present/beforeAfter'
import { OPERATIONS } from '@juvena/core/reference/operations'
import { zoneOf } from '@juvena/core/trace/scope'
import { useJob } from '../../stores/job.ts'
import { usePhotos } from '../../stores/photos.ts'

/** Each zone as it was before its work, and as it is now. */
const job = useJob()
const photos = usePhotos()
/** The first day on which the ground of a zone was closed or sown. */
const began = computed(() => {
  const days = new Map<string, string>()
  for (const s of job.plan?.steps ?? []) {
    if (!isBehind(s) || !(OPERATIONS[s.kind].closes || OPERATIONS[s.kind].plants)) continue
    for (const z of s.zones.map(zoneOf)) if (s.chosen < (days.get(z) ?? '9')) days.set(z, s.chosen)
  }
  return days
})
const pairs = computed(() => beforeAndAfter(photos.all, began.value))
const name = (id: string) => job.plan?.zones.find((z) => z.id === id)?.name ?? ''
</script>

<template>
  <section v-if="pairs.length" aria-labelledby="before-after">
    <h3 id="before-after" class="ruled">Before and after</h3>
    <div v-for="p in pairs" :key="p.zone" class="pair">
      <figure v-for="(photo, i) in [p.before, p.after]" :key="photo.id">
        <img
          :src="`/api/photos/${photo.id}?size=small`"
          :alt="`${name(p.zone)}, ${i === 0 ? 'before' : 'after'}`"
        />
        <figcaption class="small">
          {{ i === 0 ? `${name(p.zone)}, before:` : 'after:' }}
          {{ showDay(photo.takenOn, true) }}
        </figcaption>
      </figure>
    </div>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
  padding: 0.4rem 0;
}
figure {
  margin: 0;
}
img {
  display: block;
  width: 100%;
  aspect-ratio: 4 / 3;
  object-fit: cover;
  border: 1px solid var(--rule-strong);
}
</style>
