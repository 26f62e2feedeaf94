<script setup lang="ts">
import type { StandInLight } from '@juvena/core/seed/inLight'
import FigureValue from '../../parts/FigureValue.vue'
import { useFirm } from '../../stores/firm.ts'
import SwardDrawing from './SwardDrawing.vue'

/**
 * The same mix where the zone is darkest and brightest: who stands there in a year, and how thinly.
 */
defineProps<{ places: readonly StandInLight[]; cut: number }>()
const firm = useFirm()
</script>

<template>
  <section v-if="places.length" class="lights" aria-label="How it will stand in each light">
    <div v-for="p in places" :key="p.sun.id">
      <p class="small">
        <b>{{ firm.say(p.where) }}</b> <FigureValue :id="p.sun.id" />
      </p>
      <SwardDrawing :plants="p.plants" :cut="cut" :stands="Number(p.lasts.value)" small />
      <p class="small">
        <FigureValue :id="p.lasts.id" /> of the plants last<span
          v-if="p.plants.length > 1"
          class="soft"
          >:
          {{
            p.plants.map((x) => `${firm.grassShort(x.grass)} ${Math.round(x.share)}`).join(' · ')
          }}</span
        >
      </p>
    </div>
  </section>
</template>

<style scoped>
.lights {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
  gap: 0.4rem 1rem;
  padding: 0.5rem 0;
}
.lights :deep(svg) {
  height: 44px;
}
</style>
