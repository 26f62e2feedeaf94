<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { daysBetween, showDay } from '@juvena/core/calendar/day'
import { isBehind } from '@juvena/core/plan/stepState'
import type { SeasonLane, SeasonRow } from '@juvena/core/present/seasonRow'
import { OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import { PIECE_NAMES } from '../../parts/pieceNames.ts'
import WindowRibbon from '../../stages/order/WindowRibbon.vue'
import { useFirm } from '../../stores/firm.ts'

/**
 * One piece of work of a job on its lane: a cut through the ground, its season in the soil and the
 * work as cores taken from it. What is due waits for no season, so its lane shows none.
 */
const props = defineProps<{
  row: SeasonRow
  lane: SeasonLane
  steps: SeasonRow['steps']
  from: string
  days: number
  slim: boolean
}>()
const firm = useFirm()
type Step = SeasonRow['steps'][number]
/** Steps of a day lie as one piece; each names its work. */
const pieces = computed(() => {
  const byDay = new Map<string, Step[]>()
  for (const s of props.steps) byDay.set(s.day, [...(byDay.get(s.day) ?? []), s])
  return [...byDay].map(([day, steps]) => {
    const short = (s: Step) => OPERATIONS[s.kind as StepKind].short
    const weighty = [...steps].sort((a, b) => short(b)[1] - short(a)[1])
    const words = [...new Set(weighty.map((s) => firm.say(short(s)[0])).filter(Boolean))]
    const at = daysBetween(props.from, day)
    return {
      day,
      // Opens the step that weighs most of that day.
      to: { path: `/jobs/${props.row.id}/order`, hash: `#step-${weighty[0]!.id}` },
      column: at + 1,
      span: Math.min(props.days - at, Math.max(...steps.map((s) => s.span))),
      sow: steps.some((s) => OPERATIONS[s.kind as StepKind].plants),
      done: steps.every(isBehind),
      pinned: steps.some((s) => s.state === 'pinned'),
      words: words.slice(0, 2),
      more: words.length - 2,
      says: `${showDay(day)}: ${steps.map((s) => firm.say(s.name)).join(', ')}`,
    }
  })
})
const options = computed(() =>
  props.row.options
    .slice(0, 2)
    .map((o) => firm.say(o))
    .join(', or ')
    .toLowerCase(),
)
</script>

<template>
  <div class="lane" :class="{ slim, ground: lane.kind !== 'due' }">
    <WindowRibbon
      v-if="lane.kind !== 'due'"
      class="behind"
      reasons
      :name="`${row.name}, ${PIECE_NAMES[lane.kind]}, its season`"
      :spans="lane.window"
      :by-grass="lane.byGrass"
      :worth="lane.worth"
      :from="from"
      :days="days"
      :cut-off="lane.cutOff"
    />
    <RouterLink v-if="!lane.fits" class="cannot" :to="`/jobs/${row.id}/order`"
      >does not fit: {{ options || 'see why' }}</RouterLink
    >
    <div v-else class="pieces">
      <RouterLink
        v-for="p in pieces"
        :key="p.day"
        class="piece"
        :class="{ sow: p.sow, done: p.done, pinned: p.pinned }"
        :to="p.to"
        :title="p.says"
        :style="{ gridColumn: `${p.column} / span ${p.span}` }"
      >
        <span v-for="w in p.words" :key="w">{{ w }}</span>
        <span v-if="p.more > 0" class="more">+{{ p.more }}</span>
        <span class="only-read">{{ p.says }}</span>
      </RouterLink>
    </div>
  </div>
</template>

<style scoped src="./season.css"></style>
<style scoped>
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
.slim .pieces {
  min-height: 2.75rem;
}
.ground {
  padding-top: 9px;
}
.ground::before {
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
.ground .behind {
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
.lane:not(.ground) .piece {
  border-top: 1.5px solid var(--clay);
}
.piece span {
  max-width: 100%;
  overflow: hidden;
}
.piece:focus-visible {
  overflow: visible;
  z-index: 4;
}
.piece:focus-visible .only-read {
  inset: calc(100% + 0.3rem) auto auto 0;
  width: max-content;
  max-width: 16rem;
  height: auto;
  margin: 0;
  clip-path: none;
  clip: auto;
  white-space: normal;
  text-align: left;
  padding: 0.2rem 0.5rem;
  background: var(--sheet);
  border: 1px solid var(--ink);
  font-size: 0.8125rem;
  line-height: 1.3;
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
@media (max-width: 760px) {
  .pieces,
  .cannot {
    display: none;
  }
  .lane {
    height: 1.25rem;
    margin-top: 0.3rem;
  }
  .lane.slim {
    display: none;
  }
}
</style>
