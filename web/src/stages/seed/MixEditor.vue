<script setup lang="ts">
import { computed } from 'vue'
import { GRASS_IDS, type GrassId } from '@juvena/core/reference/grasses'
import ChoiceField from '../../parts/ChoiceField.vue'
import QuantityField from '../../parts/QuantityField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** A person's own mix for a zone, in shares by weight. Starts from what is suggested. */
const props = defineProps<{ zone: string; suggested: { grass: GrassId; share: number }[] }>()
const job = useJob()
const at = computed(() => job.zones.findIndex((z) => z.id === props.zone))
const own = computed(() => job.zones[at.value]?.mix ?? null)
const parts = computed<{ grass: GrassId; share?: number | string | null }[]>(
  () => own.value ?? props.suggested.map(({ grass, share }) => ({ grass, share })),
)
const firm = useFirm()
const options = computed(() =>
  Object.values(firm.grasses)
    .filter((g) => g.newRate !== null)
    .map((g) => ({ value: g.id, name: g.name })),
)
function put(field: string, mix: typeof parts.value | null) {
  job.edit(`${props.zone}.mix.${field}`, (d) => {
    d.zones![at.value]!.mix = mix
  })
}
const set = (i: number, patch: object) =>
  put(
    String(i),
    parts.value.map((p, k) => (k === i ? { ...p, ...patch } : p)),
  )
const add = () => put(`add${Date.now()}`, [...parts.value, { grass: GRASS_IDS.find((g) => !parts.value.some((p) => p.grass === g))!, share: 0 }])
const drop = (i: number) =>
  put(
    `drop${Date.now()}`,
    parts.value.filter((_, k) => k !== i),
  )
const problem = computed(() => job.problemAt(`zones[${at.value}].mix`))
</script>

<template>
  <div class="editor">
    <div v-for="(p, i) in parts" :key="i" class="part">
      <ChoiceField label="Grass" list :options="options" :model-value="p.grass" @update:model-value="set(i, { grass: $event })" />
      <QuantityField
        label="Share by weight"
        kind="percent"
        :model-value="typeof p.share === 'number' ? `${p.share} %` : p.share"
        :problem="job.problemAt(`zones[${at}].mix[${i}].share`)"
        @update:model-value="set(i, { share: $event })"
      />
      <button type="button" class="plain small" @click="drop(i)">leave out</button>
    </div>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p class="ends">
      <button type="button" class="act slight" @click="add">Add a grass</button>
      <button v-if="own" type="button" class="act slight" @click="put('back', null)">Back to what is suggested</button>
    </p>
  </div>
</template>

<style scoped>
.editor {
  background: var(--paper);
  border: 1px solid var(--rule);
  padding: 0.5rem 0.75rem;
  margin-top: 0.5rem;
}
.part {
  display: grid;
  grid-template-columns: 2fr 1fr auto;
  gap: 0.9rem;
  align-items: center;
}
.wrong {
  color: var(--hold);
  font-size: var(--size-small);
}
.ends {
  display: flex;
  gap: 0.6rem;
  padding-top: 0.25rem;
}
</style>
