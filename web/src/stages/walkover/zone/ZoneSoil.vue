<script setup lang="ts">
import { computed } from 'vue'
import type { ZoneDraft } from '@juvena/core/entities/job'
import {
  PENETRATIONS,
  PENETRATION_NAMES,
  TEXTURES,
  TEXTURE_NAMES,
} from '@juvena/core/reference/lists'
import ChoiceField from '../../../parts/ChoiceField.vue'
import FieldRow from '../../../parts/FieldRow.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import { useZone } from './zoneEdits.ts'

/** Mat, firmness and soil of a zone. */
const props = defineProps<{ zone: ZoneDraft }>()
const { problem, set, figureText } = useZone(computed(() => props.zone))
</script>

<template>
  <FieldRow name="Mat, firmness, soil" class="ground">
    <QuantityField
      label="Thatch"
      kind="depth"
      :model-value="zone.thatch"
      :problem="problem('thatch')"
      :hint="
        (zone.plugs ?? []).length && figureText('thatch')
          ? `plugs: ${figureText('thatch')}`
          : 'from plugs'
      "
      @update:model-value="set('thatch', $event)"
    />
    <ChoiceField
      label="Screwdriver, pushed"
      clearable
      :options="PENETRATIONS.map((v) => ({ value: v, name: PENETRATION_NAMES[v] }))"
      :model-value="zone.penetration"
      class="two"
      @update:model-value="set('penetration', $event)"
    />
    <ChoiceField
      label="In soil that was"
      clearable
      :options="[
        { value: 'moist', name: 'moist' },
        { value: 'dry', name: 'dry' },
      ]"
      :model-value="zone.soilMoist === true ? 'moist' : zone.soilMoist === false ? 'dry' : null"
      @update:model-value="set('soilMoist', $event === null ? null : $event === 'moist')"
    />
    <ChoiceField
      label="Texture"
      list
      clearable
      :options="TEXTURES.map((v) => ({ value: v, name: TEXTURE_NAMES[v] }))"
      :model-value="zone.texture"
      @update:model-value="set('texture', $event)"
    />
    <QuantityField
      label="pH, if known"
      kind="ph"
      :model-value="zone.ph"
      :problem="problem('ph')"
      @update:model-value="set('ph', $event)"
    />
    <QuantityField
      label="Lows, depth"
      kind="depth"
      :model-value="zone.lowsDepth"
      :problem="problem('lowsDepth')"
      @update:model-value="set('lowsDepth', $event)"
    />
    <QuantityField
      label="Lows, share of ground"
      kind="percent"
      :model-value="zone.lowsShare"
      :problem="problem('lowsShare')"
      @update:model-value="set('lowsShare', $event)"
    />
  </FieldRow>
</template>

<style scoped>
.two {
  grid-column: span 2;
  min-width: 21rem;
}
@media (max-width: 640px) {
  .two {
    grid-column: 1 / -1;
    min-width: 0;
  }
}
</style>
