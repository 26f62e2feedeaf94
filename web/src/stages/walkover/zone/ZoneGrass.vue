<script setup lang="ts">
import { ElCheckbox, ElCheckboxGroup } from 'element-plus'
import { computed } from 'vue'
import type { ZoneDraft } from '@juvena/core/entities/job'
import ChoiceField from '../../../parts/ChoiceField.vue'
import FieldRow from '../../../parts/FieldRow.vue'
import YesNoField from '../../../parts/YesNoField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useZone } from './zoneEdits.ts'

/** The grasses that stand in a zone. */
const props = defineProps<{ zone: ZoneDraft }>()
const { set } = useZone(computed(() => props.zone))
const firm = useFirm()
const warm = computed(() =>
  (props.zone.present ?? []).some((g) => firm.grasses[g]?.season === 'warm'),
)
const grasses = computed(() => Object.values(firm.grasses).filter((g) => !g.passing))
const wanted = computed(() =>
  grasses.value
    .filter((g) => !(props.zone.present ?? []).includes(g.id))
    .map((g) => ({ value: g.id, name: g.short })),
)
</script>

<template>
  <FieldRow name="Grass there now">
    <ElCheckboxGroup
      class="grasses"
      :model-value="zone.present ?? []"
      aria-label="Grass there now"
      @update:model-value="set('present', $event as ZoneDraft['present'])"
    >
      <ElCheckbox
        v-for="g in grasses"
        v-show="g.season === 'cool' || warm || (zone.present ?? []).length === 0"
        :key="g.id"
        :value="g.id"
        >{{ g.short }}</ElCheckbox
      >
    </ElCheckboxGroup>
    <ChoiceField
      label="Grass the owner wants"
      hint="where it is not one that stands"
      list
      clearable
      :options="wanted"
      :model-value="zone.target ?? null"
      @update:model-value="set('target', $event)"
    />
    <YesNoField
      v-if="warm"
      label="A named fine hybrid"
      hint="common seed does not match it"
      :model-value="zone.hybrid"
      @update:model-value="set('hybrid', $event)"
    />
    <YesNoField
      label="Salt reaches it"
      hint="sea spray, road salt, salty water"
      :model-value="zone.salty"
      @update:model-value="set('salty', $event)"
    />
  </FieldRow>
</template>

<style scoped>
.grasses {
  grid-column: 1 / -1;
  line-height: 1;
}
</style>
