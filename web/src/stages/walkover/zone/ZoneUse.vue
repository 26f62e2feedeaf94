<script setup lang="ts">
import { computed } from 'vue'
import type { ZoneDraft } from '@juvena/core/entities/job'
import { MOWERS, MOWER_NAMES, WEARS, WEAR_NAMES } from '@juvena/core/reference/lists'
import { COMPASS } from '@juvena/core/reference/walkLists'
import ChoiceField from '../../../parts/ChoiceField.vue'
import FieldRow from '../../../parts/FieldRow.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import { readCatches } from '@juvena/core/entities/catches'
import { canTest } from '@juvena/core/establish/cans'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'
import CanMap from './CanMap.vue'
import { useZone } from './zoneEdits.ts'

/** Light and slope of a zone, how it is mown, used and watered. */
const props = defineProps<{ zone: ZoneDraft }>()
const { problem, set, figure, figureText } = useZone(computed(() => props.zone))
/** The nearest of the eight points; a file may hold any degree. */
const compassOf = (degrees: string | number | null | undefined) =>
  degrees === null || degrees === undefined || degrees === '' || Number.isNaN(Number(degrees))
    ? null
    : String((Math.round(Number(degrees) / 45) % 8) * 45)
const cast = computed(
  () => figureText('sunCast') || (figure('sun')?.rule === 'survey.light' ? figureText('sun') : ''),
)
const firm = useFirm()
const job = useJob()
/** What the heads come to, where the plan goes by them. */
const headsHint = computed(() => {
  const rate = job.figure(`zone:${props.zone.id}.water.pr`)
  return rate?.rule === 'water.from-heads' ? `= ${firm.text(rate.value, rate.unit)}` : ''
})
/** What the cans say, beside what was typed; empty until they say something. */
const byCans = computed(() => {
  const typed = props.zone.cans ?? ''
  const catches = typed.trim() === '' ? '' : readCatches(typed)
  const minutes = Number(props.zone.cansMinutes)
  if (typeof catches === 'string' || !(minutes > 0)) return ''
  const { rate, uniformity, christiansen } = canTest(catches, minutes)
  return `= ${firm.text(rate, 'mm/h')}, DU ${uniformity.toFixed(2)}, CU ${Math.round(christiansen)} %`
})
</script>

<template>
  <FieldRow name="Light and slope, mowing, water" class="ground">
    <QuantityField
      label="Sun, growing weeks"
      kind="hours"
      :model-value="zone.sunHours"
      :problem="problem('sunHours')"
      :hint="cast ? `the plan has ${cast}` : 'direct, a day'"
      @update:model-value="set('sunHours', $event)"
    />
    <QuantityField
      label="Slope"
      kind="slope"
      :model-value="zone.slope"
      :problem="problem('slope')"
      hint="1 in 10, 10 %, flat"
      @update:model-value="set('slope', $event)"
    />
    <ChoiceField
      label="Falls towards"
      list
      clearable
      :options="COMPASS.map(([degrees, name]) => ({ value: String(degrees), name }))"
      :model-value="compassOf(zone.slopeTowards)"
      @update:model-value="set('slopeTowards', $event)"
    />
    <QuantityField
      label="Height of cut"
      kind="depth"
      :model-value="zone.heightOfCut"
      :problem="problem('heightOfCut')"
      @update:model-value="set('heightOfCut', $event)"
    />
    <ChoiceField
      label="Mower"
      list
      clearable
      :options="MOWERS.map((v) => ({ value: v, name: MOWER_NAMES[v] }))"
      :model-value="zone.mower"
      @update:model-value="set('mower', $event)"
    />
    <ChoiceField
      label="Wear"
      list
      clearable
      :options="WEARS.map((v) => ({ value: v, name: WEAR_NAMES[v] }))"
      :model-value="zone.wear"
      @update:model-value="set('wear', $event)"
    />
    <QuantityField
      label="Worn line, how long"
      kind="length"
      :model-value="zone.wornLength"
      :problem="problem('wornLength')"
      hint="if not drawn"
      @update:model-value="set('wornLength', $event)"
    />
    <QuantityField
      label="Edge along water"
      kind="length"
      :model-value="zone.alongWater"
      :problem="problem('alongWater')"
      hint="a strip there is not fed"
      @update:model-value="set('alongWater', $event)"
    />
    <QuantityField
      label="Sprinkler rate"
      kind="precipitation"
      :model-value="zone.precipitation"
      :problem="problem('precipitation')"
      :hint="byCans ? 'the cans go before it' : 'from its label, or by cans'"
      @update:model-value="set('precipitation', $event)"
    />
    <QuantityField
      label="Uniformity, DU"
      kind="ratio"
      :model-value="zone.uniformity"
      :problem="problem('uniformity')"
      hint="0.1 to 1"
      @update:model-value="set('uniformity', $event)"
    />
    <QuantityField
      label="One head gives"
      kind="flow"
      :model-value="zone.headFlow"
      :problem="problem('headFlow')"
      :hint="headsHint || 'by its nozzle'"
      @update:model-value="set('headFlow', $event)"
    />
    <QuantityField
      label="Heads stand apart"
      kind="length"
      :model-value="zone.headsApart"
      :problem="problem('headsApart')"
      hint="along a row"
      @update:model-value="set('headsApart', $event)"
    />
    <QuantityField
      label="Rows stand apart"
      kind="length"
      :model-value="zone.rowsApart"
      :problem="problem('rowsApart')"
      hint="as the heads where empty"
      @update:model-value="set('rowsApart', $event)"
    />
    <TextField
      label="Cans caught"
      class="wide"
      :model-value="zone.cans"
      :maxlength="900"
      placeholder="8, 9.5, 7, 10 mm"
      :problem="problem('cans')"
      :hint="byCans || 'eight or nine, spread out; rows with ; between'"
      @update:model-value="set('cans', $event)"
    />
    <QuantityField
      label="in minutes"
      kind="ratio"
      :model-value="zone.cansMinutes"
      :problem="problem('cansMinutes')"
      hint="the sprinkler ran"
      @update:model-value="set('cansMinutes', $event)"
    />
  </FieldRow>
  <CanMap :cans="zone.cans ?? ''" @update="set('cans', $event)" />
</template>
