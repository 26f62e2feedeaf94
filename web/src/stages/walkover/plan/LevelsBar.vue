<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { zoneFigureId, type ZoneFigure } from '@juvena/core/walkover/zoneFigures'
import { parse } from 'papaparse'
import { computed, ref } from 'vue'
import { levelScale } from './rasters.ts'
import { levelTable } from '@juvena/core/formats/levelTable'
import type { ZoneDraft } from '@juvena/core/entities/job'
import ChoiceField from '../../../parts/ChoiceField.vue'
import { textOfFile } from '../../../parts/textOfFile.ts'
import FigureValue from '../../../parts/FigureValue.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'
import RasterLegend from './RasterLegend.vue'

/** Heights read on the ground: imported, given an aim, and told as fill, spoil and dips. */
const props = defineProps<{ zone: string | null }>()
const firm = useFirm()
const job = useJob()
const index = computed(() => job.zones.findIndex((z) => z.id === props.zone))
const ground = computed<ZoneDraft | null>(() => job.zones[index.value] ?? null)
const set = <K extends keyof ZoneDraft>(key: K, value: ZoneDraft[K]) =>
  job.edit(`${props.zone}.${key}`, (d) => {
    sure(d.zones)[index.value]![key] = value
  })
const problem = (key: string) => job.problemAt(`zones[${index.value}].${key}`)
const levels = computed(() => job.draft?.drawing?.levels ?? [])
const report = computed(
  () => (props.zone ? job.plan?.survey.zones[props.zone]?.levels : null) ?? null,
)
const lifts = computed(
  () => job.plan?.zones.find((z) => z.id === props.zone)?.dressing?.lifts ?? '',
)
const fig = (key: ZoneFigure) => zoneFigureId(props.zone ?? '', key)

const us = computed(() => firm.units === 'us')
/** Where a dip lies from the plan's origin, in words a tape can follow. */
const placeOf = ([x, y]: readonly [number, number]) =>
  `${firm.text(Math.abs(x), 'm')} ${x < 0 ? 'west' : 'east'}, ${firm.text(Math.abs(y), 'm')} ${y < 0 ? 'south' : 'north'}`
const pasting = ref(false)
const text = ref('')
const staff = ref(false)
const problems = ref<string[]>([])
const taken = ref('')
const drawn = computed(() =>
  (job.draft?.drawing?.shapes ?? []).some((s) => s.kind === 'lawn' && s.zone === props.zone),
)
function take(from: string) {
  const table = levelTable(
    parse<string[]>(from.trim(), { skipEmptyLines: true, delimitersToGuess: [',', ';', '\t', ' '] })
      .data,
    firm.units,
  )
  problems.value = table.problems
  taken.value = ''
  if (table.rows.length === 0) return
  const rows = table.rows.map((r) => ({
    x: r.x,
    y: r.y,
    mm: Math.round((staff.value ? -r.mm : r.mm) * 100) / 100,
    zone: drawn.value ? null : props.zone,
  }))
  job.edit(`levels.${Date.now()}`, (d) => {
    d.drawing = { ...d.drawing, levels: [...(d.drawing?.levels ?? []), ...rows] }
  })
  taken.value = `${rows.length} ${rows.length === 1 ? 'reading' : 'readings'} imported.`
  if (table.problems.length === 0) text.value = ''
}
async function file(event: Event) {
  const read = await textOfFile(event, 2_000_000, () => (problems.value = ['That file is larger than 2 MB. Up to 5,000 readings are taken: x, y and height in rows.'])) // prettier-ignore
  if (read !== null) take(read)
}
const clear = () =>
  job.edit(`levels.clear.${Date.now()}`, (d) => {
    d.drawing = { ...d.drawing, levels: [] }
  })
const dropLast = () =>
  job.edit(`levels.drop.${Date.now()}`, (d) => {
    d.drawing = { ...d.drawing, levels: (d.drawing?.levels ?? []).slice(0, -1) }
  })
const AIMS = [
  { value: 'plane' as const, name: 'nearest plane' },
  { value: 'fall' as const, name: 'chosen fall' },
  { value: 'smooth' as const, name: 'smoothed' },
]
</script>

<template>
  <section class="levels" aria-label="Levels">
    <div class="row">
      <RasterLegend :scale="levelScale(firm.units)" says="The surface against its aim" />
      <span class="small"
        ><b>{{ levels.length }}</b> {{ levels.length === 1 ? 'reading' : 'readings' }}</span
      >
      <button type="button" class="act slight" :aria-expanded="pasting" @click="pasting = !pasting">
        paste or file
      </button>
      <button v-if="levels.length" type="button" class="plain small" @click="dropLast">
        undo the last
      </button>
      <button v-if="levels.length" type="button" class="plain small" @click="clear">
        clear all
      </button>
    </div>
    <form v-if="pasting" class="paste" @submit.prevent="take(text)">
      <label for="levels-text" class="small"
        >One reading a row: x and y in {{ us ? 'feet' : 'metres' }} on the plan, height in
        {{ us ? 'inches' : 'millimetres' }} above (+) or below (−) the mark. A heading may name
        other units.</label
      >
      <textarea
        id="levels-text"
        v-model="text"
        rows="4"
        :placeholder="
          us ? 'x ft, y ft, height in\n0, 0, 0\n8, 0, -0.4' : 'x, y, height mm\n0, 0, 0\n2.5, 0, -9'
        "
      />
      <label class="small"
        ><input v-model="staff" type="checkbox" /> Heights are staff readings: larger is
        lower</label
      >
      <div class="row">
        <button type="submit" class="act slight" :disabled="text.trim() === ''">Import</button>
        <label class="act slight"
          >from a CSV file<input
            class="only-read"
            type="file"
            accept=".csv,.txt,text/csv,text/plain"
            @change="file"
        /></label>
        <span class="small" role="status">{{ taken }}</span>
      </div>
      <ul v-if="problems.length" class="wrong" role="alert">
        <li v-for="p in problems.slice(0, 5)" :key="p">{{ p }}</li>
        <li v-if="problems.length > 5">and {{ problems.length - 5 }} more rows.</li>
      </ul>
    </form>
    <template v-if="ground">
      <div class="row aim">
        <ChoiceField
          :label="`Aim for ${ground.name || 'this zone'}`"
          :options="AIMS"
          :model-value="ground.levelAim ?? 'plane'"
          @update:model-value="set('levelAim', $event ?? 'plane')"
        />
        <template v-if="ground.levelAim === 'fall'">
          <QuantityField
            label="Fall"
            kind="slope"
            :model-value="ground.fall"
            hint="1 in 80, 1 %"
            :problem="problem('fall')"
            @update:model-value="set('fall', $event)"
          />
          <QuantityField
            label="Towards, degrees"
            kind="ratio"
            :model-value="ground.fallTowards"
            hint="else away from the house"
            :problem="problem('fallTowards')"
            @update:model-value="set('fallTowards', $event)"
          />
        </template>
        <QuantityField
          v-if="ground.levelAim === 'smooth'"
          label="Smoothed over"
          kind="length"
          :model-value="ground.smoothOver"
          :hint="`else ${firm.text(3, 'm')} either way`"
          :problem="problem('smoothOver')"
          @update:model-value="set('smoothOver', $event)"
        />
      </div>
      <dl v-if="report" class="out">
        <div>
          <dt>Fill</dt>
          <dd><FigureValue :id="fig('fill')" size="big" /></dd>
        </div>
        <div>
          <dt>Stands proud</dt>
          <dd><FigureValue :id="fig('spoil')" size="big" /></dd>
        </div>
        <div>
          <dt>Deepest dip</dt>
          <dd><FigureValue :id="fig('lowsDeepest')" size="big" /></dd>
        </div>
        <div>
          <dt>Out of true, mean</dt>
          <dd><FigureValue :id="fig('levelMean')" size="big" /></dd>
        </div>
        <div>
          <dt>worst</dt>
          <dd><FigureValue :id="fig('levelWorst')" size="big" /></dd>
        </div>
        <div v-if="job.figure(lifts)">
          <dt>Lifts</dt>
          <dd><FigureValue :id="lifts" size="big" /></dd>
        </div>
      </dl>
      <p v-else class="small soft">
        Three readings not in one line make a surface; two dozen over a lawn show its dips.
      </p>
      <table v-if="report?.dips.length" class="dips">
        <thead>
          <tr>
            <th>Dip, deepest first</th>
            <th class="n">deep</th>
            <th class="n">area</th>
            <th class="n">in place</th>
            <th class="n">barrows</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(d, i) in report.dips.slice(0, 8)" :key="i">
            <td>{{ placeOf(d.at) }}</td>
            <td class="n">{{ firm.text(d.depth, 'mm') }}</td>
            <td class="n">{{ firm.text(d.area, 'm2') }}</td>
            <td class="n">{{ firm.text(d.volume, 'm3') }}</td>
            <td class="n">
              <b>{{ d.barrows }}</b>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="report && report.dips.length > 8" class="small soft">
        and {{ report.dips.length - 8 }} shallower.
      </p>
      <p v-if="report && report.dips.length === 0" class="small soft">
        No dip deeper than {{ firm.text(5, 'mm') }}.
      </p>
    </template>
  </section>
</template>

<style scoped>
.levels,
.paste {
  display: grid;
  gap: 0.4rem;
}
.levels {
  border-bottom: 1px solid var(--rule);
  padding-bottom: 0.5rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.9rem;
  align-items: center;
}
.aim {
  align-items: start;
}
textarea {
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  padding: 0.35rem 0.5rem;
  max-width: 32rem;
}
.paste label.act:focus-within {
  box-shadow: var(--focus);
}
.wrong {
  color: var(--hold);
  font-size: var(--size-small);
}
.out {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.5rem;
}
dt {
  font-size: var(--size-small);
  color: var(--soft);
}
.dips td {
  padding-top: 0.25rem;
  padding-bottom: 0.25rem;
}
</style>
