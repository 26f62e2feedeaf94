<script setup lang="ts">
import { computed, ref } from 'vue'
import { TAKE_CAUSES, type Sign } from '@juvena/core/establish/take/causes'
import type { Evidence, RankedCause } from '@juvena/core/establish/take/judgeTake'
import { useFirm } from '../../../stores/firm.ts'

/** Causes, likeliest first, each with what speaks for and against it; the rest on demand. */
const props = defineProps<{ causes: readonly RankedCause[] }>()
const firm = useFirm()
const all = ref(false)
/** Under so much a cause is only listed when all are asked for, %. */
const LEAST = 4
const MOST = 4
const some = computed(() =>
  props.causes.filter((c, i) => i === 0 || (c.share >= LEAST && i < MOST)),
)
const shown = computed(() => (all.value ? props.causes : some.value))
const open = ref<string | null>(null)
const words = (list: readonly Evidence[]) => list.map((e) => firm.say(e.says)).join('; ')
const factor = (e: Evidence) =>
  e.factor >= 1
    ? `${e.factor < 10 ? e.factor.toFixed(1) : Math.round(e.factor)} × as likely`
    : `${1 / e.factor < 10 ? (1 / e.factor).toFixed(1) : Math.round(1 / e.factor)} × less likely`
const signs = (c: RankedCause): Evidence[] => [...c.for, ...c.against]
const key = (e: { sign: Sign }) => e.sign
</script>

<template>
  <div>
    <ol class="causes">
      <li v-for="c in shown" :key="c.cause">
        <div class="name">
          <b>{{ firm.say(TAKE_CAUSES[c.cause].name) }}</b>
          <div class="bar" aria-hidden="true"><i :style="{ width: `${c.share}%` }"></i></div>
        </div>
        <div class="small">
          <p v-if="c.for.length"><span class="for">for</span> {{ words(c.for) }}</p>
          <p v-if="c.against.length"><span class="against">against</span> {{ words(c.against) }}</p>
          <p v-if="!c.for.length && !c.against.length" class="soft">
            nothing seen speaks for or against it
          </p>
          <ul v-if="open === c.cause" class="soft">
            <li v-for="e in signs(c)" :key="key(e)">
              {{ firm.say(e.says) }}: {{ factor(e) }} than with the other causes
            </li>
          </ul>
        </div>
        <button
          type="button"
          class="share"
          :aria-expanded="open === c.cause"
          :aria-label="`${Math.round(c.share)} %: how ${firm.say(TAKE_CAUSES[c.cause].name)} comes to it`"
          @click="open = open === c.cause ? null : c.cause"
        >
          {{ Math.round(c.share) }} %
        </button>
      </li>
    </ol>
    <button
      v-if="causes.length > some.length"
      type="button"
      class="plain small"
      @click="all = !all"
    >
      {{ all ? 'the likely ones' : `all ${causes.length} causes` }}
    </button>
  </div>
</template>

<style scoped>
.causes > li {
  display: grid;
  grid-template-columns: 13rem minmax(0, 1fr) auto;
  gap: 0.2rem 1rem;
  padding: 0.5rem 0;
  border-bottom: 1px solid var(--rule);
}
.bar {
  height: 0.6rem;
  margin-top: 0.3rem;
  background: var(--paper-deep);
  border-radius: 999px;
  overflow: hidden;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--clay);
  border-radius: 999px;
  min-width: 3px;
}
.for {
  color: var(--moss);
  font-weight: 700;
}
.against {
  color: var(--hold);
  font-weight: 700;
}
.share {
  border: 0;
  background: none;
  padding: 0;
  cursor: pointer;
  font-weight: 700;
  font-size: 1.125rem;
  align-self: start;
  min-width: 3.4rem;
  text-align: right;
  text-decoration: underline dotted 1px;
  text-underline-offset: 4px;
}
@media (max-width: 760px) {
  .causes > li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .causes > li > .small {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
</style>
