import type { Answer } from '../../../contract/answers.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { parseDay } from '@juvena/core/calendar/day'
import type { WeatherAtSite } from '@juvena/core/climate/weatherOn'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import type { JobDraft, ZoneDraft } from '@juvena/core/entities/job'
import { spine } from '@juvena/core/present/spine'
import type { Figure } from '@juvena/core/trace/figure'
import { zoneFigureId, type ZoneFigure } from '@juvena/core/walkover/zoneFigures'
import { api, ApiError } from './api.ts'
import { useFirm } from './firm.ts'
import { useHistory } from './history.ts'
import { useLeftDrafts } from './leftDrafts.ts'
import { useOutbox } from './outbox.ts'
import { usePlanning } from './planning.ts'
import { useSaving } from './saving.ts'
import { useStock } from './stock.ts'
import { findUnsaved } from './unsaved.ts'

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
  const loadFailure = ref('')
  /**
   * Where the text of a job that cannot be read is exported from; empty where that is not what
   * failed.
   */
  const unreadable = ref<{ id: string; text: string } | null>(null)
  const weather = shallowRef<WeatherAtSite>(NO_WEATHER)
  const history = useHistory()
  const saving = useSaving({
    id,
    draft,
    history,
    whenSaved: (job, held) => {
      if (siteKey(held) !== lookedFor) void lookAtWeather(job)
    },
  })
  /** The draft that is open and what it is planned with; null while none is. */
  const asked = () =>
    draft.value
      ? {
          draft: draft.value,
          with: {
            today: today.value,
            firm: firm.settings,
            diary: diary.value,
            stock: stock.forPlans,
            jobId: id.value ?? '',
            ...weather.value,
          },
        }
      : null
  const planning = usePlanning(asked)
  const { plan, problems, marks } = planning

  async function open(job: string) {
    if (id.value === job && draft.value) return
    await saving.leave()
    saving.forget()
    id.value = job
    left.opened(job)
    draft.value = null
    planning.forget()
    loadFailure.value = ''
    unreadable.value = null
    history.clear()
    weather.value = NO_WEATHER
    try {
      // The first plan knows the weather already: else everything would look moved a moment later.
      const [served, at] = await Promise.all([
        api<Answer<'fullJob'>>('GET', `/jobs/${encodeURIComponent(job)}`),
        api<Answer<'weather'>>('GET', `/weather?job=${encodeURIComponent(job)}`).catch(
          () => NO_WEATHER,
        ),
        stock.load(),
        outbox.ready,
      ])
      if (id.value !== job) return
      weather.value = knownWeather(at)
      diary.value = outbox.withWaiting(job, served.diary)
      today.value = served.today
      const unsaved = await findUnsaved(job)
      if (id.value !== job) return
      draft.value = unsaved ? unsaved.draft : served.draft
      saving.begin(job, served, unsaved)
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
    const found = await api<Answer<'weather'>>(
      'GET',
      `/weather?job=${encodeURIComponent(job)}`,
    ).catch(() => null)
    if (found && id.value === job) weather.value = knownWeather(found)
  }

  /** Changes the draft. Edits to the same field within a moment are one step of undo. */
  function edit(field: string, change: (draft: JobDraft) => void) {
    if (draft.value) put(history.changed(draft.value, field, change))
  }
  function put(next: JobDraft) {
    if (next === draft.value) return
    draft.value = next
    if (id.value) saving.edited(id.value, next)
  }
  /** Puts another draft in place of this one, as one step of undo. */
  const replaceWith = (other: JobDraft) => draft.value && put(history.replaced(draft.value, other))
  const undo = () => draft.value && put(history.undone(draft.value))
  const redo = () => draft.value && put(history.redone(draft.value))

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

  watch(
    [draft, diary, weather, () => firm.settings, () => stock.forPlans],
    () => void planning.replan(),
  )

  const bands = computed(() => (plan.value ? spine(plan.value, problems.value) : []))
  const figure = (figureId: string | null | undefined): Figure | null =>
    figureId ? (plan.value?.figures[figureId] ?? null) : null
  /** The figure of a rule or a reading in a zone. */
  const ofZone = (zone: string | null | undefined, of: ZoneFigure): Figure | null =>
    zone ? figure(zoneFigureId(zone, of)) : null
  const problemAt = (path: string) => problems.value.find((p) => p.path === path)?.sentence ?? ''
  /** The day it must look right by, as typed; null where none is, or it cannot be read. */
  const customerDay = computed(() => {
    const typed = draft.value?.customerDate
    const read = typed ? parseDay(typed, today.value) : null
    return read?.ok ? read.value : null
  })
  const zones = computed<ZoneDraft[]>(() => draft.value?.zones ?? [])

  return {
    id,
    draft,
    diary,
    today,
    revision: saving.revision,
    savedAt: saving.savedAt,
    saving: saving.saving,
    failure: saving.failure,
    loadFailure,
    unreadable,
    conflict: saving.conflict,
    asked,
    plan,
    ways: planning.ways,
    problems,
    weather,
    planFailure: planning.failure,
    replan: planning.replan,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    bands,
    moved: marks.moved,
    zones,
    customerDay,
    open,
    leave: saving.leave,
    edit,
    replaceWith,
    undo,
    redo,
    settle: saving.settle,
    write,
    lookedAt: marks.lookedAt,
    movedIn: marks.movedIn,
    figure,
    ofZone,
    problemAt,
    save: saving.save,
  }
})
