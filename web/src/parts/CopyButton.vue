<script setup lang="ts">
import { ref } from 'vue'

/** Copies a text to be pasted elsewhere, and says so. */
const props = defineProps<{ text: string; label: string }>()
const copied = ref(false)
const copy = () =>
  navigator.clipboard.writeText(props.text).then(
    () => (copied.value = true),
    () => (copied.value = false),
  )
</script>

<template>
  <button type="button" class="act slight" @click="copy">{{ copied ? 'Copied' : label }}</button>
</template>
