<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { ZoneSummary } from '@juvena/core/plan/jobPlan'
import ChoiceField from '../../parts/ChoiceField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import QuantityField from '../../parts/QuantityField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** What the mix weighs, how it is laid out and spread, and what it should bring up. */
const props = defineProps<{ zone: ZoneSummary }>()
const firm = useFirm()
const job = useJob()
const seed = computed(() => sure(props.zone.seed))
const at = computed(() => job.zones.findIndex((z) => z.id === props.zone.id))
const draft = computed(() => job.zones[at.value])
/** Ground held over is sown twice: a quick cover now, the proper grass in its season. */
const held = computed(() => props.zone.sowing === 'cover-then-sow')
const covers = computed(() =>
  firm.sownGrasses
    .filter((g) => g.season === 'cool')
    .sort((a, b) => (a.days?.[0] ?? 99) - (b.days?.[0] ?? 99))
    .map((g) => ({ value: g.id, name: g.short })),
)
const set = (patch: {
  seedRate?: string | null
  seedRateOf?: 'bag' | 'pls'
  coverGrass?: string | null
  coverRate?: string | null
}) =>
  job.edit(`${props.zone.id}.${Object.keys(patch)[0]}`, (d) =>
    Object.assign(sure(d.zones)[at.value]!, patch),
  )
</script>

<template>
  <div class="figures">
    <dl>
      <div>
        <dt>seed</dt>
        <dd><FigureValue :id="seed.kg.id" size="big" /></dd>
      </div>
      <div>
        <dt>weigh out, twice</dt>
        <dd><FigureValue :id="seed.pan.id" size="big" exact /></dd>
      </div>
      <div v-if="seed.onBare">
        <dt>on bare patches</dt>
        <dd><FigureValue :id="seed.onBare.pan.id" size="big" exact /></dd>
      </div>
      <div v-if="!seed.handSown">
        <dt>spreader setting</dt>
        <dd>
          <FigureValue :id="seed.setting?.id" size="big" />
        </dd>
      </div>
      <div v-if="!seed.handSown">
        <dt>strip test</dt>
        <dd><FigureValue :id="seed.strip.id" size="big" /></dd>
      </div>
      <div>
        <dt>handfuls, {{ firm.settings.units === 'us' ? 'yd²' : 'm²' }}</dt>
        <dd><FigureValue :id="seed.handfuls.id" size="big" /></dd>
      </div>
      <div>
        <dt>rate, this ground</dt>
        <dd><FigureValue :id="seed.rate.id" /></dd>
      </div>
      <div>
        <dt>bag rate</dt>
        <dd><FigureValue :id="seed.bulk.id" /></dd>
      </div>
      <div>
        <dt>pure live seed</dt>
        <dd><FigureValue :id="seed.pls.id" /></dd>
      </div>
      <div>
        <dt>live seeds</dt>
        <dd><FigureValue :id="seed.live.id" /></dd>
      </div>
      <div>
        <dt>by the table rates</dt>
        <dd><FigureValue :id="seed.band.id" /></dd>
      </div>
      <div>
        <dt>plants to expect</dt>
        <dd><FigureValue :id="seed.plantsExpected.id" /></dd>
      </div>
      <div>
        <dt>rate by plants wanted</dt>
        <dd><FigureValue :id="seed.byDensity.id" /></dd>
      </div>
    </dl>
    <p v-if="!seed.setting && !seed.handSown" class="small soft">
      {{ firm.say(seed.tryNext) }} Strips are kept in the
      <RouterLink to="/yard/firm">Yard, Firm</RouterLink>.
    </p>
    <div class="own">
      <template v-if="held">
        <div class="wide">
          <ChoiceField
            label="Quick cover"
            hint="annual rye is quickest; rye and tall fescue stand the winter better"
            list
            clearable
            :options="covers"
            :model-value="draft?.coverGrass ?? null"
            @update:model-value="set({ coverGrass: $event })"
          />
        </div>
        <div>
          <QuantityField
            label="Rate of the cover"
            kind="rate"
            :placeholder="firm.units === 'us' ? '6 lb/1,000 sq ft' : '30 g/m²'"
            :model-value="draft?.coverRate"
            :problem="job.problemAt(`zones[${at}].coverRate`)"
            @update:model-value="set({ coverRate: $event })"
          />
        </div>
      </template>
      <div>
        <QuantityField
          :label="held ? 'Rate of the proper grass' : 'Your own rate'"
          kind="rate"
          :placeholder="firm.units === 'us' ? '5 lb/1,000 sq ft' : '25 g/m²'"
          :model-value="draft?.seedRate"
          :problem="job.problemAt(`zones[${at}].seedRate`)"
          @update:model-value="set({ seedRate: $event })"
        />
      </div>
      <div v-if="draft?.seedRate" class="wide">
        <ChoiceField
          label="It is a rate of"
          :options="[
            { value: 'bag', name: 'the bag' },
            { value: 'pls', name: 'pure live seed' },
          ]"
          :model-value="draft?.seedRateOf ?? 'bag'"
          @update:model-value="set({ seedRateOf: $event ?? 'bag' })"
        />
        <p v-if="seed.usual" class="small soft">Juvena’s is <FigureValue :id="seed.usual.id" />.</p>
      </div>
    </div>
  </div>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(6.1rem, 1fr));
  gap: 0.4rem 0.75rem;
  align-content: start;
  border-top: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
  padding: 0.4rem 0;
  margin: 0;
}
dt {
  font-size: 0.75rem;
  color: var(--soft);
}
dd {
  line-height: 1.2;
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.2rem;
  align-items: start;
  padding-top: 0.3rem;
}
.figures > p,
.wide p {
  margin: 0;
}
</style>
