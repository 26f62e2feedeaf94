<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, ref } from 'vue'
import { SOWING_NAMES, SOWINGS, type ApproachId, type Sowing } from '@juvena/core/reference/lists'
import { leftOut } from '@juvena/core/present/leftOut'
import ChoiceField from '../../parts/ChoiceField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import NothingYet from '../../parts/NothingYet.vue'
import StageHead from '../../parts/StageHead.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import MoneySums from '../materials/MoneySums.vue'
import WaysTable from './WaysTable.vue'
import WorkLadder from './WorkLadder.vue'

/**
 * The work of each zone, rung by rung, beside ready-made ways. What a person ticks or sets is
 * theirs, and the whole plan follows.
 */
const firm = useFirm()
const job = useJob()
const zones = computed(() => job.plan?.zones ?? [])
const shown = ref<string | null>(null)
const zone = computed(
  () =>
    zones.value.find((z) => z.id === shown.value) ??
    zones.value.find((z) => z.area) ??
    zones.value[0],
)
const drafted = computed(() => job.zones.find((z) => z.id === zone.value?.id))
const decided = computed(
  () =>
    !!drafted.value &&
    (!!drafted.value.approach ||
      !!drafted.value.sowing ||
      Object.keys(drafted.value.operations ?? {}).length > 0),
)
const sowings = SOWINGS.map((value) => ({ value, name: SOWING_NAMES[value] }))

function change(field: string, apply: (z: NonNullable<typeof drafted.value>) => void) {
  const id = zone.value?.id
  job.edit(`${id}.${field}`, (d) => {
    const z = d.zones?.find((x) => x.id === id)
    if (z) apply(z)
  })
}
/** A ready-made way starts clean: what was switched rung by rung belonged to the way before. */
const take = (approach: ApproachId) =>
  change('approach', (z) => {
    z.approach = approach === zone.value?.approach.suggested ? null : approach
    z.sowing = null
    z.operations = {}
  })
const back = () =>
  change('approach', (z) => {
    z.approach = null
    z.sowing = null
    z.operations = {}
  })
const sow = (sowing: Sowing | null) => change('sowing', (z) => (z.sowing = sowing))
function allAlike() {
  const from = drafted.value
  if (!from) return
  job.edit(`alike.${Date.now()}`, (d) => {
    for (const z of d.zones ?? []) {
      z.approach = from.approach ?? null
      z.sowing = from.sowing ?? null
      z.operations = { ...from.operations }
    }
  })
}
const areaOf = (id: string) => firm.hand(Number(sure(job.plan).figures[id]!.value), 'm2')
const isOn = (id: string) => id === zone.value?.id
const letGo = computed(() => leftOut(zone.value?.rungs ?? []))
</script>

<template>
  <div>
    <StageHead name="Approach" says="the work, rung by rung; tick what you will do" />
    <NothingYet v-if="!zone" says="Work comes from a zone’s findings." />
    <template v-else>
      <nav class="zones" aria-label="Zones">
        <button
          v-for="z in zones"
          :key="z.id"
          type="button"
          class="zone"
          :aria-current="isOn(z.id)"
          @click="shown = z.id"
        >
          <b>{{ z.name }}</b> <span v-if="z.area" class="soft">{{ areaOf(z.area) }}</span>
        </button>
        <button
          v-if="zones.length > 1 && decided"
          type="button"
          class="zone alike"
          @click="allAlike"
        >
          all zones like this one
        </button>
      </nav>
      <div class="two">
        <section class="ladder" aria-label="Work, rung by rung">
          <p class="now">
            <FigureValue :id="zone.approach.figure" />
            <span class="soft small">{{ firm.say(zone.approach.why) }}</span>
            <button v-if="decided" type="button" class="plain small" @click="back">
              use what the findings ask
            </button>
          </p>
          <ChoiceField
            class="sowing"
            label="What is sown"
            list
            clearable
            :options="sowings"
            :model-value="zone.sowing"
            @update:model-value="sow($event)"
          />
          <WorkLadder :zone="zone" />
          <MoneySums class="sums" />
          <section v-if="letGo.length" class="let-go" aria-label="Asked for, not planned">
            <b>Asked for, not planned.</b>
            <ul>
              <li v-for="r in letGo" :key="r.operation">
                {{ firm.say(r.name) }}: {{ firm.say(r.reason) }}
              </li>
            </ul>
          </section>
        </section>
        <WaysTable :zone="zone" @take="take" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  padding: 0.2rem 0 0.6rem;
}
.zone {
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  padding: 0.35rem 0.8rem;
  cursor: pointer;
  max-width: 18rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.zone[aria-current='true'] {
  border: 2px solid var(--moss);
  background: var(--moss-wash);
  padding: calc(0.35rem - 1px) calc(0.8rem - 1px);
}
.alike {
  border-style: dashed;
  color: var(--soft);
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 1.8rem;
  align-items: start;
}
.now {
  line-height: 1.35;
}
.now > * {
  margin-right: 0.5rem;
}
.sowing {
  max-width: 26rem;
  padding: 0.3rem 0 0.1rem;
}
.sums {
  margin-top: 0.9rem;
}
.let-go {
  border-left: 4px solid var(--sun);
  padding: 0.1rem 0 0.1rem 0.7rem;
  margin-top: 0.9rem;
  line-height: 1.4;
}
@media (max-width: 1120px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
