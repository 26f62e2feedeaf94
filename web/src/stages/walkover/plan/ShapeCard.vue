<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { ElSwitch } from 'element-plus'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import {
  MEASURED_BY,
  MEASURED_BY_NAMES,
  SHAPE_KINDS,
  SHAPE_KIND_IDS,
  type MeasuredBy,
  type Ring,
  type ShapeDraft,
  type ShapeKind,
} from '@juvena/core/entities/drawing'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import { num } from '@juvena/core/trace/figure'
import { trenchOf, trenchVolume } from '@juvena/core/drawing/drawnZones'
import { trenchValues } from '@juvena/core/reference/siteValues'
import { valueInForce } from '@juvena/core/trace/trace'
import { areaOf, distance, lengthOf, perimeterOf } from '@juvena/core/drawing/geometry'
import { USUAL_OBSTACLE } from '@juvena/core/light/obstacles'
import { mergeZones, moveShape, reshape, shapeName } from '@juvena/core/drawing/shapeEdits'
import { withEdge, withPiece } from '@juvena/core/drawing/typedShapes'
import ChoiceField from '../../../parts/ChoiceField.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'

/**
 * The chosen shape: what it is, its readings, its edges to the centimetre, and for an obstacle what
 * cutting it would gain.
 */
const firm = useFirm()
const job = useJob()
const route = useRoute()
const index = computed(() =>
  (job.draft?.drawing?.shapes ?? []).findIndex((s) => s.id === route.query.shape),
)
const shape = computed<ShapeDraft | null>(() => job.draft?.drawing?.shapes?.[index.value] ?? null)
const kind = computed(() => (shape.value?.kind ?? 'lawn') as ShapeKind)
const draws = computed(() => SHAPE_KINDS[kind.value].draws)
const at = computed(() => (shape.value?.at ?? []) as Ring[])
const set = (patch: Partial<ShapeDraft>) =>
  job.edit(`shape.${shape.value?.id}.${Object.keys(patch)[0]}`, (d) => {
    Object.assign(sure(sure(d.drawing).shapes)[index.value]!, patch)
  })
const problem = (key: string) => job.problemAt(`drawing.shapes[${index.value}].${key}`)
const size = computed(() =>
  draws.value === 'area'
    ? firm.text(areaOf(at.value), 'm2')
    : draws.value === 'line'
      ? firm.text(lengthOf(at.value[0]!), 'm')
      : '',
)
const kinds = computed(() =>
  SHAPE_KIND_IDS.filter((k) => SHAPE_KINDS[k].draws === draws.value).map((value) => ({
    value,
    name: SHAPE_KINDS[value].name,
  })),
)
const edges = computed(() => {
  const ring = at.value[0] ?? []
  const n = draws.value === 'area' ? ring.length : draws.value === 'line' ? ring.length - 1 : 0
  return n > 16
    ? []
    : Array.from({ length: n }, (_, i) => distance(ring[i]!, ring[(i + 1) % ring.length]!))
})
function setEdge(i: number, typed: string | null) {
  const parsed = typed ? parseQuantity(typed, 'length', firm.units) : null
  if (!parsed?.ok || !(parsed.value > 0) || !shape.value) return
  const id = shape.value.id
  const rings = at.value.map((ring, k) =>
    k === 0
      ? draws.value === 'area'
        ? withEdge(ring, i, parsed.value)
        : withPiece(ring, i, parsed.value)
      : ring,
  )
  job.edit(`shape.${id}.edge.${i}`, (d) => reshape(d, id, rings))
}
const nudge = (dx: number, dy: number) =>
  shape.value &&
  job.edit(`shape.${shape.value.id}.move`, (d) => moveShape(d, sure(shape.value).id, dx, dy))
const obstacle = computed(() => ['building', 'wall', 'tree'].includes(kind.value))
const gains = computed(() =>
  shape.value?.whatIf && shape.value.whatIf !== 'as-is' && !shape.value.agreed
    ? job.zones.flatMap((z) => {
        const [now, then] = [
          job.ofZone(z.id, 'sunCast') ?? job.ofZone(z.id, 'sun'),
          job.ofZone(z.id, 'sunIf'),
        ]
        return now && then
          ? [
              {
                name: z.name || 'Unnamed zone',
                now: num(now),
                gain: Math.round((num(then) - num(now)) * 10) / 10,
                then: num(then),
              },
            ]
          : []
      })
    : [],
)
const others = computed(() =>
  job.zones.filter(
    (z) =>
      z.id !== shape.value?.zone &&
      (job.draft?.drawing?.shapes ?? []).some((s) => s.kind === 'lawn' && s.zone === z.id),
  ),
)
const merge = (other: string) => {
  const zone = shape.value?.zone
  if (zone) job.edit(`merge.${zone}.${other}`, (d) => mergeZones(d, zone, other))
}
const zones = computed(() =>
  job.zones.map((z) => ({ value: z.id, name: z.name || 'Unnamed zone' })),
)
const settles = computed(() => valueInForce(trenchValues.settling, firm.settings.values))
const widthOf = (typed: string | number | null | undefined) => {
  const p = typeof typed === 'string' ? parseQuantity(typed, 'length') : null
  return typeof typed === 'number' ? typed : p?.ok ? p.value : null
}
const volume = computed(() =>
  kind.value === 'trench' && shape.value
    ? trenchVolume({
        ...trenchOf({
          at: at.value,
          width: widthOf(shape.value.width),
          depth: depthOf(shape.value.depth),
          settling: null,
        }),
        settling: percentOf(shape.value.settling),
      })
    : 0,
)
const depthOf = (typed: string | number | null | undefined) => {
  const p = typeof typed === 'string' ? parseQuantity(typed, 'depth') : null
  return typeof typed === 'number' ? typed : p?.ok ? p.value : 0
}
const percentOf = (typed: string | number | null | undefined) => {
  const p = typeof typed === 'string' ? parseQuantity(typed, 'percent') : null
  return typeof typed === 'number' ? typed : p?.ok ? p.value : settles.value
}
const usual = (x: number) => `else ${firm.text(x, 'm')}`
</script>

<template>
  <section v-if="shape" class="card" aria-label="The chosen shape">
    <p class="small soft">
      {{ SHAPE_KINDS[kind].name }}, {{ MEASURED_BY_NAMES[(shape.by ?? 'tape') as MeasuredBy] }}
    </p>
    <p class="size">
      {{
        kind === 'lawn'
          ? job.zones.find((z) => z.id === sure(shape).zone)?.name || 'Unnamed zone'
          : shapeName(shape)
      }}
      <b>{{ size }}</b>
      <span v-if="draws === 'area'" class="small soft"
        >edge {{ firm.text(perimeterOf(at), 'm') }}</span
      >
    </p>
    <div class="fields">
      <TextField
        v-if="kind !== 'lawn'"
        label="Name"
        :model-value="shape.name"
        :maxlength="80"
        @update:model-value="set({ name: $event })"
      />
      <ChoiceField
        v-if="kinds.length > 1"
        label="It is"
        list
        :options="kinds"
        :model-value="kind"
        @update:model-value="
          $event &&
          set({ kind: $event, zone: $event === 'lawn' ? job.zones[0]?.id : sure(shape).zone })
        "
      />
      <ChoiceField
        v-if="['lawn', 'bare', 'low', 'worn', 'edge', 'trench'].includes(kind)"
        label="Counted in"
        list
        :options="zones"
        :model-value="shape.zone"
        :clearable="kind !== 'lawn'"
        @update:model-value="set({ zone: $event })"
      />
      <ChoiceField
        label="Measured by"
        list
        :options="MEASURED_BY.map((value) => ({ value, name: MEASURED_BY_NAMES[value] }))"
        :model-value="(shape.by ?? 'tape') as MeasuredBy"
        @update:model-value="set({ by: $event ?? 'tape' })"
      />
      <QuantityField
        v-if="shape.by === 'phone' || shape.by === 'imported'"
        label="Error of a place"
        kind="length"
        :model-value="shape.error"
        :problem="problem('error')"
        @update:model-value="set({ error: $event })"
      />
      <QuantityField
        v-if="obstacle"
        label="Height"
        kind="length"
        :model-value="shape.height"
        :problem="problem('height')"
        :hint="usual(USUAL_OBSTACLE[kind as 'building'].height)"
        @update:model-value="set({ height: $event })"
      />
      <QuantityField
        v-if="kind === 'wall'"
        label="Thickness"
        kind="length"
        :model-value="shape.width"
        :problem="problem('width')"
        :hint="`${usual(USUAL_OBSTACLE.wall.width)}; a hedge is thicker`"
        @update:model-value="set({ width: $event })"
      />
      <template v-if="kind === 'tree'">
        <QuantityField
          label="Crown, across"
          kind="length"
          :model-value="shape.crown"
          :problem="problem('crown')"
          :hint="usual(USUAL_OBSTACLE.tree.crown)"
          @update:model-value="set({ crown: $event })"
        />
        <QuantityField
          label="Clear stem"
          kind="length"
          :model-value="shape.stem"
          :problem="problem('stem')"
          hint="else a quarter of it"
          @update:model-value="set({ stem: $event })"
        />
      </template>
      <ChoiceField
        v-if="kind === 'tree' || kind === 'wall'"
        label="In winter"
        :options="[
          { value: 'ever', name: 'evergreen, solid' },
          { value: 'drops', name: 'drops leaf' },
        ]"
        :model-value="shape.dropsLeaf ? 'drops' : 'ever'"
        @update:model-value="set({ dropsLeaf: $event === 'drops' })"
      />
      <QuantityField
        v-if="kind === 'worn' || kind === 'trench'"
        label="Width"
        kind="length"
        :model-value="shape.width"
        :problem="problem('width')"
        :hint="usual(kind === 'worn' ? 0.6 : 0.4)"
        @update:model-value="set({ width: $event })"
      />
      <QuantityField
        v-if="['low', 'trench', 'cable', 'pipe'].includes(kind)"
        :label="kind === 'trench' ? 'Sunk by' : 'Depth'"
        kind="depth"
        :model-value="shape.depth"
        :problem="problem('depth')"
        @update:model-value="set({ depth: $event })"
      />
      <QuantityField
        v-if="kind === 'trench'"
        label="Will settle"
        kind="percent"
        :model-value="shape.settling"
        :problem="problem('settling')"
        :hint="`else ${settles} %`"
        @update:model-value="set({ settling: $event })"
      />
      <QuantityField
        v-if="kind === 'tap'"
        label="Flow"
        kind="flow"
        :model-value="shape.flow"
        :problem="problem('flow')"
        @update:model-value="set({ flow: $event })"
      />
    </div>
    <p v-if="volume > 0" class="small">
      Takes <b>{{ firm.text(volume, 'm3') }}</b> of soil, firmed in layers.
    </p>
    <p v-if="kind === 'cable' || kind === 'pipe'" class="small caution">
      Call for buried services before coring, spiking or edging; a drawn line is where someone
      thinks it lies.
    </p>

    <section v-if="obstacle" class="whatif">
      <h3>What if</h3>
      <ChoiceField
        label="it were"
        :options="[
          { value: 'as-is', name: 'as it is' },
          ...(kind === 'building'
            ? []
            : [{ value: 'cut' as const, name: kind === 'tree' ? 'lifted to' : 'cut to' }]),
          { value: 'gone', name: kind === 'tree' ? 'felled' : 'gone' },
        ]"
        :model-value="shape.whatIf ?? 'as-is'"
        @update:model-value="set({ whatIf: $event ?? 'as-is' })"
      />
      <QuantityField
        v-if="shape.whatIf === 'cut'"
        :label="kind === 'tree' ? 'Clear stem then' : 'Height then'"
        kind="length"
        :model-value="shape.cutTo"
        :problem="problem('cutTo')"
        @update:model-value="set({ cutTo: $event })"
      />
      <ul v-if="gains.length">
        <li v-for="g in gains" :key="g.name">
          <span>{{ g.name }}</span> <b>{{ g.gain > 0 ? '+' : '' }}{{ g.gain }} h</b>
          <span class="small soft">to {{ g.then }} h a day</span>
        </li>
      </ul>
      <label v-if="shape.whatIf && shape.whatIf !== 'as-is'" class="agreed"
        ><ElSwitch
          :model-value="shape.agreed ?? false"
          aria-label="Agreed: the plan counts on it"
          @update:model-value="set({ agreed: $event as boolean })"
        />
        agreed: the plan counts on it</label
      >
    </section>

    <section v-if="kind === 'lawn' && others.length" class="small merge">
      <span class="soft">Make one with</span>
      <button
        v-for="z in others.slice(0, 6)"
        :key="z.id"
        type="button"
        class="act slight"
        @click="merge(z.id)"
      >
        {{ z.name || 'Unnamed zone' }}
      </button>
    </section>
    <section v-if="edges.length" class="edges">
      <h3>Edges, exact</h3>
      <QuantityField
        v-for="(e, i) in edges"
        :key="`${shape.id}.${i}`"
        :label="`Edge ${i + 1}`"
        kind="length"
        :model-value="firm.text(Math.round(e * 1000) / 1000, 'm')"
        @update:model-value="setEdge(i, $event)"
      />
    </section>
    <p class="nudge small">
      <span class="soft">Move by {{ firm.text(0.1, 'm') }}</span>
      <button type="button" class="act slight" @click="nudge(0, 0.1)">north</button>
      <button type="button" class="act slight" @click="nudge(0, -0.1)">south</button>
      <button type="button" class="act slight" @click="nudge(-0.1, 0)">west</button>
      <button type="button" class="act slight" @click="nudge(0.1, 0)">east</button>
    </p>
  </section>
</template>

<style scoped>
.card {
  display: grid;
  gap: 0.45rem;
  border-bottom: 1.5px solid var(--ink);
  padding-bottom: 0.6rem;
}
.size {
  font-size: 1.125rem;
}
.size b {
  font-size: 1.4375rem;
}
.fields,
.edges {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.2rem 0.75rem;
}
.edges h3 {
  grid-column: 1 / -1;
}
h3 {
  font-size: 0.9375rem;
}
.whatif,
.edges {
  border-top: 1px solid var(--rule);
  padding-top: 0.35rem;
}
.whatif li {
  display: flex;
  gap: 0.5rem;
  align-items: baseline;
  border-bottom: 1px solid var(--rule);
}
.whatif li span:first-child {
  flex: 1;
}
.agreed,
.merge,
.nudge {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.5rem;
  align-items: center;
}
.caution {
  border-left: 4px solid var(--hold);
  padding-left: 0.5rem;
}
</style>
