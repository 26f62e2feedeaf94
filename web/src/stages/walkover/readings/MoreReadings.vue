<script setup lang="ts">
import { ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { parse } from 'papaparse'
import type { ZoneDraft } from '@juvena/core/entities/job'
import {
  BROWNED,
  BROWNED_NAMES,
  DAMPS,
  DAMP_NAMES,
  DISEASES,
  EDGE_NAMES,
  EDGE_STATES,
  LAB_LEVELS,
  LITTERS,
  LITTER_NAMES,
  PACKED_SIGNS,
  PACKED_SIGN_IDS,
  PESTS,
  SURFACES,
  SURFACE_NAMES,
  WEEDS,
  WEED_IDS,
} from '@juvena/core/reference/walkLists'
import { textOfFile } from '../../../parts/textOfFile.ts'
import { labReport } from '@juvena/core/formats/labReport'
import { useFirm } from '../../../stores/firm.ts'
import ChoiceField from '../../../parts/ChoiceField.vue'
import DayField from '../../../parts/DayField.vue'
import FieldRow from '../../../parts/FieldRow.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import { useJob } from '../../../stores/job.ts'
import FeelTest from './FeelTest.vue'
import YesNoField from '../../../parts/YesNoField.vue'
import SeenList from './SeenList.vue'

/** The finer readings of a walk. None of them is asked for; each makes the plan surer. */
const props = defineProps<{ zone: ZoneDraft; index: number }>()
const emit = defineEmits<{ patch: [key: string, change: Partial<ZoneDraft>] }>()
const firm = useFirm()
const job = useJob()
const problem = (key: string) => job.problemAt(`zones[${props.index}].${key}`)
const set = <K extends keyof ZoneDraft>(key: K, value: ZoneDraft[K]) =>
  emit('patch', key, { [key]: value } as Partial<ZoneDraft>)
const names = <T extends string>(values: readonly T[], of: Record<T, string>) =>
  values.map((value) => ({ value, name: of[value] }))
const plugs = computed(() => props.zone.plugs ?? [])
const setPlug = (i: number, value: string | null) =>
  set(
    'plugs',
    value === null
      ? plugs.value.filter((_, k) => k !== i)
      : [...plugs.value.slice(0, i), value, ...plugs.value.slice(i + 1)],
  )
const lab = computed(() => props.zone.lab ?? {})
const setLab = (patch: object) => set('lab', { ...lab.value, ...patch })
const labSays = ref('')
async function labFile(event: Event) {
  const text = await textOfFile(event, 1_000_000, () => (labSays.value = 'That file is larger than 1 MB: a laboratory’s report of one sample is wanted.')) // prettier-ignore
  if (text === null) return
  const read = labReport(parse<string[]>(text.trim(), { skipEmptyLines: true }).data)
  labSays.value = read.says
  const { ph, ...rest } = read.found
  if (Object.keys(read.found).length > 0)
    emit('patch', 'lab.file', {
      ...(ph !== undefined ? { ph } : {}),
      lab: { ...lab.value, ...rest },
    })
}
</script>

<template>
  <FieldRow name="Finer readings">
    <div class="plugs">
      <QuantityField
        v-for="(p, i) in [...plugs, null]"
        :key="i"
        :label="`Plug ${i + 1}, thatch`"
        kind="depth"
        :model-value="p"
        :problem="problem(`plugs[${i}]`)"
        @update:model-value="(i < plugs.length || $event !== null) && setPlug(i, $event)"
      />
    </div>
    <QuantityField
      label="A layer below, thick"
      kind="depth"
      :model-value="zone.layer"
      :problem="problem('layer')"
      hint="buried mat, other soil"
      @update:model-value="set('layer', $event)"
    />
    <QuantityField
      label="Penetrometer"
      kind="pressure"
      :model-value="zone.pressure"
      :problem="problem('pressure')"
      hint="in moist soil"
      @update:model-value="set('pressure', $event)"
    />
    <ChoiceField
      :label="`Soil at ${firm.hand(75, 'mm')}`"
      list
      clearable
      :options="names(DAMPS, DAMP_NAMES)"
      :model-value="zone.damp"
      @update:model-value="set('damp', $event)"
    />
    <QuantityField
      label="A drop stands, seconds"
      kind="ratio"
      :model-value="zone.dropSeconds"
      :problem="problem('dropSeconds')"
      hint="over 60 repels"
      @update:model-value="set('dropSeconds', $event)"
    />
    <QuantityField
      label="Water stands"
      kind="hours"
      :model-value="zone.ponding"
      :problem="problem('ponding')"
      hint="after rain"
      @update:model-value="set('ponding', $event)"
    />
    <FeelTest
      :answers="zone.feel ?? {}"
      :texture="zone.texture"
      @answer="(feel, texture) => emit('patch', 'feel', texture ? { feel, texture } : { feel })"
    />
  </FieldRow>
  <FieldRow name="Laboratory">
    <DayField
      label="Report of"
      :model-value="lab.on"
      :problem="problem('lab.on')"
      :today="job.today"
      @update:model-value="setLab({ on: $event })"
    />
    <ChoiceField
      label="Phosphorus"
      list
      clearable
      :options="LAB_LEVELS.map((value) => ({ value, name: value }))"
      :model-value="lab.phosphorus"
      @update:model-value="setLab({ phosphorus: $event })"
    />
    <ChoiceField
      label="Potassium"
      list
      clearable
      :options="LAB_LEVELS.map((value) => ({ value, name: value }))"
      :model-value="lab.potassium"
      @update:model-value="setLab({ potassium: $event })"
    />
    <QuantityField
      label="Organic matter"
      kind="percent"
      :model-value="lab.organic"
      :problem="problem('lab.organic')"
      @update:model-value="setLab({ organic: $event })"
    />
    <QuantityField
      label="Lime, by the report"
      kind="rate"
      :model-value="lab.lime"
      :problem="problem('lab.lime')"
      @update:model-value="setLab({ lime: $event })"
    />
    <p class="file">
      <label class="act slight"
        >from a CSV file<input
          class="only-read"
          type="file"
          accept=".csv,.txt,text/csv"
          @change="labFile"
      /></label>
      <span class="small soft" role="status">{{ labSays }}</span>
    </p>
  </FieldRow>
  <FieldRow name="Seen on the walk">
    <div class="field wide">
      <span class="field-label">Weeds</span>
      <ElSelect
        append-to="#above"
        multiple
        :model-value="zone.weedsSeen ?? []"
        aria-label="Weeds seen"
        placeholder="none noted"
        @update:model-value="set('weedsSeen', $event as ZoneDraft['weedsSeen'])"
      >
        <ElOption v-for="w in WEED_IDS" :key="w" :value="w" :label="WEEDS[w].name" />
      </ElSelect>
      <p v-for="w in zone.weedsSeen ?? []" :key="w" class="small soft">
        {{ WEEDS[w].name }}: {{ WEEDS[w].says }}
      </p>
    </div>
    <SeenList
      label="Pests"
      :options="PESTS"
      :flies="['larvae', 'cutworms']"
      :today="job.today"
      :model-value="zone.pests ?? []"
      @update:model-value="set('pests', $event)"
    />
    <ChoiceField
      v-if="(zone.diseases ?? []).length"
      label="Worse on the side"
      clearable
      :options="[
        { value: 'unfed', name: 'unfed' },
        { value: 'fed', name: 'fed' },
      ]"
      :model-value="zone.diseases?.[0]?.worse"
      @update:model-value="
        (worse) =>
          set(
            'diseases',
            (zone.diseases ?? []).map((x) => ({ ...x, worse })),
          )
      "
    />
    <SeenList
      label="Disease"
      :options="DISEASES"
      :model-value="zone.diseases ?? []"
      @update:model-value="set('diseases', $event)"
    />
    <YesNoField
      label="Seed heads on weeds"
      :model-value="zone.seedHeads"
      @update:model-value="set('seedHeads', $event)"
    />
    <YesNoField label="Dogs" :model-value="zone.dogs" @update:model-value="set('dogs', $event)" />
    <YesNoField
      label="A tree lately gone"
      :model-value="zone.treeGone"
      @update:model-value="set('treeGone', $event)"
    />
    <ChoiceField
      label="Litter of trees"
      list
      clearable
      :options="names(LITTERS, LITTER_NAMES)"
      :model-value="zone.litter"
      @update:model-value="set('litter', $event)"
    />
    <ChoiceField
      label="Browned off"
      list
      clearable
      :options="names(BROWNED, BROWNED_NAMES)"
      :model-value="zone.browned"
      @update:model-value="set('browned', $event)"
    />
    <ChoiceField
      label="Edges"
      list
      clearable
      :options="names(EDGE_STATES, EDGE_NAMES)"
      :model-value="zone.edges"
      @update:model-value="set('edges', $event)"
    />
    <QuantityField
      label="Edge, how long"
      kind="length"
      :model-value="zone.edgeLength"
      :problem="problem('edgeLength')"
      hint="to set or sow, if not drawn"
      @update:model-value="set('edgeLength', $event)"
    />
    <div class="field">
      <span class="field-label">Signs of packed soil</span>
      <ElSelect
        append-to="#above"
        multiple
        collapse-tags
        :model-value="zone.packedSigns ?? []"
        aria-label="Signs of packed soil"
        placeholder="none seen"
        @update:model-value="set('packedSigns', $event as ZoneDraft['packedSigns'])"
      >
        <ElOption v-for="k in PACKED_SIGN_IDS" :key="k" :value="k" :label="PACKED_SIGNS[k].name" />
      </ElSelect>
    </div>
    <ChoiceField
      label="Surface, as felt"
      list
      clearable
      :options="names(SURFACES, SURFACE_NAMES)"
      :model-value="zone.surface"
      @update:model-value="set('surface', $event)"
    />
    <YesNoField
      label="The grass there is the wrong one"
      :model-value="zone.wrongGrass"
      @update:model-value="set('wrongGrass', $event)"
    />
    <YesNoField
      label="Spongy underfoot"
      :model-value="zone.spongy"
      @update:model-value="set('spongy', $event)"
    />
    <QuantityField
      label="Mower’s weight"
      kind="mass"
      :model-value="zone.mowerWeight"
      :problem="problem('mowerWeight')"
      @update:model-value="set('mowerWeight', $event)"
    />
    <YesNoField
      label="Always mown one way"
      :model-value="zone.oneWay"
      @update:model-value="set('oneWay', $event)"
    />
    <ChoiceField
      label="Laid as"
      clearable
      :options="[
        { value: 'turf', name: 'turf' },
        { value: 'sown', name: 'sown' },
      ]"
      :model-value="zone.laidAs"
      @update:model-value="set('laidAs', $event)"
    />
    <QuantityField
      label="In the year"
      kind="ratio"
      :model-value="zone.laidIn"
      :problem="problem('laidIn')"
      @update:model-value="set('laidIn', $event)"
    />
    <QuantityField
      label="Sprinkler stations"
      kind="ratio"
      :model-value="zone.stations"
      :problem="problem('stations')"
      @update:model-value="set('stations', $event)"
    />
    <QuantityField
      label="One place of a moved sprinkler wets"
      kind="area"
      :model-value="zone.placeWets"
      :problem="problem('placeWets')"
      hint="where no stations are"
      @update:model-value="set('placeWets', $event)"
    />
    <TextField
      class="wide"
      label="Anything else here"
      :rows="2"
      :maxlength="1000"
      :model-value="zone.notes"
      @update:model-value="set('notes', $event)"
    />
    <p v-if="zone.browned === 'unsure'" class="small soft wide">
      Tufts greening between straw are alive: water a square and wait ten days.
    </p>
  </FieldRow>
</template>

<style scoped>
.plugs {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(7rem, 1fr));
  gap: 0.3rem 0.9rem;
}
.wide,
.file {
  grid-column: 1 / -1;
}
label.act:focus-within {
  box-shadow: var(--focus);
}
</style>
