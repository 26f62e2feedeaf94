import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import { defaultFirm, firmSchema, type Firm, type FirmDraft } from '@juvena/core/entities/firm'
import { pathText, type Problem } from '@juvena/core/entities/problem'
import type { UnitSystem } from '@juvena/core/quantities/quantity'
import { forHand, show, shown, toldForHand, withDoubt, type FigureValue, type Unit } from '@juvena/core/quantities/show'
import { grassTable } from '@juvena/core/reference/firmGrasses'
import type { GrassId } from '@juvena/core/reference/grasses'
import { render } from '@juvena/core/present/render'
import type { Shares } from '@juvena/core/seed/mix'
import type { Message } from '@juvena/core/trace/message'
import { api, ApiError } from './api.ts'

/** The firm's settings, and how this page shows things: units, words, theme. */
export const useFirm = defineStore('firm', () => {
  const draft = shallowRef<FirmDraft>({})
  const revision = ref(0)
  const today = ref('')
  const demo = ref(false)
  const ready = ref(false)
  const failure = ref('')
  const saving = ref<'saved' | 'saving' | 'failed'>('saved')

  const read = computed(() => {
    const parsed = firmSchema.safeParse(draft.value)
    if (parsed.success) return { settings: parsed.data, problems: [] as Problem[] }
    const kept = { ...draft.value } as Record<string, unknown>
    for (const issue of parsed.error.issues) delete kept[String(issue.path[0])]
    const again = firmSchema.safeParse(kept)
    return {
      settings: again.success ? again.data : defaultFirm(),
      problems: parsed.error.issues.map((i) => ({ path: pathText(i.path), sentence: i.message })),
    }
  })
  const settings = computed<Firm>(() => read.value.settings)
  const problems = computed(() => read.value.problems)

  /** The firm's grasses; one that is not in the table goes by its id. */
  const grasses = computed(() => grassTable(settings.value.grasses))
  const grassName = (id: GrassId) => grasses.value[id]?.name ?? id
  const grassShort = (id: GrassId) => grasses.value[id]?.short ?? id

  /** Grasses that are sown from seed. */
  const sownGrasses = computed(() => Object.values(grasses.value).filter((g) => g.newRate !== null))
  /** "rye 80 · red fescue 20". */
  const mixText = (parts: readonly Shares[]) => parts.map((p) => `${grassShort(p.grass)} ${Math.round(p.share)}`).join(' · ')

  const ownUnits = ref<UnitSystem | null>(null)
  const units = computed<UnitSystem>(() => ownUnits.value ?? settings.value.units)
  const toggleUnits = () => (ownUnits.value = units.value === 'metric' ? 'us' : 'metric')

  const field = ref(localStorage.getItem('juvena.field') === '1')
  watch(
    field,
    (on) => {
      document.documentElement.dataset.theme = on ? 'field' : 'paper'
      localStorage.setItem('juvena.field', on ? '1' : '0')
    },
    { immediate: true },
  )

  const reader = computed(() => ({ units: units.value, dialect: settings.value.dialect }))
  /** A message of the core in this firm's units and words. */
  const say = (message: Message) => render(message, reader.value)
  const showValue = (value: FigureValue | null | undefined, unit: Unit) => show(value, unit, units.value)
  /** As somebody does it: rounded for the hand. */
  const showForHand = (value: FigureValue | null | undefined, unit: Unit) => forHand(value, unit, units.value)
  const hand = (value: FigureValue | null | undefined, unit: Unit) => toldForHand(value, unit, units.value)
  const doubt = (value: number, by: number, unit: Unit) => withDoubt(value, by, unit, units.value)
  const text = (value: FigureValue | null | undefined, unit: Unit) => shown(value, unit, units.value)
  const day = (iso: string | null | undefined) => (iso ? showDay(iso) : '—')

  async function load() {
    try {
      const [stored, now] = await Promise.all([
        api<{ revision: number; draft: FirmDraft }>('GET', '/firm'),
        api<{ today: string; demo: boolean }>('GET', '/today'),
      ])
      draft.value = stored.draft
      kept.value = stored.draft
      revision.value = stored.revision
      today.value = now.today
      demo.value = now.demo
      failure.value = ''
      ready.value = true
    } catch (error) {
      failure.value = (error as Error).message
      setTimeout(() => void load(), 3000)
    }
  }

  /** The settings as they were saved last. */
  const kept = shallowRef<FirmDraft>({})
  /** A draft in which what cannot be read stands as it was saved last: one wrong field holds up no other. */
  function sound(typed: FirmDraft): FirmDraft {
    const fields = { ...typed } as Record<string, unknown>
    for (const path of problems.value.map((p) => p.path.split(/[.[]/)[0]!)) {
      const before = (kept.value as Record<string, unknown>)[path]
      if (before === undefined) delete fields[path]
      else fields[path] = before
    }
    return fields
  }
  let timer: ReturnType<typeof setTimeout> | undefined
  /** A change was made that no save has taken yet. */
  let waiting = false
  function change(patch: Partial<FirmDraft>) {
    draft.value = { ...draft.value, ...patch }
    if (patch.units) ownUnits.value = null
    clearTimeout(timer)
    saving.value = 'saving'
    waiting = true
    timer = setTimeout(() => void save(), 400)
  }
  let running: Promise<void> | null = null
  /** One save at a time, each on the revision the one before it made. */
  async function save(): Promise<void> {
    await running
    running = saveOnce().finally(() => (running = null))
    await running
  }
  async function saveOnce() {
    waiting = false
    try {
      const sent = sound(draft.value)
      const stored = await api<{ revision: number }>('PUT', '/firm', { revision: revision.value, firm: sent })
      kept.value = sent
      revision.value = stored.revision
      saving.value = waiting ? 'saving' : 'saved'
      failure.value = ''
    } catch (error) {
      saving.value = 'failed'
      failure.value = error instanceof ApiError ? error.message : (error as Error).message
    }
  }

  return {
    draft,
    revision,
    settings,
    problems,
    today,
    demo,
    ready,
    failure,
    saving,
    grasses,
    grassName,
    grassShort,
    sownGrasses,
    mixText,
    units,
    toggleUnits,
    field,
    reader,
    say,
    show: showValue,
    showForHand,
    hand,
    doubt,
    text,
    day,
    load,
    change,
  }
})
