<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import type { GrassId } from '@juvena/core/reference/grasses'
import { lotName } from '@juvena/core/stock/lotWorth'
import { figureId, grassLotsScope } from '@juvena/core/trace/scope'
import ChoiceField from '../../parts/ChoiceField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { useStock } from '../../stores/stock.ts'
import { setLotOfGrass } from './lotOfGrass.ts'

/** Where each grass of the job comes from: a lot on the shelf, or a label typed in. */
const props = defineProps<{ grasses: readonly GrassId[] }>()
const firm = useFirm()
const job = useJob()
const stock = useStock()
const failure = ref('')

const lot = (grass: GrassId) => job.draft?.lots?.find((l) => l.grass === grass)
const lotProblem = (grass: GrassId, key: string) => {
  const at = job.draft?.lots?.findIndex((l) => l.grass === grass) ?? -1
  return at >= 0 ? job.problemAt(`lots[${at}].${key}`) : ''
}
function setLot(
  grass: GrassId,
  patch: { name?: string; purity?: string | null; germination?: string | null; stock?: string },
) {
  job.edit(`lot.${grass}.${Object.keys(patch)[0]}`, (d) => setLotOfGrass(d, grass, patch))
}
/** Lots of a grass on the shelf, the one that stands longest first. */
const shelf = (grass: GrassId) =>
  stock.forPlans
    .filter((s) => s.lot.parts.some((p) => p.grass === grass))
    .map((s) => {
      const worth = sure(stock.worth.get(s.id))
      const part = sure(worth.parts.find((p) => p.grass === grass))
      const mixed = s.lot.parts.length > 1 ? ', a mix' : ''
      return {
        value: s.id,
        name: `${lotName(s.lot)}, ${Math.round(part.germination)} %, ${firm.hand(s.shelf.free, 'kg')} free${mixed}${worth.verdict === 'do not use' ? ', do not use' : ''}`,
        tested: s.lot.tested ?? '',
      }
    })
    .sort((a, b) => a.tested.localeCompare(b.tested))
/** Stands for no lot of the shelf: an empty value would count as nothing chosen. */
const TYPED = 'typed'
const options = (grass: GrassId) => [{ value: TYPED, name: 'a label typed here' }, ...shelf(grass)]

const wanted = (grass: GrassId) => {
  const own = lot(grass)
  return own
    ? (job.plan?.seedUse ?? []).filter((u) => u.lot === own.id).reduce((sum, u) => sum + u.kg, 0)
    : 0
}
const reserved = (grass: GrassId) => {
  const found = stock.forPlans.find((s) => s.id === lot(grass)?.stock)
  return found && job.id ? (found.shelf.forJobs[job.id] ?? 0) : 0
}
async function reserve(grass: GrassId) {
  failure.value = ''
  const more = wanted(grass) - reserved(grass)
  const id = lot(grass)?.stock
  if (!id || Math.abs(more) < 0.005) return
  try {
    await stock.move(id, {
      kind: more > 0 ? 'reserved' : 'released',
      kg: Math.round(Math.abs(more) * 100) / 100,
      on: job.today,
      job: job.id,
    })
  } catch (error) {
    failure.value = (error as Error).message
  }
}
const asWanted = (grass: GrassId) => Math.abs(wanted(grass) - reserved(grass)) < 0.005
</script>

<template>
  <section v-if="props.grasses.length">
    <h3 class="ruled">
      Lots <span class="soft">what the bags are worth; good lots sell out early</span>
    </h3>
    <div v-for="g in props.grasses" :key="g" class="lot">
      <b>{{ firm.grassShort(g) }}</b>
      <ChoiceField
        v-if="shelf(g).length || lot(g)?.stock"
        label="From the shelf"
        list
        :options="options(g)"
        :model-value="lot(g)?.stock || TYPED"
        @update:model-value="setLot(g, { stock: $event === TYPED ? '' : ($event ?? '') })"
      />
      <template v-if="!lot(g)?.stock">
        <TextField
          label="Lot"
          :model-value="lot(g)?.name"
          :maxlength="80"
          @update:model-value="setLot(g, { name: $event })"
        />
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
      </template>
      <p v-else class="reserve small">
        <template v-if="asWanted(g)"
          >{{ firm.hand(reserved(g), 'kg') }} reserved for this job.</template
        >
        <template v-else
          >{{ firm.hand(wanted(g), 'kg') }} wanted, {{ firm.hand(reserved(g), 'kg') }} reserved.
          <button type="button" class="act slight" @click="reserve(g)">
            Reserve what is wanted
          </button></template
        >
        <RouterLink :to="`/yard/stock?lot=${sure(lot(g)).stock}`">the lot</RouterLink>
      </p>
      <span class="pls"
        ><span class="small soft">pure live seed</span
        ><FigureValue :id="figureId(grassLotsScope(g), 'pls')"
      /></span>
    </div>
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <p class="small soft">
      Lots are kept in the <RouterLink to="/yard/stock">Yard, Stock</RouterLink>; every grass with
      its ranges is in <RouterLink to="/yard/grasses">Grasses</RouterLink>. Germination is allowed
      for once, here. {{ firm.settings.reserve === null ? '12' : firm.settings.reserve }} % is kept
      back for wash-outs, on its own line.
    </p>
  </section>
</template>

<style scoped>
.lot {
  display: grid;
  grid-template-columns: 5.2rem minmax(0, 2fr) repeat(3, minmax(0, 1fr)) 5.6rem;
  gap: 0.7rem;
  align-items: center;
  padding-top: 0.3rem;
}
.reserve {
  grid-column: span 3;
}
.pls {
  display: grid;
  grid-column: -2;
}
.wrong {
  color: var(--hold);
}
@media (max-width: 760px) {
  .lot {
    grid-template-columns: 1fr 1fr;
  }
  .lot b,
  .reserve {
    grid-column: 1 / -1;
  }
  .pls {
    grid-column: auto;
  }
}
</style>
