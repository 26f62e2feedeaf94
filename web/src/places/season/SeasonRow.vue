<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { daysBetween, showDay } from '@juvena/core/calendar/day'
import { isBehind } from '@juvena/core/plan/stepState'
import type { SeasonRow } from '@juvena/core/present/seasonRow'
import { OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import WindowRibbon from '../../stages/order/WindowRibbon.vue'
import { useFirm } from '../../stores/firm.ts'

/** One job of the season: its name and state, and its work as cores on its lane. */
const props = defineProps<{ row: SeasonRow; from: string; days: number }>()
const emit = defineEmits<{ archive: [] }>()
const firm = useFirm()
/** Steps of a day lie as one piece; each names its work. */
const pieces = computed(() => {
  const byDay = new Map<string, SeasonRow['steps']>()
  for (const s of props.row.steps) {
    const at = daysBetween(props.from, s.day)
    if (at < 0 || at >= props.days) continue
    byDay.set(s.day, [...(byDay.get(s.day) ?? []), s])
  }
  return [...byDay].map(([day, steps]) => {
    const short = (s: SeasonRow['steps'][number]) => OPERATIONS[s.kind as StepKind].short
    const weighty = [...steps].sort((a, b) => short(b)[1] - short(a)[1])
    const words = [...new Set(weighty.map((s) => firm.say(short(s)[0])).filter(Boolean))]
    const span = Math.min(
      props.days - daysBetween(props.from, day),
      Math.max(...steps.map((s) => s.span)),
    )
    return {
      day,
      column: daysBetween(props.from, day) + 1,
      span,
      sow: steps.some((s) => s.kind === 'sow'),
      done: steps.every(isBehind),
      pinned: steps.some((s) => s.state === 'pinned'),
      words: words.slice(0, 2),
      more: words.length - 2,
      says: `${showDay(day)}: ${steps.map((s) => firm.say(s.name)).join(', ')}`,
    }
  })
})
const STATES = {
  'no-zones': 'to be walked',
  planned: 'planned',
  'under-way': 'under way',
  growing: 'growing',
  done: 'done',
  cannot: 'does not fit',
  failed: 'could not be planned',
  working: 'being planned',
}
</script>

<template>
  <li class="grid row">
    <div class="label">
      <RouterLink class="name" :to="`/jobs/${row.id}`">{{ row.name }}</RouterLink>
      <p class="small soft">
        {{
          [row.area ? firm.hand(row.area, 'm2') : 'no size yet', firm.say(row.approach)]
            .filter(Boolean)
            .join(' · ')
        }}
      </p>
      <p v-if="row.customerDate" class="small soft">
        must look right by {{ showDay(row.customerDate).slice(4) }}
      </p>
      <p class="small" :class="row.trouble ? row.trouble.level : 'soft'">
        {{
          row.trouble
            ? firm.say(row.trouble.title)
            : row.next
              ? `next: ${firm.say(row.next.name)}, ${showDay(row.next.day)}`
              : STATES[row.state]
        }}
      </p>
      <p class="phone-only small">
        {{ STATES[row.state]
        }}<template v-if="row.next">
          ·
          {{
            row.state === 'cannot' ? 'as asked, not before' : `next: ${firm.say(row.next.name)},`
          }}
          {{ showDay(row.next.day) }}</template
        >
      </p>
      <button
        type="button"
        class="plain small away"
        :aria-label="`Archive ${row.name}`"
        @click="emit('archive')"
      >
        archive
      </button>
    </div>
    <div class="lane">
      <WindowRibbon
        v-if="row.window.length"
        class="behind"
        reasons
        :name="`${row.name}, when it could be sown`"
        :spans="row.window"
        :by-grass="row.byGrass"
        :worth="row.worth"
        :from="from"
        :days="days"
        :cut-off="row.cutOff ?? from"
      />
      <RouterLink v-else class="start" :to="`/jobs/${row.id}`">{{
        row.state === 'failed'
          ? 'see what is wrong'
          : row.state === 'working'
            ? 'being planned'
            : 'add the first zone'
      }}</RouterLink>
      <RouterLink v-if="row.state === 'cannot'" class="cannot" :to="`/jobs/${row.id}/order`"
        >does not fit:
        {{
          row.options
            .slice(0, 2)
            .map((o) => firm.say(o))
            .join(', or ')
            .toLowerCase() || 'see why'
        }}</RouterLink
      >
      <div v-else class="pieces">
        <RouterLink
          v-for="p in pieces"
          :key="p.day"
          class="piece"
          :class="{ sow: p.sow, done: p.done, pinned: p.pinned }"
          :to="`/jobs/${row.id}/order`"
          :title="p.says"
          :style="{ gridColumn: `${p.column} / span ${p.span}` }"
        >
          <span v-for="w in p.words" :key="w">{{ w }}</span>
          <span v-if="p.more > 0" class="more">+{{ p.more }}</span>
          <span class="only-read">{{ p.says }}</span>
        </RouterLink>
      </div>
    </div>
  </li>
</template>

<style scoped src="./season.css"></style>
<style scoped>
.row {
  border-bottom: 1px solid var(--rule);
  padding: 0.4rem 0;
}
.row .label {
  position: relative;
}
.name {
  font-weight: 700;
  text-decoration: none;
  display: block;
  line-height: 1.2;
}
.name:hover {
  text-decoration: underline;
}
.row .label p {
  overflow-wrap: anywhere;
}
.hold {
  color: var(--hold);
}
.warn {
  color: var(--sun);
}
.away {
  position: absolute;
  right: 0.2rem;
  bottom: 0;
  background: var(--paper);
  opacity: 0;
}
.row:hover .away,
.away:focus-visible {
  opacity: 1;
}
.phone-only {
  display: none;
}
.behind {
  position: absolute;
  inset: 0;
  height: 100%;
}
.pieces {
  position: relative;
  display: grid;
  grid-template-columns: repeat(24, minmax(0, 1fr));
  align-items: start;
  min-height: 3.9rem;
  pointer-events: none;
}
/* Each lane is a cut through the ground: turf along its top, the season in the soil below, and the work as cores taken from it. */
.row .lane:has(.behind) {
  padding-top: 9px;
}
.row .lane:has(.behind)::before {
  content: '';
  position: absolute;
  inset: 0 0 auto 0;
  height: 9px;
  border-bottom: 2px solid var(--moss);
  background:
    repeating-linear-gradient(101deg, var(--moss) 0 1px, transparent 1px 7px),
    repeating-linear-gradient(78deg, var(--moss) 0 1px, transparent 1px 11px);
  opacity: 0.75;
}
.row .behind {
  top: 9px;
  height: auto;
}
.pieces > * {
  pointer-events: auto;
}
.piece {
  position: relative;
  grid-row: 1;
  margin: 0 1px;
  min-height: 2.5rem;
  padding: 0.15rem 0 0.2rem;
  display: grid;
  align-content: center;
  justify-items: center;
  border: 1.5px solid var(--ink);
  border-top: 0;
  border-radius: 0 0 9px 9px;
  background: var(--sheet);
  text-decoration: none;
  font-size: 0.6875rem;
  line-height: 1.1;
  overflow: hidden;
  text-align: center;
}
.piece span {
  max-width: 100%;
  overflow: hidden;
}
.piece.sow {
  border-bottom: 6px solid var(--moss);
}
.piece.done {
  background: var(--moss-wash);
  border-style: dashed;
}
.piece.pinned {
  border-top: 5px solid var(--ink);
}
.piece:hover {
  background: var(--paper-deep);
}
.cannot {
  position: relative;
  display: grid;
  place-items: center;
  min-height: 2.3rem;
  margin: 0.65rem 8%;
  border: 1.5px dashed var(--hold);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--hold);
  text-decoration: none;
  font-size: 0.875rem;
}
.start {
  display: grid;
  place-items: center start;
  min-height: 3.6rem;
}
@media (max-width: 760px) {
  .pieces,
  .cannot {
    display: none;
  }
  .row .lane {
    height: 0.9rem;
    margin-top: 0.3rem;
  }
  .row .label p {
    white-space: normal;
  }
  .phone-only {
    display: block;
  }
  .away {
    opacity: 1;
  }
}
</style>
