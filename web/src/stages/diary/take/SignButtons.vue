<script setup lang="ts">
import { computed, useId } from 'vue'
import { TAKE_SIGNS, type TakeSign } from '@juvena/core/reference/takeSigns'

/** One question of the visit: its answers as buttons for a thumb; pressed again, an answer goes. */
const props = defineProps<{ sign: TakeSign; modelValue: string | undefined; asked?: boolean }>()
const emit = defineEmits<{ 'update:modelValue': [value: string | undefined] }>()
const id = useId()
const answers = computed(() => Object.entries(TAKE_SIGNS[props.sign].answers))
const press = (answer: string) =>
  emit('update:modelValue', answer === props.modelValue ? undefined : answer)
</script>

<template>
  <div class="sign" role="group" :aria-labelledby="id">
    <p :id="id" class="asks">
      {{ TAKE_SIGNS[sign].asks }} <span v-if="asked" class="mark moved">tells most now</span>
    </p>
    <button
      v-for="[answer, words] in answers"
      :key="answer"
      type="button"
      class="act"
      :aria-pressed="modelValue === answer"
      @click="press(answer)"
    >
      {{ words }}
    </button>
  </div>
</template>

<style scoped>
.sign {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
  padding-bottom: 0.5rem;
}
.asks {
  flex: 1 0 100%;
  font-weight: 700;
}
.act {
  min-height: 1.9rem;
  padding: 0.1rem 0.55rem;
  border-width: 1px;
  font-size: 0.875rem;
  white-space: normal;
  text-align: left;
}
@media (max-width: 640px) {
  .act {
    min-height: 2.75rem;
    padding: 0.2rem 0.75rem;
    font-size: 1rem;
  }
}
</style>
