<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { ElInput } from 'element-plus'
import { ref, shallowRef, useId } from 'vue'
import { api } from '../../stores/api.ts'

/** The place of a site by the name of a town near it. */
type Town = Answer<'towns'>['towns'][number]
const emit = defineEmits<{ take: [town: Town] }>()
const id = useId()
const typed = ref('')
const found = shallowRef<Town[]>([])
const says = ref('')
/** So long a pause ends a word, ms. */
const PAUSE = 200
let waiting: ReturnType<typeof setTimeout> | undefined
function type(text: string) {
  typed.value = text
  says.value = ''
  clearTimeout(waiting)
  if (text.trim().length < 2) return void (found.value = [])
  waiting = setTimeout(() => void look(text), PAUSE)
}
async function look(text: string) {
  const answer = await api<Answer<'towns'>>('GET', `/towns?name=${encodeURIComponent(text)}`).catch(
    (error: Error) => error,
  )
  if (typed.value !== text) return
  if (answer instanceof Error) {
    found.value = []
    says.value = `${answer.message} Latitude and longitude can be typed below.`
    return
  }
  found.value = answer.towns
  says.value =
    answer.towns.length === 0
      ? 'No town of that name is known here. Try a larger one nearby, or type latitude and longitude.'
      : ''
}
function take(town: Town) {
  emit('take', town)
  found.value = []
  typed.value = ''
  says.value = `${nameOf(town)}: taken for place and time zone.`
}
const nameOf = ({ name, region, country }: Town) =>
  [name, region === name ? '' : region, country].filter(Boolean).join(', ')
</script>

<template>
  <div class="field town">
    <label :for="id">Nearest town</label>
    <ElInput
      :id="id"
      :model-value="typed"
      autocomplete="off"
      :maxlength="80"
      :aria-describedby="`${id}-says`"
      @update:model-value="type"
      @keydown.enter.prevent="found[0] && take(found[0])"
    />
    <ul v-if="found.length" class="found" aria-label="Towns of that name">
      <li v-for="t in found" :key="`${t.latitude} ${t.longitude}`">
        <button type="button" class="plain" @click="take(t)">{{ nameOf(t) }}</button>
      </li>
    </ul>
    <p :id="`${id}-says`" class="says" role="status">
      {{ says || (found.length ? 'Enter takes the first.' : 'fills place and time zone') }}
    </p>
  </div>
</template>

<style scoped>
.town {
  position: relative;
}
.found {
  position: absolute;
  z-index: 5;
  inset-inline: 0;
  list-style: none;
  padding: 0.2rem 0.6rem;
  background: var(--sheet);
  border: 1px solid var(--ink);
}
.found button {
  display: block;
  width: 100%;
  padding: 0.3rem 0;
  text-align: left;
}
@media (max-width: 760px) {
  .found button {
    min-height: 2.75rem;
  }
}
</style>
