<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, nextTick, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { addZone } from '@juvena/core/drawing/shapeEdits'
import type { ZoneDraft } from '@juvena/core/entities/job'
import { num } from '@juvena/core/trace/figure'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import MoreReadings from './readings/MoreReadings.vue'
import ZoneCover from './zone/ZoneCover.vue'
import ZoneGrass from './zone/ZoneGrass.vue'
import ZoneSize from './zone/ZoneSize.vue'
import ZoneSoil from './zone/ZoneSoil.vue'
import ZoneUse from './zone/ZoneUse.vue'

/** The zones of a job, one chosen, with its readings. */
const firm = useFirm()
const job = useJob()
const route = useRoute()
const router = useRouter()

const index = computed(() => {
  const at = job.zones.findIndex((z) => z.id === route.query.zone)
  return at >= 0 ? at : 0
})
const zone = computed<ZoneDraft | null>(() => job.zones[index.value] ?? null)
const select = (id: string) => void router.replace({ query: { ...route.query, zone: id } })

function add() {
  let id = ''
  job.edit(`add.zone.${Date.now()}`, (d) => (id = addZone(d)))
  select(id)
  void nextTick(() => document.querySelectorAll<HTMLInputElement>('.size-row input')[1]?.focus())
}
function remove() {
  const gone = zone.value
  if (!gone) return
  job.edit(`remove.${gone.id}`, (d) => {
    d.zones = sure(d.zones).filter((z) => z.id !== gone.id)
    if (d.drawing?.shapes)
      d.drawing.shapes = d.drawing.shapes.filter((x) => x.kind !== 'lawn' || x.zone !== gone.id)
  })
}
function twin() {
  const from = zone.value
  if (!from) return
  let id = ''
  const like = JSON.parse(JSON.stringify(from)) as ZoneDraft
  const own = {
    area: null,
    length: null,
    width: null,
    deductions: [],
    pointCounts: null,
    quadrats: [],
    plugs: [],
  }
  job.edit(
    `twin.${Date.now()}`,
    (d) =>
      (id = addZone(d, { ...like, ...own, name: `${from.name ?? 'Lawn'}, second`.slice(0, 80) })),
  )
  select(id)
}
function patch(key: string, change: Partial<ZoneDraft>) {
  const at = index.value
  job.edit(`${zone.value?.id}.${key}`, (d) => {
    Object.assign(sure(d.zones)[at]!, change)
  })
}
const finer = ref(false)
const area = (id: string) => {
  const f = job.ofZone(id, 'area')
  return f ? firm.text(num(f), 'm2') : 'no size yet'
}
</script>

<template>
  <div>
    <div class="zones" role="group" aria-label="Zones">
      <button
        v-for="(z, i) in job.zones"
        :key="z.id"
        type="button"
        class="zone"
        :aria-pressed="i === index"
        @click="select(z.id)"
      >
        <b>{{ z.name || 'Unnamed zone' }}</b><span>{{ area(z.id) }}</span>
      </button>
      <button type="button" class="act slight" data-test="add-zone" @click="add">+ zone</button>
    </div>

    <div v-if="!zone" class="empty">
      <p class="big">Walk the lawn, zone by zone.</p>
      <p>
        A zone is ground with one light, one soil, one grass and one treatment. Its size is enough
        to begin; every reading you add makes the plan surer.
      </p>
      <button type="button" class="act main" @click="add">Add the first zone</button>
    </div>

    <form v-else :key="zone.id" class="sheet" autocomplete="off" @submit.prevent>
      <ZoneSize :zone="zone" />
      <ZoneCover :zone="zone" />
      <ZoneSoil :zone="zone" />
      <ZoneUse :zone="zone" />
      <ZoneGrass :zone="zone" />

      <button
        type="button"
        class="plain finer"
        :aria-expanded="finer"
        data-test="finer"
        @click="finer = !finer"
      >
        {{
          finer ? 'Fewer readings' : 'Finer readings: plugs, soil, laboratory, weeds, pests, edges'
        }}
      </button>
      <MoreReadings v-if="finer" :zone="zone" :index="index" @patch="patch" />

      <p class="ends">
        <button type="button" class="act slight" @click="twin">Another zone like this</button>
        <button type="button" class="act slight" @click="remove">Delete this zone</button>
        <span class="small soft">Undo restores it.</span>
      </p>
    </form>
  </div>
</template>

<style scoped>
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
  margin-bottom: 0.5rem;
  max-height: 8.2rem;
  overflow-y: auto;
}
.zone {
  display: grid;
  text-align: left;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  padding: 0.2rem 0.7rem 0.25rem;
  cursor: pointer;
  line-height: 1.25;
  max-width: 14rem;
}
.zone b {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.zone span {
  font-size: 0.75rem;
  color: var(--soft);
}
.zone[aria-pressed='true'] {
  border: 2px solid var(--moss);
  background: var(--moss-wash);
  padding: calc(0.2rem - 1px) calc(0.7rem - 1px);
}
.empty {
  display: grid;
  gap: 0.75rem;
  justify-items: start;
  padding: 3rem 0;
  max-width: 30rem;
}
.finer {
  justify-self: start;
  margin: 0.4rem 0;
}
.ends {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding-top: 0.7rem;
  margin-top: 0.3rem;
}
</style>
