<script setup lang="ts">
import { computed } from 'vue'
import { SCHOOL_CHOICES, type SchoolChoiceId } from '@juvena/core/reference/schools'
import { useFirm } from '../stores/firm.ts'
import { useJob } from '../stores/job.ts'
import ChoiceField from './ChoiceField.vue'

/** Which school this job follows; the firm's own until the job differs. */
const props = defineProps<{ choice: SchoolChoiceId }>()
const firm = useFirm()
const job = useJob()
const options = computed(() =>
  Object.entries(SCHOOL_CHOICES[props.choice].schools).map(([value, s]) => ({
    value,
    name: s.name,
  })),
)
const now = computed(() => job.plan?.schools[props.choice] as string | undefined)
const own = computed(() => job.draft?.schools?.[props.choice])
const says = computed(() =>
  now.value
    ? (SCHOOL_CHOICES[props.choice].schools as Record<string, { says: string }>)[now.value]?.says
    : '',
)
const set = (school: string | null) =>
  job.edit(`schools.${props.choice}`, (d) => {
    d.schools ??= {}
    if (school) d.schools[props.choice] = school
    else delete d.schools[props.choice]
  })
</script>

<template>
  <div class="school">
    <ChoiceField
      :label="firm.say(SCHOOL_CHOICES[choice].question)"
      :options="options"
      :model-value="now"
      @update:model-value="set"
    />
    <p class="small soft">
      {{ firm.say(says ?? '') }}
      <template v-if="own"
        >This job’s own choice.
        <button type="button" class="plain" @click="set(null)">back to the firm’s</button></template
      >
    </p>
  </div>
</template>

<style scoped>
.school p {
  padding-top: 0.15rem;
}
</style>
