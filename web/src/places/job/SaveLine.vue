<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElDialog } from 'element-plus'
import { useJob } from '../../stores/job.ts'

/** Whether what was typed is safe, and the choice when another window saved first. */
const job = useJob()
const busy = ref(false)
const WORDS = {
  saved: 'saved',
  waiting: 'saving…',
  saving: 'saving…',
  unreachable: 'kept here, no server',
  conflict: 'saved elsewhere',
  refused: 'not saved',
}
const time = computed(() =>
  job.conflict
    ? new Date(job.conflict.savedAt).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
    : '',
)
async function settle(keep: 'mine' | 'theirs') {
  busy.value = true
  await job.settle(keep).catch((error: Error) => (job.failure = error.message))
  busy.value = false
}
</script>

<template>
  <span class="save small" :class="job.saving" role="status" :title="job.failure">{{
    WORDS[job.saving]
  }}</span>
  <p v-if="job.saving === 'unreachable' || job.saving === 'refused'" class="bar" role="alert">
    {{ job.failure }}
  </p>
  <ElDialog
    append-to="#above"
    class="conflict-dialog"
    :model-value="job.saving === 'conflict'"
    title="This job was saved in another window"
    width="min(34rem, 94vw)"
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
  >
    <p>
      Version {{ job.conflict?.revision }} was saved there at {{ time }}. What you have here began
      from version {{ job.revision }}. Nothing was overwritten; whichever you do not go on with is
      kept as a job of its own, “(other version)”.
    </p>
    <p class="choices">
      <button type="button" class="act main" :disabled="busy" @click="settle('mine')">
        Go on with mine, version {{ job.revision }}
      </button>
      <button type="button" class="act" :disabled="busy" @click="settle('theirs')">
        Go on with theirs, version {{ job.conflict?.revision }}
      </button>
    </p>
  </ElDialog>
</template>

<style scoped>
.save {
  color: var(--soft);
  min-width: 3.5rem;
  text-align: right;
}
@media (max-width: 640px) {
  .save {
    min-width: 0;
  }
}
.save.unreachable,
.save.refused,
.save.conflict {
  color: var(--hold);
  font-weight: 700;
}
.bar {
  position: fixed;
  inset: auto 0 0 0;
  z-index: 15;
  background: var(--hold-wash);
  color: var(--hold);
  padding: 0.4rem 1.25rem;
  border-top: 2px solid var(--hold);
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  margin-top: 1rem;
}
</style>
