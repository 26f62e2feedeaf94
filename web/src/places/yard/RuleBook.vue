<script setup lang="ts">
import { ElInput } from 'element-plus'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { namedFormula } from '@juvena/core/present/formulaText'
import { ruleSays } from '@juvena/core/present/explain'
import { STAGES } from '@juvena/core/present/spine'
import { EVIDENCE_NAMES } from '@juvena/core/trace/evidence'
import { bookPages, isRule, type BookPage } from '@juvena/core/ruleBook'
import StandingTag from '../../parts/StandingTag.vue'
import { api } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'
import TradeValueField from './TradeValueField.vue'

/** Every rule the plan works by and every number of the trade: what it says, where it stands, and the firm's own number beside Juvena's. */
const firm = useFirm()
const route = useRoute()
const router = useRouter()
const pages = bookPages()
const search = ref('')
const onlyOwn = ref(false)
const says = (page: BookPage) => (page.rule ? firm.say(ruleSays(page.rule, firm.settings.values)) : page.values.map((v) => v.says).join('; '))
/** Under which heading a page of the book stands. */
const headOf = (page: BookPage | undefined) => (page ? (page.rule ? STAGES[page.rule.stage] : 'Numbers of the trade') : '')
const ownIn = (page: BookPage) => page.values.filter((v) => v.id in firm.settings.values).length
const found = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  return pages.filter((p) => {
    const text = `${firm.say(p.title)} ${says(p)} ${p.values.map((v) => v.says).join(' ')}`.toLowerCase()
    return words.every((w) => text.includes(w)) && (!onlyOwn.value || ownIn(p) > 0)
  })
})
const asked = computed(() => (typeof route.query.rule === 'string' ? route.query.rule : null))
// Unasked, the first page that has a number to set.
const open = computed(() => pages.find((p) => p.id === asked.value) ?? found.value.find((p) => p.values.length > 0) ?? found.value[0] ?? null)
const choose = (id: string) => void router.replace({ query: { ...route.query, rule: id } })
watch(asked, (id) => id && void nextTick(() => document.getElementById(`rule-${id}`)?.scrollIntoView({ block: 'nearest' })), { immediate: true })
const formula = computed(() => (open.value?.rule ? (isRule(open.value.rule) ? namedFormula(open.value.rule) : firm.say(open.value.rule.steps)) : ''))
const changed = computed(() => Object.keys(firm.settings.values).length)

type Use = { id: string; name: string }
const uses = shallowRef<Record<string, Use[]> | null>(null)
void api<{ uses: Record<string, Use[]> }>('GET', '/rules/uses').then(
  (answer) => (uses.value = answer.uses),
  () => (uses.value = {}),
)
const usedIn = computed(() => (open.value?.rule && uses.value ? (uses.value[open.value.rule.id] ?? []) : null))
</script>

<template>
  <div class="book">
    <section class="index" aria-label="Rules">
      <div class="tools">
        <ElInput v-model="search" placeholder="search rules and numbers" aria-label="Search rules and numbers" clearable />
        <button type="button" class="act slight" :aria-pressed="onlyOwn" @click="onlyOwn = !onlyOwn">yours, {{ changed }}</button>
      </div>
      <ul>
        <li v-for="(p, i) in found" :id="`rule-${p.id}`" :key="p.id">
          <span v-if="headOf(p) !== headOf(found[i - 1])" class="head small">{{ headOf(p) }}</span>
          <button type="button" :aria-current="p === open ? 'true' : undefined" @click="choose(p.id)">
            <b>{{ firm.say(p.title) }}</b> <span v-if="ownIn(p)" class="tag reading">{{ ownIn(p) }} yours</span>
            <span class="small soft">{{ says(p) }}</span>
          </button>
        </li>
        <li v-if="found.length === 0" class="soft none">
          {{ onlyOwn && !search ? 'You go by Juvena’s numbers throughout. Set one of your own on any rule.' : 'No rule or number speaks of that.' }}
        </li>
      </ul>
    </section>
    <article v-if="open" class="page" aria-live="polite">
      <h2>{{ firm.say(open.title) }}</h2>
      <p class="lead">{{ open.rule ? says(open) : 'Numbers that several rules go by.' }}</p>
      <template v-if="open.rule">
        <p class="formula">
          <template v-for="(part, i) in formula.split('; ')" :key="i"><br v-if="i" />{{ part }}</template>
        </p>
        <p class="stand">
          <StandingTag :standing="open.rule.standing" />
          <span v-if="open.rule.source !== EVIDENCE_NAMES[open.rule.standing]" class="small soft">{{ open.rule.source }}</span>
        </p>
      </template>
      <template v-if="open.values.length">
        <h3 class="ruled">Numbers <span class="soft">your number counts wherever it is used, from now on</span></h3>
        <ul class="values">
          <TradeValueField v-for="v in open.values" :key="v.id" :of="v" />
        </ul>
      </template>
      <p v-else class="soft">No number in it is open to choice.</p>
      <template v-if="usedIn">
        <h3 class="ruled">Used in these jobs</h3>
        <p v-if="usedIn.length === 0" class="soft">In none of the jobs of this season.</p>
        <ul v-else class="uses">
          <li v-for="u in usedIn" :key="u.id">
            <RouterLink :to="`/jobs/${u.id}/walk-over`">{{ u.name || 'Job without a name' }}</RouterLink>
          </li>
        </ul>
      </template>
    </article>
  </div>
</template>

<style scoped>
.book {
  display: grid;
  grid-template-columns: minmax(17rem, 24rem) minmax(0, 1fr);
  gap: 1.5rem;
  align-items: start;
}
.tools {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  padding-bottom: 0.5rem;
}
.tools .act {
  flex: none;
}
.index ul {
  max-height: calc(100vh - 13rem);
  min-height: 20rem;
  overflow-y: auto;
  border-top: 1px solid var(--rule-strong);
}
.index li {
  border-bottom: 1px solid var(--rule);
}
.index button:not(.act) {
  display: block;
  width: 100%;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: left;
  padding: 0.4rem 0.6rem;
  line-height: 1.3;
  cursor: pointer;
}
.index button:not(.act):hover {
  background: var(--paper-deep);
}
.index button[aria-current='true'] {
  background: var(--sheet);
  box-shadow: inset 4px 0 0 var(--clay);
}
.head {
  display: block;
  padding: 0.5rem 0.6rem 0.2rem;
  color: var(--soft);
  font-weight: 700;
  background: var(--paper-deep);
}
.index button .small {
  display: -webkit-box;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.none {
  padding: 0.6rem;
}
.page {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 1rem 1.25rem 1.25rem;
}
.page h2 {
  margin: 0 0 0.3rem;
}
.lead {
  line-height: 1.4;
  max-width: 46rem;
}
.formula {
  margin: 0.7rem 0;
  padding: 0.6rem 0.8rem;
  border: 1px solid var(--rule);
  background: var(--paper);
  overflow-wrap: anywhere;
}
.stand {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  flex-wrap: wrap;
}
.ruled {
  margin-top: 1.1rem;
}
.uses {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1.25rem;
  padding-top: 0.4rem;
}
@media (max-width: 860px) {
  .book {
    grid-template-columns: 1fr;
  }
  .index ul {
    max-height: 16rem;
    min-height: 0;
  }
}
</style>
