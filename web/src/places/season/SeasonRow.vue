<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { daysBetween, showDay } from '@juvena/core/calendar/day'
import type { SeasonRow } from '@juvena/core/present/seasonRow'
import { PIECE_NAMES } from '../../parts/pieceNames.ts'
import { useFirm } from '../../stores/firm.ts'
import SeasonLane from './SeasonLane.vue'

/** One job of the season: its name and state, and a lane for each piece of its work. */
const props = defineProps<{ row: SeasonRow; from: string; days: number }>()
const emit = defineEmits<{ archive: [] }>()
const firm = useFirm()
const inView = computed(() =>
  props.row.steps.filter((s) => {
    const at = daysBetween(props.from, s.day)
    return at >= 0 && at < props.days
  }),
)
/** The lane of what the job is about, and those with work in the days shown; due work shares one. */
const lanes = computed(() => {
  const due = new Set(props.row.lanes.filter((l) => l.kind === 'due').map((l) => l.id))
  const dueLane = props.row.lanes.find((l) => l.kind === 'due' && l !== props.row.lanes[0])
  return props.row.lanes
    .map((lane, i) => ({
      lane,
      leads: i === 0,
      steps: inView.value.filter((s) =>
        lane === dueLane
          ? due.has(s.lane) && s.lane !== props.row.lanes[0]?.id
          : s.lane === lane.id,
      ),
    }))
    .filter(
      ({ lane, leads, steps }) =>
        leads || (steps.length > 0 && (lane.kind !== 'due' || lane === dueLane)),
    )
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
    <template v-for="l in lanes" :key="l.lane.id">
      <p v-if="!l.leads" class="beside small soft">
        {{ [PIECE_NAMES[l.lane.kind], ...l.lane.zones].join(', ') }}
      </p>
      <SeasonLane
        :row="row"
        :lane="l.lane"
        :steps="l.steps"
        :from="from"
        :days="days"
        :slim="!l.leads"
      />
    </template>
    <RouterLink v-if="lanes.length === 0" class="start" :to="`/jobs/${row.id}`">{{
      row.state === 'failed'
        ? 'see what is wrong'
        : row.state === 'working'
          ? 'being planned'
          : 'add the first zone'
    }}</RouterLink>
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
.beside {
  align-self: center;
  text-align: right;
  overflow-wrap: anywhere;
}
.start {
  display: grid;
  place-items: center start;
  min-height: 3.6rem;
}
@media (max-width: 760px) {
  .beside {
    display: none;
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
