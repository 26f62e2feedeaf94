<script setup lang="ts">
import { computed } from 'vue'
import { APPROACH_NAMES, type ApproachId } from '@juvena/core/reference/lists'
import FigureValue from '../../parts/FigureValue.vue'
import NothingYet from '../../parts/NothingYet.vue'
import { useFirm } from '../../stores/firm.ts'
import StageHead from '../../parts/StageHead.vue'
import { useJob } from '../../stores/job.ts'

/** The approach for each zone, with the candidates beside it. A person may decide otherwise; the plan says so. */
const firm = useFirm()
const job = useJob()
const zones = computed(() => job.plan?.zones ?? [])
function take(zone: string, approach: ApproachId | null) {
  job.edit(`${zone}.approach`, (d) => {
    const z = d.zones?.find((x) => x.id === zone)
    if (z) z.approach = approach
  })
}
const FIT = { best: 'asked for', cheaper: 'cheaper', possible: 'possible', 'ruled out': 'not asked for' }
</script>

<template>
  <div>
    <StageHead name="Approach" says="zone by zone; choose another and the whole plan follows" />
    <NothingYet v-if="zones.length === 0" says="An approach comes from a zone’s findings." />
    <section v-for="z in zones" :key="z.id">
      <h3 class="ruled">
        {{ z.name }} <FigureValue :id="z.approach.figure" class="now" />
        <button v-if="z.approach.overridden" type="button" class="plain small" @click="take(z.id, null)">back to what the findings ask</button>
      </h3>
      <div class="cards" role="radiogroup" :aria-label="`Approach for ${z.name}`">
        <button
          v-for="c in z.approach.candidates"
          :key="c.approach"
          type="button"
          role="radio"
          class="card"
          :class="c.fit.replace(' ', '-')"
          :aria-checked="c.approach === z.approach.chosen"
          @click="take(z.id, c.approach === z.approach.suggested ? null : c.approach)"
        >
          <span class="fit small">{{ FIT[c.fit] }}</span>
          <b>{{ APPROACH_NAMES[c.approach] }}</b>
          <span class="why">{{ firm.say(c.why) }}</span>
          <span class="bad small soft">{{ c.badDays ? `looks bad about ${c.badDays} days` : 'no bad looks' }}</span>
        </button>
      </div>
    </section>
  </div>
</template>

<style scoped>
.now {
  font-weight: 400;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(12.2rem, 1fr));
  gap: 0.6rem;
  padding-top: 0.6rem;
}
.card {
  display: grid;
  grid-template-rows: auto auto 1fr auto;
  gap: 0.15rem;
  text-align: left;
  width: 100%;
  height: 100%;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  padding: 0.5rem 0.7rem;
  cursor: pointer;
  line-height: 1.3;
}
.card:hover {
  border-color: var(--ink);
}
.card[aria-checked='true'] {
  border: 2px solid var(--clay);
  background: var(--clay-wash);
  padding: calc(0.5rem - 1px) calc(0.7rem - 1px);
}
.card[aria-checked='true'] .fit::after {
  content: ' · chosen';
  font-weight: 700;
}
.ruled-out {
  border-style: dashed;
}
.fit {
  color: var(--soft);
}
.best .fit {
  color: var(--moss);
  font-weight: 700;
}
.why {
  font-size: 0.875rem;
}
</style>
