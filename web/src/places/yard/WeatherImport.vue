<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import type { Answer } from '../../../../contract/answers.ts'
import { parse } from 'papaparse'
import { computed, ref, shallowRef } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import {
  COLUMN_UNITS,
  DATE_ORDERS,
  guessMapping,
  readWeather,
  WEATHER_COLUMNS,
  type ColumnUnit,
  type WeatherColumn,
  type WeatherMapping,
} from '@juvena/core/formats/weatherCsv'
import ChoiceField from '../../parts/ChoiceField.vue'
import { api } from '../../stores/api.ts'
import { useFirm } from '../../stores/firm.ts'
import MovedJobs from './MovedJobs.vue'
import type { Moves, Station } from './station.ts'

/**
 * Daily weather from a CSV file: what each column is and in which unit is guessed, shown and
 * corrected; then what was understood; then it is imported.
 */
const props = defineProps<{ station: Station }>()
const emit = defineEmits<{ imported: [] }>()
const firm = useFirm()
const rows = shallowRef<string[][]>([])
const name = ref('')
const failure = ref('')
const mapping = ref<WeatherMapping | null>(null)
const sending = ref<{ sent: number; of: number } | null>(null)
const done = shallowRef<{
  added: number
  changed: number
  same: number
  moves: Moves
} | null>(null)

const MOST_BYTES = 20e6
/** Days sent at once: a long record goes in pieces, each kept whole. */
const PIECE = 4000

async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  failure.value = ''
  done.value = null
  mapping.value = null
  rows.value = []
  name.value = file.name
  if (file.size > MOST_BYTES)
    return void (failure.value = `“${file.name.slice(0, 60)}” is ${Math.round(file.size / 1e6)} MB; forty years of days are under 2 MB. Is it daily weather?`)
  const text = await file.text()
  if (text.includes('\u0000'))
    return void (failure.value = `“${file.name.slice(0, 60)}” is no text file. Save the weather as CSV and choose that.`)
  const parsed = parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' })
  const width = Math.max(0, ...parsed.data.slice(0, 50).map((r) => r.length))
  if (parsed.data.length < 2 || width < 2)
    return void (failure.value = `“${file.name.slice(0, 60)}” holds no table of days: a date and at least one reading in each row are wanted.`)
  rows.value = parsed.data
  mapping.value = guessMapping(parsed.data, firm.settings.units === 'us' ? 'mdy' : 'dmy')
  if (!mapping.value.columns.date)
    failure.value = 'No column of dates was recognised. Choose it below.'
}

const NAMES: Record<WeatherColumn, string> = {
  date: 'date',
  low: 'minimum',
  high: 'maximum',
  rain: 'rain',
  wind: 'wind',
  humidity: 'humidity',
  radiation: 'sun',
  soil: 'soil at 50 mm',
}
const UNIT_NAMES: Partial<Record<ColumnUnit, string>> = {
  C: '°C',
  F: '°F',
  'MJ/m2': 'MJ/m² a day',
  'W/m2': 'W/m²',
  'kWh/m2': 'kWh/m² a day',
}
const ORDERS = { ymd: 'year first', dmy: 'day first', mdy: 'month first' }
const columns = computed(() => {
  const first = rows.value[0] ?? []
  const width = Math.max(0, ...rows.value.slice(0, 50).map((r) => r.length))
  const sample = rows.value[mapping.value?.heading ? 1 : 0] ?? []
  return Array.from({ length: width }, (_, i) => ({
    value: String(i),
    name: `${mapping.value?.heading ? (first[i] ?? `column ${i + 1}`) : `column ${i + 1}`}: ${sample[i] ?? ''}`.slice(
      0,
      60,
    ),
  }))
})
function setColumn(what: WeatherColumn, index: string | null) {
  if (!mapping.value) return
  const columns = { ...mapping.value.columns }
  if (index === null || index === '') delete columns[what]
  else
    columns[what] = {
      index: Number(index),
      unit: columns[what]?.unit ?? (what === 'date' ? null : COLUMN_UNITS[what][0]),
    }
  mapping.value = { ...mapping.value, columns }
}
function setUnit(what: WeatherColumn, unit: string | null) {
  const column = mapping.value?.columns[what]
  if (mapping.value && column && unit)
    mapping.value = {
      ...mapping.value,
      columns: { ...mapping.value.columns, [what]: { ...column, unit: unit as ColumnUnit } },
    }
}
const unitsOf = (what: WeatherColumn) =>
  what === 'date'
    ? []
    : COLUMN_UNITS[what].map((value) => ({
        value: value as string,
        name: UNIT_NAMES[value] ?? value,
      }))

const table = computed(() =>
  mapping.value?.columns.date
    ? readWeather(rows.value, mapping.value, Number(props.station.draft.latitude) || 0)
    : null,
)
const means = computed(() => {
  const days = table.value?.days ?? []
  const over = (what: 'low' | 'high' | 'rain') => days.flatMap((d) => d[what] ?? [])
  const mean = (list: number[]) => list.reduce((sum, x) => sum + x, 0) / list.length
  const [low, high, rain] = [over('low'), over('high'), over('rain')]
  const celsius = (x: number) => firm.text(Math.round(x * 10) / 10, 'C')
  return [
    low.length
      ? `nights ${celsius(Math.min(...low))} to ${celsius(Math.max(...low))}, mean ${celsius(mean(low))}`
      : '',
    high.length
      ? `days ${celsius(Math.min(...high))} to ${celsius(Math.max(...high))}, mean ${celsius(mean(high))}`
      : '',
    rain.length ? `rain ${firm.text(Math.round(mean(rain) * 365), 'mm')} a year` : '',
  ].filter(Boolean)
})
const day = (d: string | null) => (d ? showDay(d, true).slice(4) : '')
const gaps = computed(() => [...(table.value?.report.gaps ?? [])].sort((a, b) => b.days - a.days))

async function send() {
  const days = table.value?.days ?? []
  if (days.length === 0) return
  failure.value = ''
  const sum = { added: 0, changed: 0, same: 0 }
  // The moves since the first piece are those of the whole record.
  let change = ''
  sending.value = { sent: 0, of: days.length }
  try {
    for (let at = 0; at < days.length; at += PIECE) {
      const piece = days.slice(at, at + PIECE)
      const answer = await api<Answer<'daysAdded'>>('POST', `/stations/${props.station.id}/days`, {
        days: piece,
      })
      sum.added += answer.added
      sum.changed += answer.changed
      sum.same += answer.same
      change ||= answer.moves.id
    }
    done.value = { ...sum, moves: await api<Answer<'moves'>>('GET', `/season/moves/${change}`) }
    emit('imported')
  } catch (error) {
    failure.value = `${(error as Error).message} ${sending.value?.sent ?? 0} of ${days.length} days were kept; importing the file again goes on from there.`
  } finally {
    sending.value = null
  }
}
</script>

<template>
  <div class="import">
    <h3>Import weather for {{ station.draft.name }}</h3>
    <p class="small soft">
      A CSV file with a row a day: a date, minimum and maximum, rain; wind, humidity, sun and soil
      where they are read. Days dated ahead count as the outlook.
    </p>
    <label class="act file"
      >{{ name ? 'Choose another file' : 'Choose a CSV file'
      }}<input
        class="only-read"
        type="file"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        @change="take"
    /></label>
    <span v-if="name" class="small soft"> {{ name }}</span>
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <template v-if="mapping">
      <div class="mapping">
        <div v-for="what in WEATHER_COLUMNS" :key="what" class="pair">
          <ChoiceField
            :label="NAMES[what]"
            list
            clearable
            :options="columns"
            :model-value="mapping.columns[what] ? String(mapping.columns[what]!.index) : null"
            @update:model-value="setColumn(what, $event)"
          />
          <ChoiceField
            v-if="what === 'date'"
            label="order of dates"
            list
            :options="DATE_ORDERS.map((value) => ({ value: value as string, name: ORDERS[value] }))"
            :model-value="mapping.dates"
            @update:model-value="
              mapping = {
                ...sure(mapping),
                dates: ($event ?? 'ymd') as (typeof DATE_ORDERS)[number],
              }
            "
          />
          <ChoiceField
            v-else-if="mapping.columns[what] && unitsOf(what).length > 1"
            label="unit"
            list
            :options="unitsOf(what)"
            :model-value="mapping.columns[what]!.unit as string"
            @update:model-value="setUnit(what, $event)"
          />
        </div>
      </div>
      <div v-if="table" class="report" aria-live="polite">
        <p>
          <b>{{ table.report.days.toLocaleString('en') }} days</b>, {{ day(table.report.from) }} to
          {{ day(table.report.to) }}<template v-for="m in means" :key="m">; {{ m }}</template
          >.
        </p>
        <p class="small">
          {{ table.report.gapDays }}
          {{ table.report.gapDays === 1 ? 'day is' : 'days are' }} missing<template
            v-if="gaps.length"
          >
            in {{ gaps.length }} {{ gaps.length === 1 ? 'gap' : 'gaps' }}, the longest
            {{ gaps[0]!.days }} {{ gaps[0]!.days === 1 ? 'day' : 'days' }} from
            {{ day(gaps[0]!.from) }}</template
          >.
          {{
            table.report.duplicates
              ? `${table.report.duplicates} ${table.report.duplicates === 1 ? 'day stands' : 'days stand'} twice with other numbers: the last one counts. `
              : ''
          }}{{
            table.report.suspectCount
              ? `${table.report.suspectCount} ${table.report.suspectCount === 1 ? 'reading was' : 'readings were'} left out:`
              : 'Every reading is believed.'
          }}
        </p>
        <ul
          v-if="table.report.suspectCount"
          class="small suspects"
          tabindex="0"
          aria-label="Readings left out"
        >
          <li v-for="s in table.report.suspects" :key="`${s.line} ${s.says}`">
            line {{ s.line }}: {{ s.says }}
          </li>
          <li v-if="table.report.suspectCount > table.report.suspects.length">
            and {{ table.report.suspectCount - table.report.suspects.length }} more
          </li>
        </ul>
        <button
          type="button"
          class="act main"
          :disabled="sending !== null || table.report.days === 0"
          @click="send"
        >
          {{
            sending
              ? `${sending.sent.toLocaleString('en')} of ${sending.of.toLocaleString('en')} days`
              : `Import ${table.report.days.toLocaleString('en')} days`
          }}
        </button>
      </div>
    </template>
    <div v-if="done" class="done" role="status">
      <p>
        <b>{{ done.added.toLocaleString('en') }} new days</b>,
        {{ done.changed.toLocaleString('en') }} changed, {{ done.same.toLocaleString('en') }} as
        before.
      </p>
      <MovedJobs :moves="done.moves" @done="done = null" />
    </div>
  </div>
</template>

<style scoped>
.import {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.6rem 0.9rem 0.8rem;
  margin: 0.4rem 0;
}
.mapping {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: 0.4rem 1.2rem;
  margin: 0.6rem 0;
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
  gap: 0.5rem;
}
.report {
  border-top: 1px solid var(--rule);
  padding-top: 0.4rem;
}
.suspects {
  list-style: none;
  padding: 0;
  margin: 0.2rem 0 0.5rem;
  max-height: 8rem;
  overflow: auto;
}
.wrong {
  color: var(--hold);
}
.done {
  margin-top: 0.5rem;
}
</style>
