import type { Answer } from '../../../contract/answers.ts'
import { ref, shallowRef, type Ref } from 'vue'
import type { JobDraft } from '@juvena/core/entities/job'
import { api, ApiError, Unreachable } from './api.ts'
import type { useHistory } from './history.ts'
import { forgetUnsaved, keepUnsaved, type Unsaved } from './unsaved.ts'

/** The version that another window saved. */
export type Theirs = Pick<Answer<'fullJob'>, 'revision' | 'savedAt' | 'draft'>

/** After the last edit, before it is sent; and between tries, ms. */
const SAVE_AFTER = 600
const RETRY_AFTER = 3000

interface Open {
  id: Ref<string | null>
  draft: Ref<JobDraft | null>
  history: ReturnType<typeof useHistory>
  whenSaved: (job: string, held: JobDraft) => void
}

/**
 * Saving of the job that is open: each edit goes to the server a moment later, on the revision it
 * began from; until it has answered, it lies in this browser too. What another window saved
 * meanwhile is a conflict that a person settles.
 */
export function useSaving({ id, draft, history, whenSaved }: Open) {
  const revision = ref(0)
  const savedAt = ref('')
  const saving = ref<'saved' | 'waiting' | 'saving' | 'unreachable' | 'conflict' | 'refused'>(
    'saved',
  )
  const failure = ref('')
  const conflict = shallowRef<Theirs | null>(null)
  /** The draft sent last, as text, until the server has answered for it. */
  let sent: string | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  /**
   * Another job is opened: what the one before still had to save does not concern it. It lies in
   * this browser, and is sent from there.
   */
  function forget() {
    clearTimeout(timer)
    saving.value = 'saved'
    failure.value = ''
    conflict.value = null
    sent = null
  }
  /** Begins from what the server holds, and from what this browser still had of it. */
  function begin(job: string, served: Theirs, unsaved: Unsaved | null) {
    revision.value = served.revision
    savedAt.value = served.savedAt
    if (!unsaved) return
    const held = JSON.stringify(served.draft)
    sent = unsaved.sent
    if (unsaved.sent !== held) revision.value = unsaved.revision
    if (JSON.stringify(unsaved.draft) === held) void forgetUnsaved(job)
    else later(0)
  }
  /** The draft was edited: it lies in this browser at once, and is sent a moment later. */
  function edited(job: string, next: JobDraft) {
    void keepUnsaved(job, { revision: revision.value, draft: next, sent })
    if (saving.value !== 'conflict') later(SAVE_AFTER)
  }
  /**
   * Saves what is waiting before another job takes this one's place. What does not go now goes
   * later: it lies in this browser.
   */
  async function leave() {
    if (saving.value === 'waiting') await save()
    if (running) await running
  }

  function later(delay: number) {
    clearTimeout(timer)
    saving.value = 'waiting'
    timer = setTimeout(() => void save(), delay)
  }
  let running: Promise<void> | null = null
  function save(): Promise<void> {
    clearTimeout(timer)
    return (running ??= saveOnce().finally(() => (running = null)))
  }
  /** The server holds `held` now; what was typed meanwhile goes next. */
  function settled(job: string, held: JobDraft) {
    sent = null
    if (draft.value === held) {
      void forgetUnsaved(job)
      saving.value = 'saved'
      whenSaved(job, held)
    } else if (draft.value) {
      void keepUnsaved(job, { revision: revision.value, draft: draft.value, sent })
      later(SAVE_AFTER)
    }
  }
  async function saveOnce() {
    const job = id.value
    const sending = draft.value
    if (!job || !sending) return
    const before = sent
    saving.value = 'saving'
    sent = JSON.stringify(sending)
    void keepUnsaved(job, { revision: revision.value, draft: sending, sent })
    try {
      const saved = await api<Answer<'saved'>>('PUT', `/jobs/${encodeURIComponent(job)}`, {
        revision: revision.value,
        draft: sending,
      })
      if (id.value !== job) return
      revision.value = saved.revision
      savedAt.value = saved.savedAt
      failure.value = ''
      settled(job, sending)
    } catch (error) {
      if (id.value !== job) return
      failure.value = (error as Error).message
      if (error instanceof ApiError && error.status === 409) {
        const theirs = error.body.theirs as Theirs | undefined
        if (!theirs) saving.value = 'refused'
        else if (JSON.stringify(theirs.draft) === before) {
          // An earlier save of this window had arrived after all; only its answer was lost.
          revision.value = theirs.revision
          later(0)
        } else {
          conflict.value = theirs
          saving.value = 'conflict'
        }
      } else if (
        error instanceof Unreachable ||
        (error instanceof ApiError && error.status >= 500)
      ) {
        saving.value = 'unreachable'
        timer = setTimeout(() => void save(), RETRY_AFTER)
      } else saving.value = 'refused'
    }
  }

  /**
   * Settles a conflict. Whichever is not kept here becomes a job of its own, so nothing is lost.
   */
  async function settle(keep: 'mine' | 'theirs') {
    const theirs = conflict.value
    const mine = draft.value
    if (!theirs || !mine || !id.value) return
    const other = keep === 'mine' ? theirs.draft : mine
    const copy = { ...other, name: `${other.name ?? ''} (other version)`.slice(0, 120) }
    await api('POST', `/jobs/${encodeURIComponent(id.value)}/copy`, {
      revision: theirs.revision,
      draft: copy,
    })
    conflict.value = null
    revision.value = theirs.revision
    if (keep === 'theirs') {
      void forgetUnsaved(id.value)
      draft.value = history.replaced(mine, theirs.draft)
      saving.value = 'saved'
      failure.value = ''
    } else later(0)
  }

  return {
    revision,
    savedAt,
    saving,
    failure,
    conflict,
    forget,
    begin,
    edited,
    leave,
    save,
    settle,
  }
}
