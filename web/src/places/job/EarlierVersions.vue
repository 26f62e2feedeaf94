<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { ElDialog } from 'element-plus'
import { computed, ref, shallowRef, watch } from 'vue'
import type { JobDraft } from '@juvena/core/entities/job'
import { draftDifferences } from '@juvena/core/present/draftDifferences'
import { showMoment } from '../../parts/moment.ts'
import { api } from '../../stores/api.ts'
import { useJob } from '../../stores/job.ts'

/** The saves of the open job: when, from what, what differs from now, and a way back. */
const props = defineProps<{ modelValue: boolean }>()
const emit = defineEmits<{ 'update:modelValue': [open: boolean] }>()
type Revision = Answer<'revisions'>['revisions'][number]
const job = useJob()
const revisions = shallowRef<Revision[] | null>(null)
const chosen = shallowRef<{ revision: Revision; draft: JobDraft } | null>(null)
const failure = ref('')

watch(
  () => props.modelValue,
  async (open) => {
    if (!open || !job.id) return
    ;[revisions.value, chosen.value, failure.value] = [null, null, '']
    try {
      revisions.value = (
        await api<Answer<'revisions'>>('GET', `/jobs/${encodeURIComponent(job.id)}/revisions`)
      ).revisions
    } catch (error) {
      failure.value = (error as Error).message
    }
  },
  { immediate: true },
)
async function look(revision: Revision) {
  if (!job.id) return
  try {
    const { draft } = await api<Answer<'revision'>>(
      'GET',
      `/jobs/${encodeURIComponent(job.id)}/revisions/${revision.revision}`,
    )
    chosen.value = { revision, draft }
    failure.value = ''
  } catch (error) {
    failure.value = (error as Error).message
  }
}
const differences = computed(() =>
  chosen.value && job.draft ? draftDifferences(chosen.value.draft, job.draft) : [],
)
function bringBack() {
  if (!chosen.value) return
  job.replaceWith(chosen.value.draft)
  emit('update:modelValue', false)
}
const when = ({ savedAt }: Revision) => showMoment(savedAt) ?? 'before histories were kept'
</script>

<template>
  <ElDialog
    append-to="#above"
    class="versions-dialog"
    :model-value="modelValue"
    title="Earlier versions"
    width="min(52rem, 96vw)"
    @update:model-value="emit('update:modelValue', $event)"
  >
    <p v-if="failure" class="trouble" role="alert">{{ failure }}</p>
    <p class="small soft">
      Every save of the last minutes is kept; older ones are thinned: one in ten minutes, then one
      in three hours, one a day, one a month.
    </p>
    <div v-if="revisions" class="versions">
      <ol>
        <li v-for="r in revisions" :key="r.revision">
          <button
            type="button"
            :aria-pressed="chosen?.revision.revision === r.revision"
            @click="look(r)"
          >
            <b>{{ when(r) }}</b>
            <span class="small soft"
              >version {{ r.revision }}{{ r.device ? `, ${r.device}` : '' }}</span
            >
          </button>
        </li>
      </ol>
      <div class="differs" aria-live="polite">
        <p v-if="!chosen" class="soft">Choose a version to see how it differs from now.</p>
        <template v-else>
          <p>
            <b>{{
              differences.length === 0
                ? 'The same as now.'
                : `Since version ${chosen.revision.revision}:`
            }}</b>
          </p>
          <ul>
            <li v-for="(d, i) in differences.slice(0, 60)" :key="i">
              {{ d.zone ? `${d.zone}: ` : '' }}{{ d.what }}
              <span v-if="d.before || d.after"
                ><s class="soft">{{ d.before || 'blank' }}</s> {{ d.after || 'blank' }}</span
              >
            </li>
            <li v-if="differences.length > 60" class="soft">
              and {{ differences.length - 60 }} more
            </li>
          </ul>
          <button v-if="differences.length > 0" type="button" class="act main" @click="bringBack">
            Restore this version
          </button>
        </template>
      </div>
    </div>
    <p v-else-if="!failure" class="soft">Loading…</p>
  </ElDialog>
</template>

<style scoped>
.versions {
  display: grid;
  grid-template-columns: minmax(13rem, 0.8fr) 1fr;
  gap: 1.2rem;
  max-height: 60vh;
}
ol,
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
ol,
.differs {
  overflow-y: auto;
}
ol button {
  display: block;
  width: 100%;
  text-align: left;
  padding: 0.35rem 0.5rem;
  border: 0;
  border-left: 4px solid transparent;
  border-bottom: 1px solid var(--rule);
  background: none;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
ol button[aria-pressed='true'] {
  border-left-color: var(--ink);
  background: var(--paper);
}
.differs li {
  padding: 0.2rem 0;
  border-bottom: 1px solid var(--rule);
}
.differs .act {
  margin-top: 0.7rem;
}
.trouble {
  color: var(--hold);
}
@media (max-width: 640px) {
  .versions {
    grid-template-columns: 1fr;
    max-height: none;
  }
  ol {
    max-height: 30vh;
  }
}
</style>
