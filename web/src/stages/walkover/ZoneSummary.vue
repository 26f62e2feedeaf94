<script setup lang="ts">
import { zoneFigureId, type ZoneFigure } from '@juvena/core/walkover/zoneFigures'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { FINDING_NAMES, readingFigureId, type FindingKind } from '@juvena/core/findings/finding'
import { MEASURED_BY_NAMES } from '@juvena/core/entities/drawing'
import { num } from '@juvena/core/trace/figure'
import FigureValue from '../../parts/FigureValue.vue'
import { useFirm } from '../../stores/firm.ts'
import PhotoStrip from './readings/PhotoStrip.vue'
import { useJob } from '../../stores/job.ts'

/**
 * The zone being walked, read back: each reading with what it means, and what is still wanted for a
 * sure plan.
 */
const firm = useFirm()
const job = useJob()
const route = useRoute()
const zone = computed(
  () => job.plan?.zones.find((z) => z.id === route.query.zone) ?? job.plan?.zones[0],
)
const KIT = [
  ['Tape, or paces', 'length and width, less beds and paths'],
  ['Eyes, a frame or a stick', 'cover: wanted, weeds, moss, bare'],
  ['A knife', 'plugs: how deep the thatch lies'],
  ['A screwdriver', 'pushed in, in moist soil: firm or compacted'],
  ['A watch', 'hours of direct sun; a bucket under the tap'],
  ['A soil thermometer', 'soil now, a finger deep'],
  ['A question', 'what was put down before, and when'],
]
const measuredBy = computed(() => {
  const by = zone.value ? job.plan?.survey.zones[zone.value.id]?.by : null
  return by ? MEASURED_BY_NAMES[by as keyof typeof MEASURED_BY_NAMES] : ''
})
const hours = (key: ZoneFigure) => {
  const f = job.ofZone(zone.value?.id, key)
  return f ? num(f) : null
}
/** How a reading was come by, where it was more than typed. */
function from(kind: FindingKind): string {
  const id = zone.value?.id ?? ''
  if (kind === 'light' && job.ofZone(id, 'sun')?.rule === 'survey.light')
    return `from the plan, ${hours('sunLow')}–${hours('sunHigh')} h`
  if (kind === 'cover') {
    const counted = job.plan?.survey.zones[id]?.counted
    if (counted && job.ofZone(id, 'wanted')?.origin !== 'typed') {
      const more =
        counted.more === 0
          ? ''
          : counted.more === null
            ? `, too near ${counted.line} %`
            : `, ${counted.more} more settle ${counted.line} %`
      return `${counted.n} ${counted.method === 'step' ? 'looks' : 'throws'}, ${Math.round(counted.low)}–${Math.round(counted.high)} %${more}`
    }
  }
  if (kind === 'thatch' && job.ofZone(id, 'thatch')?.rule === 'survey.plugs') {
    const plugs = job.zones.find((z) => z.id === id)?.plugs ?? []
    return `${plugs.length} plugs`
  }
  const levels = kind === 'lows' ? job.plan?.survey.zones[id]?.levels : null
  return levels ? `${levels.readings} levels` : ''
}
const gain = computed(() => {
  const [now, then] = [hours('sunCast') ?? hours('sun'), hours('sunIf')]
  if (now === null || then === null) return ''
  const g = Math.round((then - now) * 10) / 10
  return `${g > 0 ? '+' : ''}${g} h`
})
const found = computed(
  () => job.plan?.findings.filter((f) => f.zone === zone.value?.id && f.verdict !== 'unread') ?? [],
)
const wanted = computed(
  () => job.plan?.findings.filter((f) => f.zone === zone.value?.id && f.verdict === 'unread') ?? [],
)
const further = computed(() => job.plan?.wanted[zone.value?.id ?? ''] ?? [])
</script>

<template>
  <div v-if="zone" class="summary">
    <p class="small soft">{{ zone.name }}</p>
    <p v-if="zone.area" class="size">
      <FigureValue :id="zone.area" size="big" />
      <span v-if="job.ofZone(zone.id, 'areaError')" class="error"
        >± <FigureValue :id="zoneFigureId(zone.id, 'areaError')" one
      /></span>
      <span v-if="measuredBy" class="small soft">{{ measuredBy }}</span>
    </p>
    <p v-else class="size soft">no size yet</p>
    <ul>
      <li v-for="f in found" :key="f.kind">
        <span>{{ FINDING_NAMES[f.kind] }}</span>
        <FigureValue :id="readingFigureId(zone.id, f.kind)" />
        <span class="small soft means"
          ><span v-if="from(f.kind)" class="tag reading">{{ from(f.kind) }}</span> {{ f.word }}.
          {{ firm.say(f.asks === 'Nothing.' ? f.says : f.asks) }}</span
        >
      </li>
    </ul>
    <ul v-if="gain">
      <li>
        <span>With the what-ifs</span> <b>{{ gain }}</b>
        <span class="small soft means"
          >to <FigureValue :id="zoneFigureId(zone.id, 'sunIf')" /> a day, if they were done</span
        >
      </li>
    </ul>
    <section v-if="wanted.length + further.length">
      <h3>Still wanted for a sure plan</h3>
      <ul>
        <li v-for="f in wanted" :key="f.kind">
          <b class="small">{{ FINDING_NAMES[f.kind] }}</b>
          <span class="small soft means">{{ firm.say(f.says) }} {{ firm.say(f.asks) }}</span>
        </li>
        <li v-for="(f, i) in further" :key="i">
          <b class="small">{{ firm.say(f.what) }}</b>
          <span class="small soft means">{{ firm.say(f.why) }}</span>
        </li>
      </ul>
    </section>
    <PhotoStrip :zone="zone.id" :name="zone.name" />
  </div>
  <div v-else class="summary">
    <p class="small soft">What a walk-over records</p>
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
.error {
  font-size: 1.0625rem;
  margin-right: 0.4rem;
}
.size .error :deep(.number) {
  font-size: 1.0625rem;
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
