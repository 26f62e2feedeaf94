<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { ElDialog } from 'element-plus'
import { ref, shallowRef } from 'vue'
import { api } from '../../stores/api.ts'

/** Archived jobs, which can be restored. */
const emit = defineEmits<{ back: [] }>()
const away = shallowRef<Answer<'jobs'>>([])
/** Whether there are more than were loaded: the server gives a page at a time. */
const more = ref(false)
const PAGE = 500
async function load(shown: Answer<'jobs'> = []) {
  const page = await api<Answer<'jobs'>>('GET', `/jobs?archived=1&from=${shown.length}`).catch(
    () => [],
  )
  away.value = [...shown, ...page]
  more.value = page.length === PAGE
}
void load()
async function restore(id: string) {
  await api('POST', `/jobs/${id}/restore`)
  await load()
  emit('back')
}
/** The job whose customer is to be erased, once that is confirmed. */
const erasing = shallowRef<{ id: string; name: string } | null>(null)
const failure = ref('')
const told = ref('')
async function erase() {
  if (!erasing.value) return
  const { id, name } = erasing.value
  try {
    const { records, traces } = await api<Answer<'erased'>>('POST', `/jobs/${id}/erase`)
    told.value = `The customer of “${name}” is erased. ${records === 0 ? 'No record had to stay' : `${records} ${records === 1 ? 'record' : 'records'} of products stay`}.${traces ? ' The file of the database is rewritten without traces of the name when Juvena next starts.' : ''} Backups made before still hold the name: Yard, Backups says which, and until when.`
    erasing.value = null
    await load()
  } catch (error) {
    failure.value = (error as Error).message
  }
}
</script>

<template>
  <details v-if="away.length" class="away">
    <summary>Archived: {{ away.length }}{{ more ? ' and more' : '' }}</summary>
    <ul>
      <li v-for="j in away" :key="j.id">
        {{ j.name }}
        <button
          type="button"
          class="plain small"
          :aria-label="`Restore ${j.name}`"
          @click="restore(j.id)"
        >
          restore
        </button>
        <button
          type="button"
          class="plain small"
          :aria-label="`Erase the customer of ${j.name}`"
          @click="
            () => {
              erasing = j
              failure = ''
            }
          "
        >
          erase customer
        </button>
      </li>
    </ul>
    <button v-if="more" type="button" class="act slight" @click="load(away)">Show more</button>
  </details>
  <p v-if="told" class="small" role="status">{{ told }}</p>
  <ElDialog
    append-to="#above"
    :model-value="erasing !== null"
    :title="`Erase the customer of “${erasing?.name}”?`"
    width="min(34rem, 94vw)"
    @update:model-value="erasing = null"
  >
    <p>
      Names, address, telephone, notes, photographs, the plan of the site, earlier versions and the
      diary are deleted for good. This cannot be undone.
    </p>
    <p>
      Records of what was sprayed or spread stay, with day, zone, product, amount and who did it:
      the law on them decides for how long. Backups made before still hold the rest.
    </p>
    <p v-if="failure" class="trouble" role="alert">{{ failure }}</p>
    <p class="choices">
      <button type="button" class="act" @click="erasing = null">Keep everything</button>
      <button type="button" class="act main for-good" @click="erase">Erase for good</button>
    </p>
  </ElDialog>
</template>

<style scoped>
.choices {
  display: flex;
  gap: 0.6rem;
  margin-top: 1rem;
}
.for-good {
  background: var(--hold);
  border-color: var(--hold);
}
p + p {
  margin-top: 0.6rem;
}
.trouble {
  color: var(--hold);
}
.away {
  padding-top: 0.5rem;
}
summary {
  cursor: pointer;
  color: var(--soft);
}
li {
  padding: 0.2rem 0;
}
</style>
