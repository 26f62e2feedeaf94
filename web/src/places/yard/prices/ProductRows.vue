<script setup lang="ts">
import { parse, unparse } from 'papaparse'
import { computed, ref } from 'vue'
import { PRODUCT_KINDS, type PricesDraft, type ProductKind } from '@juvena/core/entities/prices'
import { priceRows, priceTable } from '@juvena/core/formats/priceTable'
import ChoiceField from '../../../parts/ChoiceField.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import TextField from '../../../parts/TextField.vue'
import { textOfFile } from '../../../parts/textOfFile.ts'
import { saveFile } from '../../../parts/saveFile.ts'
import { useFirm } from '../../../stores/firm.ts'
import { newId } from '../../../stores/newId.ts'

/** Materials with their packs and prices, by supplier; and a whole list as a table, in and out. */
const props = defineProps<{ prices: PricesDraft; problem: (path: string) => string }>()
const emit = defineEmits<{ set: [patch: Partial<PricesDraft>] }>()
const firm = useFirm()
const products = computed(() => props.prices.products ?? [])
const kinds = Object.entries(PRODUCT_KINDS).map(([value, k]) => ({ value: value as ProductKind, name: k.name })) // prettier-ignore
const suppliers = computed(() => [
  { value: 'none', name: 'no supplier' },
  ...(props.prices.suppliers ?? []).map((s) => ({
    value: s.id ?? '',
    name: s.name || 'without a name',
  })),
])
const FOR: Partial<Record<ProductKind, string>> = {
  feed: 'a grade, like 16-20-8',
  soil: 'topsoil, sand or compost',
  'loose-cover': 'peat-free or compost',
  'sheet-cover': 'blanket or sheet',
  seed: 'the leading grass',
}
const change = (i: number, patch: object) =>
  emit('set', { products: products.value.map((p, k) => (k === i ? { ...p, ...patch } : p)) })
const changePack = (i: number, j: number, patch: object) =>
  change(i, { packs: (products.value[i]?.packs ?? []).map((p, k) => (k === j ? { ...p, ...patch } : p)) }) // prettier-ignore

const typed = ref('')
const open = ref(false)
const failure = ref('')
const found = computed(() =>
  typed.value.trim()
    ? priceTable(parse<string[]>(typed.value.trim(), { skipEmptyLines: true }).data, firm.units)
    : null,
)
async function read(event: Event) {
  const text = await textOfFile(event, 2_000_000, () => (failure.value = 'This file is larger than 2 MB. A price list is small: is it another file?')) // prettier-ignore
  if (text === null) return
  failure.value = ''
  typed.value = text
}
/** What is in the table takes the place of what goes by the same name; the rest stays. */
function add() {
  const list = found.value
  if (!list) return
  const merge = <T extends { id?: string }>(old: readonly T[], more: readonly T[]) => [...old.filter((o) => !more.some((m) => m.id === o.id)), ...more] // prettier-ignore
  emit('set', {
    products: merge(products.value, list.products),
    suppliers: merge(props.prices.suppliers ?? [], list.suppliers),
  })
  typed.value = ''
  open.value = false
}
const download = () =>
  saveFile(new Blob([unparse(priceRows(props.prices))], { type: 'text/csv' }), 'prices.csv')
</script>

<template>
  <section aria-label="Materials">
    <h2>Materials and their packs</h2>
    <p v-if="products.length === 0" class="small soft">
      Enter what you buy, pack by pack, or import your suppliers’ lists. What has no price is named
      beside each job’s cost and left out of it.
    </p>
    <div v-for="(p, i) in products" :key="p.id" class="product">
      <ChoiceField
        label="Kind"
        list
        :options="kinds"
        :model-value="p.kind"
        @update:model-value="change(i, { kind: $event ?? p.kind })"
      />
      <TextField
        label="Product"
        :model-value="p.name"
        @update:model-value="change(i, { name: $event })"
      />
      <TextField
        label="For"
        :placeholder="FOR[p.kind] ?? ''"
        :model-value="p.of"
        :maxlength="60"
        @update:model-value="change(i, { of: $event })"
      />
      <ChoiceField
        label="From"
        list
        :options="suppliers"
        :model-value="p.supplier || 'none'"
        @update:model-value="change(i, { supplier: $event === 'none' ? '' : ($event ?? '') })"
      />
      <div v-if="p.kind === 'feed'" class="label">
        <QuantityField
          label="Rate on the label"
          kind="rate"
          :model-value="p.rate"
          :problem="problem(`products[${i}].rate`)"
          hint="or what a bag covers"
          @update:model-value="change(i, { rate: $event })"
        />
        <QuantityField
          label="Slow share"
          kind="percent"
          :model-value="p.slowShare"
          :problem="problem(`products[${i}].slowShare`)"
          @update:model-value="change(i, { slowShare: $event })"
        />
        <QuantityField
          label="Most in a year"
          kind="rate"
          :model-value="p.yearMost"
          :problem="problem(`products[${i}].yearMost`)"
          @update:model-value="change(i, { yearMost: $event })"
        />
      </div>
      <div class="packs">
        <span v-for="(k, j) in p.packs ?? []" :key="j" class="pack">
          <QuantityField
            label="Pack"
            :kind="PRODUCT_KINDS[p.kind].size"
            :model-value="k.size"
            :problem="problem(`products[${i}].packs[${j}].size`)"
            @update:model-value="changePack(i, j, { size: $event })"
          />
          <QuantityField
            label="Price"
            kind="price"
            :model-value="k.price"
            :problem="problem(`products[${i}].packs[${j}].price`)"
            @update:model-value="changePack(i, j, { price: $event })"
          />
        </span>
        <button
          type="button"
          class="act slight"
          :aria-label="`Add a pack of ${p.name || 'this product'}`"
          @click="change(i, { packs: [...(p.packs ?? []), {}] })"
        >
          + pack
        </button>
        <button
          type="button"
          class="plain small"
          :aria-label="`Delete the product ${p.name}`"
          @click="emit('set', { products: products.filter((_, k) => k !== i) })"
        >
          delete
        </button>
      </div>
    </div>
    <p class="ends">
      <button
        type="button"
        class="act slight"
        @click="
          emit('set', { products: [...products, { id: newId(), kind: 'feed', packs: [{}] }] })
        "
      >
        Add a product
      </button>
      <button type="button" class="act slight" :aria-expanded="open" @click="open = !open">
        Import a list
      </button>
      <button v-if="products.length" type="button" class="act slight" @click="download">
        Export as CSV
      </button>
    </p>
    <div v-if="open" class="import">
      <p class="small soft">
        A heading and a line for each pack: supplier, kind, for, name, size, price, days, delivery,
        date; of a feed its rate and slow share too.
      </p>
      <TextField
        label="Paste the list"
        :rows="5"
        :maxlength="2000000"
        :model-value="typed"
        @update:model-value="typed = $event"
      />
      <label class="act slight file"
        >Open a CSV file<input type="file" accept=".csv,text/csv" @change="read"
      /></label>
      <ul v-if="found?.problems.length" class="wrong small">
        <li v-for="p in found.problems.slice(0, 12)" :key="p.line">
          Line {{ p.line }}: {{ p.sentence }}
        </li>
      </ul>
      <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
      <button v-if="found?.products.length" type="button" class="act main" @click="add">
        Add {{ found.products.length }}
        {{ found.products.length === 1 ? 'product' : 'products' }}
        {{ found.problems.length ? 'without the lines above' : '' }}
      </button>
    </div>
  </section>
</template>

<style scoped>
section {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.8rem 1.2rem;
}
h2,
p {
  margin: 0;
}
.product {
  display: grid;
  grid-template-columns: 1fr 1.6fr 1fr 1.2fr 3fr;
  gap: 0.2rem 0.8rem;
  align-items: start;
  border-bottom: 1px solid var(--rule);
  padding: 0.3rem 0;
}
.packs {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.9rem;
  align-items: center;
}
.label {
  order: 1;
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(8rem, 100%), 13rem));
  gap: 0.3rem 0.8rem;
}
.pack {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0.3rem;
  flex: 0 1 10.7rem;
  min-width: 0;
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  padding-top: 0.5rem;
}
.import {
  display: grid;
  gap: 0.4rem;
  justify-items: start;
  padding-top: 0.6rem;
}
.import > :nth-child(2) {
  width: 100%;
}
.wrong {
  color: var(--hold);
  padding-left: 1.1rem;
}
.file {
  position: relative;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
@media (max-width: 900px) {
  .product {
    grid-template-columns: 1fr 1fr;
  }
  .packs {
    grid-column: 1 / -1;
  }
  .product > * {
    min-width: 0;
  }
  .label {
    grid-template-columns: 1fr 1fr;
  }
}
@media (max-width: 640px) {
  section {
    padding: 0.7rem;
  }
}
</style>
