<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { RouterLink, RouterView, useRoute, useRouter } from 'vue-router'
import WaitingList from './parts/WaitingList.vue'
import WeatherLine from './parts/WeatherLine.vue'
import { useFirm } from './stores/firm.ts'
import { showDay } from '@juvena/core/calendar/day'
import { keepWork } from './offline/onThisDevice.ts'
import { keptSince } from './offline/signal.ts'
import { actions, lastJob } from './parts/keys.ts'
import { localDay, showMoment } from './parts/moment.ts'

const KeysSheet = defineAsyncComponent(() => import('./parts/KeysSheet.vue'))
const FindBox = defineAsyncComponent(() => import('./parts/FindBox.vue'))
const firm = useFirm()
const route = useRoute()
const router = useRouter()
const keysOpen = ref(false)
const findOpen = ref(false)
/** What was typed since the search was opened and not yet there; null when it is. */
const typedAhead = ref<string | null>(null)

void firm.load()
watch(
  () => firm.ready,
  (ready) => ready && void keepWork(() => firm.today),
)
/** Since when the server has not answered, for the strip. */
const asOf = computed(() => {
  const at = keptSince.value && showMoment(keptSince.value)
  return at ? `no signal, as of ${keptHere(at)}` : ''
})
const keptHere = (at: string) =>
  at.startsWith(showDay(localDay(new Date()), true)) ? at.slice(-5) : at

/** Half a moment's wait: a digit among other keys was meant for an entry, not for a stage. */
const ALONE = 250
let waiting: ReturnType<typeof setTimeout> | undefined
let lastKey = 0
function alone(act: () => void) {
  const quiet = performance.now() - lastKey > 2 * ALONE
  if (quiet) waiting = setTimeout(act, ALONE)
}
/** Inputs that take no text: letters pressed on them are keys as anywhere. */
const PRESSED = ['checkbox', 'radio', 'range', 'button', 'file']
const inField = (target: EventTarget | null) => {
  const el = target as HTMLElement | null
  return (
    !!el &&
    ((el.tagName === 'INPUT' && !PRESSED.includes((el as HTMLInputElement).type)) ||
      ['TEXTAREA', 'SELECT'].includes(el.tagName) ||
      el.isContentEditable ||
      el.getAttribute('role') === 'combobox')
  )
}
function press(event: KeyboardEvent) {
  if (event.key.length === 1) clearTimeout(waiting)
  try {
    pressed(event)
  } finally {
    if (event.key.length === 1) lastKey = performance.now()
  }
}
function pressed(event: KeyboardEvent) {
  if (event.key === 'Escape' && (keysOpen.value || findOpen.value)) {
    keysOpen.value = findOpen.value = false
    return
  }
  if ((event.ctrlKey || event.metaKey) && !event.altKey && event.key.toLowerCase() === 'z') {
    if (event.shiftKey ? actions.redo?.() : actions.undo?.()) event.preventDefault()
    return
  }
  if (
    (event.ctrlKey || event.metaKey) &&
    !event.altKey &&
    !event.shiftKey &&
    event.key.toLowerCase() === 'k'
  ) {
    ;[findOpen.value, typedAhead.value] = [true, '']
    event.preventDefault()
    return
  }
  // Letters and Enter that come while the search is still loading are its own.
  if (
    typedAhead.value !== null &&
    (event.key.length === 1 || event.key === 'Enter') &&
    !event.ctrlKey &&
    !event.metaKey
  ) {
    typedAhead.value += event.key === 'Enter' ? '\n' : event.key
    event.preventDefault()
    return
  }
  if (
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    inField(event.target) ||
    !firm.settings.letterKeys
  )
    return
  if (keysOpen.value || findOpen.value || document.querySelector('.conflict-dialog')) return
  const key = event.key
  if (key === '?') keysOpen.value = true
  else if (key === '/') [findOpen.value, typedAhead.value] = [true, '']
  else if (key === 't') void router.push('/today')
  else if (key === 'u') firm.toggleUnits()
  else if (key === 'w') actions.working?.()
  else if (/^[1-8]$/.test(key)) alone(() => actions.stage?.(Number(key)))
  else if (actions.day && (key === 'ArrowLeft' || key === 'ArrowRight'))
    actions.day(key === 'ArrowLeft' ? -1 : 1)
  else if (key === '[') void actions.neighbour?.(-1)
  else if (key === ']') void actions.neighbour?.(1)
  else return
  event.preventDefault()
}
onMounted(() => window.addEventListener('keydown', press))
onBeforeUnmount(() => window.removeEventListener('keydown', press))

const inJob = computed(() => route.name === 'job')
/** To the stage that is open: the work follows it. */
const toStages = () =>
  document.querySelector<HTMLElement>('#stages [aria-current], #stages button')?.focus()
const toJob = computed(() => (lastJob.value ? `/jobs/${lastJob.value}` : '/'))
const printing = computed(() => route.name === 'sheets')
const goJob = (id: string, stage?: string) =>
  void router.push(stage ? `/jobs/${id}/${stage}` : `/jobs/${id}`)
</script>

<template>
  <a v-if="inJob" class="skip" href="#stages" @click.prevent="toStages">Skip to the stages</a>
  <a v-else class="skip" href="#main">Skip to the work</a>
  <header v-if="!printing" class="strip">
    <span class="mark-name">Juvena</span>
    <nav aria-label="Places">
      <RouterLink to="/today" :aria-current="route.name === 'today' ? 'page' : undefined"
        >Today</RouterLink
      >
      <RouterLink to="/" :aria-current="route.name === 'season' ? 'page' : undefined"
        >Season</RouterLink
      >
      <RouterLink v-if="lastJob || inJob" :to="toJob" :aria-current="inJob ? 'page' : undefined"
        >Job</RouterLink
      >
      <RouterLink to="/yard" :aria-current="route.name === 'yard' ? 'page' : undefined"
        >Yard</RouterLink
      >
    </nav>
    <WeatherLine v-if="firm.ready" :class="{ 'not-on-phone': inJob }" />
    <span v-if="asOf" class="as-of small" role="status">{{ asOf }}</span>
    <span class="tools">
      <WaitingList />
      <button type="button" class="plain small" @click="findOpen = true">find</button>
      <button
        type="button"
        class="plain small"
        :aria-pressed="firm.field"
        @click="firm.field = !firm.field"
      >
        {{ firm.field ? 'paper' : 'field' }}
      </button>
      <button type="button" class="plain small" @click="keysOpen = true">keys</button>
    </span>
  </header>
  <p v-if="firm.open && !printing" class="open small">
    Open to other computers without a sign-in of Juvena’s own: whoever reaches this address can read
    and change everything.
  </p>
  <p v-if="firm.failure && !firm.ready" class="trouble" role="alert">
    {{ firm.failure }} Trying again.
  </p>
  <main id="main" tabindex="-1">
    <RouterView v-if="firm.ready" />
    <p v-else-if="!firm.failure" class="loading soft">Loading…</p>
  </main>
  <!-- Lists and dialogs open here: beside the pages, which come and go, and within a landmark. -->
  <section id="above" aria-label="Open list or dialog"></section>
  <KeysSheet v-if="keysOpen" v-model="keysOpen" />
  <FindBox
    v-if="findOpen"
    v-model="findOpen"
    :typed="typedAhead ?? ''"
    @ready="typedAhead = null"
    @job="goJob"
  />
</template>

<style scoped>
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 0.5rem;
  top: 0.3rem;
  z-index: 10;
  background: var(--sheet);
  padding: 0.25rem 0.75rem;
}
.strip {
  display: flex;
  align-items: center;
  gap: 0.3rem 1.2rem;
  min-height: 2.5rem;
  padding: 0 1.25rem;
  background: var(--paper-deep);
  border-bottom: 1px solid var(--rule);
}
.mark-name {
  font-weight: 700;
  font-size: 1.1875rem;
}
nav {
  display: flex;
  gap: 0 1.25rem;
}
nav a {
  text-decoration: none;
  color: var(--soft);
  padding: 0.5rem 0 0.375rem;
  border-bottom: 3px solid transparent;
}
nav a[aria-current='page'] {
  color: var(--ink);
  font-weight: 700;
  border-bottom-color: var(--ink);
}
.as-of {
  color: var(--hold);
  font-weight: 700;
}
.tools {
  display: flex;
  gap: 0.7rem;
}
.trouble {
  background: var(--hold-wash);
  color: var(--hold);
  padding: 0.5rem 1.25rem;
}
.loading {
  padding: 3rem 1.25rem;
}
main:focus {
  outline: none;
  box-shadow: none;
}
@media (max-width: 900px) {
  .strip {
    flex-wrap: wrap;
  }
}
@media (max-width: 640px) {
  .strip {
    position: relative;
    padding: 0 0.9rem;
    gap: 0 1rem;
  }
  nav {
    flex-wrap: wrap;
    gap: 0 1rem;
  }
  .tools {
    margin-left: auto;
  }
  .tools button:last-child {
    display: none;
  }
  /* The job's own head stands there. */
  .not-on-phone {
    display: none;
  }
}
/* The last: after the sheets it would ask for a page of its own. */
@media print {
  .strip,
  .skip,
  #above {
    display: none;
  }
}
.open {
  background: var(--hold-wash);
  color: var(--hold);
  padding: 0.2rem 1.25rem;
}
</style>
