<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { computed, ref, shallowRef } from 'vue'
import { showMoment } from '../../parts/moment.ts'
import { api } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'
import DamagedRows from '../../parts/DamagedRows.vue'

/**
 * Backups of the whole firm: made each day, or now; each may be kept elsewhere, or restored.
 */
const firm = useFirm()
type Backup = Answer<'backups'>['backups'][number]
type Answered = Answer<'backups'>
const backups = shallowRef<Backup[] | null>(null)
const checks = shallowRef<Answered['checks']>([])
const stillHeld = shallowRef<Answered['stillHeld']>([])
const folder = ref('')
const failure = ref('')
const busy = ref(false)
const made = ref('')

async function load() {
  try {
    const found = await api<Answer<'backups'>>('GET', '/backups')
    backups.value = found.backups
    checks.value = found.checks
    stillHeld.value = found.stillHeld
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
    made.value = `Backed up: ${some(jobs, 'job')}, ${some(entries, 'diary entry', 'diary entries')}, ${some(photographs, 'photograph')}.`
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
/** The backup that is being tried, or is about to be deleted. */
const trying = ref('')
const leaving = ref('')
async function check(file: string) {
  trying.value = file
  try {
    await api<Answer<'backupCheck'>>('POST', `/backups/${file}/check`)
    await load()
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    trying.value = ''
  }
}
async function remove(file: string) {
  leaving.value = ''
  try {
    await api<Answer<'deleted'>>('DELETE', `/backups/${file}`)
    await load()
  } catch (error) {
    failure.value = (error as Error).message
  }
}
/** Each backup with what came of its trial, and what it still holds of erased customers. */
const rows = computed(() =>
  (backups.value ?? []).map((b) => ({
    ...b,
    check: checks.value.find((c) => c.file === b.file),
    held: stillHeld.value.find((h) => h.where === b.file),
  })),
)
const aside = computed(() => stillHeld.value.filter((h) => !h.where.includes('.')))
const goneBy = (until: string | null) =>
  until ? `gone by ${firm.day(until)} while Juvena runs each day` : 'until it is deleted'
/** The backup that is about to be restored, and whether it is under way. */
const chosen = ref<Backup | null>(null)
const restoring = ref(false)
/** So long is waited for the firm to open again, ms. */
const OPENS = 60_000
async function restore() {
  const file = chosen.value?.file
  if (!file) return
  restoring.value = true
  failure.value = ''
  try {
    const { reopens } = await api<Answer<'restoring'>>('POST', `/backups/${file}/restore`)
    if (!reopens) return void (made.value = 'It is restored when Juvena is started again.')
    await new Promise((done) => setTimeout(done, 1_000))
    for (const until = Date.now() + OPENS; Date.now() < until;) {
      const open = await api('GET', '/today').then(
        () => true,
        () => false,
      )
      // Everything shown is of the firm before: it is read anew.
      if (open) return void window.location.assign('/')
      await new Promise((done) => setTimeout(done, 500))
    }
    failure.value = 'The firm did not open again. See what the server says, and start it again.'
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    restoring.value = false
    chosen.value = null
  }
}
const some = (n: number, one: string, more = `${one}s`) => `${n} ${n === 1 ? one : more}`
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
      kept. Each of them is restored for a trial, and plans are compared. Copying the database file
      by hand is no backup: what was written last lies beside it.
    </p>
    <DamagedRows />
    <p class="acts">
      <button type="button" class="act main" :disabled="busy" @click="backUp">
        {{ busy ? 'Backing up…' : 'Back up now' }}
      </button>
      <span v-if="made" role="status">{{ made }}</span>
    </p>
    <p v-if="failure" class="trouble" role="alert">{{ failure }}</p>
    <div v-if="chosen" class="sure" role="alertdialog" aria-label="Restore this backup">
      <p>
        <b>Restore the backup of {{ showMoment(chosen.madeAt) }}?</b> Everything written since then
        leaves these pages. It is moved aside, not deleted, and nobody can work here for a moment.
      </p>
      <p class="acts">
        <button type="button" class="act main" :disabled="restoring" @click="restore">
          {{ restoring ? 'Restoring…' : 'Restore it' }}
        </button>
        <button type="button" class="act slight" :disabled="restoring" @click="chosen = null">
          Leave it
        </button>
      </p>
    </div>
    <p v-if="backups && backups.length === 0" class="soft">
      None yet. Make the first one, and keep a copy on another computer.
    </p>
    <table v-else-if="backups">
      <thead>
        <tr>
          <th>made</th>
          <th>how</th>
          <th class="n">size</th>
          <th>tried</th>
          <th></th>
          <th></th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in rows" :key="b.file">
          <td>
            {{ showMoment(b.madeAt) }}
            <p v-if="b.held" class="small held">
              still holds {{ some(b.held.jobs, 'erased customer') }},
              {{ goneBy(b.held.until) }}
            </p>
          </td>
          <td class="soft">{{ b.file.includes('-daily') ? 'of the day' : 'asked for' }}</td>
          <td class="n">{{ size(b.bytes) }}</td>
          <td class="small">
            <template v-if="trying === b.file">restoring it for a trial…</template>
            <template v-else-if="b.check">
              <b v-if="b.check.wrong.length" class="trouble"
                >not sound: {{ b.check.wrong.join(' ') }}</b
              >
              <template v-else
                >sound: {{ some(b.check.jobs, 'job') }}, {{ b.check.same }} planned alike</template
              >
            </template>
            <button
              v-else
              type="button"
              class="plain"
              :disabled="trying !== ''"
              @click="check(b.file)"
            >
              try it
            </button>
          </td>
          <td><a :href="`/api/backups/${b.file}`" download>download</a></td>
          <td>
            <button type="button" class="plain" @click="chosen = b">restore</button>
          </td>
          <td>
            <template v-if="b.file !== newest?.file">
              <button
                v-if="leaving !== b.file"
                type="button"
                class="plain"
                @click="leaving = b.file"
              >
                delete
              </button>
              <button v-else type="button" class="act slight" @click="remove(b.file)">
                Delete for good
              </button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-for="h in aside" :key="h.where" class="held">
      The folder {{ h.where }}, moved aside by a restore, still holds
      {{ some(h.jobs, 'erased customer') }}. Delete it once you are sure of what was restored.
    </p>
    <div class="restore">
      <h3>Restored from elsewhere</h3>
      <p>
        A backup that lies on another disk is restored by a command: stop Juvena and run it in its
        folder. The backup is checked first; what lies there now is moved aside, not deleted.
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
.sure {
  border-left: 5px solid var(--clay);
  background: var(--sheet);
  padding: 0.3rem 0.8rem 0.5rem;
}
.restore {
  grid-column: 2;
  grid-row: 1 / span 6;
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.6rem 0.9rem;
}
td:nth-child(2),
td.n {
  white-space: nowrap;
}
@media (max-width: 760px) {
  .backups {
    display: block;
  }
  .backups thead {
    display: none;
  }
  .backups tr {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
    border-bottom: 1px solid var(--rule);
    padding: 0.4rem 0;
  }
  .backups td {
    border: 0;
    padding: 0.1rem 0;
  }
  .backups td:first-child {
    flex-basis: 100%;
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
.held {
  color: var(--clay);
  margin: 0;
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
