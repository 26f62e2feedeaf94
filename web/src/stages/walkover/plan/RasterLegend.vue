<script setup lang="ts">
import type { Scale } from './rasters.ts'

/** The colours of a map and what each stands for. */
defineProps<{ scale: Scale; says: string }>()
</script>

<template>
  <div class="legend">
    <span class="small soft">{{ says }}</span>
    <ul>
      <li v-for="s in scale.steps" :key="s.colour">
        <svg width="34" height="12" aria-hidden="true">
          <rect width="34" height="12" :fill="s.colour" />
        </svg>
        <span>{{ s.says }}</span>
      </li>
    </ul>
    <span class="small soft">{{ scale.unit }}</span>
  </div>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.75rem;
  align-items: end;
}
ul {
  display: flex;
  flex-wrap: wrap;
}
li {
  display: grid;
  justify-items: center;
  font-size: 0.75rem;
  line-height: 1.2;
  min-width: 2.6rem;
  padding: 0;
  white-space: nowrap;
}
svg {
  width: 100%;
  height: 12px;
}
rect {
  width: 100%;
}
</style>
