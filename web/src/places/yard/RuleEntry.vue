<script setup lang="ts">
import type { Answer } from '../../../../contract/answers.ts'
import { computed, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { namedFormula } from '@juvena/core/present/formulaText'
import { ruleSays } from '@juvena/core/present/explain'
import { isRule, type BookPage } from '@juvena/core/ruleBook'
import { EVIDENCE_NAMES } from '@juvena/core/rules/evidence'
import StandingTag from '../../parts/StandingTag.vue'
import { api } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'
import TradeValueField from './TradeValueField.vue'

/**
 * One rule of the book: what it says, and opened its formula, its numbers, where it comes from and
 * which jobs go by it. The firm's own numbers show either way.
 */
const props = defineProps<{ of: BookPage; open: boolean }>()
const emit = defineEmits<{ toggle: [] }>()
const firm = useFirm()
const says = computed(() =>
  props.of.rule
    ? firm.say(ruleSays(props.of.rule, firm.settings.values))
    : 'Numbers that several rules go by.',
)
const formula = computed(() =>
  props.of.rule
    ? isRule(props.of.rule)
      ? namedFormula(props.of.rule)
      : firm.say(props.of.rule.steps)
    : '',
)

/** The jobs that go by it: asked for once it is opened. */
const usedIn = shallowRef<Answer<'uses'> | null>(null)
watch(
  () => (props.open ? props.of.rule?.id : undefined),
  async (rule) => {
    usedIn.value = null
    if (rule)
      usedIn.value = await api<Answer<'uses'>>('GET', `/rules/${rule}/uses`).catch(() => null)
  },
  { immediate: true },
)
const own = computed(() => props.of.values.filter((v) => v.id in firm.settings.values))
</script>

<template>
  <li class="entry" :class="{ open }">
    <button type="button" class="title" :aria-expanded="open" @click="emit('toggle')">
      <b>{{ firm.say(of.title) }}</b>
      <span v-if="own.length" class="tag reading">{{ own.length }} yours</span>
      <StandingTag v-if="of.rule" :standing="of.rule.standing" />
    </button>
    <p class="says">{{ says }}</p>
    <ul v-if="!open && own.length" class="own small">
      <li v-for="v in own" :key="v.id">
        {{ v.says }}: <b>{{ firm.text(firm.settings.values[v.id]!, v.unit) }}</b>
        <span class="soft">, Juvena’s is {{ firm.text(v.is, v.unit) }}</span>
      </li>
    </ul>
    <template v-if="open">
      <p v-if="of.rule" class="formula">
        <template v-for="(part, i) in formula.split('; ')" :key="i"
          ><br v-if="i" />{{ part }}</template
        >
      </p>
      <p v-if="of.rule && of.rule.source !== EVIDENCE_NAMES[of.rule.standing]" class="small soft">
        {{ of.rule.source }}
      </p>
      <ul v-if="of.values.length" class="values">
        <TradeValueField v-for="v in of.values" :key="v.id" :of="v" />
      </ul>
      <p v-else class="small soft">No number in it is open to choice.</p>
      <p v-if="usedIn" class="small uses">
        <template v-if="usedIn.total">
          Used in{{ usedIn.total > usedIn.jobs.length ? ` ${usedIn.total} jobs, among them` : '' }}:
          <RouterLink v-for="u in usedIn.jobs" :key="u.id" :to="`/jobs/${u.id}/walk-over`">{{
            u.name || 'Job without a name'
          }}</RouterLink>
        </template>
        <span v-else class="soft">Used in none of the jobs of this season.</span>
      </p>
    </template>
  </li>
</template>

<style scoped>
.entry {
  border-top: 1px solid var(--rule);
  padding: 0.55rem 0 0.6rem;
  break-inside: avoid;
}
.entry.open {
  border-top: 2px solid var(--ink);
}
.title {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.6rem;
  align-items: baseline;
  width: 100%;
  border: 0;
  padding: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: left;
  cursor: pointer;
}
.title b {
  text-decoration: underline dotted;
  text-underline-offset: 0.2em;
}
.says {
  line-height: 1.35;
  font-size: 0.9375rem;
  max-width: 46rem;
}
.own {
  margin: 0.2rem 0 0;
  padding: 0;
  list-style: none;
}
.formula {
  margin: 0.5rem 0;
  padding: 0.5rem 0.7rem;
  border: 1px solid var(--rule);
  background: var(--paper);
  overflow-wrap: anywhere;
}
.uses {
  display: flex;
  flex-wrap: wrap;
  gap: 0.15rem 0.9rem;
  padding-top: 0.4rem;
}
</style>
