<script setup lang="ts">
import { inject } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import type { StepKind } from '@juvena/core/reference/operations'
import { pinKeys } from '@juvena/core/schedule/stepRecords'
import type { Notice } from '@juvena/core/trace/figure'
import { useFirm } from '../stores/firm.ts'
import { useJob } from '../stores/job.ts'
import { WORKING } from './working.ts'

/** What is wrong, why it matters, what to do. */
defineProps<{ notice: Notice }>()
const firm = useFirm()
const job = useJob()
/** Pins the step on the day proposed: what hangs on it follows. */
function accept({ kind, zones, part, day }: NonNullable<Notice['move']>) {
  job.edit(`move.${kind}.${day}`, (d) => {
    const pins = { ...d.pins }
    for (const key of pinKeys(kind as StepKind, zones, part)) pins[key] = day
    d.pins = pins
  })
}
const working = inject(WORKING, null)
const WORDS = { hold: 'Hold', warn: 'Watch', note: 'Note' }
</script>

<template>
  <article class="notice" :class="notice.level">
    <h3>
      <span class="level">{{ WORDS[notice.level] }}</span> {{ firm.say(notice.title) }}
    </h3>
    <p>{{ firm.say(notice.says) }}</p>
    <button v-if="notice.move" type="button" class="act slight" @click="accept(notice.move)">
      move it to {{ showDay(notice.move.day) }}
    </button>
    <button
      v-if="notice.figure && working"
      type="button"
      class="plain small"
      @click="working.choose(notice.figure)"
    >
      show the figure
    </button>
  </article>
</template>

<style scoped>
.notice {
  border: 1px solid var(--rule);
  border-left: 5px solid var(--water);
  background: var(--sheet);
  padding: 0.5rem 0.75rem;
}
.notice.hold {
  border-left-color: var(--hold);
}
.notice.warn {
  border-left-color: var(--sun-mark);
}
h3 {
  font-size: 0.9375rem;
}
p {
  font-size: 0.9375rem;
  line-height: 1.35;
}
.level {
  font-weight: 400;
  font-size: 0.75rem;
  text-transform: none;
  padding: 0 0.35rem;
  margin-right: 0.15rem;
  border: 1px solid currentColor;
  border-radius: 2px;
}
.hold .level {
  color: var(--hold);
}
.warn .level {
  color: var(--sun);
}
.note .level {
  color: var(--water);
}
</style>
