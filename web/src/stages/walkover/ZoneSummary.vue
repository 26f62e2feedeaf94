<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { FINDING_NAMES, READING_OF } from '@juvena/core/findings/findings'
import FigureValue from '../../parts/FigureValue.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** The zone being walked, read back: each reading with what it means, and what is still wanted for a sure plan. */
const firm = useFirm()
const job = useJob()
const route = useRoute()
const zone = computed(() => job.plan?.zones.find((z) => z.id === route.query.zone) ?? job.plan?.zones[0])
const KIT = [
  ['Tape, or paces', 'length and width, less beds and paths'],
  ['Eyes, a frame or a stick', 'cover: wanted, weeds, moss, bare'],
  ['A knife', 'plugs: how deep the thatch lies'],
  ['A screwdriver', 'pushed in, in moist soil: firm or compacted'],
  ['A watch', 'hours of direct sun; a bucket under the tap'],
  ['A soil thermometer', 'soil now, a finger deep'],
  ['A question', 'what was put down before, and when'],
]
const found = computed(() => job.plan?.findings.filter((f) => f.zone === zone.value?.id && f.verdict !== 'unread') ?? [])
const wanted = computed(() => job.plan?.findings.filter((f) => f.zone === zone.value?.id && f.verdict === 'unread') ?? [])
</script>

<template>
  <div v-if="zone" class="summary">
    <p class="small soft">{{ zone.name }}</p>
    <p v-if="zone.area" class="size"><FigureValue :id="zone.area" size="big" /></p>
    <p v-else class="size soft">no size yet</p>
    <ul>
      <li v-for="f in found" :key="f.kind">
        <span>{{ FINDING_NAMES[f.kind] }}</span>
        <FigureValue :id="`${zone.id}.${READING_OF[f.kind]}`" />
        <span class="small soft means">{{ f.word }}. {{ firm.say(f.asks === 'Nothing.' ? f.says : f.asks) }}</span>
      </li>
    </ul>
    <section v-if="wanted.length">
      <h3>Still wanted for a sure plan</h3>
      <ul>
        <li v-for="f in wanted" :key="f.kind">
          <b class="small">{{ FINDING_NAMES[f.kind] }}</b>
          <span class="small soft means">{{ f.says }} {{ f.asks }}</span>
        </li>
      </ul>
    </section>
  </div>
  <div v-else class="summary">
    <p class="small soft">What a walk takes</p>
    <ul>
      <li v-for="[tool, says] in KIT" :key="tool">
        <b class="small">{{ tool }}</b><span class="small soft means">{{ says }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.summary {
  display: grid;
  gap: 0.3rem;
}
.size :deep(.number) {
  font-size: 2.25rem;
}
.size :deep(.unit) {
  font-size: 1.0625rem;
  font-weight: 400;
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 0.75rem;
  border-bottom: 1px solid var(--rule);
  padding: 0.35rem 0;
  font-size: 0.9375rem;
  line-height: 1.3;
}
li :deep(.number) {
  font-weight: 700;
}
.means {
  grid-column: 1 / -1;
}
h3 {
  margin-top: 0.5rem;
}
</style>
