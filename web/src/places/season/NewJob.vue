<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { ElInput } from 'element-plus'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { FILE_BYTES } from '@juvena/core/formats/fileSize'
import { api } from '../../stores/api.ts'

/** A job begun by its name, or imported from a file. */
const emit = defineEmits<{ failed: [says: string] }>()
const router = useRouter()
const name = ref('')
const nameWrong = ref('')
const busy = ref(false)

async function begin() {
  if (!name.value.trim())
    return void (nameWrong.value = 'Give the job a name, like “Mill House, back lawn”.')
  busy.value = true
  try {
    const job = await api<Answer<'job'>>('POST', '/jobs', { name: name.value.trim() })
    await router.push(`/jobs/${job.id}`)
  } catch (error) {
    nameWrong.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
async function importFile(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  emit('failed', '')
  if (file.size > FILE_BYTES)
    return emit(
      'failed',
      `“${file.name.slice(0, 60)}” is ${Math.round(file.size / 1e6)} MB; a job file is at most ${FILE_BYTES / 1e6} MB. Check that it is a job file.`,
    )
  try {
    const { id, imported } = await api<Answer<'importedJob'>>(
      'POST',
      '/job-files',
      await file.text(),
    )
    await router.push({
      path: `/jobs/${id}`,
      query: { imported: `${imported.entries}-${imported.photographs}` },
    })
  } catch (error) {
    emit('failed', (error as Error).message)
  }
}
</script>

<template>
  <form class="new" @submit.prevent="begin">
    <div :class="{ 'has-problem': nameWrong }">
      <label for="new-job" class="small soft">New job</label>
      <ElInput
        id="new-job"
        v-model="name"
        maxlength="120"
        placeholder="customer, place, lawn"
        autocomplete="off"
        :aria-invalid="nameWrong ? 'true' : undefined"
        @input="nameWrong = ''"
      />
    </div>
    <button type="submit" class="act main" :disabled="busy">Start the walk-over</button>
    <label class="act file"
      >Import a job file<input type="file" accept=".json,application/json" @change="importFile"
    /></label>
    <p v-if="nameWrong" class="wrong" role="alert">{{ nameWrong }}</p>
  </form>
</template>

<style scoped>
.wrong {
  grid-column: 1 / -1;
  color: var(--hold);
}
.new {
  display: grid;
  grid-template-columns: minmax(12rem, 24rem) auto auto 1fr;
  gap: 0.3rem 0.75rem;
  align-items: end;
  padding: 0.5rem 0 0.4rem;
}
.new label.small {
  display: block;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.file:focus-within {
  box-shadow: var(--focus);
}
@media (max-width: 640px) {
  .new {
    grid-template-columns: 1fr;
  }
}
</style>
