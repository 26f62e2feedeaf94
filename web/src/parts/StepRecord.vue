<script setup lang="ts">
import { showDay } from '@juvena/core/calendar/day'
import type { DiaryEntry } from '@juvena/core/entities/diary'

/**
 * What was recorded of a step: who, when, how much. Each record can be corrected or struck out, and
 * where two phones recorded it, both can be kept.
 */
defineProps<{
  name: string
  ticks: readonly DiaryEntry[]
  /** It was recorded from two places, and nobody has said yet whether both stand. */
  twice: boolean
  /** Ids of those that wait here for the server. */
  waiting: readonly string[]
  busy: boolean
}>()
const emit = defineEmits<{
  correct: [entry: DiaryEntry]
  strike: [entry: DiaryEntry]
  both: []
}>()
</script>

<template>
  <section class="record" :aria-label="`${name}, as recorded`">
    <p v-if="twice" class="question" role="status">
      <b>Recorded from another phone too.</b> It counts once, and so does its seed, until you say
      which: keep both if it was done twice, or strike one out.
    </p>
    <ul>
      <li v-for="e in ticks" :key="e.id">
        <p>
          <b>{{ showDay(e.date) }}</b>{{ e.who ? ` by ${e.who}` : '' }}
          <span v-if="waiting.includes(e.id)" class="small soft">waits for the server</span>
        </p>
        <p v-if="e.amount || e.product" class="small">
          {{ [e.product, e.amount].filter(Boolean).join(', ') }}
        </p>
        <p v-if="e.note" class="small">{{ e.note }}</p>
        <p class="ways">
          <button
            type="button"
            class="act slight"
            :disabled="busy"
            :aria-label="`Correct ${name}, ${showDay(e.date)}`"
            @click="emit('correct', e)"
          >
            Correct
          </button>
          <button
            type="button"
            class="act slight"
            :disabled="busy"
            :aria-label="`Strike out ${name}, ${showDay(e.date)}`"
            @click="emit('strike', e)"
          >
            Strike out
          </button>
        </p>
      </li>
    </ul>
    <button v-if="twice" type="button" class="act" :disabled="busy" @click="emit('both')">
      Keep both
    </button>
  </section>
</template>

<style scoped>
.record {
  border-left: 3px solid var(--moss);
  padding: 0.1rem 0 0.1rem 0.7rem;
  margin: 0.3rem 0;
}
.record:has(.question) {
  border-left-color: var(--sun-mark);
}
li {
  padding: 0.2rem 0;
}
.ways {
  display: flex;
  gap: 0.5rem;
  padding-top: 0.25rem;
}
.ways .act {
  min-height: 2.4rem;
}
</style>
