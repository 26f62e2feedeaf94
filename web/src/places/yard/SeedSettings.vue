<script setup lang="ts">
import { computed } from 'vue'
import type { FirmDraft } from '@juvena/core/entities/firm'
import ChoiceField from '../../parts/ChoiceField.vue'
import TextField from '../../parts/TextField.vue'
import QuantityField from '../../parts/QuantityField.vue'
import { useFirm } from '../../stores/firm.ts'
import { newId } from '../../stores/newId.ts'

/**
 * How the firm weighs and spreads: seed bags and their prices, the scale, the hand, the spreader and
 * its strips of seed and feed.
 */
const firm = useFirm()
const us = computed(() => firm.settings.units === 'us')
const problem = (path: string) => firm.problems.find((p) => p.path === path)?.sentence ?? ''
const set = <K extends keyof FirmDraft>(key: K, value: FirmDraft[K]) =>
  firm.change({ [key]: value })
const bags = computed(() => firm.draft.seedBags ?? [])
const setBag = (i: number, patch: object) => set('seedBags', bags.value.map((b, k) => (k === i ? { ...b, ...patch } : b))) // prettier-ignore
const strips = computed(() => firm.draft.calibrations ?? [])
const setStrip = (i: number, patch: object) => set('calibrations', strips.value.map((b, k) => (k === i ? { ...b, ...patch } : b))) // prettier-ignore
const addStrip = () =>
  set('calibrations', [
    ...strips.value,
    {
      id: newId(),
      grass: strips.value.at(-1)?.grass ?? 'perennial-ryegrass',
      swath: firm.draft.swath ?? (us.value ? '6 ft' : '2 m'),
      strip: firm.draft.strip ?? (us.value ? '30 ft' : '10 m'),
    },
  ])
const grasses = computed(() => firm.sownGrasses.map((g) => ({ value: g.id, name: g.short })))
const spread = computed(() => [{ value: 'feed', name: 'a feed, by its grade' }, ...grasses.value])
/** A strip tells of a feed, or of seed by its leading grass. */
const setSpread = (i: number, chosen: string | null) =>
  setStrip(
    i,
    chosen === 'feed'
      ? { feed: firm.draft.feedGrade ?? '' }
      : { feed: null, grass: chosen ?? strips.value[i]?.grass },
  )
</script>

<template>
  <section class="seed">
    <h2>Weighing and spreading</h2>
    <div class="row">
      <QuantityField
        label="The scale reads to"
        kind="mass"
        :placeholder="us ? '0.5 oz' : '10 g'"
        :model-value="firm.draft.scaleStep"
        :problem="problem('scaleStep')"
        @update:model-value="set('scaleStep', $event)"
      />
      <QuantityField
        label="A handful"
        kind="mass"
        hint="weigh five and divide"
        :placeholder="us ? '1 oz' : '25 g'"
        :model-value="firm.draft.handful"
        :problem="problem('handful')"
        @update:model-value="set('handful', $event)"
      />
      <QuantityField
        label="Swath of the spreader"
        kind="length"
        hint="what it covers evenly"
        :placeholder="us ? '6 ft' : '2 m'"
        :model-value="firm.draft.swath"
        :problem="problem('swath')"
        @update:model-value="set('swath', $event)"
      />
      <QuantityField
        label="Test strip"
        kind="length"
        :placeholder="us ? '30 ft' : '10 m'"
        :model-value="firm.draft.strip"
        :problem="problem('strip')"
        @update:model-value="set('strip', $event)"
      />
    </div>
    <h3>Seed bags you buy</h3>
    <div class="bags">
      <div v-for="(b, i) in bags" :key="b.id" class="line">
        <QuantityField
          label="Size"
          kind="mass"
          :model-value="b.size"
          :problem="problem(`seedBags[${i}].size`)"
          @update:model-value="setBag(i, { size: $event })"
        />
        <QuantityField
          label="Price"
          kind="price"
          :model-value="b.price"
          :problem="problem(`seedBags[${i}].price`)"
          @update:model-value="setBag(i, { price: $event })"
        />
        <button
          type="button"
          class="plain small"
          @click="
            set(
              'seedBags',
              bags.filter((_, k) => k !== i),
            )
          "
        >
          delete
        </button>
      </div>
    </div>
    <p class="small soft">
      {{
        bags.length
          ? ''
          : us
            ? 'Until you enter some, bags of 50, 25, 10 and 5 lb are taken.'
            : 'Until you enter some, bags of 20, 10, 5 and 1 kg are taken.'
      }}
      <button type="button" class="act slight" @click="set('seedBags', [...bags, { id: newId() }])">
        Add a bag
      </button>
    </p>
    <h3>Strips you have tried</h3>
    <div
      v-for="(c, i) in strips"
      :key="c.id"
      class="line strip"
      :class="{ fed: typeof c.feed === 'string' }"
    >
      <ChoiceField
        label="Spread"
        list
        :options="spread"
        :model-value="typeof c.feed === 'string' ? 'feed' : c.grass"
        @update:model-value="setSpread(i, $event)"
      />
      <TextField
        v-if="typeof c.feed === 'string'"
        label="Its grade"
        :model-value="c.feed"
        :maxlength="40"
        :problem="problem(`calibrations[${i}].feed`)"
        placeholder="16-20-8"
        @update:model-value="setStrip(i, { feed: $event })"
      />
      <QuantityField
        label="Setting"
        kind="ratio"
        :model-value="c.setting"
        :problem="problem(`calibrations[${i}].setting`)"
        @update:model-value="setStrip(i, { setting: $event })"
      />
      <QuantityField
        label="Came out"
        kind="mass"
        :model-value="c.grams"
        :problem="problem(`calibrations[${i}].grams`)"
        @update:model-value="setStrip(i, { grams: $event })"
      />
      <QuantityField
        label="Swath"
        kind="length"
        :model-value="c.swath"
        @update:model-value="setStrip(i, { swath: $event })"
      />
      <QuantityField
        label="Strip"
        kind="length"
        :model-value="c.strip"
        @update:model-value="setStrip(i, { strip: $event })"
      />
      <button
        type="button"
        class="plain small"
        @click="
          set(
            'calibrations',
            strips.filter((_, k) => k !== i),
          )
        "
      >
        delete
      </button>
    </div>
    <p><button type="button" class="act slight" @click="addStrip">Add a strip</button></p>
  </section>
</template>

<style scoped>
.bags {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0 1.5rem;
}
h3,
p {
  margin: 0;
}
.row,
.line {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(7rem, 100%), 1fr));
  gap: 0.3rem 0.9rem;
  align-items: end;
}
.line {
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
  align-items: center;
}
.strip {
  align-items: start;
  grid-template-columns: 1.5fr 0.8fr 1fr 0.8fr 0.8fr auto;
}
/* A feed has its grade beside it: two lines, what is spread above what was tried. */
.strip.fed {
  grid-template-columns: repeat(4, minmax(0, 1fr)) auto;
}
.strip.fed > :nth-child(-n + 2) {
  grid-column: span 2;
}
.strip.fed > :last-child {
  grid-area: 1 / 5;
}
.strip > :last-child {
  align-self: center;
}
h3 {
  font-size: 0.9375rem;
  padding-top: 0.4rem;
}
@media (max-width: 480px) {
  .bags {
    grid-template-columns: 1fr;
  }
  .strip,
  .strip.fed {
    grid-template-columns: 1fr 1fr;
  }
  .strip.fed > :nth-child(-n + 2) {
    grid-column: auto;
  }
  .strip.fed > :last-child {
    grid-area: auto;
  }
}
</style>
