<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { onBeforeUnmount, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import { api } from '../../stores/api.ts'

/**
 * Jobs whose sowing moved when the weather changed: old day beside new. While jobs are still being
 * planned anew it says how many, and the list grows.
 */
const props = defineProps<{ moves: Answer<'moves'> }>()
const emit = defineEmits<{ done: [] }>()
const on = (day: string | null) => (day ? showDay(day, true) : 'no day')
const now = ref(props.moves)
const failure = ref('')
let again: ReturnType<typeof setTimeout> | undefined
function wait() {
  if (now.value.working > 0) again = setTimeout(() => void look(), 400)
}
async function look() {
  try {
    now.value = await api<Answer<'moves'>>('GET', `/season/moves/${props.moves.id}`)
    failure.value = ''
  } catch (error) {
    failure.value = (error as Error).message
  }
  wait()
}
wait()
onBeforeUnmount(() => clearTimeout(again))
</script>

<template>
  <div class="moved" role="status">
    <p v-if="now.working > 0" class="soft">
      Saved. {{ now.working }} {{ now.working === 1 ? 'job is' : 'jobs are' }} still being planned
      with the new weather.
    </p>
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <p>
      <b v-if="now.moved.length > 0"
        >{{ now.moved.length }} {{ now.moved.length === 1 ? 'job' : 'jobs' }} moved.</b
      >
      <template v-else-if="now.working === 0">No job moved.</template>
    </p>
    <ul>
      <li v-for="m in now.moved" :key="m.id">
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
