<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import {
  COVER_PARTS,
  fromQuadrats,
  fromPointCounts,
  type CoverPart,
  type Tally,
} from '@juvena/core/cover/coverCount'
import type { ZoneDraft } from '@juvena/core/entities/job'
import { showNumber } from '@juvena/core/quantities/show'
import { useJob } from '../../../stores/job.ts'

/** Cover counted on the spot: step and look, a tap each; or throws of a frame. */
const props = defineProps<{ zone: ZoneDraft }>()
const emit = defineEmits<{
  set: [key: 'pointCounts', value: Tally | null] | [key: 'quadrats', value: Tally[]]
}>()
const job = useJob()
const route = useRoute()
const pads = ref<HTMLElement | null>(null)
// Whoever comes to count finds the pads under the thumb.
onMounted(() => route.query.count === 'yes' && pads.value?.scrollIntoView({ block: 'center' }))
const NAMES: Record<CoverPart, string> = {
  wanted: 'wanted',
  weeds: 'weed',
  moss: 'moss',
  bare: 'bare',
}
const method = ref<'step' | 'frame'>(
  (props.zone.quadrats ?? []).length > 0 && !props.zone.pointCounts ? 'frame' : 'step',
)
const none = (): Tally => ({ wanted: 0, weeds: 0, moss: 0, bare: 0 })
const points = computed<Tally>(() => ({ ...none(), ...props.zone.pointCounts }))
const quadrats = computed(() =>
  (props.zone.quadrats ?? []).map((f): Tally => ({ ...none(), ...f })),
)
const last = ref<CoverPart[]>([])
const setPoints = (tally: Tally | null) => emit('set', 'pointCounts', tally)
function tap(part: CoverPart) {
  erased.value = null
  last.value = [...last.value, part]
  setPoints({ ...points.value, [part]: points.value[part] + 1 })
}
function back() {
  const part = last.value.at(-1)
  if (!part) return
  last.value = last.value.slice(0, -1)
  setPoints({ ...points.value, [part]: Math.max(0, points.value[part] - 1) })
}
/** The count that “start again” cleared, until another look is taken. */
const erased = ref<Tally | null>(null)
const looks = (t: Tally) => COVER_PARTS.reduce((sum, p) => sum + t[p], 0)
function clear() {
  erased.value = points.value
  last.value = []
  setPoints(null)
}
function restore() {
  setPoints(erased.value)
  erased.value = null
}
const typed = ref<Record<CoverPart, string>>({ wanted: '', weeds: '', moss: '', bare: '' })
const throwNow = computed<Tally | null>(() => {
  const n = COVER_PARTS.map((p) =>
    typed.value[p].trim() === '' ? 0 : Number(typed.value[p].replace('%', '').trim()),
  )
  if (n.some((x) => !Number.isFinite(x) || x < 0 || x > 100_000) || n.every((x) => x === 0))
    return null
  return { wanted: n[0]!, weeds: n[1]!, moss: n[2]!, bare: n[3]! }
})
const said = computed(
  () => COVER_PARTS.some((p) => typed.value[p].trim() !== '') && !throwNow.value,
)
function addThrow() {
  if (!throwNow.value) return
  emit('set', 'quadrats', [...quadrats.value, throwNow.value])
  typed.value = { wanted: '', weeds: '', moss: '', bare: '' }
}
const dropThrow = () => emit('set', 'quadrats', quadrats.value.slice(0, -1))
const count = computed(() =>
  method.value === 'step' ? fromPointCounts(points.value) : fromQuadrats(quadrats.value),
)
const planned = computed(() => job.plan?.survey.zones[props.zone.id]?.counted ?? null)
const overruled = computed(
  () =>
    props.zone.cover?.wanted !== undefined &&
    props.zone.cover.wanted !== null &&
    props.zone.cover.wanted !== '',
)
const round = (x: number) => showNumber(Math.round(x))
</script>

<template>
  <div ref="pads" class="count">
    <p class="row">
      <span class="field-label">Count it</span>
      <button
        type="button"
        class="act slight"
        :aria-pressed="method === 'step'"
        @click="method = 'step'"
      >
        step and look
      </button>
      <button
        type="button"
        class="act slight"
        :aria-pressed="method === 'frame'"
        @click="method = 'frame'"
      >
        throw a frame
      </button>
    </p>
    <div v-if="method === 'step'" class="taps">
      <button
        v-for="p in COVER_PARTS"
        :key="p"
        type="button"
        class="tap"
        :class="p"
        @click="tap(p)"
      >
        <b>{{ points[p] }}</b><span>{{ NAMES[p] }}</span
        ><span class="only-read">: one more look</span>
      </button>
      <p class="row">
        <button type="button" class="act slight" :disabled="last.length === 0" @click="back">
          undo the last
        </button>
        <button type="button" class="plain small" :disabled="!zone.pointCounts" @click="clear">
          start again
        </button>
      </p>
    </div>
    <form v-else class="throw" autocomplete="off" @submit.prevent="addThrow">
      <label v-for="p in COVER_PARTS" :key="p" class="small"
        >{{ NAMES[p] }}<input v-model="typed[p]" inputmode="decimal" maxlength="12"
      /></label>
      <button type="submit" class="act slight" :disabled="!throwNow">
        Keep throw {{ quadrats.length + 1 }}
      </button>
      <button v-if="quadrats.length" type="button" class="plain small" @click="dropThrow">
        undo the last
      </button>
      <p v-if="said" class="wrong">
        Write what the frame held as % or as squares: numbers, at least one above zero.
      </p>
    </form>
    <p v-if="count" class="out" role="status">
      <b>{{ count.n }}</b> {{ method === 'step' ? 'looks' : 'throws' }} ·
      <template v-for="p in COVER_PARTS" :key="p"
        >{{ NAMES[p] }} <b>{{ round(count.parts[p].mean) }}</b>
        <span class="soft small"
          >{{ round(count.parts[p].low) }}–{{ round(count.parts[p].high) }}</span
        >
        ·
      </template>
      <span class="soft small">%, nine in ten</span>
    </p>
    <p v-if="count && planned && planned.more !== 0" class="small more">
      {{
        planned.more === null
          ? `Too near the ${planned.line} % line for any count to settle.`
          : `About ${planned.more} more ${planned.method === 'step' ? 'looks' : 'throws'} would settle the ${planned.line} % line.`
      }}
    </p>
    <p v-if="count && overruled" class="small more">
      Cover typed above counts before this. Clear it to go by the count.
    </p>
    <p v-if="erased" class="small">
      The count of {{ looks(erased) }} looks is cleared.
      <button type="button" class="plain small" @click="restore">undo</button>
    </p>
  </div>
</template>

<style scoped>
.count {
  grid-column: 1 / -1;
  display: grid;
  gap: 0.35rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.6rem;
  align-items: center;
}
.taps {
  display: grid;
  grid-template-columns: repeat(4, minmax(4rem, 7.5rem)) auto;
  gap: 0.4rem;
  align-items: center;
}
.tap {
  display: grid;
  justify-items: center;
  line-height: 1.15;
  padding: 0.4rem 0.3rem;
  border: 1.5px solid var(--ink);
  border-bottom-width: 5px;
  border-radius: 4px;
  background: var(--sheet);
  cursor: pointer;
  touch-action: manipulation;
}
.tap b {
  font-size: 1.25rem;
}
.tap.wanted {
  border-bottom-color: var(--moss);
}
.tap.weeds {
  border-bottom-color: #b27a00;
}
.tap.moss {
  border-bottom-color: #8fb07a;
}
.tap.bare {
  border-bottom-color: #8b6440;
}
.throw {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.6rem;
  align-items: end;
}
.throw label {
  display: grid;
  color: var(--soft);
}
.throw input {
  width: 4.5rem;
  border: 0;
  border-bottom: 1.5px solid var(--rule-strong);
  background: var(--sheet);
  padding: 0.25rem 0.4rem;
}
.wrong {
  flex-basis: 100%;
  color: var(--hold);
  font-size: var(--size-small);
}
.out {
  font-size: 0.9375rem;
}
.more {
  color: var(--sun);
}
@media (max-width: 640px) {
  .taps {
    grid-template-columns: 1fr 1fr;
  }
  .tap {
    padding: 0.9rem 0.3rem;
  }
  .tap b {
    font-size: 1.75rem;
  }
  .taps .row {
    grid-column: 1 / -1;
  }
}
</style>
