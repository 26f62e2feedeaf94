<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { computed, ref, shallowRef } from 'vue'
import { showMoment } from '../../parts/moment.ts'
import { api } from '../../stores/api.ts'

/**
 * Backups of the whole firm: made each day, or now; each may be kept elsewhere. Restoring wants the
 * server stopped, so it is a command.
 */
type Backup = Answer<'backups'>['backups'][number]
const backups = shallowRef<Backup[] | null>(null)
const folder = ref('')
const failure = ref('')
const busy = ref(false)
const made = ref('')

async function load() {
  try {
    const found = await api<Answer<'backups'>>('GET', '/backups')
    backups.value = found.backups
    folder.value = found.folder
    failure.value = ''
  } catch (error) {
    failure.value = (error as Error).message
  }
}
void load()
async function backUp() {
  busy.value = true
  made.value = ''
  try {
    const { jobs, entries, photographs } = await api<Answer<'backup'>>('POST', '/backups')
    await load()
    made.value = `Backed up: ${jobs} jobs, ${entries} diary entries, ${photographs} photographs.`
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
const size = (bytes: number) =>
  bytes < 1e6
    ? `${Math.max(1, Math.round(bytes / 1e3))} kB`
    : `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`
const newest = computed(() => backups.value?.[0] ?? null)
</script>

<template>
  <section class="backups" aria-labelledby="backups-title">
    <h2 id="backups-title">Backups</h2>
    <p>
      A backup is one file with everything: jobs and their histories, diaries, photographs, stock,
      stations and settings. One is made each day while Juvena runs, and the last seven of those are
      kept. Copying the database file by hand is no backup: what was written last lies beside it.
    </p>
    <p class="acts">
      <button type="button" class="act main" :disabled="busy" @click="backUp">
        {{ busy ? 'Backing up…' : 'Back up now' }}
      </button>
      <span v-if="made" role="status">{{ made }}</span>
    </p>
    <p v-if="failure" class="trouble" role="alert">{{ failure }}</p>
    <p v-if="backups && backups.length === 0" class="soft">
      None yet. Make the first one, and keep a copy on another computer.
    </p>
    <table v-else-if="backups">
      <thead>
        <tr>
          <th>made</th>
          <th>how</th>
          <th class="n">size</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in backups" :key="b.file">
          <td>{{ showMoment(b.madeAt) }}</td>
          <td class="soft">{{ b.file.includes('-daily') ? 'of the day' : 'asked for' }}</td>
          <td class="n">{{ size(b.bytes) }}</td>
          <td><a :href="`/api/backups/${b.file}`" download>download</a></td>
        </tr>
      </tbody>
    </table>
    <div class="restore">
      <h3>To restore one</h3>
      <p>
        Stop Juvena and run the command below in its folder, with the backup you want. The backup is
        checked first; what lies there now is moved aside, not deleted.
      </p>
      <pre>npm run restore -- {{ newest ? `${folder}/${newest.file}` : 'backup-file' }}</pre>
    </div>
  </section>
</template>

<style scoped>
.backups {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(16rem, 1fr);
  column-gap: 2.5rem;
  align-items: start;
}
.backups > * {
  grid-column: 1;
}
.restore {
  grid-column: 2;
  grid-row: 1 / span 6;
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.6rem 0.9rem;
}
@media (max-width: 760px) {
  .backups {
    display: block;
  }
}
p {
  margin: 0.4rem 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: center;
}
.trouble {
  color: var(--hold);
}
table {
  border-collapse: collapse;
  width: 100%;
  margin: 0.5rem 0 1rem;
}
th,
td {
  text-align: left;
  padding: 0.35rem 0.8rem 0.35rem 0;
  border-bottom: 1px solid var(--rule);
}
th {
  font-weight: 400;
  color: var(--soft);
  border-bottom: 2px solid var(--ink);
}
.n {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
h3 {
  margin: 0;
}
pre {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  background: var(--paper-deep);
  padding: 0.5rem 0.7rem;
  font-size: 0.875rem;
}
</style>
