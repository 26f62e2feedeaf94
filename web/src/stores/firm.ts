import { showMoney, THOUSANDTHS } from '@juvena/core/quantities/money'
import type { Answer } from '../../../contract/answers.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { addDays, daysBetween, laterDay, showDay } from '@juvena/core/calendar/day'
import { keptSince } from '../offline/signal.ts'
import { localDay } from '../parts/moment.ts'
import {
  currencyOf,
  defaultFirm,
  firmSchema,
  type Firm,
  type FirmDraft,
} from '@juvena/core/entities/firm'
import { pathText, type Problem } from '@juvena/core/entities/problem'
import type { UnitSystem } from '@juvena/core/quantities/quantity'
import {
  forHand,
  show,
  shown,
  toldForHand,
  withDoubt,
  type FigureValue,
  type Unit,
} from '@juvena/core/quantities/show'
import { grassTable } from '@juvena/core/firm/firmGrasses'
import type { GrassId } from '@juvena/core/reference/grasses'
import { render } from '@juvena/core/present/render'
import type { Shares } from '@juvena/core/seed/mix'
import type { Message } from '@juvena/core/rules/message'
import { api, ApiError, Unreachable } from './api.ts'
import { findTyped, forgetTyped, keepTyped, layTyped, type TypedSetting } from './typedSettings.ts'

type StoredFirm = Answer<'firm'>
/**
 * After the last change, before it is sent; and between tries while the server does not answer, ms.
 */
const SAVE_AFTER = 400
const TRY_AGAIN = 15_000

const DAYS_AHEAD = 'juvena.daysAhead'
/**
 * The day as the server tells it; without signal, this device's own day, as far ahead of the
 * server's as it was when they last spoke.
 */
function dayHere(told: string): string {
  const own = localDay(new Date())
  if (keptSince.value === null) {
    localStorage.setItem(DAYS_AHEAD, String(daysBetween(own, told)))
    return told
  }
  const ahead = Number(localStorage.getItem(DAYS_AHEAD))
  return laterDay(told, addDays(own, ahead))
}

/** The firm's settings, and how this page shows things: units, words, theme. */
export const useFirm = defineStore('firm', () => {
  const draft = shallowRef<FirmDraft>({})
  const revision = ref(0)
  const today = ref('')
  const demo = ref(false)
  /** Other computers can reach this server, without a sign-in. */
  const open = ref(false)
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
  const mixText = (parts: readonly Shares[]) =>
    parts.map((p) => `${grassShort(p.grass)} ${Math.round(p.share)}`).join(' · ')

  /** How the firm's money is written. */
  const currency = computed(() => currencyOf(settings.value))
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

  const reader = computed(() => ({
    units: units.value,
    dialect: settings.value.dialect,
    currency: currency.value,
  }))
  /** A message of the core in this firm's units and words. */
  const say = (message: Message) => render(message, reader.value)
  const showValue = (value: FigureValue | null | undefined, unit: Unit) =>
    show(value, unit, units.value, currency.value)
  /** As somebody does it: rounded for the hand. */
  const showForHand = (value: FigureValue | null | undefined, unit: Unit) =>
    forHand(value, unit, units.value, currency.value)
  const hand = (value: FigureValue | null | undefined, unit: Unit) =>
    toldForHand(value, unit, units.value, currency.value)
  const doubt = (value: number, by: number, unit: Unit) => withDoubt(value, by, unit, units.value)
  const text = (value: FigureValue | null | undefined, unit: Unit) =>
    shown(value, unit, units.value, currency.value)
  /** Money without its coins, for sums that are read side by side. */
  const wholeMoney = (thousandths: number) =>
    showMoney(THOUSANDTHS * Math.round(thousandths / THOUSANDTHS), {
      ...currency.value,
      decimals: 0,
    })
  /** What is weighed out: pans to what the scale shows, anything else rounded for the hand. */
  const weighed = (value: FigureValue, unit: Unit, pans: number) =>
    pans > 1 ? `${pans} × ${text(value, unit)}` : hand(value, unit)
  const day = (iso: string | null | undefined) => (iso ? showDay(iso) : '—')

  async function load() {
    try {
      const [stored, now] = await Promise.all([
        api<Answer<'firm'>>('GET', '/firm'),
        api<Answer<'today'>>('GET', '/today'),
      ])
      failure.value = layOver(stored)
      today.value = dayHere(now.today)
      demo.value = now.demo
      open.value = now.open
      ready.value = true
      if (typed.size > 0) void save()
    } catch (error) {
      failure.value = (error as Error).message
      setTimeout(() => void load(), 3000)
    }
  }

  /** The settings as they were saved last. */
  const kept = shallowRef<FirmDraft>({})
  /**
   * What was typed and not yet saved, by field; it is in this browser too, so that leaving the page
   * loses nothing.
   */
  let typed = findTyped()
  function note(field: string, setting: TypedSetting) {
    typed.set(field, setting)
    keepTyped(field, setting)
  }
  function letGo(field: string) {
    typed.delete(field)
    forgetTyped(field)
  }
  /**
   * Takes what the server holds, with what is typed here over it. Answers what is to be said of
   * fields that another window changed too.
   */
  function layOver(stored: StoredFirm): string {
    const laid = layTyped(stored.draft, typed)
    for (const field of typed.keys()) if (!laid.wanted.has(field)) forgetTyped(field)
    typed = laid.wanted
    draft.value = laid.draft
    kept.value = stored.draft
    revision.value = stored.revision
    return laid.lost.length > 0
      ? `Changed in another window meanwhile, and left as it stands there: ${laid.lost.join(', ')}. Type it again if yours is right.`
      : ''
  }
  const wrongFields = () => problems.value.map((p) => p.path.split(/[.[]/)[0]!)
  /**
   * The draft, in which what cannot be read stands as it was saved last: one wrong field holds up
   * no other.
   */
  function sound(): FirmDraft {
    const fields = { ...draft.value } as Record<string, unknown>
    for (const field of wrongFields()) {
      const before = (kept.value as Record<string, unknown>)[field]
      if (before === undefined) delete fields[field]
      else fields[field] = before
    }
    return fields
  }
  let timer: ReturnType<typeof setTimeout> | undefined
  function change(patch: Partial<FirmDraft>) {
    for (const [field, value] of Object.entries(patch))
      note(field, {
        value,
        expected: typed.get(field)?.expected ?? [(kept.value as Record<string, unknown>)[field]],
      })
    draft.value = { ...draft.value, ...patch }
    if (patch.units) ownUnits.value = null
    saving.value = 'saving'
    saveIn(SAVE_AFTER)
  }
  function saveIn(wait: number) {
    clearTimeout(timer)
    timer = setTimeout(() => void save(), wait)
  }
  let running: Promise<void> | null = null
  /** One save at a time, each on the revision the one before it made. */
  async function save(): Promise<void> {
    await running
    running = saveTyped().finally(() => (running = null))
    await running
  }
  async function saveTyped(again = false): Promise<void> {
    const wrong = new Set(wrongFields())
    const going = new Map([...typed].filter(([field]) => !wrong.has(field)))
    for (const [field, t] of going)
      note(field, { value: t.value, expected: [...t.expected, t.value] })
    const sent = sound()
    try {
      const stored = await api<Answer<'firm'>>('PUT', '/firm', {
        revision: revision.value,
        firm: sent,
      })
      kept.value = sent
      revision.value = stored.revision
      for (const [field, { value }] of going) if (typed.get(field)?.value === value) letGo(field)
      saving.value = [...typed.keys()].some((field) => !wrong.has(field)) ? 'saving' : 'saved'
      failure.value = ''
    } catch (error) {
      if (error instanceof ApiError && error.status === 409 && !again) return saveOver()
      saving.value = 'failed'
      failure.value = (error as Error).message
      if (error instanceof Unreachable || (error instanceof ApiError && error.status >= 500))
        saveIn(TRY_AGAIN)
    }
  }
  /**
   * Another window saved first: what was typed here goes on top of that, but for fields which that
   * window changed too.
   */
  async function saveOver() {
    try {
      const told = layOver(await api<Answer<'firm'>>('GET', '/firm'))
      if (typed.size > 0) await saveTyped(true)
      if (told) [saving.value, failure.value] = ['failed', told]
      else if (typed.size === 0) saving.value = 'saved'
    } catch {
      saving.value = 'failed'
      saveIn(TRY_AGAIN)
    }
  }

  return {
    currency,
    wholeMoney,
    draft,
    revision,
    settings,
    problems,
    today,
    demo,
    open,
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
    weighed,
    day,
    load,
    change,
  }
})
