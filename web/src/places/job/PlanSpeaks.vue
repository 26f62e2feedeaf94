<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import { STAGES } from '@juvena/core/present/spine'
import type { Stage } from '@juvena/core/rules/rule'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** One sentence for a screen reader, once typing has paused: what the last change moved. */
const firm = useFirm()
const job = useJob()
const says = ref('')
const PAUSE = 1_500
let waiting: ReturnType<typeof setTimeout> | undefined
type Seen = Map<string, string>
let before: Seen | null = null
const lines = (): Seen =>
  new Map(job.bands.map((b) => [STAGES[b.stage as Stage], firm.say(b.line)]))
watch(
  () => job.plan,
  (plan) => {
    clearTimeout(waiting)
    if (!plan) return void ([before, says.value] = [null, ''])
    before ??= lines()
    waiting = setTimeout(() => {
      const now = lines()
      const told = [...now].filter(([stage, line]) => before?.get(stage) !== line)
      before = now
      if (told.length > 0)
        says.value = `Changed: ${told.map(([stage, line]) => `${stage}, ${line}`).join('; ')}.`
    }, PAUSE)
  },
  { immediate: true },
)
onBeforeUnmount(() => clearTimeout(waiting))
</script>

<template>
  <p class="only-read" role="status" aria-label="What changed">{{ says }}</p>
</template>
