<script setup lang="ts">
import { ref } from 'vue'
import { apiFile } from '../../stores/api.ts'
import { saveFile } from '../../parts/saveFile.ts'

/** Saves a paper as a PDF file, made by the server. */
const props = defineProps<{ path: string }>()
const busy = ref(false)
const wrong = ref('')
async function save() {
  busy.value = true
  wrong.value = ''
  try {
    const { bytes, name } = await apiFile(props.path)
    saveFile(bytes, name)
  } catch (error) {
    wrong.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <span v-if="wrong" class="small" role="alert">{{ wrong }}</span>
  <button type="button" class="act slight" :disabled="busy" @click="save">
    {{ busy ? 'Writing…' : 'Save as PDF' }}
  </button>
</template>
