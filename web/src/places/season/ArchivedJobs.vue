<script setup lang="ts">
import { shallowRef } from 'vue'
import { api } from '../../stores/api.ts'

/** Archived jobs, which can be restored. */
const emit = defineEmits<{ back: [] }>()
const away = shallowRef<{ id: string; name: string; archivedAt: string }[]>([])
const load = async () => (away.value = await api<{ id: string; name: string; archivedAt: string }[]>('GET', '/jobs?archived=1').catch(() => []))
void load()
async function restore(id: string) {
  await api('POST', `/jobs/${id}/restore`)
  await load()
  emit('back')
}
</script>

<template>
  <details v-if="away.length" class="away">
    <summary>Archived: {{ away.length }}</summary>
    <ul>
      <li v-for="j in away" :key="j.id">
        {{ j.name }} <button type="button" class="plain small" :aria-label="`Restore ${j.name}`" @click="restore(j.id)">restore</button>
      </li>
    </ul>
  </details>
</template>

<style scoped>
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
