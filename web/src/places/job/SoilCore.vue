<script setup lang="ts">
import type { Stage } from '@juvena/core/rules/rule'

/** One length of the soil core, from the grass (1) down to the subsoil (8). Drawn, not fetched. */
defineProps<{ stage: Stage }>()
const FILL: Record<Stage, string> = {
  1: '#86ab63',
  2: '#b9975a',
  3: '#4a3020',
  4: '#573823',
  5: '#6d4527',
  6: '#7a4e2d',
  7: '#96683f',
  8: '#b58a5c',
}
</script>

<template>
  <svg
    viewBox="0 0 40 84"
    preserveAspectRatio="xMidYMid slice"
    aria-hidden="true"
    focusable="false"
  >
    <rect width="40" height="84" :fill="FILL[stage]" />
    <g v-if="stage === 1" fill="none" stroke="#35602f" stroke-width="2" stroke-linecap="round">
      <path
        d="M6 84C7 60 4 44 9 24M12 84C12 60 14 40 10 30M17 84C17 56 22 40 18 14M23 84C22 62 20 50 25 32M29 84C30 60 26 40 31 20M35 84C34 66 37 52 33 38"
      />
    </g>
    <g v-else-if="stage === 2" fill="none" stroke="#8a6a33" stroke-width="1.4">
      <path
        d="M-2 12C12 4 26 20 42 10M-2 26C10 34 28 16 42 28M-2 40C14 32 24 48 42 38M-2 55C10 62 30 46 42 56M-2 70C14 62 26 78 42 70"
      />
    </g>
    <g v-else-if="stage === 3" fill="none" stroke="#cdb693" stroke-width="1.1">
      <path d="M10 0C12 24 6 44 11 66M20 0C19 30 24 52 20 84M30 0C28 18 33 34 29 52" />
      <circle cx="7" cy="20" r="2" fill="#6d4c36" stroke="none" />
      <circle cx="33" cy="66" r="3" fill="#6d4c36" stroke="none" />
    </g>
    <g v-else-if="stage === 4">
      <path d="M20 0C19 12 22 20 20 30" fill="none" stroke="#cdb693" stroke-width="1" />
      <g fill="#d9c08a">
        <ellipse cx="10" cy="30" rx="2" ry="4.5" transform="rotate(30 10 30)" />
        <ellipse cx="27" cy="44" rx="2" ry="4.5" transform="rotate(-24 27 44)" />
        <ellipse cx="15" cy="60" rx="2" ry="4.5" transform="rotate(64 15 60)" />
        <ellipse cx="32" cy="18" rx="2" ry="4.5" transform="rotate(-60 32 18)" />
      </g>
    </g>
    <g v-else-if="stage === 5" fill="#8b6440">
      <circle cx="11" cy="20" r="5" />
      <circle cx="29" cy="36" r="3.4" />
      <circle cx="14" cy="56" r="3" />
      <circle cx="31" cy="68" r="5" />
    </g>
    <g
      v-else-if="stage === 6"
      fill="none"
      stroke="#5d3a1f"
      stroke-width="1.4"
      stroke-dasharray="5 4"
    >
      <path d="M0 21H40M0 42H40M0 63H40" />
    </g>
    <g
      v-else-if="stage === 7"
      fill="none"
      stroke="#2f6d8c"
      stroke-width="1.8"
      stroke-linecap="round"
    >
      <path d="M8 20c4-6 8 6 12 0s8 6 12 0M8 42c4-6 8 6 12 0s8 6 12 0M8 64c4-6 8 6 12 0s8 6 12 0" />
    </g>
    <g v-else fill="#a4774b">
      <path d="M6 18l8-3 3 6-7 4zM24 40l9-2 2 7-8 2zM9 62l7-4 5 5-6 6z" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: 100%;
}
</style>
