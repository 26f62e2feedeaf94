<script setup lang="ts">
import { onTheDate } from '@juvena/core/present/onTheDate'
import type { Answer } from '../../../../contract/answers.ts'
import {
  computed,
  defineAsyncComponent,
  h,
  onBeforeUnmount,
  onMounted,
  provide,
  ref,
  watch,
  watchEffect,
  type Component,
} from 'vue'
import { onBeforeRouteLeave, RouterLink, useRoute, useRouter } from 'vue-router'
import { daysBetween, parseDay, showDay } from '@juvena/core/calendar/day'
import { STAGES } from '@juvena/core/present/spine'
import { linkedFigure } from '@juvena/core/present/figureLink'
import { num } from '@juvena/core/trace/figure'
import type { Stage } from '@juvena/core/rules/rule'
import { actions, rememberJob } from '../../parts/keys.ts'
import { placeNow } from '../../parts/placeNow.ts'
import { WORKING } from '../../parts/working.ts'
import { STAGE_WORDS, stageOfWord } from '../../stages/words.ts'
import { api } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import JobSpine from './JobSpine.vue'
import PlanSpeaks from './PlanSpeaks.vue'
import SaveLine from './SaveLine.vue'
import WorkingPanel from './WorkingPanel.vue'

/** A stage's surface, loaded when it is first opened; says so when that takes a moment. */
const stageSurface = (loader: () => Promise<{ default: Component }>): Component =>
  defineAsyncComponent({
    loader,
    delay: 120,
    loadingComponent: { render: () => h('p', { class: 'soft' }, 'Loading…') },
  })

const SURFACES: Record<Stage, Component> = {
  1: stageSurface(() => import('../../stages/walkover/WalkOverStage.vue')),
  2: stageSurface(() => import('../../stages/findings/FindingsStage.vue')),
  3: stageSurface(() => import('../../stages/approach/ApproachStage.vue')),
  4: stageSurface(() => import('../../stages/seed/SeedStage.vue')),
  5: stageSurface(() => import('../../stages/materials/MaterialsStage.vue')),
  6: stageSurface(() => import('../../stages/order/OrderStage.vue')),
  7: stageSurface(() => import('../../stages/water/WaterStage.vue')),
  8: stageSurface(() => import('../../stages/diary/DiaryStage.vue')),
}

const firm = useFirm()
const job = useJob()
const route = useRoute()
const router = useRouter()
const stage = computed<Stage>(() => stageOfWord(route.params.stage))
const surface = computed(() => SURFACES[stage.value])

/** A link may name a figure as it was called before; it is found all the same. */
const chosen = computed(() => {
  const asked = typeof route.query.figure === 'string' ? route.query.figure : null
  return asked && job.plan ? (linkedFigure(asked, job.plan.figures) ?? asked) : asked
})
const choose = (id: string | null) =>
  void router.replace({ query: { ...route.query, figure: id ?? undefined } })
provide(WORKING, { chosen, choose })

watch(
  () => String(route.params.id),
  (id) => {
    rememberJob(id)
    void job.open(id)
  },
  { immediate: true },
)
watch(
  () => job.loadFailure,
  (failure) => failure && rememberJob(null),
)
watchEffect(() => {
  const { plan, weather, draft } = job
  const [tenth, even] = [
    job.figure(plan?.frost.tenth)?.value,
    job.figure(plan?.frost.median)?.value,
  ]
  const soil = job.figure(plan?.frost.soilNow)?.value
  const latitude = draft?.site?.latitude
  const placed = latitude !== null && latitude !== undefined && latitude !== ''
  placeNow.value =
    soil === undefined || !placed
      ? null
      : {
          soil,
          frost: typeof tenth === 'string' && typeof even === 'string' ? { tenth, even } : null,
          outlook: weather.outlook,
        }
})
watch(stage, (_now, before) => job.lookedAt(before))
const go = (s: number) => void router.push({ path: `/jobs/${job.id}/${STAGE_WORDS[s as Stage]}` })

const EarlierVersions = defineAsyncComponent(() => import('./EarlierVersions.vue'))
const versionsOpen = ref(false)
const panelOpen = ref(true)
onMounted(() => {
  actions.stage = go
  actions.working = () => {
    if (chosen.value) choose(null)
    else panelOpen.value = !panelOpen.value
  }
  actions.neighbour = async (step) => {
    const rows = (await api<Answer<'season'>>('GET', '/season')).rows
    const at = rows.findIndex((r) => r.id === job.id)
    const to = rows[(at + step + rows.length) % rows.length]
    if (to) await router.push(`/jobs/${to.id}/${STAGE_WORDS[stage.value]}`)
  }
  actions.undo = () => (job.undo(), true)
  actions.redo = () => (job.redo(), true)
  document.addEventListener('visibilitychange', hide)
})
const hide = () =>
  document.visibilityState === 'hidden' && job.saving === 'waiting' && void job.save()
onBeforeUnmount(() => {
  placeNow.value = null
  for (const key of ['stage', 'working', 'neighbour', 'undo', 'redo'] as const) delete actions[key]
  document.removeEventListener('visibilitychange', hide)
})
onBeforeRouteLeave(() => job.leave())
async function archiveUnreadable(id: string) {
  try {
    await api('DELETE', `/jobs/${encodeURIComponent(id)}`)
    await router.push('/')
  } catch (error) {
    job.loadFailure = (error as Error).message
  }
}

const headline = computed(() => {
  const p = job.plan
  if (!p) return ''
  const area = p.totalArea ? firm.hand(num(p.figures[p.totalArea]!), 'm2') : 'no size yet'
  const walked = job.draft?.walked ? parseDay(job.draft.walked) : null
  return [
    `${p.zones.length} ${p.zones.length === 1 ? 'zone' : 'zones'}, ${area}`,
    job.draft?.customer,
    walked?.ok ? `walked ${showDay(walked.value)}` : '',
  ]
    .filter(Boolean)
    .join(' · ')
})
const customerDate = computed(() => {
  const day = job.customerDay
  return (
    day && {
      day: showDay(day),
      left: daysBetween(job.today, day),
      then: job.plan && onTheDate(job.plan, day),
    }
  )
})
/** What came with a job file, counted. */
const imported = computed(() => {
  const counts = /^(\d+)-(\d+)$/.exec(String(route.query.imported ?? ''))
  if (!counts) return ''
  const some = (n: number, one: string, more: string) =>
    `${n === 0 ? 'no' : n} ${n === 1 ? one : more}`
  return `Imported, with ${some(Number(counts[1]), 'diary entry', 'diary entries')} and ${some(Number(counts[2]), 'photograph', 'photographs')}.`
})
/** The ladder, and the visit to bare ground, want the whole width: what to watch stands below them. */
const below = computed(
  () => stage.value === 3 || (stage.value === 8 && route.query.part === 'take'),
)
const unitsWord = computed(() => (firm.units === 'metric' ? 'm² · kg' : 'ft² · lb'))
</script>

<template>
  <div v-if="job.loadFailure" class="missing">
    <h1>{{ job.unreadable ? 'This job cannot be opened.' : 'This job was not found.' }}</h1>
    <p>{{ job.loadFailure }}</p>
    <p class="ways">
      <a v-if="job.unreadable" class="act" :href="job.unreadable.text" download
        >Export what is stored</a
      >
      <button
        v-if="job.unreadable"
        type="button"
        class="act"
        @click="archiveUnreadable(job.unreadable.id)"
      >
        Archive it
      </button>
      <RouterLink class="act" to="/">To the season</RouterLink>
    </p>
  </div>
  <div v-else class="job" :class="{ wide: (!panelOpen || below) && !chosen }">
    <header class="head">
      <div class="title">
        <h1>{{ job.draft?.name || (job.draft ? 'Job without a name' : '…') }}</h1>
        <p class="small soft">{{ headline }}</p>
      </div>
      <p v-if="customerDate" class="date">
        must look right by <br /><b
          >{{ customerDate.day }},
          {{ customerDate.left >= 0 ? `${customerDate.left} days` : 'past' }}</b
        ><span
          v-if="
            customerDate.left >= 0 && customerDate.then && customerDate.then.verdict !== 'right'
          "
          class="missed"
          :title="firm.say(customerDate.then.seen)"
          >{{ firm.say(customerDate.then.word)
          }}<span class="only-read">. {{ firm.say(customerDate.then.seen) }}</span></span
        >
      </p>
      <PlanSpeaks />
      <p v-if="imported" class="imported small" role="status">
        {{ imported }}
        <button
          type="button"
          class="plain"
          @click="router.replace({ query: { ...route.query, imported: undefined } })"
        >
          ok
        </button>
      </p>
      <div class="buttons">
        <SaveLine />
        <button
          v-if="job.id"
          type="button"
          class="plain small versions"
          @click="versionsOpen = true"
        >
          versions
        </button>
        <EarlierVersions v-if="versionsOpen" v-model="versionsOpen" />
        <button type="button" class="act" :disabled="!job.canUndo" @click="job.undo()">Undo</button>
        <button type="button" class="act" :disabled="!job.canRedo" @click="job.redo()">Redo</button>
        <button
          type="button"
          class="act"
          :aria-label="`Units: ${unitsWord}. Switch`"
          @click="firm.toggleUnits()"
        >
          {{ unitsWord }}
        </button>
        <RouterLink v-if="job.id" class="act main" :to="`/jobs/${job.id}/sheets`"
          >Print sheets</RouterLink
        >
      </div>
    </header>
    <JobSpine class="the-spine" :stage="stage" @go="go" />
    <section class="surface" :aria-label="`Stage ${stage}`">
      <p v-if="job.planFailure" class="failed" role="alert">
        The plan could not be worked out. What you typed is kept{{
          job.plan ? '; the figures shown are from before your last change' : ''
        }}.
        <button type="button" class="act" @click="job.replan()">Try again</button>
        <span class="small">It said: {{ job.planFailure }}</span>
      </p>
      <component :is="surface" v-if="job.draft && job.plan" />
      <p v-else-if="!job.planFailure" class="soft waiting">Planning…</p>
      <button
        v-if="job.draft && job.plan && stage < 8"
        type="button"
        class="act next-stage"
        @click="go(stage + 1)"
      >
        Next: {{ STAGES[(stage + 1) as Stage] }}
      </button>
      <WorkingPanel
        v-if="job.plan && below && panelOpen && !chosen"
        class="below"
        within
        :stage="stage"
      />
    </section>
    <WorkingPanel
      v-if="job.plan && ((panelOpen && !below) || chosen)"
      class="panel"
      :class="{ asked: chosen }"
      :stage="stage"
    />
  </div>
</template>

<style scoped>
.missed {
  color: var(--hold);
  font-weight: 700;
  margin-left: 0.5rem;
}
.imported {
  padding: 0.2rem 0.6rem;
  background: var(--moss-wash);
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 0.8rem;
}
.missing {
  padding: 3rem 1.25rem;
  display: grid;
  gap: 0.75rem;
  justify-items: start;
}
.job {
  display: grid;
  grid-template-columns: minmax(17rem, 18.1rem) minmax(0, 1fr) 19.5rem;
  grid-template-rows: auto 1fr;
  height: calc(100vh - 2.55rem);
}
.job.wide {
  grid-template-columns: minmax(17rem, 18.1rem) minmax(0, 1fr);
}
.head {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 0.4rem 1.25rem;
  padding: 0.5rem 1.25rem 0.6rem;
}
.title {
  min-width: 0;
  max-width: 34rem;
}
h1 {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.date {
  border-left: 4px solid var(--clay);
  padding-left: 0.7rem;
  font-size: 0.875rem;
  line-height: 1.35;
}
.date b {
  font-size: 1rem;
}
.buttons {
  margin-left: auto;
  display: flex;
  gap: 0.55rem;
  align-items: center;
}
.the-spine {
  overflow-y: auto;
}
.surface {
  background: var(--sheet);
  border-left: 1px solid var(--rule);
  border-top: 1px solid var(--rule);
  overflow-y: auto;
  padding: 0.9rem 1.35rem 2rem;
  min-width: 0;
}
.failed {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.8rem;
  align-items: center;
  margin-bottom: 0.8rem;
  padding: 0.5rem 0.8rem;
  background: var(--hold-wash);
  color: var(--hold);
}
.panel {
  border-left: 1px solid var(--rule);
  overflow-y: auto;
}
.below {
  margin-top: 1.5rem;
  padding-left: 0;
  max-width: 40rem;
}
.waiting {
  padding-top: 2rem;
}
.next-stage {
  display: none;
}
@media (max-width: 1120px) {
  .job,
  .job.wide {
    grid-template-columns: 17rem minmax(0, 1fr);
  }
  .panel {
    grid-column: 2;
    border-top: 1px solid var(--rule);
    background: var(--paper);
  }
  .job {
    height: auto;
    min-height: calc(100vh - 2.55rem);
  }
  .the-spine {
    grid-row: 2 / 4;
    align-self: start;
    position: sticky;
    top: 0;
    height: 100vh;
  }
}
@media (max-width: 900px) {
  .job,
  .job.wide {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: none;
  }
  .the-spine {
    grid-row: auto;
    position: static;
    height: auto;
  }
  .panel {
    grid-column: auto;
  }
  .panel.asked {
    position: fixed;
    inset: auto 0 0 0;
    max-height: 75vh;
    z-index: 20;
    border-top: 3px solid var(--ink);
  }
  .surface {
    padding: 0.75rem 0.9rem 1.5rem;
    border-left: 0;
  }
  .head {
    padding: 0.5rem 0.9rem 0;
  }
  .buttons {
    margin-left: 0;
    flex-wrap: wrap;
    gap: 0.4rem 0.3rem;
  }
  .buttons .act {
    padding: 0.2rem 0.4rem;
    font-size: 0.9375rem;
  }
}
/* On a phone the work comes first: head and stages take a fifth of it, and the stages stay in sight. */
@media (max-width: 640px) {
  .head {
    gap: 0.15rem 0.8rem;
    padding-top: 0.25rem;
  }
  .title {
    flex: 1 1 100%;
  }
  h1 {
    font-size: 1.125rem;
  }
  .title p {
    display: none;
  }
  .date {
    flex: 1 1 100%;
    font-size: 0.8125rem;
  }
  .date br {
    display: none;
  }
  .date b {
    font-size: 0.8125rem;
  }
  .buttons {
    flex: 1 1 100%;
    white-space: nowrap;
  }
  .buttons .act {
    min-height: 2.1rem;
    padding: 0.1rem 0.5rem;
    font-size: 0.8125rem;
  }
  .buttons > :last-child {
    margin-left: auto;
  }
  .the-spine {
    position: sticky;
    top: 0;
    z-index: 4;
    background: var(--paper);
    overflow: visible;
  }
  .next-stage {
    display: block;
    width: 100%;
    margin-top: 1.2rem;
    min-height: 2.9rem;
  }
}
</style>
