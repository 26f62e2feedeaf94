<script setup lang="ts">
import { computed, provide, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { explain, type Explained } from '@juvena/core/working/explain'
import { rememberJob } from '../../parts/keys.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import CrewSheet from './CrewSheet.vue'
import CustomerSheet from './CustomerSheet.vue'
import { NOTES, printedFigures } from './notes.ts'
import WaterSheet from './WaterSheet.vue'

/** The printed job sheets: customer, crew, watering, and where every number comes from. */
const firm = useFirm()
const job = useJob()
const route = useRoute()
watch(
  () => String(route.params.id),
  (id) => {
    rememberJob(id)
    void job.open(id)
  },
  { immediate: true },
)
const ids = computed(() => (job.plan ? printedFigures(job.plan) : []))
provide(
  NOTES,
  computed(() => new Map(ids.value.map((id, i) => [id, i + 1]))),
)
const workings = computed(() => (job.plan ? ids.value.map((id) => explain(job.plan!.figures, id, firm.units)).filter((e): e is Explained => e !== null) : []))
const zoneName = (id?: string) => job.plan?.zones.find((z) => z.id === id)?.name
const print = () => window.print()
const ready = computed(() => job.plan && job.draft)
</script>

<template>
  <div class="sheets" :class="firm.settings.paper">
    <header class="bar">
      <RouterLink class="act" :to="`/jobs/${route.params.id}`">Back to the job</RouterLink>
      <h1>Job sheets</h1>
      <span class="tools">
        <button v-for="p in ['a4', 'letter'] as const" :key="p" type="button" class="act slight" :aria-pressed="firm.settings.paper === p" @click="firm.change({ paper: p })">{{ p === 'a4' ? 'A4' : 'Letter' }}</button>
        <button type="button" class="act slight" @click="firm.toggleUnits()">{{ firm.units === 'metric' ? 'm² · kg' : 'ft² · lb' }}</button>
        <button type="button" class="act main" :disabled="!ready" @click="print">Print</button>
      </span>
    </header>
    <p v-if="job.loadFailure" class="soft wait">{{ job.loadFailure }}</p>
    <p v-else-if="!ready" class="soft wait">Working it out…</p>
    <template v-else>
      <CustomerSheet class="page" />
      <CrewSheet class="page" />
      <WaterSheet v-if="job.plan!.follow.water" class="page" />
      <section class="page">
        <h2>Where the numbers come from</h2>
        <p class="small soft">Planned {{ firm.day(job.plan!.today) }} for {{ job.draft!.name }}, version {{ job.revision }}. The small numbers on the sheets lead here.</p>
        <table class="notes">
          <tbody>
            <tr v-for="(e, i) in workings" :key="e.figure.id">
              <td class="i">{{ i + 1 }}</td>
              <td>{{ firm.say(e.figure.label) }}<template v-if="e.figure.zone">, {{ zoneName(e.figure.zone) }}</template></td>
              <td class="n">
                <b>{{ firm.say(e.value) }}</b>
              </td>
              <td>{{ firm.say(e.formula) }}</td>
              <td class="soft">{{ e.ruleStanding }}<template v-if="e.standing !== e.ruleStanding">; weakest input: {{ e.standing }}</template>. {{ firm.say(e.rule.says) }}<template v-if="e.school"> School: {{ e.school.name }}.</template></td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>

<style>
@page a4 {
  size: A4;
  margin: 14mm 13mm;
}
@page letter {
  size: letter;
  margin: 0.55in 0.5in;
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
  .sheets .bar {
    display: none;
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
  gap: 0.5rem;
  align-items: center;
}
.wait {
  padding: 2rem 1.25rem;
}
.notes td {
  font-size: 0.75rem;
  padding: 0.18rem 0.5rem 0.18rem 0 !important;
}
.notes .i {
  color: #444;
  width: 1.6rem;
}
.notes .n {
  white-space: nowrap;
}
</style>
