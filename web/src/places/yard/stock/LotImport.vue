<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { parse } from 'papaparse'
import { computed, ref } from 'vue'
import { lotTable } from '@juvena/core/formats/lotTable'
import TextField from '../../../parts/TextField.vue'
import { textOfFile } from '../../../parts/textOfFile.ts'
import { useFirm } from '../../../stores/firm.ts'
import { useStock } from '../../../stores/stock.ts'

/** Lots out of a table: pasted or from a file, with the lines that could not be read. */
const emit = defineEmits<{ done: [] }>()
const firm = useFirm()
const stock = useStock()
const typed = ref('')
const failure = ref('')
const busy = ref(false)
const found = computed(() =>
  typed.value.trim()
    ? lotTable(parse<string[]>(typed.value.trim(), { skipEmptyLines: true }).data, firm.grasses)
    : null,
)
async function open(event: Event) {
  const text = await textOfFile(event, 2_000_000, () => (failure.value = 'This file is larger than 2 MB. A table of lots is small: is it another file?')) // prettier-ignore
  if (text === null) return
  failure.value = ''
  typed.value = text
}
async function add() {
  busy.value = true
  failure.value = ''
  try {
    await stock.add(
      sure(found.value).lots.map(({ lot, received }) => ({
        lot,
        received: received === null ? null : { kg: received, on: firm.today },
      })),
    )
    emit('done')
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="import">
    <h3>Import lots</h3>
    <p class="small soft">
      A heading and a line for each lot: lot, grass, cultivar, purity, germination, other crop, weed
      seed, inert, coating, tested, supplier, bag, price, kg.
    </p>
    <TextField
      label="Paste the table"
      :rows="6"
      :maxlength="2000000"
      :model-value="typed"
      @update:model-value="typed = $event"
    />
    <label class="file act slight"
      >Open a file<input type="file" accept=".csv,.txt,text/csv" @change="open"
    /></label>
    <template v-if="found">
      <p role="status">
        <b>{{ found.lots.length }}</b>
        {{ found.lots.length === 1 ? 'lot' : 'lots' }} understood<template
          v-if="found.problems.length"
          >, <b class="wrong">{{ found.problems.length }}</b>
          {{ found.problems.length === 1 ? 'line' : 'lines' }} left out</template
        >.
      </p>
      <ul v-if="found.problems.length" class="problems small">
        <li v-for="p in found.problems.slice(0, 20)" :key="p.line">
          Line {{ p.line }}: {{ p.sentence }}
        </li>
        <li v-if="found.problems.length > 20">And {{ found.problems.length - 20 }} more.</li>
      </ul>
    </template>
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <p class="ends">
      <button type="button" class="act main" :disabled="busy || !found?.lots.length" @click="add">
        Add {{ found?.lots.length || '' }} to the shelf
      </button>
      <button type="button" class="act slight" @click="emit('done')">Cancel</button>
    </p>
  </div>
</template>

<style scoped>
.import {
  display: grid;
  gap: 0.4rem;
}
.problems {
  padding-left: 1.1rem;
  color: var(--hold);
}
.wrong {
  color: var(--hold);
}
.ends {
  display: flex;
  gap: 0.4rem;
}
.file {
  justify-self: start;
  position: relative;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
</style>
