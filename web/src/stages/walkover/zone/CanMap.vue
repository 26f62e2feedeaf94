<script setup lang="ts">
import { computed, ref } from 'vue'
import { canRows, DRY_UNDER, dryShare, fallBetween } from '@juvena/core/establish/canMap'
import { useFirm } from '../../../stores/firm.ts'

/** Cans as they stood, tapped in by thumb where nine of them did; and what falls between them. */
const props = defineProps<{ cans: string }>()
const emit = defineEmits<{ update: [cans: string] }>()
const firm = useFirm()
const SIDE = 3
const tapping = ref(false)
const unit = computed(() => (firm.settings.units === 'us' ? 'in' : 'mm'))
const rows = computed(() => {
  const read = props.cans.trim() === '' ? '' : canRows(props.cans)
  return typeof read === 'string' ? null : read
})
/** Nine boxes: as they are in the text while it holds three rows of three, else empty. */
const boxes = ref<string[]>(Array(SIDE * SIDE).fill(''))
function open() {
  tapping.value = !tapping.value
  if (!tapping.value) return
  const typed = props.cans.match(/\d+(?:\.\d+)?|\.\d+/g) ?? []
  boxes.value = Array.from({ length: SIDE * SIDE }, (_, i) =>
    typed.length === SIDE * SIDE ? typed[i]! : '',
  )
}
const filled = computed(() => boxes.value.filter((b) => b.trim() !== '').length)
function tap(i: number, value: string) {
  boxes.value = boxes.value.map((b, k) => (k === i ? value.trim() : b))
  const lines = Array.from({ length: SIDE }, (_, r) =>
    boxes.value
      .slice(r * SIDE, (r + 1) * SIDE)
      .filter((b) => b !== '')
      .join(' '),
  ).filter((line) => line !== '')
  emit('update', lines.length > 0 ? `${lines.join('; ')} ${unit.value}` : '')
}
const [WIDE, HIGH] = [24, 16]
const grid = computed(() => (rows.value ? fallBetween(rows.value, WIDE, HIGH) : null))
const mean = computed(() => {
  const all = rows.value?.flat() ?? []
  return all.reduce((a, b) => a + b, 0) / Math.max(1, all.length)
})
/** The driest quarter of the mean and less is bare paper, one and a half times and more full blue. */
const shade = (mm: number) => Math.min(1, Math.max(0, (mm / mean.value - 0.25) / 1.25))
const says = computed(() => {
  if (!grid.value || mean.value === 0) return ''
  const dry = Math.round(100 * dryShare(grid.value, DRY_UNDER))
  return dry === 0
    ? 'No part gets under 60 % of the mean.'
    : `${dry} % of the ground gets under 60 % of the mean: move the heads, or water that part longer.`
})
const at = (r: number, c: number, of: number) => {
  const down = rows.value?.length ?? 1
  return {
    x: of === 1 ? WIDE / 2 : 0.5 + (c / (of - 1)) * (WIDE - 1),
    y: down === 1 ? HIGH / 2 : 0.5 + (r / (down - 1)) * (HIGH - 1),
  }
}
</script>

<template>
  <div class="cans">
    <button type="button" class="act slight" :aria-expanded="tapping" @click="open">
      Tap in nine cans
    </button>
    <div v-if="tapping" class="nine" role="group" :aria-label="`Nine cans, three rows, ${unit}`">
      <input
        v-for="(b, i) in boxes"
        :key="i"
        inputmode="decimal"
        autocomplete="off"
        :value="b"
        :aria-label="`Row ${Math.floor(i / SIDE) + 1}, can ${(i % SIDE) + 1}`"
        @input="tap(i, ($event.target as HTMLInputElement).value)"
      />
      <p class="small soft">
        {{ unit }} in each, as they stood{{ filled < 4 ? '; four at least' : '' }}
      </p>
    </div>
    <figure v-if="grid && rows && rows.flat().length >= 4">
      <svg :viewBox="`0 0 ${WIDE} ${HIGH}`" role="img" :aria-label="`Where water falls. ${says}`">
        <rect
          v-for="(mm, i) in grid"
          :key="i"
          class="cell"
          :x="i % WIDE"
          :y="Math.floor(i / WIDE)"
          width="1"
          height="1"
          :opacity="shade(mm)"
        />
        <template v-for="(row, r) in rows" :key="r">
          <text
            v-for="(mm, c) in row"
            :key="c"
            :x="Math.min(WIDE - 1.1, Math.max(1.1, at(r, c, row.length).x))"
            :y="Math.min(HIGH - 0.4, Math.max(1.4, at(r, c, row.length).y + 0.4))"
          >
            {{ firm.units === 'us' ? (mm / 25.4).toFixed(2) : Math.round(mm * 10) / 10 }}
          </text>
        </template>
      </svg>
      <figcaption class="small">{{ says }}</figcaption>
    </figure>
  </div>
</template>

<style scoped>
.cans {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  align-items: start;
  padding: 0.3rem 0 0.6rem;
}
.nine {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 5rem));
  gap: 0.3rem;
}
.nine input {
  min-width: 0;
  height: 2.9rem;
  text-align: center;
  font-size: 1.125rem;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  background: var(--sheet);
}
.nine p {
  grid-column: 1 / -1;
}
figure {
  width: min(100%, 19rem);
}
svg {
  display: block;
  width: 100%;
  background: var(--paper-deep);
  border: 1px solid var(--rule-strong);
}
.cell {
  fill: var(--water);
  shape-rendering: crispEdges;
}
text {
  font-size: 1.25px;
  text-anchor: middle;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 0.35px;
}
</style>
