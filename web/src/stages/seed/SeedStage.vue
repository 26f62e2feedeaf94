<script setup lang="ts">
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { figureId, lotScope } from '@juvena/core/trace/scope'
import type { GrassId } from '@juvena/core/reference/grasses'
import FigureValue from '../../parts/FigureValue.vue'
import NothingYet from '../../parts/NothingYet.vue'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { useFirm } from '../../stores/firm.ts'
import StageHead from '../../parts/StageHead.vue'
import { useJob } from '../../stores/job.ts'
import { newId } from '../../stores/newId.ts'
import MixEditor from './MixEditor.vue'

/** What to sow, why, and how much: a mix per zone, its rate, its plants, and the lots it comes from. */
const firm = useFirm()
const job = useJob()
const zones = computed(() => job.plan?.zones ?? [])
const seeded = computed(() => zones.value.filter((z) => z.seed))
const editing = ref<string | null>(null)
const grassesUsed = computed(() => [...new Set(seeded.value.flatMap((z) => z.seed!.mix.map((m) => m.grass)))])
const percent = (id: string) => Number(job.figure(id)?.value ?? 0)

function setLot(grass: GrassId, patch: { name?: string; purity?: string | null; germination?: string | null }) {
  job.edit(`lot.${grass}.${Object.keys(patch)[0]}`, (d) => {
    const lots = (d.lots ??= [])
    const lot = lots.find((l) => l.grass === grass)
    if (lot) Object.assign(lot, patch)
    else lots.push({ id: newId(), grass, ...patch })
  })
}
const lot = (grass: GrassId) => job.draft?.lots?.find((l) => l.grass === grass)
const lotProblem = (grass: GrassId, key: string) => {
  const at = job.draft?.lots?.findIndex((l) => l.grass === grass) ?? -1
  return at >= 0 ? job.problemAt(`lots[${at}].${key}`) : ''
}
</script>

<template>
  <div>
    <StageHead name="Seed" says="what suits the ground, and what that weighs" />
    <NothingYet v-if="zones.filter((z) => z.area).length === 0" says="A mix and its weight come from a zone with a size." />
    <section v-for="z in zones.filter((x) => x.area)" :key="z.id">
      <h3 class="ruled">
        {{ z.name }}
        <span v-if="z.seed" class="soft">{{ z.seed.overridden ? 'your mix' : 'suggested' }}</span>
        <button
          v-if="z.seed || z.nothing"
          type="button"
          class="plain small"
          :aria-expanded="editing === z.id"
          @click="editing = editing === z.id ? null : z.id"
        >
          {{ editing === z.id ? 'done' : 'change the mix' }}
        </button>
      </h3>
      <p v-if="!z.seed" class="soft">{{ z.approach.chosen === 'leave' ? 'Not sown: left and fed.' : firm.say(z.nothing ?? 'No seed here.') }}</p>
      <MixEditor v-if="editing === z.id" :zone="z.id" :suggested="z.seed?.mix ?? []" />
      <div v-if="z.seed" class="two">
        <table>
          <thead>
            <tr>
              <th>grass</th>
              <th class="n">weight</th>
              <th class="n">plants</th>
              <th>why</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in z.seed.plants" :key="p.grass">
              <td>{{ firm.grassName(p.grass) }}</td>
              <td class="n">
                {{ Math.round(p.weight) }}<small class="soft"> %</small
                ><svg class="share" viewBox="0 0 100 4" preserveAspectRatio="none" aria-hidden="true">
                  <rect :width="p.weight" height="4" class="w" />
                </svg>
              </td>
              <td class="n">
                <FigureValue :id="p.share.id" /><svg class="share" viewBox="0 0 100 4" preserveAspectRatio="none" aria-hidden="true">
                  <rect :width="percent(p.share.id)" height="4" class="p" />
                </svg>
              </td>
              <td class="why">{{ firm.say(z.seed.mix.find((m) => m.grass === p.grass)?.reason ?? '') }}</td>
            </tr>
          </tbody>
        </table>
        <dl>
          <div>
            <dt>seed</dt>
            <dd><FigureValue :id="z.seed.kg.id" size="big" /></dd>
          </div>
          <div>
            <dt>two passes of</dt>
            <dd><FigureValue :id="z.seed.half.id" size="big" /></dd>
          </div>
          <div>
            <dt>rate, this ground</dt>
            <dd><FigureValue :id="z.seed.rate.id" /></dd>
          </div>
          <div>
            <dt>bag rate</dt>
            <dd><FigureValue :id="z.seed.bulk.id" /></dd>
          </div>
          <div>
            <dt>pure live seed</dt>
            <dd><FigureValue :id="z.seed.pls.id" /></dd>
          </div>
          <div>
            <dt>live seeds</dt>
            <dd><FigureValue :id="z.seed.live.id" /></dd>
          </div>
        </dl>
      </div>
      <p v-if="z.seed?.chosen.left[0]" class="runner small">
        <b>Left out: {{ firm.grassName(z.seed.chosen.left[0]!.grass) }}</b
        >: {{ firm.say(z.seed.chosen.left[0]!.against) }}.
      </p>
    </section>
    <section v-if="grassesUsed.length">
      <h3 class="ruled">Lots <span class="soft">from the label of the bag</span></h3>
      <div v-for="g in grassesUsed" :key="g" class="lot">
        <b>{{ firm.grassShort(g) }}</b>
        <TextField label="Lot" :model-value="lot(g)?.name" :maxlength="80" @update:model-value="setLot(g, { name: $event })" />
        <QuantityField
          label="Purity"
          kind="percent"
          :model-value="lot(g)?.purity"
          placeholder="98 %"
          :problem="lotProblem(g, 'purity')"
          @update:model-value="setLot(g, { purity: $event })"
        />
        <QuantityField
          label="Germination"
          kind="percent"
          :model-value="lot(g)?.germination"
          placeholder="88 %"
          :problem="lotProblem(g, 'germination')"
          @update:model-value="setLot(g, { germination: $event })"
        />
        <span class="pls"><span class="small soft">pure live seed</span><FigureValue :id="figureId(lotScope(g), 'pls')" /></span>
      </div>
      <p class="small soft">
        Every grass of the trade, with its ranges, is in the <RouterLink to="/yard/grasses">Yard</RouterLink>. Amounts allow for germination once,
        here. {{ firm.settings.reserve === null ? '12' : firm.settings.reserve }} % is kept back for wash-outs, on its own line.
      </p>
    </section>
  </div>
</template>

<style scoped>
h3 button {
  margin-left: auto;
  font-weight: 400;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 13.5rem;
  gap: 0.5rem 1.25rem;
  padding-top: 0.35rem;
}
.two tbody tr:first-child td {
  border-top: 1px solid var(--rule);
}
td {
  font-size: 0.9375rem;
  padding: 0.35rem 0.5rem 0.35rem 0;
  line-height: 1.3;
}
.why {
  font-size: 0.875rem;
  color: var(--soft);
  padding-right: 0;
}
td.n {
  width: 4.2rem;
}
.share {
  display: block;
  width: 100%;
  height: 4px;
  background: var(--paper-deep);
  margin-top: 2px;
}
.share .w {
  fill: var(--rule-strong);
}
.share .p {
  fill: var(--moss);
}
dl {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.3rem 0.75rem;
  align-content: start;
}
dt {
  font-size: 0.75rem;
  color: var(--soft);
}
dd {
  line-height: 1.2;
}
.runner {
  padding-top: 0.25rem;
}
.lot {
  display: grid;
  grid-template-columns: 7rem 1.3fr 1fr 1fr 7rem;
  gap: 0.9rem;
  align-items: center;
  padding-top: 0.3rem;
}
.pls {
  display: grid;
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
  }
  .lot {
    grid-template-columns: 1fr 1fr;
  }
  .lot b {
    grid-column: 1 / -1;
  }
}
</style>
