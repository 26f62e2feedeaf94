<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, inject } from 'vue'
import { otherYear } from '../../parts/otherYear.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { NOTES } from './notes.ts'

/** A printed figure with the number of its working at the end of the sheets. */
const props = defineProps<{ id: string | null | undefined; exact?: boolean }>()
const firm = useFirm()
const job = useJob()
const notes = sure(inject(NOTES))
const figure = computed(() => job.figure(props.id))
const seen = computed(() =>
  figure.value
    ? (props.exact ? firm.show : firm.showForHand)(figure.value.value, figure.value.unit)
    : null,
)
const year = computed(() => otherYear(figure.value, job.today))
const note = computed(() => (props.id ? notes.value.get(props.id) : undefined))
</script>

<template>
  <span v-if="seen" class="f"
    ><b>{{ firm.say(seen.number) }}</b
    ><span v-if="seen.unit || year" class="u">&nbsp;{{ seen.unit || year }}</span
    ><sup v-if="note">{{ note }}</sup></span
  >
</template>

<style scoped>
.u {
  font-size: 0.85em;
}
sup {
  font-size: 0.62em;
  line-height: 0;
  color: var(--soft);
  padding-left: 1px;
}
</style>
