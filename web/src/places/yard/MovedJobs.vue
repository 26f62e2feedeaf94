<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import type { Moved } from './station.ts'

/** Jobs whose sowing moved when the weather changed: old day beside new. */
defineProps<{ moved: readonly Moved[] }>()
const emit = defineEmits<{ done: [] }>()
const on = (day: string | null) => (day ? showDay(day, true) : 'no day')
</script>

<template>
  <div class="moved" role="status">
    <p>
      <b>{{ moved.length }} {{ moved.length === 1 ? 'job' : 'jobs' }} moved.</b>
    </p>
    <ul>
      <li v-for="m in moved" :key="m.id">
        <RouterLink :to="`/jobs/${m.id}/order`">{{ m.name }}</RouterLink>: <s>{{ on(m.from) }}</s>
        {{ on(m.to) }}
      </li>
    </ul>
    <button type="button" class="act slight" @click="emit('done')">close</button>
  </div>
</template>

<style scoped>
.moved {
  border-left: 5px solid var(--sun-mark);
  background: var(--sheet);
  padding: 0.4rem 0.75rem;
  margin-top: 0.5rem;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0.2rem 0 0.4rem;
}
</style>
