<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, inject } from 'vue'
import type { Unit } from '@juvena/core/quantities/show'
import type { Figure } from '@juvena/core/trace/figure'
import { otherYear } from './otherYear.ts'
import { useFirm } from '../stores/firm.ts'
import { useJob } from '../stores/job.ts'
import { WORKING } from './working.ts'

/**
 * A worked figure: press it to see its working. When it has moved since it was last looked at, the
 * old value stands beside it.
 */
const props = defineProps<{
  id: string | null | undefined
  size?: 'big' | 'normal'
  label?: string
  exact?: boolean
  one?: boolean
}>()
const firm = useFirm()
const job = useJob()
const working = inject(WORKING, null)

const figure = computed(() => job.figure(props.id))
/** A doubt is told to one figure. */
function oneFigure({ value, unit }: Figure) {
  const told = firm.doubt(Number(value), Number(value), unit)
  return { number: told.doubt, unit: told.unit }
}
const seen = computed(() => {
  const f = figure.value
  if (!f) return { number: '—', unit: '' }
  return props.one
    ? oneFigure(f)
    : props.exact
      ? firm.show(f.value, f.unit)
      : firm.showForHand(f.value, f.unit)
})
const year = computed(() => otherYear(figure.value, job.today))
const was = computed(() => {
  const f = figure.value
  if (!f || !job.moved.has(f.id)) return ''
  return firm.hand(sure(job.moved.get(f.id)), f.unit as Unit)
})
const name = computed(() => firm.say(props.label ?? figure.value?.label ?? 'Figure'))
</script>

<template>
  <button
    v-if="figure"
    type="button"
    class="figure"
    :class="[
      size === 'big' ? 'large' : '',
      {
        chosen: working?.chosen.value === figure.id,
        moved: was,
        day: figure.unit === 'date',
        whole: figure.unit !== 'text' && figure.unit !== 'date',
        assumed: figure.standing === 'assumed',
      },
    ]"
    @click="working?.choose(figure.id)"
  >
    <span class="only-read">{{ name }}:{{ was ? ' was' : '' }} </span><s v-if="was">{{ was }}</s>
    <span class="number">{{ seen.number }}</span><span v-if="seen.unit || year" class="unit">{{
      ' ' + (seen.unit || year)
    }}</span
    ><span class="only-read">; show its working</span>
  </button>
  <span v-else class="none" aria-label="none">·</span>
</template>

<style scoped>
.figure {
  position: relative;
  border: 0;
  background: none;
  padding: 0 0.1rem;
  cursor: pointer;
  text-align: inherit;
  line-height: 1.25;
  max-width: 100%;
}
.number {
  font-size: 1.0625rem;
  border-bottom: 1.5px dotted var(--rule-strong);
}
.unit {
  font-size: 0.75rem;
  color: var(--soft);
  white-space: pre;
}
.whole {
  white-space: nowrap;
}
.day .number {
  white-space: nowrap;
}
.day .unit {
  display: block;
}
.large .number {
  font-size: 1.4375rem;
  font-weight: 700;
}
.large .unit {
  font-weight: 700;
}
.figure:hover .number {
  border-bottom-color: var(--ink);
}
.chosen {
  background: var(--clay-wash);
  box-shadow: 0 0 0 2px var(--clay);
  border-radius: 1px;
}
.assumed .number {
  border-bottom: 1.5px dashed var(--sun-mark);
}
s {
  display: block;
  font-size: 0.75rem;
  color: var(--clay);
}
.none {
  color: var(--soft);
}
</style>
