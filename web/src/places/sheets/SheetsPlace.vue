<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import {
  computed,
  defineAsyncComponent,
  nextTick,
  onBeforeUnmount,
  onMounted,
  provide,
  watch,
} from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import { explain, type Explained } from '@juvena/core/present/explain'
import type { Declaration } from '@juvena/core/rules/rule'
import { rememberJob } from '../../parts/keys.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import CrewSheet from './CrewSheet.vue'
import CustomerSheet from './CustomerSheet.vue'
import { NOTES, printedFigures } from './notes.ts'
import PlanSheet from './PlanSheet.vue'
import WaterSheet from './WaterSheet.vue'

const PaperSheet = defineAsyncComponent(() => import('./PaperSheet.vue'))
const PdfButton = defineAsyncComponent(() => import('./PdfButton.vue'))
const RecordSheet = defineAsyncComponent(() => import('./RecordSheet.vue'))
const TakeSheet = defineAsyncComponent(() => import('./TakeSheet.vue'))

/**
 * The printed job sheets: customer, crew, watering, and where every number comes from; or the note
 * about ground that did not come up, alone.
 */
const firm = useFirm()
const job = useJob()
const route = useRoute()
const router = useRouter()
watch(
  () => String(route.params.id),
  (id) => {
    rememberJob(id)
    void job.open(id)
  },
  { immediate: true },
)
/** Where the numbers come from is printed when it is asked for: most who read the sheets do not. */
const proof = computed(() => route.query.workings === 'yes')
const showProof = (on: boolean) =>
  void router.replace({ query: { ...route.query, workings: on ? 'yes' : undefined } })
const ids = computed(() => (job.plan && proof.value ? printedFigures(job.plan) : []))
provide(
  NOTES,
  computed(() => new Map(ids.value.map((id, i) => [id, i + 1]))),
)
/** The note to the customer, or the claim on a lot: printed alone. */
const alone = computed(() => {
  const { sheet, zone } = route.query
  return (sheet === 'take' || sheet === 'claim') && typeof zone === 'string'
    ? { sheet, zone }
    : null
})
/** The diary entry that a sheet is printed of: an offer, or a change to one. */
const paper = computed(() => {
  const { sheet, entry } = route.query
  const kind: 'offer' | 'change' | null = sheet === 'offer' || sheet === 'change' ? sheet : null
  return kind && typeof entry === 'string' ? { kind, entry } : null
})
/** The record of what was put down: printed alone. */
const record = computed(() => route.query.sheet === 'record')
const showRecord = (on: boolean) =>
  void router.replace({ query: { ...route.query, sheet: on ? 'record' : undefined } })
/** The workings, each rule said once with the figures it gave. */
const workings = computed(() => {
  const groups = new Map<
    string,
    { rule: Declaration; says: string; standing: string; figures: (Explained & { note: number })[] }
  >()
  ids.value.forEach((id, i) => {
    const e = job.plan && explain(job.plan, id, firm.reader)
    if (!e) return
    const group = groups.get(e.rule.id) ?? {
      rule: e.rule,
      says: e.says,
      standing: e.ruleStanding,
      figures: [],
    }
    group.figures.push({ ...e, note: i + 1 })
    groups.set(e.rule.id, group)
  })
  return [...groups.values()]
})
/** Job, day and page stand at the foot of every printed page. */
const foot = new CSSStyleSheet()
const quoted = (text: string) =>
  `"${text.replace(/["\\\n\r<]/g, (c) => `\\${c.charCodeAt(0).toString(16)} `)}"`
watch(
  () => [job.draft?.name, job.plan?.today, firm.settings.name],
  ([name, today, by]) => {
    const line = [name, today ? showDay(today, true) : '', by].filter(Boolean).join(' · ')
    const rules = `@bottom-left { content: ${quoted(line)}; font-size: 8pt } @bottom-right { content: "page " counter(page) " of " counter(pages); font-size: 8pt }`
    foot.replaceSync(`@page a4 { ${rules} } @page letter { ${rules} }`)
  },
  { immediate: true },
)
onMounted(() => (document.adoptedStyleSheets = [...document.adoptedStyleSheets, foot]))
onBeforeUnmount(
  () => (document.adoptedStyleSheets = document.adoptedStyleSheets.filter((s) => s !== foot)),
)
const zoneName = (id?: string) => job.plan?.zones.find((z) => z.id === id)?.name
const print = () => window.print()
const ready = computed(() => job.plan && job.draft)
watch(
  ready,
  (now) =>
    now &&
    route.query.sheet === 'plan' &&
    void nextTick(() => document.getElementById('plan-sheet')?.scrollIntoView()),
  {
    immediate: true,
  },
)
</script>

<template>
  <div class="sheets" :class="firm.settings.paper">
    <header class="bar">
      <RouterLink class="act" :to="`/jobs/${route.params.id}`">Back to the job</RouterLink>
      <h1>Job sheets</h1>
      <span class="tools">
        <button
          v-for="p in ['a4', 'letter'] as const"
          :key="p"
          type="button"
          class="act slight"
          :aria-pressed="firm.settings.paper === p"
          @click="firm.change({ paper: p })"
        >
          {{ p === 'a4' ? 'A4' : 'Letter' }}
        </button>
        <PdfButton
          v-if="paper"
          :path="`/jobs/${route.params.id}/${paper.kind}s/${paper.entry}/pdf`"
        />
        <template v-else>
          <button
            type="button"
            class="act slight"
            :aria-pressed="record"
            @click="showRecord(!record)"
          >
            record of products
          </button>
          <button type="button" class="act slight" :aria-pressed="proof" @click="showProof(!proof)">
            workings
          </button>
          <button type="button" class="act slight" @click="firm.toggleUnits()">
            {{ firm.units === 'metric' ? 'm² · kg' : 'ft² · lb' }}
          </button>
        </template>
        <button type="button" class="act main" :disabled="!ready" @click="print">Print</button>
      </span>
    </header>
    <p v-if="job.loadFailure" class="soft wait">{{ job.loadFailure }}</p>
    <p v-else-if="!ready" class="soft wait">Planning…</p>
    <div v-else-if="!sure(job.plan).totalArea" class="wait">
      <p>Nothing to print yet: the sheets come from zones with a size.</p>
      <RouterLink class="act main" :to="`/jobs/${route.params.id}/walk-over`"
        >To the walk-over</RouterLink
      >
    </div>
    <RecordSheet v-else-if="record" class="page" />
    <PaperSheet v-else-if="paper" class="page" v-bind="paper" />
    <TakeSheet v-else-if="alone" class="page" :claim="alone.sheet === 'claim'" :zone="alone.zone" />
    <template v-else>
      <CustomerSheet class="page" />
      <CrewSheet class="page" />
      <WaterSheet v-if="sure(job.plan).follow.water" class="page" />
      <PlanSheet v-if="sure(job.draft).drawing?.shapes?.length" id="plan-sheet" class="page" />
      <section v-if="proof" class="page">
        <h2>Where the numbers come from</h2>
        <p class="small soft">
          Planned {{ firm.day(sure(job.plan).today) }} for {{ sure(job.draft).name }}, version
          {{ job.revision }}. The small numbers on the sheets lead here.
        </p>
        <div class="notes">
          <article v-for="group in workings" :key="group.rule.id">
            <p class="rule">
              {{ group.says }}
              <span class="soft"
                >{{ group.standing
                }}{{ group.rule.source === group.standing ? '' : `: ${group.rule.source}` }}</span
              >
            </p>
            <ul>
              <li v-for="e in group.figures" :key="e.note">
                <span class="i">{{ e.note }}</span> {{ firm.say(e.figure.label)
                }}<template v-if="e.figure.zone">, {{ zoneName(e.figure.zone) }}</template
                >: <b>{{ e.value }}</b> = {{ e.formula
                }}<span v-if="e.standing !== group.standing" class="soft"
                  >; weakest input: {{ e.standing }}</span
                ><span v-if="e.school" class="soft">; school: {{ e.school.name }}</span>
              </li>
            </ul>
          </article>
        </div>
      </section>
    </template>
  </div>
</template>

<style>
@page a4 {
  size: A4;
  margin: 10mm 11mm 13mm;
}
@page letter {
  size: letter;
  margin: 0.4in 0.45in 0.55in;
}
.sheets.a4 .page {
  page: a4;
}
.sheets.letter .page {
  page: letter;
}
.sheets .page {
  background: #fff;
  color: #000;
  --soft: #444;
  --rule: #bbb;
  --ink: #000;
  width: 210mm;
  min-height: 297mm;
  margin: 1rem auto;
  padding: 14mm 13mm;
  box-shadow: 0 1px 6px rgb(29 42 34 / 25%);
  font-size: 0.9375rem;
}
.sheets.letter .page {
  width: 8.5in;
  min-height: 11in;
}
.sheets .page h2 {
  font-size: 1.375rem;
}
.sheets .page h3 {
  border-bottom: 1.5px solid #000;
  margin: 0.9rem 0 0.3rem;
  padding-bottom: 0.1rem;
}
.sheets .page td {
  padding: 0.3rem 0.5rem 0.3rem 0;
  line-height: 1.3;
}
.sheets .page tr,
.sheets .page li {
  break-inside: avoid;
}
@media (max-width: 820px) {
  .sheets .page,
  .sheets.letter .page {
    width: auto;
    min-height: 0;
    margin: 0.75rem 0;
    padding: 1rem 0.9rem;
    overflow-x: auto;
  }
}
@media print {
  .sheets .page,
  .sheets.letter .page {
    width: auto;
    min-height: 0;
    margin: 0;
    padding: 0;
    box-shadow: none;
    break-after: page;
    overflow: visible;
  }
  .sheets .page:last-child {
    break-after: auto;
  }
}
</style>
<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
  padding: 0.6rem 1.25rem;
  background: var(--paper-deep);
  border-bottom: 1px solid var(--rule);
}
.tools {
  margin-left: auto;
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.wait {
  padding: 2rem 1.25rem;
}
.notes {
  columns: 2;
  column-gap: 1.5rem;
  font-size: 0.75rem;
  line-height: 1.3;
  padding-top: 0.5rem;
}
.notes article {
  break-inside: avoid-column;
  border-top: 1px solid #bbb;
  padding: 0.25rem 0;
}
.notes article:has(li:nth-child(9)) {
  break-inside: auto;
}
.rule {
  font-weight: 700;
}
.rule .soft {
  font-weight: 400;
}
.i {
  color: #444;
  font-size: 0.6875rem;
}
@media (max-width: 820px) {
  .notes {
    columns: 1;
  }
}
@media print {
  .bar {
    display: none;
  }
}
</style>
