<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, reactive, ref } from 'vue'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import {
  SHAPE_KINDS,
  SHAPE_KIND_IDS,
  type Point,
  type Ring,
  type ShapeKind,
} from '@juvena/core/entities/drawing'
import { areaOf, lengthOf } from '@juvena/core/drawing/geometry'
import { addShape, freeGround } from '@juvena/core/drawing/shapeEdits'
import {
  byOffsets,
  circle,
  lShape,
  rectangle,
  triangle,
  type Outline,
} from '@juvena/core/drawing/typedShapes'
import ChoiceField from '../../../parts/ChoiceField.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'

/** A shape from lengths read off the tape. */
const props = defineProps<{ zone: string | undefined }>()
const emit = defineEmits<{ made: [id: string] }>()
const firm = useFirm()
const job = useJob()

const FORMS = {
  rectangle: { name: 'rectangle', asks: ['Length', 'Width'] },
  l: { name: 'L', asks: ['Length', 'Width', 'Corner out, length', 'Corner out, width'] },
  triangle: { name: 'three sides', asks: ['First side', 'Second side', 'Third side'] },
  circle: { name: 'circle', asks: ['Across'] },
  offsets: { name: 'offsets', asks: [] },
  line: { name: 'line', asks: ['Length'] },
} as const
type Form = keyof typeof FORMS
const kind = ref<ShapeKind>('lawn')
const form = ref<Form>('rectangle')
const lengths = reactive<Record<string, string | null>>({})
const offsets = ref('')
const east = ref<string | null>(null)
const north = ref<string | null>(null)
const kinds = SHAPE_KIND_IDS.map((value) => ({ value, name: SHAPE_KINDS[value].name }))
const draws = computed(() => SHAPE_KINDS[kind.value].draws)
const forms = computed(() =>
  (draws.value === 'area'
    ? (['rectangle', 'l', 'triangle', 'circle', 'offsets'] as const)
    : draws.value === 'line'
      ? (['line'] as const)
      : []
  ).map((value) => ({ value, name: FORMS[value].name })),
)
const chosen = computed<Form | 'spot'>(() =>
  draws.value === 'spot'
    ? 'spot'
    : draws.value === 'line'
      ? 'line'
      : form.value === 'line'
        ? 'rectangle'
        : form.value,
)
const metres = (typed: string | null | undefined): number | null => {
  if (!typed) return null
  const parsed = parseQuantity(typed, 'length', firm.units)
  return parsed.ok ? parsed.value : null
}
const asks = computed<readonly string[]>(() =>
  chosen.value === 'spot' ? [] : FORMS[chosen.value].asks,
)
const problemOf = (ask: string) => {
  const typed = lengths[ask]
  if (!typed) return ''
  const parsed = parseQuantity(typed, 'length', firm.units)
  return parsed.ok ? '' : parsed.sentence
}
/** Offsets as typed: a row for each place, how far along and how far off. */
const rows = computed(() =>
  offsets.value
    .split('\n')
    .map((r) => r.trim())
    .filter(Boolean)
    .map((r) => r.split(/[,;\t]+|\s+-\s+/).map((c) => metres(c.trim())))
    .map(([along, off]) => ({ along: along ?? NaN, off: off ?? NaN })),
)
const outline = computed<Outline | null>(() => {
  const given = asks.value.map((a) => metres(lengths[a]))
  if (chosen.value === 'spot') return { ok: true, ring: [[0, 0]] }
  if (chosen.value === 'offsets') return offsets.value.trim() ? byOffsets(rows.value) : null
  if (given.some((g) => g === null)) return null
  const [a, b, c, d] = given as number[]
  if (chosen.value === 'line')
    return sure(a) > 0
      ? {
          ok: true,
          ring: [
            [0, 0],
            [sure(a), 0],
          ],
        }
      : { ok: false, sentence: 'A line takes a length, more than nothing.' }
  return chosen.value === 'rectangle'
    ? rectangle(sure(a), sure(b))
    : chosen.value === 'l'
      ? lShape(sure(a), sure(b), sure(c), sure(d))
      : chosen.value === 'triangle'
        ? triangle(sure(a), sure(b), sure(c))
        : circle(sure(a))
})
const says = computed(() => {
  const o = outline.value
  if (!o) return ''
  if (!o.ok) return o.sentence
  return draws.value === 'area'
    ? `${firm.text(areaOf([o.ring]), 'm2')}, edge ${firm.text(lengthOf(o.ring, true), 'm')}`
    : ''
})
function make() {
  const o = outline.value
  if (!o?.ok) return
  const [fx, fy] = freeGround(job.draft?.drawing?.shapes ?? [])
  const [x, y] = [metres(east.value) ?? fx, metres(north.value) ?? fy]
  const ring: Ring = o.ring.map((p): Point => [p[0] + x, p[1] + y])
  let id = ''
  job.edit(
    `plan.typed.${Date.now()}`,
    (d) =>
      (id = addShape(d, kind.value, [ring], 'tape', {
        zone: kind.value === 'lawn' ? props.zone : undefined,
      })),
  )
  emit('made', id)
}
</script>

<template>
  <form class="typed" autocomplete="off" @submit.prevent="make">
    <ChoiceField
      label="What it is"
      list
      :options="kinds"
      :model-value="kind"
      @update:model-value="kind = $event ?? 'lawn'"
    />
    <ChoiceField
      v-if="forms.length > 1"
      label="Shape"
      class="wide"
      :options="forms"
      :model-value="form"
      @update:model-value="form = $event ?? 'rectangle'"
    />
    <QuantityField
      v-for="a in asks"
      :key="a"
      :label="a"
      kind="length"
      :model-value="lengths[a]"
      :problem="problemOf(a)"
      @update:model-value="lengths[a] = $event"
    />
    <div v-if="chosen === 'offsets'" class="wide">
      <label for="offsets" class="small soft"
        >Along the base line, and off it: a row for each place</label
      >
      <textarea
        id="offsets"
        v-model="offsets"
        rows="4"
        placeholder="0, 3.2&#10;2, 3.6&#10;4, 3.1"
      />
    </div>
    <QuantityField
      label="Its corner, east"
      kind="length"
      :model-value="east"
      hint="else beside the rest"
      @update:model-value="east = $event"
    />
    <QuantityField
      label="and north"
      kind="length"
      :model-value="north"
      @update:model-value="north = $event"
    />
    <p class="end">
      <button type="submit" class="act main slight" :disabled="!outline?.ok">
        Add it to the plan
      </button>
      <span :class="{ wrong: outline && !outline.ok }" role="status">{{ says }}</span>
    </p>
  </form>
</template>

<style scoped>
.typed {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(8rem, 1fr));
  gap: 0.3rem 0.9rem;
  border: 1px solid var(--rule);
  background: var(--paper);
  padding: 0.5rem 0.75rem;
}
.wide {
  grid-column: span 2;
  min-width: 20rem;
}
textarea {
  width: 100%;
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  padding: 0.3rem 0.5rem;
}
.end {
  grid-column: 1 / -1;
  display: flex;
  gap: 0.75rem;
  align-items: center;
}
.wrong {
  color: var(--hold);
}
@media (max-width: 640px) {
  .wide {
    min-width: 0;
    grid-column: 1 / -1;
  }
}
</style>
