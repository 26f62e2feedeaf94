<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import type { Stage } from '@juvena/core/rules/rule'
import { STAGES } from '@juvena/core/present/spine'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import SoilCore from './SoilCore.vue'

/**
 * The spine: a soil core standing in its tube, one band a stage, each with its result and its
 * marks. On a phone it lies down.
 */
defineProps<{ stage: Stage }>()
const emit = defineEmits<{ go: [stage: Stage] }>()
const firm = useFirm()
const job = useJob()
const all = [1, 2, 3, 4, 5, 6, 7, 8] as const
/** Names that fit under a band of a core that lies down. */
const SHORT: Record<Stage, string> = { ...STAGES, 1: 'Walk', 3: 'Ways', 5: 'Buy', 6: 'Days' }
const band = (s: Stage) => job.bands.find((b) => b.stage === s)
</script>

<template>
  <nav id="stages" tabindex="-1" class="spine" aria-label="Stages of the job">
    <button
      v-for="s in all"
      :key="s"
      type="button"
      class="band"
      :aria-current="s === stage ? 'step' : undefined"
      @click="emit('go', s)"
    >
      <span class="core" :class="{ first: s === 1, last: s === 8 }"><SoilCore :stage="s" /></span>
      <span
        class="short"
        :class="{ told: band(s)?.mark && sure(band(s)).mark !== 'none' }"
        aria-hidden="true"
        >{{ SHORT[s] }}</span
      >
      <span class="text">
        <span class="name">{{ s }} {{ STAGES[s] }}</span>
        <span class="marks">
          <span v-if="job.movedIn(s)" class="mark moved">{{ job.movedIn(s) }} changed</span>
          <span v-if="band(s)?.markSays" class="mark" :class="sure(band(s)).mark">{{
            sure(band(s)).markSays
          }}</span>
        </span>
        <b class="line">{{ firm.say(band(s)?.line ?? '…') }}</b>
        <span class="sub">{{ firm.say(band(s)?.sub ?? '') }}</span>
      </span>
    </button>
  </nav>
</template>

<style scoped>
.spine {
  display: grid;
  grid-template-rows: repeat(8, minmax(4.9rem, 1fr));
  padding: 0.1rem 0 0.9rem 1.25rem;
  min-height: 0;
}
.band {
  display: grid;
  grid-template-columns: 2.75rem 1fr;
  gap: 0.9rem;
  border: 0;
  background: none;
  padding: 0;
  text-align: left;
  cursor: pointer;
  min-width: 0;
}
.core {
  border: 2px solid var(--ink);
  border-width: 0 2px;
  overflow: hidden;
  position: relative;
  min-height: 0;
}
.core::after {
  content: '';
  position: absolute;
  inset: auto 0 0 0;
  height: 2px;
  background: var(--sheet);
}
.core :deep(svg) {
  position: absolute;
  inset: 0;
}
.core.first {
  border-top-width: 2px;
  border-radius: 10px 10px 0 0;
}
.core.last {
  border-bottom-width: 2px;
  border-radius: 0 0 22px 22px;
}
.core.last::after {
  display: none;
}
.band[aria-current] .core {
  box-shadow: inset 0 0 0 4px var(--sheet);
}
.band[aria-current] .core :deep(svg) {
  inset: 4px;
  width: calc(100% - 8px);
  height: calc(100% - 8px);
}
.short {
  display: none;
}
.text {
  display: grid;
  grid-template-columns: auto 1fr;
  align-content: center;
  gap: 0.1rem 0.4rem;
  padding: 0.2rem 0.6rem 0.2rem 0.65rem;
  border-bottom: 1px solid var(--rule);
  border-left: 4px solid transparent;
  min-width: 0;
}
.band:last-child .text {
  border-bottom: 0;
}
.band:hover .text {
  border-left-color: var(--rule-strong);
}
.band[aria-current] .text {
  background: var(--sheet);
  border-left-color: var(--ink);
}
.name {
  font-size: var(--size-small);
  color: var(--soft);
  white-space: nowrap;
}
.marks {
  text-align: right;
  display: flex;
  gap: 0.25rem;
  justify-content: flex-end;
  flex-wrap: wrap;
}
.line,
.sub {
  grid-column: 1 / -1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  line-height: 1.3;
}
.line {
  font-size: 0.9375rem;
}
.sub {
  font-size: 0.75rem;
  color: var(--soft);
}
@media (max-width: 900px) {
  .spine {
    grid-template-rows: none;
    grid-template-columns: repeat(8, minmax(0, 1fr));
    padding: 0.5rem 0.9rem 0;
    grid-auto-rows: auto;
    position: relative;
  }
  .band {
    display: contents;
  }
  .core {
    height: 2.3rem;
    border-width: 2px 0;
    cursor: pointer;
  }
  .core::after {
    inset: 0 0 0 auto;
    height: auto;
    width: 2px;
  }
  .core.first {
    border-left-width: 2px;
    border-radius: 8px 0 0 8px;
  }
  .core.last {
    border-right-width: 2px;
    border-bottom-width: 2px;
    border-radius: 0 18px 18px 0;
  }
  /* Still read aloud. */
  .text {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
    white-space: nowrap;
  }
  .short {
    display: block;
    grid-row: 2;
    text-align: center;
    font-size: 0.6875rem;
    line-height: 1.2;
    padding-top: 0.15rem;
    color: var(--soft);
    overflow: hidden;
    overflow-wrap: anywhere;
    cursor: pointer;
  }
  /* Underlined, not bold: the longest name fills its eighth of a phone's width. */
  .band[aria-current] .short {
    color: var(--ink);
    text-decoration: underline 2px;
    text-underline-offset: 0.15em;
  }
  /* Something to say there: its name is marked, not its colour alone. */
  .short.told::after {
    content: ' !';
    font-weight: 700;
    color: var(--hold);
  }
  .spine {
    padding-bottom: 0.2rem;
  }
}
@media (min-width: 641px) and (max-width: 900px) {
  .band[aria-current] .text {
    position: static;
    width: auto;
    height: auto;
    clip-path: none;
    white-space: normal;
    display: grid;
    grid-column: 1 / -1;
    grid-row: 3;
    border: 0;
    border-bottom: 1px solid var(--rule);
    padding: 0.5rem 0.5rem;
    margin-top: 0.4rem;
  }
}
@media print {
  .spine {
    display: none;
  }
}
</style>
