<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { overfull } from '@juvena/core/present/overfull'
import { addDays, dayNumber, daysBetween, isWeekend, showDay } from '@juvena/core/calendar/day'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import type { DayJob } from '@juvena/core/present/dayWork'
import { actions } from '../../parts/keys.ts'
import { keptSince } from '../../offline/signal.ts'
import { api, DEVICE, NotHere } from '../../stores/api.ts'
import { dayInAddress } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'
import { useOutbox } from '../../stores/outbox.ts'
import DayOfJob from './DayOfJob.vue'
import { isBehind } from '@juvena/core/plan/stepState'

/** The work of one day on every job, for whoever goes out: amounts, holds, ticks. */
const firm = useFirm()
const outbox = useOutbox()
const route = useRoute()
const router = useRouter()
type Job = DayJob & { weather: DiaryEntry['weather'] }
interface Answer {
  today: string
  on: string
  /** Jobs that are being planned again: the day may still change. */
  working: number
  jobs: Job[]
  week: { day: string; steps: number; hours: number }[]
}
const served = shallowRef<Answer | null>(null)
const failure = ref('')
/** There is no signal, and this day does not lie on this device. */
const notHere = ref(false)
const on = computed(() => dayInAddress(route.query.on, firm.today))
/** Of the day that is looked at, never of another. */
const answer = computed(() => (served.value?.on === on.value ? served.value : null))
const week = computed(
  () =>
    answer.value?.week ??
    Array.from({ length: 7 }, (_, i) => ({ day: addDays(on.value, i - 1), steps: null })),
)

const AGAIN = 1_500
let again: ReturnType<typeof setTimeout> | undefined
async function load() {
  clearTimeout(again)
  const asked = on.value
  try {
    const found = await api<Answer>('GET', `/day?on=${asked}`)
    if (asked !== on.value) return
    served.value = found
    failure.value = ''
    notHere.value = false
    if (found.working > 0 && keptSince.value === null) again = setTimeout(() => void load(), AGAIN)
  } catch (error) {
    if (asked !== on.value) return
    notHere.value = error instanceof NotHere
    failure.value = notHere.value ? '' : (error as Error).message
  }
}
watch(on, () => void load(), { immediate: true })
// What waited has arrived: the plan knows it now.
watch(
  () => outbox.answered,
  () => void load(),
)
// The server answers again: what is shown came from this device.
watch(keptSince, (since) => since === null && void load())
const go = (day: string) => void router.replace({ query: day === firm.today ? {} : { on: day } })
/** Between one look at the day and the next while it is on the screen, ms: others work on it too. */
const LOOK_AGAIN = 60_000
const seen = () => void (document.visibilityState === 'visible' && load())
let looking: ReturnType<typeof setInterval> | undefined
onMounted(() => {
  actions.day = (step) => go(addDays(on.value, step))
  document.addEventListener('visibilitychange', seen)
  looking = setInterval(seen, LOOK_AGAIN)
})
onBeforeUnmount(() => {
  delete actions.day
  document.removeEventListener('visibilitychange', seen)
  clearTimeout(again)
  clearInterval(looking)
})

/** A swipe to the side turns the day; one that goes up or down is a scroll. */
let began: { x: number; y: number } | null = null
const SWIPE = 70
const down = (e: TouchEvent) =>
  (began = e.touches.length === 1 ? { x: e.touches[0]!.clientX, y: e.touches[0]!.clientY } : null)
function up(e: TouchEvent) {
  const end = e.changedTouches[0]
  if (!began || !end) return
  const [dx, dy] = [end.clientX - began.x, end.clientY - began.y]
  began = null
  if (Math.abs(dx) > SWIPE && Math.abs(dx) > 2 * Math.abs(dy))
    go(addDays(on.value, dx < 0 ? 1 : -1))
}
/** More work than hours: what can wait, and for when there is room. */
const tooMuch = computed(() => {
  if (!answer.value) return null
  const { hoursPerDay, weekendWork } = firm.settings
  const works = (day: string) => weekendWork || !isWeekend(dayNumber(day))
  const load = new Map(answer.value.week.filter((d) => works(d.day)).map((d) => [d.day, d.hours]))
  return overfull(on.value, answer.value.jobs, load, (firm.settings.crew ?? 2) * (hoursPerDay ?? 8))
})
const stepsSaid = ({ day, steps }: { day: string; steps: number | null }) =>
  steps === null ? showDay(day) : `${showDay(day)}: ${steps} ${steps === 1 ? 'step' : 'steps'}`
const far = computed(() => daysBetween(firm.today, on.value))
const NEAR: Record<number, string> = { [-1]: 'yesterday', 0: 'today', 1: 'tomorrow' }
const total = computed(() => {
  const steps = (answer.value?.jobs ?? []).flatMap((j) => j.steps).filter((s) => !isBehind(s))
  return { steps: steps.length, hours: steps.reduce((sum, s) => sum + s.hours * s.people, 0) }
})
</script>

<template>
  <div class="today" @touchstart.passive="down" @touchend.passive="up">
    <header class="top">
      <div>
        <h1>
          {{ showDay(on, on.slice(0, 4) !== firm.today.slice(0, 4))
          }}<span v-if="NEAR[far]" class="soft near">{{ NEAR[far] }}</span>
        </h1>
        <p v-if="answer" class="small soft">
          {{ answer.jobs.length }} {{ answer.jobs.length === 1 ? 'job' : 'jobs' }},
          {{ total.steps }} {{ total.steps === 1 ? 'step' : 'steps'
          }}{{ total.steps ? `, ${firm.hand(total.hours, 'work-h')} of work` : '' }}
        </p>
      </div>
      <nav class="week" aria-label="Days">
        <button
          type="button"
          class="act slight"
          aria-label="The day before"
          @click="go(addDays(on, -1))"
        >
          ←
        </button>
        <button
          v-for="d in week"
          :key="d.day"
          type="button"
          class="day"
          :class="{ chosen: d.day === on, now: d.day === firm.today }"
          :aria-pressed="d.day === on"
          :aria-label="stepsSaid(d)"
          @click="go(d.day)"
        >
          <span>{{ showDay(d.day).slice(0, 3) }}</span><b>{{ Number(d.day.slice(8)) }}</b
          ><span class="count">{{ d.steps === null ? '?' : d.steps || '·' }}</span>
        </button>
        <button
          type="button"
          class="act slight"
          aria-label="The day after"
          @click="go(addDays(on, 1))"
        >
          →
        </button>
        <button v-if="on !== firm.today" type="button" class="act slight" @click="go(firm.today)">
          Today
        </button>
      </nav>
    </header>
    <p v-if="outbox.count" class="waits" role="status">
      {{ outbox.count }} {{ outbox.count === 1 ? 'entry waits' : 'entries wait' }} here for the
      server, and {{ outbox.count === 1 ? 'goes' : 'go' }} when it answers.
    </p>
    <p v-if="outbox.refused" class="trouble" role="alert">{{ outbox.refused }}</p>
    <p v-if="failure" class="trouble" role="alert">{{ failure }}</p>
    <div v-if="notHere && !answer" class="none" role="status">
      <p class="free">Not on this {{ DEVICE }}.</p>
      <p class="soft">
        There is no signal, and this day was not looked at here before. Today and the six days after
        it lie here from the last time there was signal.
      </p>
    </div>
    <p v-else-if="!answer && !failure" class="soft">Loading the day…</p>
    <div v-if="tooMuch" class="waits" role="status">
      <p>
        <b
          >{{ firm.hand(tooMuch.hours, 'work-h') }} of work on a day of
          {{ firm.hand(tooMuch.capacity, 'work-h') }}.</b
        >
        {{
          tooMuch.mayWait.length
            ? 'This can wait and still fall in its season; what comes after it moves with it:'
            : 'Nothing of it can wait: ask for a hand, or move a job by its pin.'
        }}
      </p>
      <ul v-if="tooMuch.mayWait.length">
        <li v-for="w in tooMuch.mayWait" :key="`${w.job} ${firm.say(w.step)}`" class="small">
          <RouterLink :to="`/jobs/${w.job}/order`"
            >{{ firm.say(w.step) }}, {{ w.jobName }}</RouterLink
          >
          {{ firm.hand(w.hours, 'work-h') }}, until {{ showDay(w.until).slice(4)
          }}{{ w.roomOn ? `; there is room on ${showDay(w.roomOn)}` : '' }}
        </li>
      </ul>
    </div>
    <div v-if="answer" class="jobs">
      <DayOfJob
        v-for="(job, i) in answer.jobs"
        :key="job.id"
        :job="job"
        :place="i + 1"
        :of="answer.jobs.length"
        :on="on"
      />
    </div>
    <p v-if="answer && answer.working > 0" class="soft small" role="status">
      {{ answer.working }} {{ answer.working === 1 ? 'job is' : 'jobs are' }} being planned again;
      the day may still change.
    </p>
    <div v-if="answer && answer.working === 0 && answer.jobs.length === 0" class="none">
      <p class="free">No work is planned on this day.</p>
      <p class="soft">
        Steps come from the jobs’ own plans.
        <button
          v-if="answer.week.some((d) => d.steps > 0 && d.day > on)"
          type="button"
          class="plain"
          @click="go(sure(answer.week.find((d) => d.steps > 0 && d.day > on)).day)"
        >
          To the next day with work
        </button>
        <RouterLink v-else to="/">To the season</RouterLink>
      </p>
    </div>
  </div>
</template>

<style scoped>
.today {
  padding: 0.6rem 1.25rem 3rem;
  min-height: 70vh;
}
.top {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: end;
  gap: 0.5rem 2rem;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 0.6rem;
}
.near {
  font-size: 1rem;
  font-weight: 400;
  margin-left: 0.6rem;
}
.week {
  display: flex;
  align-items: center;
  gap: 0.3rem;
}
.day {
  display: grid;
  justify-items: center;
  min-width: 2.75rem;
  padding: 0.15rem 0.2rem;
  border: 1px solid transparent;
  border-radius: 4px;
  background: none;
  cursor: pointer;
  line-height: 1.2;
  font-size: 0.75rem;
  color: var(--soft);
}
.day b {
  font-size: 1.0625rem;
  color: var(--ink);
}
.day.now b {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.day.chosen {
  border-color: var(--ink);
  background: var(--sheet);
}
.jobs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(24rem, 1fr));
  gap: 1.25rem 1.75rem;
  padding-top: 0.9rem;
  align-items: start;
}
.none {
  padding: 3rem 0;
  display: grid;
  gap: 0.4rem;
}
.free {
  font-size: 1.375rem;
  font-weight: 700;
}
.waits {
  border-left: 5px solid var(--sun-mark);
  background: var(--sheet);
  padding: 0.35rem 0.7rem;
  margin-top: 0.6rem;
}
.trouble {
  color: var(--hold);
  padding-top: 0.5rem;
}
@media (max-width: 640px) {
  .today {
    padding: 0.5rem 0.9rem 2rem;
  }
  .jobs {
    grid-template-columns: minmax(0, 1fr);
  }
  .week {
    width: 100%;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0;
  }
  .week .act {
    display: none;
  }
  .day {
    min-width: 2.9rem;
    min-height: 3.4rem;
    align-content: center;
  }
}
</style>
