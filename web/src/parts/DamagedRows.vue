<script setup lang="ts">
import type { Answer } from '../../../contract/answers.ts'
import { ref, shallowRef } from 'vue'
import { api } from '../stores/api.ts'

/** What is stored and cannot be read: the rest goes on without it, and each can be restored alone. */
type Damaged = Answer<'damaged'>['rows'][number]
const emit = defineEmits<{ restored: [] }>()
const rows = shallowRef<Damaged[]>([])
const says = ref('')
async function load() {
  rows.value = (await api<Answer<'damaged'>>('GET', '/damaged').catch(() => ({ rows: [] }))).rows
}
void load()
async function restore({ table, id, what }: Damaged) {
  try {
    const { file } = await api<Answer<'rowRestored'>>(
      'POST',
      `/damaged/${table}/${encodeURIComponent(id)}/restore`,
    )
    says.value = `The ${what} is as it was in ${file}.`
    emit('restored')
  } catch (error) {
    says.value = (error as Error).message
  }
  await load()
}
</script>

<template>
  <section v-if="rows.length || says" class="damaged" aria-label="Cannot be read">
    <p v-for="r in rows" :key="`${r.table} ${r.id}`">
      <b>A {{ r.what }} cannot be read</b> ({{ r.id }}): what is stored of it is damaged. Everything
      else goes on without it.
      <button type="button" class="act slight" @click="restore(r)">Restore it from a backup</button>
    </p>
    <p v-if="says" role="status">{{ says }}</p>
  </section>
</template>

<style scoped>
.damaged {
  border-left: 5px solid var(--hold);
  background: var(--sheet);
  padding: 0.35rem 0.7rem;
  margin: 0.4rem 0;
  overflow-wrap: anywhere;
}
</style>
