<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed } from 'vue'
import { TEXTURE_NAMES, type TextureId } from '@juvena/core/reference/lists'
import { classByFeel, FEEL, nextFeel, type FeelAnswers } from '@juvena/core/reference/walkLists'

/** Texture by the hand: one question after another, ending in a soil class. */
const props = defineProps<{ answers: FeelAnswers; texture: TextureId | null | undefined }>()
const emit = defineEmits<{ answer: [answers: FeelAnswers, texture: TextureId | null] }>()
const question = computed(() => nextFeel(props.answers))
const given = computed(() =>
  (['ball', 'ribbon', 'grit'] as const).flatMap((q) => {
    const a = props.answers[q]
    return a ? [(FEEL[q].answers as Record<string, string>)[a]!] : []
  }),
)
const found = computed(() => classByFeel(props.answers))
const say = (value: string) => {
  const answers = { ...props.answers, [sure(question.value)]: value } as FeelAnswers
  emit('answer', answers, classByFeel(answers))
}
</script>

<template>
  <div class="feel">
    <span class="field-label">Texture by feel</span>
    <template v-if="question">
      <p>{{ FEEL[question].asks }}</p>
      <p class="row">
        <button
          v-for="(name, value) in FEEL[question].answers"
          :key="value"
          type="button"
          class="act slight"
          @click="say(String(value))"
        >
          {{ name }}
        </button>
        <span v-if="given.length" class="small soft">{{ given.join(' · ') }}</span>
      </p>
    </template>
    <p v-else-if="found" class="row">
      <b>{{ TEXTURE_NAMES[found] }}</b> <span class="small soft">{{ given.join(' · ') }}</span>
    </p>
    <button v-if="given.length" type="button" class="plain small" @click="emit('answer', {}, null)">
      start again
    </button>
  </div>
</template>

<style scoped>
.feel {
  grid-column: 1 / -1;
  display: grid;
  gap: 0.2rem;
  justify-items: start;
  font-size: 0.9375rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem 0.6rem;
  align-items: center;
}
</style>
