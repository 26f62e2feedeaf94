<script setup lang="ts">
import { STAGES } from '@juvena/core/present/spine'
import type { Stage } from '@juvena/core/rules/rule'
import SoilCore from '../job/SoilCore.vue'

/** What a firm without a job sees: how a plan grows from a walk. */
const FOLLOWS = {
  1: 'size, cover, thatch, firmness, light, slope, history',
  2: 'each reading against the line of the trade, and what it asks for',
  3: 'leave, mend, overseed, level or start over, with the cheaper way beside it',
  4: 'a mix for the light, the wear and what is there; weight and plants',
  5: 'seed, feed, dressing and cover, weighed out zone by zone',
  6: 'days that fit the frost, the waits and your week, or a plain no and what instead',
  7: 'minutes by station until the slowest grass is up',
  8: 'what was done, how much, by whom; first mow and when it looks right',
}
</script>

<template>
  <div class="empty">
    <h1>Start with a lawn.</h1>
    <p>
      Name the job; then walk it zone by zone. Everything below the grass follows as you type, and
      each number shows its working.
    </p>
    <ol class="core">
      <li v-for="(says, s) in FOLLOWS" :key="s">
        <span class="piece-of-core"><SoilCore :stage="Number(s) as Stage" /></span>
        <b>{{ s }} {{ STAGES[Number(s) as Stage] }}</b> <span>{{ says }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.core {
  order: 3;
  margin-top: 0.75rem;
}
.core li {
  display: grid;
  grid-template-columns: 2.75rem 9rem 1fr;
  gap: 0.9rem;
  align-items: center;
  min-height: 3.1rem;
}
.core li > span:last-child {
  border-bottom: 1px solid var(--rule);
  align-self: stretch;
  display: grid;
  align-items: center;
}
.piece-of-core {
  align-self: stretch;
  position: relative;
  overflow: hidden;
  border: 2px solid var(--ink);
  border-width: 0 2px;
}
.piece-of-core :deep(svg) {
  position: absolute;
  inset: 0;
}
.core li:first-child .piece-of-core {
  border-top-width: 2px;
  border-radius: 10px 10px 0 0;
}
.core li:last-child .piece-of-core {
  border-bottom-width: 2px;
  border-radius: 0 0 20px 20px;
}
/* The form for a new job lies between the words and the core. */
.empty {
  display: contents;
}
h1 {
  margin-top: 2rem;
}
</style>
