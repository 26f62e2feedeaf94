import { zoneFigureId, type ZoneFigure } from '@juvena/core/walkover/zoneFigures'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import type { JobDraft, ZoneDraft } from '@juvena/core/entities/job'
import type { Problem } from '@juvena/core/entities/problem'
import type { JobPlan } from '@juvena/core/plan/jobPlan'
import { spine } from '@juvena/core/present/spine'
import type { Figure } from '@juvena/core/trace/figure'
import type { Stage } from '@juvena/core/rules/rule'
import { api, ApiError, Unreachable } from './api.ts'
import { useFirm } from './firm.ts'
import { useLeftDrafts } from './leftDrafts.ts'
import { useOutbox } from './outbox.ts'
import { useStock } from './stock.ts'
import { useHistory } from './history.ts'
import type { Way } from '@juvena/core/approach/ways'
import { planInWorker, waysInWorker } from './planner.ts'
import type { WeatherAtSite } from '@juvena/core/climate/weatherOn'
import { findUnsaved, forgetUnsaved, keepUnsaved } from './unsaved.ts'

interface Served {
  id: string
  revision: number
  name: string
  savedAt: string
  archivedAt: string | null
  draft: JobDraft
  diary: DiaryEntry[]
  today: string
}
type Theirs = Pick<Served, 'revision' | 'savedAt' | 'draft'>

const SAVE_AFTER = 600
const RETRY_AFTER = 3000

const NO_WEATHER: WeatherAtSite = { station: null, recent: [], outlook: null }
const knownWeather = ({ station, recent, outlook }: WeatherAtSite): WeatherAtSite => ({
  station,
  recent,
  outlook,
})

/**
 * The job being edited: its draft as typed, its plan kept by a worker, undo, saving, and what moved
 * since each stage was last looked at.
 */
export const useJob = defineStore('job', () => {
  const firm = useFirm()
  const stock = useStock()
  const outbox = useOutbox()
  const left = useLeftDrafts()
  const id = ref<string | null>(null)
  const draft = shallowRef<JobDraft | null>(null)
  const diary = shallowRef<DiaryEntry[]>([])
  const today = ref('')
  const revision = ref(0)
  const savedAt = ref('')
  const saving = ref<'saved' | 'waiting' | 'saving' | 'unreachable' | 'conflict' | 'refused'>(
    'saved',
  )
  const failure = ref('')
  const loadFailure = ref('')
  /**
   * Where the text of a job that cannot be read is exported from; empty where that is not what
   * failed.
   */
  const unreadable = ref<{ id: string; text: string } | null>(null)
  const conflict = shallowRef<Theirs | null>(null)
  const plan = shallowRef<JobPlan | null>(null)
  /** Ready-made ways by zone, worked after the plan. */
  const ways = shallowRef<Record<string, Way[]>>({})
  const problems = shallowRef<Problem[]>([])
  const weather = shallowRef<WeatherAtSite>(NO_WEATHER)
  const planFailure = ref('')
  const history = useHistory()
  const seen = shallowRef<Record<string, unknown>>({})

  async function open(job: string) {
    if (id.value === job && draft.value) return
    await leave()
    // What the job before still had to save does not concern this one: it lies in this browser, and
    // is sent from there.
    clearTimeout(timer)
    saving.value = 'saved'
    failure.value = ''
    sent = null
    id.value = job
    left.opened(job)
    draft.value = null
    plan.value = null
    ways.value = {}
    loadFailure.value = ''
    unreadable.value = null
    planFailure.value = ''
    history.clear()
    seen.value = {}
    conflict.value = null
    weather.value = NO_WEATHER
    try {
      // The first plan knows the weather already: else everything would look moved a moment later.
      const [served, at] = await Promise.all([
        api<Served>('GET', `/jobs/${encodeURIComponent(job)}`),
        api<WeatherAtSite>('GET', `/weather?job=${encodeURIComponent(job)}`).catch(
          () => NO_WEATHER,
        ),
        stock.load(),
        outbox.ready,
      ])
      if (id.value !== job) return
      weather.value = knownWeather(at)
      revision.value = served.revision
      savedAt.value = served.savedAt
      diary.value = outbox.withWaiting(job, served.diary)
      today.value = served.today
      const unsaved = await findUnsaved(job)
      if (id.value !== job) return
      draft.value = unsaved ? unsaved.draft : served.draft
      if (unsaved) {
        sent = unsaved.sent
        if (unsaved.sent !== JSON.stringify(served.draft)) revision.value = unsaved.revision
        if (JSON.stringify(unsaved.draft) === JSON.stringify(served.draft)) void forgetUnsaved(job)
        else later(0)
      }
      lookedFor = siteKey(draft.value)
    } catch (error) {
      if (id.value !== job) return
      loadFailure.value = (error as Error).message
      if (error instanceof ApiError && error.body.unreadable && error.body.export)
        unreadable.value = { id: job, text: error.body.export }
      id.value = null
      left.opened(null)
    }
  }

  const siteKey = (of: JobDraft | null) =>
    JSON.stringify([of?.site?.latitude, of?.site?.longitude, of?.site?.station])
  let lookedFor = ''
  /** Asks for the weather at the site again, when the site or its station has changed. */
  async function lookAtWeather(job: string) {
    lookedFor = siteKey(draft.value)
    const found = await api<WeatherAtSite>('GET', `/weather?job=${encodeURIComponent(job)}`).catch(
      () => null,
    )
    if (found && id.value === job) weather.value = knownWeather(found)
  }

  /**
   * Saves what is waiting before another job takes this one's place. What does not go now goes
   * later: it lies in this browser.
   */
  async function leave() {
    if (saving.value === 'waiting') await save()
    if (running) await running
  }

  /** Changes the draft. Edits to the same field within a moment are one step of undo. */
  function edit(field: string, change: (draft: JobDraft) => void) {
    if (draft.value) put(history.changed(draft.value, field, change))
  }
  function put(next: JobDraft) {
    if (next === draft.value) return
    draft.value = next
    if (id.value) void keepUnsaved(id.value, { revision: revision.value, draft: next, sent })
    if (saving.value !== 'conflict') later(SAVE_AFTER)
  }
  /** Puts another draft in place of this one, as one step of undo. */
  const replaceWith = (other: JobDraft) => draft.value && put(history.replaced(draft.value, other))
  const undo = () => draft.value && put(history.undone(draft.value))
  const redo = () => draft.value && put(history.redone(draft.value))

  let timer: ReturnType<typeof setTimeout> | undefined
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
      if (siteKey(held) !== lookedFor) void lookAtWeather(job)
    } else if (draft.value) {
      void keepUnsaved(job, { revision: revision.value, draft: draft.value, sent })
      later(SAVE_AFTER)
    }
  }
  let sent: string | null = null
  async function saveOnce() {
    const job = id.value
    const sending = draft.value
    if (!job || !sending) return
    const before = sent
    saving.value = 'saving'
    sent = JSON.stringify(sending)
    void keepUnsaved(job, { revision: revision.value, draft: sending, sent })
    try {
      const saved = await api<{ revision: number; savedAt: string }>(
        'PUT',
        `/jobs/${encodeURIComponent(job)}`,
        {
          revision: revision.value,
          draft: sending,
        },
      )
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

  async function write(entry: DiaryEntry) {
    if (!id.value) return
    const job = id.value
    diary.value = [...diary.value, entry]
    try {
      await outbox.write(job, entry)
    } catch (error) {
      if (id.value === job) diary.value = diary.value.filter((e) => e.id !== entry.id)
      throw error
    }
    if (entry.lots.length > 0 || entry.corrects) await stock.load()
  }

  // What the server has of the diary, with what still waits for it.
  watch(
    () => outbox.answered,
    (answer) => {
      if (answer && answer.job === id.value)
        diary.value = outbox.withWaiting(answer.job, answer.diary)
    },
  )

  let planning = false
  let again = false
  async function replan() {
    if (planning) {
      again = true
      return
    }
    planning = true
    try {
      do {
        again = false
        await planOnce()
      } while (again)
    } finally {
      planning = false
    }
  }
  /** A plan that cannot be worked out leaves the last one standing, and says so. */
  async function planOnce() {
    const job = id.value
    if (!draft.value) return
    try {
      const planned = await planInWorker(draft.value, {
        today: today.value,
        firm: firm.settings,
        diary: diary.value,
        stock: stock.forPlans,
        jobId: job ?? '',
        ...weather.value,
      })
      if (job !== id.value) return
      planFailure.value = ''
      problems.value = planned.problems
      if (!planned.plan) return
      const first = plan.value === null
      plan.value = planned.plan
      if (first) firstLook()
      else rememberNew()
      const found = await waysInWorker()
      if (job === id.value) ways.value = found
    } catch (error) {
      if (job === id.value) planFailure.value = (error as Error).message
    }
  }
  watch([draft, diary, weather, () => firm.settings, () => stock.forPlans], () => void replan())

  const derived = (f: Figure) => f.origin !== 'typed' && f.origin !== 'assumed'
  const same = (a: unknown, b: unknown) =>
    a === b ||
    (typeof a === 'number' && typeof b === 'number'
      ? Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a))
      : JSON.stringify(a) === JSON.stringify(b))
  /**
   * Stages looked at since the job was opened; a stage nobody has seen yet has nothing to have
   * moved from.
   */
  const looked = new Set<Stage>()
  const current = (stage: (s: Stage) => boolean) =>
    Object.fromEntries(
      Object.values(plan.value?.figures ?? {})
        .filter((f) => stage(f.stage))
        .map((f) => [f.id, f.value]),
    )
  function firstLook() {
    looked.clear()
    if ((draft.value?.zones ?? []).length > 0)
      for (const stage of [1, 2, 3, 4, 5, 6, 7, 8] as const) looked.add(stage)
    seen.value = current(() => true)
  }
  function rememberNew() {
    const fresh = Object.values(plan.value?.figures ?? {}).filter((f) => !(f.id in seen.value))
    seen.value = {
      ...seen.value,
      ...current((stage) => !looked.has(stage)),
      ...Object.fromEntries(fresh.map((f) => [f.id, f.value])),
    }
  }
  /** From now on this stage's figures count as looked at. */
  function lookedAt(stage: Stage) {
    looked.add(stage)
    seen.value = { ...seen.value, ...current((s) => s === stage) }
  }
  /** Worked figures that differ from when their stage was last looked at, with the old value. */
  const moved = computed(() => {
    const map = new Map<string, unknown>()
    for (const f of Object.values(plan.value?.figures ?? {}))
      if (derived(f) && f.id in seen.value && !same(seen.value[f.id], f.value))
        map.set(f.id, seen.value[f.id])
    return map
  })
  const movedIn = (stage: Stage) =>
    [...moved.value.keys()].filter((key) => plan.value?.figures[key]?.stage === stage).length

  const bands = computed(() => (plan.value ? spine(plan.value, problems.value) : []))
  const figure = (figureId: string | null | undefined): Figure | null =>
    figureId ? (plan.value?.figures[figureId] ?? null) : null
  /** The figure of a rule or a reading in a zone. */
  const ofZone = (zone: string | null | undefined, of: ZoneFigure): Figure | null =>
    zone ? figure(zoneFigureId(zone, of)) : null
  const problemAt = (path: string) => problems.value.find((p) => p.path === path)?.sentence ?? ''
  const zones = computed<ZoneDraft[]>(() => draft.value?.zones ?? [])

  return {
    id,
    draft,
    diary,
    today,
    revision,
    savedAt,
    saving,
    failure,
    loadFailure,
    unreadable,
    conflict,
    plan,
    ways,
    problems,
    weather,
    planFailure,
    replan,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    bands,
    moved,
    zones,
    open,
    leave,
    edit,
    replaceWith,
    undo,
    redo,
    settle,
    write,
    lookedAt,
    movedIn,
    figure,
    ofZone,
    problemAt,
    save,
  }
})
