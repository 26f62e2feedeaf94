<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { ElRadioButton, ElRadioGroup } from 'element-plus'
import { computed, ref } from 'vue'
import type { ZoneSummary } from '@juvena/core/plan/jobPlan'
import type { GrassId } from '@juvena/core/reference/grasses'
import type { Shares } from '@juvena/core/seed/mix'
import { weightsForPlants } from '@juvena/core/seed/plantShares'
import ChoiceField from '../../parts/ChoiceField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { heldAtHundred } from './heldAtHundred.ts'

/**
 * The mix of a zone: shares by weight on sliders that always make 100 %, and what each comes to in
 * plants.
 */
const props = defineProps<{ zone: ZoneSummary }>()
const firm = useFirm()
const job = useJob()
const at = computed(() => job.zones.findIndex((z) => z.id === props.zone.id))
/** Of ground held over the mix is the proper sowing’s; the quick cover is chosen by itself. */
const seed = computed(() => props.zone.later?.seed ?? sure(props.zone.seed))
const own = computed(() => job.zones[at.value]?.mix ?? null)
const parts = computed<Shares[]>(() => seed.value.mix.map(({ grass, share }) => ({ grass, share })))

function put(field: string, mix: Shares[] | null) {
  job.edit(`${props.zone.id}.mix.${field}`, (d) => {
    sure(d.zones)[at.value]!.mix = mix
  })
}
/** Sliders move shares of the weight, or of the plants that stand. */
const by = ref<'weight' | 'plants'>('weight')
const at100 = (i: number) =>
  by.value === 'weight' ? parts.value[i]!.share : share(parts.value[i]!.grass)
function slide(i: number, value: string) {
  if (by.value === 'weight') return put(`slide${i}`, heldAtHundred(parts.value, i, Number(value)))
  const standing = parts.value.map((p) => ({ grass: p.grass, share: share(p.grass) }))
  const wanted = heldAtHundred(standing, i, Number(value)).map((p) => Math.max(1, p.share))
  const weights = weightsForPlants(
    parts.value.map((p, k) => ({ weight: p.share, plants: standing[k]!.share })),
    wanted,
  )
  put(
    `slide${i}`,
    parts.value.map((p, k) => ({ ...p, share: weights[k]! })),
  )
}
const shown = (weight: number) => (Number.isInteger(weight) ? weight : weight.toFixed(1))
const drop = (i: number) =>
  put(
    `drop${Date.now()}`,
    heldAtHundred(parts.value, i, 0).filter((_, k) => k !== i),
  )
const add = (grass: GrassId | null) => {
  if (!grass) return
  const with0 = [...parts.value, { grass, share: 0 }]
  put(
    `add${Date.now()}`,
    heldAtHundred(with0, with0.length - 1, parts.value.length === 0 ? 100 : 20),
  )
}
const others = computed(() =>
  firm.sownGrasses
    .filter((g) => !parts.value.some((p) => p.grass === g.id))
    .map((g) => ({ value: g.id, name: g.name })),
)
const shows = (grass: GrassId) => {
  const days = firm.grasses[grass]?.days
  return days ? `${days[0]}–${days[1]} d` : '—'
}
const plants = (grass: GrassId) => sure(seed.value.plants.find((p) => p.grass === grass))
const share = (grass: GrassId) => Number(job.figure(plants(grass)?.share.id)?.value ?? 0)
const problem = computed(() => job.problemAt(`zones[${at.value}].mix`))
</script>

<template>
  <div class="mix">
    <table>
      <thead>
        <tr>
          <th>grass</th>
          <th>
            <ElRadioGroup v-model="by" size="small" aria-label="The sliders move">
              <ElRadioButton value="weight">by weight</ElRadioButton
              ><ElRadioButton value="plants">by plants</ElRadioButton>
            </ElRadioGroup>
          </th>
          <th class="n">plants</th>
          <th class="n">shows</th>
          <th class="n">fit</th>
          <th><span class="only-read">leave out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(p, i) in parts" :key="p.grass">
          <td class="name">
            <b>{{ firm.grassShort(p.grass) }}</b>
            <span class="small soft"
              >{{ firm.say(seed.mix[i]!.reason)
              }}<template v-if="seed.mix[i]!.limit"
                >; {{ firm.say(sure(seed.mix[i]!.limit)) }}</template
              ></span
            >
            <span v-if="seed.mix[i]!.holds" class="small soft"
              >not less: {{ firm.say(sure(seed.mix[i]!.holds)) }}</span
            >
          </td>
          <td class="slide">
            <input
              type="range"
              min="0"
              max="100"
              :step="by === 'weight' ? 5 : 1"
              :value="at100(i)"
              :disabled="parts.length === 1"
              :aria-label="`${firm.grassName(p.grass)}, share of the ${by}`"
              :aria-valuetext="`${Math.round(at100(i))} %`"
              @input="slide(i, ($event.target as HTMLInputElement).value)"
            />
            <output>{{ shown(p.share) }}<small class="soft"> %</small></output>
          </td>
          <td class="n">
            <FigureValue :id="plants(p.grass)?.share.id" /><svg
              class="share"
              viewBox="0 0 100 4"
              preserveAspectRatio="none"
              aria-hidden="true"
            >
              <rect :width="share(p.grass)" height="4" />
            </svg>
          </td>
          <td class="n small days">{{ shows(p.grass) }}</td>
          <td class="n">
            <FigureValue v-if="seed.mix[i]!.score" :id="seed.mix[i]!.score" /><span
              v-else
              class="soft"
              >·</span
            >
          </td>
          <td>
            <button
              v-if="parts.length > 1"
              type="button"
              class="plain small"
              :aria-label="`Leave out ${firm.grassShort(p.grass)}`"
              @click="drop(i)"
            >
              ✕
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <div class="ends">
      <ChoiceField
        label="Add a grass"
        list
        :options="others"
        :model-value="null"
        @update:model-value="add"
      />
      <p v-if="own" class="judged" :class="zone.judged?.verdict">
        <b>Your mix</b>
        <template v-if="zone.judged && zone.judged.loses !== null">
          {{
            zone.judged.loses > 0
              ? `falls ${zone.judged.loses} of 100 points behind`
              : 'is as good as'
          }}
          Juvena’s: {{ firm.mixText(zone.suggested) }}.</template
        >
        <button type="button" class="plain" @click="put('back', null)">back to Juvena’s</button>
      </p>
      <p v-else class="small soft">{{ firm.say(seed.chosen.leads) }}</p>
    </div>
  </div>
</template>

<style scoped>
td {
  padding: 0.3rem 0.6rem 0.3rem 0;
  vertical-align: top;
}
.name {
  line-height: 1.25;
}
.name .small {
  display: block;
}
.slide {
  width: 12.5rem;
  white-space: nowrap;
}
.slide input {
  width: calc(100% - 3.6rem);
  accent-color: var(--moss);
  vertical-align: middle;
  height: 1.6rem;
}
output {
  display: inline-block;
  width: 3.3rem;
  text-align: right;
  font-size: 1.0625rem;
  font-variant-numeric: tabular-nums;
}
td.n {
  width: 4.2rem;
  white-space: nowrap;
}
td:last-child {
  width: 1.4rem;
  padding-right: 0;
}
table {
  width: 100%;
}
.days {
  padding-top: 0.5rem;
}
.share {
  display: block;
  width: 100%;
  height: 4px;
  background: var(--paper-deep);
  margin-top: 2px;
}
.share rect {
  fill: var(--moss);
}
.ends {
  display: grid;
  grid-template-columns: 14rem minmax(0, 1fr);
  gap: 1rem;
  align-items: center;
}
.judged {
  border-left: 4px solid var(--moss);
  padding-left: 0.6rem;
  line-height: 1.35;
}
.judged.bearable {
  border-left-color: var(--sun-mark);
}
.judged.wrong {
  border-left-color: var(--hold);
  color: inherit;
}
.wrong {
  color: var(--hold);
}
@media (max-width: 760px) {
  thead {
    display: none;
  }
  tr {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto auto;
    gap: 0 0.8rem;
    border-bottom: 1px solid var(--rule);
    padding: 0.3rem 0;
  }
  tbody tr:first-child td,
  td {
    border: 0;
    padding: 0.1rem 0;
  }
  .name {
    grid-column: 1 / -1;
  }
  td.slide {
    width: auto;
  }
  td.n {
    width: auto;
    min-width: 3.4rem;
  }
  td:nth-child(5) {
    display: none;
  }
  .ends {
    grid-template-columns: 1fr;
    gap: 0.2rem;
  }
}
</style>
