<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed } from 'vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** One mix for all zones: one bag to carry, and what each zone gives up for it. */
const firm = useFirm()
const job = useJob()
const one = computed(() => job.plan?.oneMix ?? null)
const zoneName = (id: string) => job.plan?.zones.find((z) => z.id === id)?.name ?? id
const given = computed(() =>
  [
    ...new Set(
      one.value?.given.map(
        (g) => `${firm.grassShort(g.grass)}, which does not suit ${zoneName(g.by)}`,
      ),
    ),
  ].join('; '),
)
const taken = computed(
  () =>
    one.value?.zones.every(({ zone }) => job.zones.find((z) => z.id === zone)?.mix != null) ??
    false,
)
function take() {
  const mix = sure(one.value)
  job.edit('one-mix', (d) => {
    for (const { zone } of mix.zones) {
      const found = d.zones?.find((z) => z.id === zone)
      if (found) found.mix = mix.parts.map(({ grass, share }) => ({ grass, share }))
    }
  })
}
</script>

<template>
  <section v-if="one && !taken" class="one">
    <h3 class="ruled">One mix for all zones <span class="soft">one bag to carry</span></h3>
    <p>
      <b>{{ firm.mixText(one.parts) }}</b>
      <span v-for="z in one.zones" :key="z.zone" class="zone">
        {{ zoneName(z.zone) }}
        {{ z.loses > 0 ? `gives up ${z.loses} of 100 points` : 'gives up nothing' }}.
      </span>
      <span v-if="one.given.length" class="soft small">
        Not in it:
        {{ given }}.
      </span>
      <button type="button" class="act slight" @click="take">Sow it everywhere</button>
    </p>
  </section>
</template>

<style scoped>
p {
  line-height: 1.5;
}
.zone {
  margin-left: 0.6rem;
}
button {
  margin-left: 0.6rem;
}
</style>
