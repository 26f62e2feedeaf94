import { sowingWeeks } from '@juvena/core/present/sowingWeeks'
import { proxy, wrap, type Remote } from 'comlink'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { CastLight, Raster, Surveyor } from '../workers/survey.worker.ts'
import { useJob } from './job.ts'
import { plain } from './plain.ts'

let surveyor: Remote<Surveyor> | null = null
const theSurveyor = () =>
  (surveyor ??= wrap<Surveyor>(
    new Worker(new URL('../workers/survey.worker.ts', import.meta.url), { type: 'module' }),
  ))

const CAST_AFTER = 350

/**
 * The slow pictures of the survey, kept beside the plan: light and levels as rasters, worked in a
 * worker, each for the draft it was asked of.
 */
export const useSurvey = defineStore('survey', () => {
  const job = useJob()
  const wanted = ref<'none' | 'light' | 'levels'>('none')
  const light = shallowRef<CastLight | null>(null)
  /** Share done, 0 to 1, while a map is being cast. */
  const casting = ref<number | null>(null)
  const failure = ref('')
  const whatIf = ref(false)
  /** The growing weeks of the plan, the weeks from sowing to the first mow, or a month, 0 to 11. */
  const period = ref<'season' | 'sowing' | number>('season')
  const months = shallowRef<Record<string, number[]>>({})
  const sowingSun = shallowRef<Record<string, number>>({})
  const levels = shallowRef<Raster[]>([])
  const stopped = ref(false)

  const year = computed(() => Number(job.today.slice(0, 4)) || 2027)
  const sowing = computed(() => (job.plan ? sowingWeeks(job.plan.follow) : null))
  const season = computed(() => {
    if (period.value === 'season') return job.plan?.survey.season ?? null
    if (period.value === 'sowing') return sowing.value
    const from = Date.UTC(year.value, period.value, 1) / 86_400_000
    return { from, to: Date.UTC(year.value, period.value + 1, 0) / 86_400_000 }
  })
  /** All that the light depends on: when it is the same, the map stands. */
  const lightKey = computed(() => {
    const d = job.draft
    if (!d || !season.value) return ''
    const shapes = (d.drawing?.shapes ?? []).filter((s) =>
      ['lawn', 'bed', 'building', 'wall', 'tree'].includes(s.kind),
    )
    const falls = d.zones?.map((z) => [z.id, z.slope, z.slopeTowards])
    return JSON.stringify([
      shapes,
      d.drawing?.hills,
      d.drawing?.levels,
      falls,
      d.site?.latitude,
      d.site?.longitude,
      season.value,
      whatIf.value,
    ])
  })
  const levelKey = computed(() =>
    JSON.stringify([
      job.draft?.drawing?.levels,
      job.draft?.drawing?.shapes,
      job.draft?.zones?.map((z) => [z.id, z.levelAim, z.fall, z.fallTowards, z.smoothOver]),
    ]),
  )

  let done = ''
  let asked = 0
  async function cast() {
    const [draft, key, over] = [job.draft, lightKey.value, season.value]
    if (!draft || !over || key === done) return
    // From here on the map shown is no longer the one that was done.
    done = ''
    const mine = ++asked
    stopped.value = false
    failure.value = ''
    casting.value = 0
    try {
      for (const fine of [false, true]) {
        const map = await theSurveyor().light(
          plain(draft),
          { season: { ...over }, whatIf: whatIf.value, fine },
          proxy((share: number) => {
            if (mine === asked) casting.value = fine ? 0.05 + 0.95 * share : 0.05 * share
          }),
        )
        if (mine !== asked) return
        if (map) light.value = map
      }
      done = key
      void theSurveyor()
        .months(plain(draft), year.value)
        .then((m) => mine === asked && (months.value = m))
      if (sowing.value)
        void theSurveyor()
          .over(plain(draft), { ...sowing.value })
          .then((hours) => mine === asked && (sowingSun.value = hours))
    } catch (error) {
      failure.value = `The light could not be worked out: ${(error as Error).message}`
    }
    if (mine === asked) casting.value = null
  }
  function stop() {
    asked++
    casting.value = null
    stopped.value = true
    void theSurveyor().stop()
  }

  let timer: ReturnType<typeof setTimeout> | undefined
  watch([wanted, lightKey], () => {
    if (wanted.value !== 'light' || lightKey.value === '') return
    clearTimeout(timer)
    timer = setTimeout(() => void cast(), light.value ? CAST_AFTER : 0)
  })
  let levelsDone = ''
  watch(
    [wanted, levelKey],
    async () => {
      if (wanted.value !== 'levels' || !job.draft || levelKey.value === levelsDone) return
      levelsDone = levelKey.value
      levels.value = await theSurveyor().levels(plain(job.draft))
    },
    { immediate: true },
  )
  watch(
    () => job.id,
    () => {
      light.value = null
      levels.value = []
      months.value = {}
      sowingSun.value = {}
      done = levelsDone = ''
      whatIf.value = false
      period.value = 'season'
      asked++
    },
  )

  return {
    wanted,
    light,
    casting,
    failure,
    whatIf,
    period,
    season,
    sowing,
    sowingSun,
    months,
    levels,
    stopped,
    cast,
    stop,
  }
})
