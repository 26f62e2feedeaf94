<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, defineAsyncComponent, inject, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import { CAUTIONS } from '@juvena/core/reference/cautions'
import { STAGES } from '@juvena/core/present/spine'
import type { Stage } from '@juvena/core/rules/rule'
import { figureInputs } from '@juvena/core/trace/figure'
import { explain } from '@juvena/core/present/explain'
import type { SchoolChoiceId } from '@juvena/core/reference/schools'
import type { Unit } from '@juvena/core/quantities/show'
import NoticeCard from '../../parts/NoticeCard.vue'
import SchoolChoice from '../../parts/SchoolChoice.vue'
import ZoneSummary from '../../stages/walkover/ZoneSummary.vue'

import StandingTag from '../../parts/StandingTag.vue'
import { WORKING } from '../../parts/working.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/**
 * The working of the chosen figure, each input opening in turn; with none chosen, what this stage
 * warns of, its schools and its cautions.
 */
const props = defineProps<{ stage: Stage; within?: boolean }>()
const firm = useFirm()
const job = useJob()
const working = sure(inject(WORKING))
const route = useRoute()
const ShapeCard = defineAsyncComponent(() => import('../../stages/walkover/plan/ShapeCard.vue'))
const trail = ref<string[]>([])

const explained = computed(() =>
  working.chosen.value && job.plan ? explain(job.plan, working.chosen.value, firm.reader) : null,
)
const inputsOf = (id: string) => {
  const f = job.figure(id)
  return f ? figureInputs(f) : []
}
const zoneName = (id?: string) => job.plan?.zones.find((z) => z.id === id)?.name
watch(working.chosen, (id) => {
  if (!id || !trail.value.some((t) => inputsOf(t).includes(id))) trail.value = []
})
function open(id: string) {
  if (working.chosen.value) trail.value = [...trail.value, working.chosen.value]
  working.choose(id)
}
function back() {
  const last = trail.value.at(-1)
  trail.value = trail.value.slice(0, -1)
  working.choose(last ?? null)
}
const was = computed(() => {
  const f = explained.value?.figure
  return f && job.moved.has(f.id) ? firm.text(sure(job.moved.get(f.id)), f.unit as Unit) : ''
})

const STAGE_SCHOOLS: Record<Stage, SchoolChoiceId[]> = {
  1: [],
  2: ['cover'],
  3: ['cover', 'weeds'],
  4: ['cutOff'],
  5: ['dressing', 'phosphorus'],
  6: ['season', 'cutOff', 'stands', 'late', 'warm', 'order', 'cores', 'feed', 'weeds'],
  7: ['watering', 'run'],
  8: ['firstMow'],
}
/** What the middle of the page says already: Materials its own, Order of work what does not fit. */
const saidThere = computed(
  () =>
    props.stage === 5 ||
    (props.stage === 6 && job.plan?.notices.some((n) => n.kind === 'does-not-fit')),
)
const notices = computed(
  () =>
    job.plan?.notices
      .filter(
        (n) =>
          (n.stage === props.stage && n.stage !== 5) ||
          (n.level === 'hold' && n.kind === 'does-not-fit'),
      )
      .filter((n) => props.stage !== 6 || n.kind !== 'does-not-fit') ?? [],
)
const cautions = computed(() => {
  if (props.stage < 5) return []
  const here = (kind: StepKind) => props.stage === 6 || OPERATIONS[kind].cautionsAt === props.stage
  const keys = new Set(job.plan?.steps.filter((s) => here(s.kind)).flatMap((s) => s.cautions) ?? [])
  return [...keys].map((k) => CAUTIONS[k])
})
</script>

<template>
  <component
    :is="within ? 'section' : 'aside'"
    class="working"
    aria-label="Working"
    aria-live="polite"
  >
    <template v-if="explained">
      <p class="where">
        <button v-if="trail.length" type="button" class="plain" @click="back">back</button>
        <span
          >Working ·
          {{
            [zoneName(explained.figure.zone), firm.say(explained.figure.label)]
              .filter(Boolean)
              .join(', ')
          }}</span
        >
        <button
          type="button"
          class="plain close"
          aria-label="Close the working"
          @click="working.choose(null)"
        >
          close
        </button>
      </p>
      <p class="value">
        {{ firm.show(explained.figure.value, explained.figure.unit).number }}
        <span>{{ firm.show(explained.figure.value, explained.figure.unit).unit }}</span>
      </p>
      <p class="formula">
        <template v-for="(part, i) in explained.formula.split('; ')" :key="i"
          ><br v-if="i" />{{ part }}</template
        >
      </p>
      <p class="says">{{ explained.says }}</p>
      <p class="standing">
        <StandingTag :standing="explained.rule.standing" />
        <template v-if="explained.figure.standing !== explained.rule.standing"
          ><StandingTag :standing="explained.figure.standing" />
          <span class="small">weakest input</span></template
        >
        <span class="small soft source">{{ explained.rule.source }}</span>
      </p>
      <p v-if="explained.school" class="school">
        <b>School: {{ explained.school.name }}.</b> {{ explained.school.says }}
      </p>
      <ul v-if="explained.inputs.length" class="inputs">
        <li v-for="f in explained.inputs" :key="f.id">
          <button type="button" @click="open(f.id)">
            <span
              >{{ firm.say(f.label)
              }}<template v-if="f.zone && f.zone !== explained.figure.zone"
                >, {{ zoneName(f.zone) }}</template
              ></span
            >
            <b>{{ firm.text(f.value, f.unit) }}</b>
            <StandingTag :standing="f.standing" />
          </button>
        </li>
      </ul>
      <ul
        v-if="explained.values.length"
        class="numbers"
        aria-label="Numbers of the trade it goes by"
      >
        <li v-for="v in explained.values" :key="v.id">
          <span
            >{{ v.says }} <b>{{ v.value }}</b><template v-if="v.instead"
              >, yours; Juvena’s is {{ v.instead }}</template
            ></span
          >
          <span class="small soft">{{ v.standing }}</span>
        </li>
        <li>
          <RouterLink class="small" :to="`/yard/rules?rule=${explained.rule.id}`"
            >change it in the rule book</RouterLink
          >
        </li>
      </ul>
      <section v-if="explained.instead">
        <h3>Overridden by you</h3>
        <p>The plan would have said {{ explained.instead }}.</p>
      </section>
      <section v-if="was">
        <h3>Moved from {{ was }}</h3>
        <p>since you last looked at {{ STAGES[explained.figure.stage] }}.</p>
      </section>
      <section v-if="explained.change">
        <h3>What would change it</h3>
        <p>{{ explained.change }}</p>
      </section>
    </template>
    <template v-else>
      <template v-if="stage === 1">
        <ShapeCard v-if="route.query.part === 'plan' && route.query.shape" />
        <ZoneSummary />
      </template>
      <p v-else class="where">
        <span>{{ STAGES[stage] }}: what to watch</span>
      </p>
      <NoticeCard v-for="n in notices" :key="n.id" :notice="n" />
      <p v-if="notices.length === 0 && stage !== 1" class="soft">
        {{ saidThere ? '' : 'No warnings here.' }} Choose any figure with dots under it to see its
        working.
      </p>
      <section v-if="STAGE_SCHOOLS[stage].length" class="schools">
        <h3>Schools, for this job</h3>
        <SchoolChoice v-for="c in STAGE_SCHOOLS[stage]" :key="c" :choice="c" />
      </section>
      <section v-if="cautions.length">
        <h3>Cautions</h3>
        <ul class="cautions">
          <li v-for="c in cautions" :key="c">{{ c }}</li>
        </ul>
        <p class="small soft">
          Juvena advises; local code, the label and the licensed applicator decide.
        </p>
      </section>
    </template>
  </component>
</template>

<style scoped>
.working {
  padding: 0.9rem 1.1rem 1.5rem;
  display: flex;
  flex-direction: column;
  gap: 0.7rem;
  min-width: 0;
}
.where {
  display: flex;
  gap: 0.6rem;
  font-size: var(--size-small);
  color: var(--soft);
}
.where span {
  flex: 1;
}
.value {
  font-size: 2.25rem;
  font-weight: 700;
  line-height: 1.05;
  overflow-wrap: anywhere;
}
.value span {
  font-size: 1.0625rem;
  font-weight: 400;
}
.formula {
  border: 1px solid var(--rule);
  background: var(--sheet);
  padding: 0.6rem 0.75rem;
  font-weight: 700;
  overflow-wrap: anywhere;
}
.says,
.school,
section p,
.cautions {
  font-size: 0.9375rem;
  line-height: 1.35;
}
.standing {
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem;
  align-items: center;
}
.source {
  flex-basis: 100%;
}
.numbers li {
  display: flex;
  justify-content: space-between;
  gap: 0.6rem;
  padding: 0.2rem 0;
  line-height: 1.3;
  font-size: 0.86rem;
}
.numbers .soft {
  flex: none;
}
.inputs li {
  border-bottom: 1px solid var(--rule);
}
.inputs button {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0.1rem 0.75rem;
  justify-items: start;
  width: 100%;
  padding: 0.4rem 0;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
  line-height: 1.25;
  font-size: 0.9375rem;
}
.inputs button:hover b {
  text-decoration: underline dotted;
}
.inputs b {
  justify-self: end;
  text-align: right;
}
section {
  border-top: 1px solid var(--ink);
  padding-top: 0.5rem;
}
.schools {
  display: flex;
  flex-direction: column;
  gap: 0.7rem;
}
.cautions li {
  padding-left: 0.9rem;
  text-indent: -0.9rem;
  margin-top: 0.25rem;
}
.cautions li::before {
  content: '▲ ';
  color: var(--hold);
  font-size: 0.7rem;
}
</style>
