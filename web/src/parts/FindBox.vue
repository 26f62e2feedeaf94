<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import type { Answer } from '../../../contract/answers.ts'
import { ElDialog, ElInput } from 'element-plus'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { STAGES } from '@juvena/core/present/spine'
import type { Stage } from '@juvena/core/rules/rule'
import { ACTIONS, PAGES, STAGE_ALSO } from './places.ts'
import { STAGE_WORDS } from '../stages/words.ts'
import { api } from '../stores/api.ts'
import { useFirm } from '../stores/firm.ts'
import { useJob } from '../stores/job.ts'

/** Finds a stage, a zone, a figure of the open job, another job, or a grass. */
const props = defineProps<{ modelValue: boolean; typed?: string }>()
const emit = defineEmits<{ 'update:modelValue': [open: boolean]; job: [id: string]; ready: [] }>()
const firm = useFirm()
const job = useJob()
const route = useRoute()
const router = useRouter()
/**
 * What was typed while this was still loading stands in the field already; with Enter at its end,
 * it is taken.
 */
const text = ref((props.typed ?? '').trimEnd())
const at = ref(0)
const input = ref<InstanceType<typeof ElInput> | null>(null)
/** Jobs that hold the longest word typed, in their name, customer or address. */
const jobs = shallowRef<Answer<'jobs'>>([])
const sought = computed(() =>
  text.value.split(/\s+/).reduce((long, word) => (word.length > long.length ? word : long), ''),
)
const SEARCH_AFTER = 120
let searching: ReturnType<typeof setTimeout> | undefined
async function search() {
  const word = sought.value
  const found = await api<Answer<'jobs'>>('GET', `/jobs?search=${encodeURIComponent(word)}`).catch(
    () => [],
  )
  if (word === sought.value) jobs.value = found
}
watch(sought, () => {
  clearTimeout(searching)
  searching = setTimeout(() => void search(), SEARCH_AFTER)
})

interface Found {
  what: string
  name: string
  /** What it is also called. */
  also?: string
  go: () => void
}
const all = computed<Found[]>(() => {
  const list: Found[] = []
  if (route.name === 'job' && job.id) {
    const here = `/jobs/${job.id}`
    for (const [stage, name] of Object.entries(STAGES))
      list.push({
        what: 'stage',
        name,
        also: STAGE_ALSO[Number(stage) as Stage],
        go: () => router.push(`${here}/${STAGE_WORDS[Number(stage) as Stage]}`),
      })
    for (const a of ACTIONS)
      list.push({
        what: 'do',
        name: a.name,
        also: a.also,
        go: () => router.push(a.to(sure(job.id))),
      })
    for (const z of job.zones)
      list.push({
        what: 'zone',
        name: z.name || 'Unnamed zone',
        go: () => router.push(`${here}/walk-over?zone=${z.id}`),
      })
    const zoneName = (id?: string) => job.zones.find((z) => z.id === id)?.name
    for (const f of Object.values(job.plan?.figures ?? {}))
      list.push({
        what: 'figure',
        name: `${firm.say(f.label)}${f.zone ? `, ${zoneName(f.zone)}` : ''}: ${firm.hand(f.value, f.unit)}`,
        go: () => router.push(`${here}/${STAGE_WORDS[f.stage]}?figure=${encodeURIComponent(f.id)}`),
      })
  }
  for (const p of PAGES)
    list.push({ what: 'page', name: p.name, also: p.also, go: () => router.push(p.to) })
  for (const j of jobs.value)
    list.push({
      what: 'job',
      name: j.name || 'Job without a name',
      also: `${j.customer} ${j.place}`.toLowerCase(),
      go: () => emit('job', j.id),
    })
  for (const g of Object.values(firm.grasses))
    list.push({ what: 'grass', name: g.name, go: () => router.push(`/yard/grasses?grass=${g.id}`) })
  return list
})
/**
 * How well a thing answers a word: by its name from the start, from the start of a word, anywhere
 * in it, or by what it is also called.
 */
function worth(f: Found, word: string): number {
  const name = f.name.toLowerCase()
  if (name.startsWith(word)) return 4
  if (` ${name}`.includes(` ${word}`)) return 3
  if (` ${f.also ?? ''}`.includes(` ${word}`)) return 2.5
  return name.includes(word) || f.what.startsWith(word) ? 1 : 0
}
/** Best first; of equals, what leads somewhere before a figure. */
const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value
    .map((f, i) => ({ f, i, each: words.map((w) => worth(f, w)) }))
    .filter(({ each }) => each.every((w) => w > 0))
    .map(({ f, i, each }) => ({
      f,
      i,
      score: each.reduce((a, b) => a + b, 0) - (f.what === 'figure' ? 0.75 : 0),
    }))
    .sort((a, b) => b.score - a.score || a.i - b.i)
    .slice(0, 12)
    .map(({ f }) => f)
})
function take(f: Found | undefined) {
  if (!f) return
  emit('update:modelValue', false)
  f.go()
}
const focusSoon = () => void nextTick(() => input.value?.focus())
/**
 * Until the field has had the focus, letters and Enter are its own, whatever has the focus instead;
 * later only where nothing else wants them.
 */
const reached = ref(false)
function letter(event: KeyboardEvent) {
  const on = (event.target as HTMLElement).tagName
  if (event.ctrlKey || event.metaKey || event.altKey || on === 'INPUT') return
  if (reached.value && on === 'BUTTON' && [' ', 'Enter'].includes(event.key)) return
  if (event.key === 'Enter') take(found.value[at.value])
  else if (event.key.length === 1) text.value += event.key
  else return
  input.value?.focus()
  event.preventDefault()
}
onMounted(() => {
  window.addEventListener('keydown', letter)
  emit('ready')
  if (props.typed?.endsWith('\n')) take(found.value[0])
})
onBeforeUnmount(() => {
  clearTimeout(searching)
  window.removeEventListener('keydown', letter)
})
onMounted(async () => {
  focusSoon()
  await search()
})
</script>

<template>
  <ElDialog
    append-to="#above"
    :model-value="modelValue"
    title="Find"
    width="min(34rem, 94vw)"
    @open="focusSoon"
    @open-auto-focus="focusSoon"
    @opened="input?.focus()"
    @update:model-value="emit('update:modelValue', $event)"
  >
    <ElInput
      ref="input"
      v-model="text"
      aria-label="Find a page, stage, zone, figure, job or grass"
      placeholder="a page, stage, figure, job or grass: frost, cores, print"
      @focus="reached = true"
      @input="at = 0"
      @keydown.down.prevent="at = Math.min(found.length - 1, at + 1)"
      @keydown.up.prevent="at = Math.max(0, at - 1)"
      @keydown.enter.prevent="take(found[at])"
    />
    <ul>
      <li v-for="(f, i) in found" :key="i">
        <button type="button" :class="{ on: i === at }" @click="take(f)">
          <span class="soft small">{{ f.what }}</span> {{ f.name }}
        </button>
      </li>
      <li v-if="found.length === 0" class="soft">Not found.</li>
    </ul>
  </ElDialog>
</template>

<style scoped>
ul {
  margin-top: 0.5rem;
  min-height: 8rem;
}
button {
  display: grid;
  grid-template-columns: 3.5rem 1fr;
  width: 100%;
  text-align: left;
  border: 0;
  background: none;
  padding: 0.3rem 0.4rem;
  cursor: pointer;
}
button.on,
button:hover {
  background: var(--moss-wash);
}
:root[data-theme='field'] button.on {
  outline: 2px solid #000;
}
</style>
