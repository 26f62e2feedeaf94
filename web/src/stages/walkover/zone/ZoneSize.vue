<script setup lang="ts">
import { computed } from 'vue'
import type { ZoneDraft } from '@juvena/core/entities/job'
import { MEASURED_BY, MEASURED_BY_NAMES } from '@juvena/core/entities/drawing'
import type { SizeFrom } from '@juvena/core/walkover/twoReadings'
import ChoiceField from '../../../parts/ChoiceField.vue'
import FieldRow from '../../../parts/FieldRow.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'
import TwoReadings from '../readings/TwoReadings.vue'
import { useZone } from './zoneEdits.ts'

/** The size of a zone: typed, by its sides, or from the plan; less what is no lawn. */
const props = defineProps<{ zone: ZoneDraft }>()
const { problem, edit, set, patch, figureText } = useZone(computed(() => props.zone))
const firm = useFirm()
const job = useJob()
const setOff = (i: number, patch: object) =>
  edit(`off.${i}`, (z) => {
    z.deductions = (z.deductions ?? []).map((o, k) => (k === i ? { ...o, ...patch } : o))
  })
const addOff = () => set('deductions', [...(props.zone.deductions ?? []), { what: '' }])
const dropOff = (i: number) =>
  set(
    'deductions',
    (props.zone.deductions ?? []).filter((_, k) => k !== i),
  )

const drawn = computed(() => figureText('areaDrawn'))
const SIZE_NAMES: Record<SizeFrom, string> = {
  typed: 'the typed area',
  drawn: 'the plan',
  sides: 'length × width',
}
const sizes = computed(() => job.plan?.survey.zones[props.zone.id]?.sizes ?? [])
/**
 * One size is kept and the others removed; undo restores them. The plan itself is never erased
 * here.
 */
function useSize(from: SizeFrom) {
  const z = props.zone
  if (from === 'drawn') patch('size', { area: null, length: null, width: null })
  else if (from === 'sides') patch('size', { area: `${z.length ?? ''} x ${z.width ?? ''}` })
  else patch('size', { length: null, width: null })
}
</script>

<template>
  <FieldRow name="Size" class="size-row">
    <TextField
      label="Name"
      :model-value="zone.name"
      :maxlength="80"
      :problem="problem('name')"
      @update:model-value="set('name', $event)"
    />
    <QuantityField
      label="Area"
      kind="area"
      :model-value="zone.area"
      :problem="problem('area')"
      :hint="drawn ? `the plan has ${drawn}` : 'or length and width'"
      @update:model-value="set('area', $event)"
    />
    <QuantityField
      label="Length"
      kind="length"
      :model-value="zone.length"
      :problem="problem('length')"
      @update:model-value="set('length', $event)"
    />
    <QuantityField
      label="Width"
      kind="length"
      :model-value="zone.width"
      :problem="problem('width')"
      @update:model-value="set('width', $event)"
    />
    <ChoiceField
      label="Measured by"
      list
      clearable
      :options="MEASURED_BY.slice(0, 2).map((value) => ({ value, name: MEASURED_BY_NAMES[value] }))"
      :model-value="zone.by"
      @update:model-value="set('by', $event)"
    />
    <TwoReadings
      v-if="sizes.length"
      asks="Which size is right?"
      :readings="
        sizes.map((s, i) => ({
          key: s.from,
          name: SIZE_NAMES[s.from],
          value: firm.text(s.area, 'm2'),
          counts: i === 0,
        }))
      "
      @pick="useSize($event as SizeFrom)"
    />
    <div class="offs">
      <div v-for="(off, i) in zone.deductions ?? []" :key="i" class="off">
        <TextField
          label="Less: what"
          :model-value="off.what"
          :maxlength="80"
          placeholder="bed, path, tree"
          @update:model-value="setOff(i, { what: $event })"
        />
        <QuantityField
          label="Its area"
          kind="area"
          :model-value="off.area"
          :problem="problem(`deductions[${i}].area`)"
          @update:model-value="setOff(i, { area: $event })"
        />
        <button
          type="button"
          class="plain small"
          :aria-label="`Leave out ${off.what || 'this'}`"
          @click="dropOff(i)"
        >
          leave out
        </button>
      </div>
      <button type="button" class="plain small" @click="addOff">
        subtract a bed, path or tree
      </button>
    </div>
  </FieldRow>
</template>

<style scoped>
.offs {
  grid-column: 1 / -1;
}
.off {
  display: grid;
  grid-template-columns: 2fr 1fr auto;
  gap: 0.9rem;
  align-items: center;
}
</style>
