<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { useJob } from '../stores/job.ts'

/** An empty stage: what it waits for, and the way there. */
defineProps<{ says: string }>()
const job = useJob()
</script>

<template>
  <div class="nothing">
    <p class="big">Nothing to show yet.</p>
    <p>{{ says }}</p>
    <RouterLink class="act main" :to="`/jobs/${job.id}/walk-over`">To the walk-over</RouterLink>
  </div>
</template>

<style scoped>
.nothing {
  display: grid;
  gap: 0.75rem;
  justify-items: start;
  padding: 3rem 0;
  max-width: 30rem;
}
</style>
