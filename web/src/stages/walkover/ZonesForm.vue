<script setup lang="ts">
import type { ZoneFigure } from '@juvena/core/walkover/zoneFigures'
import { ElCheckbox, ElCheckboxGroup } from 'element-plus'
import { computed, nextTick, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { ZoneDraft } from '@juvena/core/entities/job'
import {
  MOWERS,
  MOWER_NAMES,
  PENETRATIONS,
  PENETRATION_NAMES,
  TEXTURES,
  TEXTURE_NAMES,
  WEARS,
  WEAR_NAMES,
} from '@juvena/core/reference/lists'
import { COMPASS } from '@juvena/core/reference/walkLists'
import { num } from '@juvena/core/trace/figure'
import type { SizeFrom } from '@juvena/core/walkover/twoReadings'
import ChoiceField from '../../parts/ChoiceField.vue'
import QuantityField from '../../parts/QuantityField.vue'
import YesNoField from '../../parts/YesNoField.vue'
import TextField from '../../parts/TextField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import CoverCount from './readings/CoverCount.vue'
import TwoReadings from './readings/TwoReadings.vue'
import MoreReadings from './readings/MoreReadings.vue'
import { addZone } from '@juvena/core/drawing/shapeEdits'
import { MEASURED_BY, MEASURED_BY_NAMES } from '@juvena/core/entities/drawing'

const firm = useFirm()
const job = useJob()
const route = useRoute()
const router = useRouter()

const index = computed(() => {
  const at = job.zones.findIndex((z) => z.id === route.query.zone)
  return at >= 0 ? at : 0
})
const zone = computed<ZoneDraft | null>(() => job.zones[index.value] ?? null)
const path = (key: string) => `zones[${index.value}].${key}`
const problem = (key: string) => job.problemAt(path(key))
const select = (id: string) => void router.replace({ query: { ...route.query, zone: id } })

type Key = keyof ZoneDraft
function set<K extends Key>(key: K, value: ZoneDraft[K]) {
  const at = index.value
  job.edit(`${zone.value?.id}.${key}`, (d) => {
    d.zones![at]![key] = value
  })
}
const setCover = (key: 'wanted' | 'weeds' | 'moss' | 'bare', value: string | null) =>
  job.edit(`${zone.value?.id}.cover.${key}`, (d) => {
    const z = d.zones![index.value]!
    z.cover = { ...z.cover, [key]: value }
  })
function add() {
  let id = ''
  job.edit(`add.zone.${Date.now()}`, (d) => (id = addZone(d)))
  select(id)
  void nextTick(() => document.querySelectorAll<HTMLInputElement>('.size-row input')[1]?.focus())
}
function remove() {
  const gone = zone.value
  if (!gone) return
  job.edit(`remove.${gone.id}`, (d) => {
    d.zones = d.zones!.filter((z) => z.id !== gone.id)
    if (d.drawing?.shapes)
      d.drawing.shapes = d.drawing.shapes.filter((x) => x.kind !== 'lawn' || x.zone !== gone.id)
  })
}
function twin() {
  const from = zone.value
  if (!from) return
  let id = ''
  const like = JSON.parse(JSON.stringify(from)) as ZoneDraft
  const own = {
    area: null,
    length: null,
    width: null,
    deductions: [],
    pointCounts: null,
    quadrats: [],
    plugs: [],
  }
  job.edit(
    `twin.${Date.now()}`,
    (d) =>
      (id = addZone(d, { ...like, ...own, name: `${from.name ?? 'Lawn'}, second`.slice(0, 80) })),
  )
  select(id)
}
/** The nearest of the eight points; a file may hold any degree. */
const compassOf = (degrees: string | number | null | undefined) =>
  degrees === null || degrees === undefined || degrees === '' || Number.isNaN(Number(degrees))
    ? null
    : String((Math.round(Number(degrees) / 45) % 8) * 45)
const setOff = (i: number, patch: object) =>
  job.edit(`${zone.value?.id}.off.${i}`, (d) => {
    const z = d.zones![index.value]!
    z.deductions = (z.deductions ?? []).map((o, k) => (k === i ? { ...o, ...patch } : o))
  })
const addOff = () => set('deductions', [...(zone.value?.deductions ?? []), { what: '' }])
const dropOff = (i: number) =>
  set(
    'deductions',
    (zone.value?.deductions ?? []).filter((_, k) => k !== i),
  )

function patch(key: string, change: Partial<ZoneDraft>) {
  const at = index.value
  job.edit(`${zone.value?.id}.${key}`, (d) => {
    Object.assign(d.zones![at]!, change)
  })
}
const finer = ref(false)
const figureText = (key: ZoneFigure) => {
  const f = zone.value ? job.ofZone(zone.value.id, key) : null
  return f ? firm.text(f.value, f.unit) : ''
}
const drawn = computed(() => figureText('areaDrawn'))
const counted = (part: ZoneFigure) =>
  /^survey\.(point-counts|quadrats)$/.test(job.ofZone(zone.value?.id, part)?.rule ?? '')
    ? `counted ${figureText(part)}`
    : ''
const cast = computed(
  () =>
    figureText('sunCast') ||
    (job.ofZone(zone.value?.id, 'sun')?.rule === 'survey.light' ? figureText('sun') : ''),
)
const SIZE_NAMES: Record<SizeFrom, string> = {
  typed: 'the typed area',
  drawn: 'the plan',
  sides: 'length × width',
}
const surveyed = computed(() =>
  zone.value ? (job.plan?.survey.zones[zone.value.id] ?? null) : null,
)
const sizes = computed(() => surveyed.value?.sizes ?? [])
const covers = computed(() => surveyed.value?.covers ?? null)
/**
 * One size is kept and the others removed; undo restores them. The plan itself is never erased
 * here.
 */
function useSize(from: SizeFrom) {
  const z = zone.value
  if (!z) return
  if (from === 'drawn') patch('size', { area: null, length: null, width: null })
  else if (from === 'sides') patch('size', { area: `${z.length ?? ''} x ${z.width ?? ''}` })
  else patch('size', { length: null, width: null })
}
const useCover = (from: 'typed' | 'counted') =>
  from === 'counted'
    ? patch('cover', {
        cover: { ...zone.value?.cover, wanted: null, weeds: null, moss: null, bare: null },
      })
    : patch('cover', { pointCounts: null, quadrats: [] })
const area = (id: string) => {
  const f = job.ofZone(id, 'area')
  return f ? firm.text(num(f), 'm2') : 'no size yet'
}
const warm = computed(() =>
  (zone.value?.present ?? []).some((g) => firm.grasses[g]?.season === 'warm'),
)
const grasses = computed(() => Object.values(firm.grasses).filter((g) => !g.passing))
const coverParts = computed(() =>
  (['wanted', 'weeds', 'moss', 'bare'] as const).map((key) => {
    const typed = zone.value?.cover?.[key]
    const known = job.ofZone(zone.value?.id, key)
    return {
      key,
      share: typed ? Number(String(typed).replace('%', '')) || 0 : known ? num(known) : 0,
    }
  }),
)
const coverSum = computed(() => coverParts.value.reduce((s, p) => s + p.share, 0))
</script>

<template>
  <div>
    <div class="zones" role="group" aria-label="Zones">
      <button
        v-for="(z, i) in job.zones"
        :key="z.id"
        type="button"
        class="zone"
        :aria-pressed="i === index"
        @click="select(z.id)"
      >
        <b>{{ z.name || 'Unnamed zone' }}</b><span>{{ area(z.id) }}</span>
      </button>
      <button type="button" class="act slight" data-test="add-zone" @click="add">+ zone</button>
    </div>

    <div v-if="!zone" class="empty">
      <p class="big">Walk the lawn, zone by zone.</p>
      <p>
        A zone is ground with one light, one soil, one grass and one treatment. Its size is enough
        to begin; every reading you add makes the plan surer.
      </p>
      <button type="button" class="act main" @click="add">Add the first zone</button>
    </div>

    <form v-else :key="zone.id" class="sheet" autocomplete="off" @submit.prevent>
      <fieldset class="size-row">
        <legend>Size</legend>
        <TextField
          label="Name"
          :model-value="zone.name"
          :maxlength="80"
          :problem="problem('name')"
          @update:model-value="set('name', $event)"
        />
        <QuantityField
          label="Area"
          kind="area"
          :model-value="zone.area"
          :problem="problem('area')"
          :hint="drawn ? `the plan has ${drawn}` : 'or length and width'"
          @update:model-value="set('area', $event)"
        />
        <QuantityField
          label="Length"
          kind="length"
          :model-value="zone.length"
          :problem="problem('length')"
          @update:model-value="set('length', $event)"
        />
        <QuantityField
          label="Width"
          kind="length"
          :model-value="zone.width"
          :problem="problem('width')"
          @update:model-value="set('width', $event)"
        />
        <ChoiceField
          label="Measured by"
          list
          clearable
          :options="
            MEASURED_BY.slice(0, 2).map((value) => ({ value, name: MEASURED_BY_NAMES[value] }))
          "
          :model-value="zone.by"
          @update:model-value="set('by', $event)"
        />
        <TwoReadings
          v-if="sizes.length"
          asks="Which size is right?"
          :readings="
            sizes.map((s, i) => ({
              key: s.from,
              name: SIZE_NAMES[s.from],
              value: firm.text(s.area, 'm2'),
              counts: i === 0,
            }))
          "
          @pick="useSize($event as SizeFrom)"
        />
        <div class="offs">
          <div v-for="(off, i) in zone.deductions ?? []" :key="i" class="off">
            <TextField
              label="Less: what"
              :model-value="off.what"
              :maxlength="80"
              placeholder="bed, path, tree"
              @update:model-value="setOff(i, { what: $event })"
            />
            <QuantityField
              label="Its area"
              kind="area"
              :model-value="off.area"
              :problem="problem(`deductions[${i}].area`)"
              @update:model-value="setOff(i, { area: $event })"
            />
            <button
              type="button"
              class="plain small"
              :aria-label="`Leave out ${off.what || 'this'}`"
              @click="dropOff(i)"
            >
              leave out
            </button>
          </div>
          <button type="button" class="plain small" @click="addOff">
            subtract a bed, path or tree
          </button>
        </div>
      </fieldset>

      <fieldset class="cover">
        <legend>Cover, % of the ground</legend>
        <QuantityField
          label="Wanted grass"
          kind="percent"
          :model-value="zone.cover?.wanted"
          :problem="problem('cover.wanted')"
          :hint="counted('wanted')"
          @update:model-value="setCover('wanted', $event)"
        />
        <QuantityField
          label="Weeds"
          kind="percent"
          :model-value="zone.cover?.weeds"
          :problem="problem('cover.weeds')"
          :hint="counted('weeds')"
          @update:model-value="setCover('weeds', $event)"
        />
        <QuantityField
          label="Moss"
          kind="percent"
          :model-value="zone.cover?.moss"
          :problem="problem('cover.moss')"
          :hint="counted('moss')"
          @update:model-value="setCover('moss', $event)"
        />
        <QuantityField
          label="Bare"
          kind="percent"
          :model-value="zone.cover?.bare"
          :problem="problem('cover.bare')"
          :hint="counted('bare')"
          @update:model-value="setCover('bare', $event)"
        />
        <QuantityField
          label="Incurable grassy weeds"
          kind="percent"
          :model-value="zone.incurable"
          :problem="problem('incurable')"
          hint="of the whole"
          @update:model-value="set('incurable', $event)"
        />
        <div class="bar" aria-hidden="true">
          <svg viewBox="0 0 100 6" preserveAspectRatio="none">
            <rect
              v-for="(p, i) in coverParts"
              :key="p.key"
              :class="p.key"
              :x="
                coverParts.slice(0, i).reduce((s, q) => s + q.share, 0) *
                (100 / Math.max(100, coverSum))
              "
              y="0"
              :width="p.share * (100 / Math.max(100, coverSum))"
              height="6"
            />
          </svg>
        </div>
        <p v-if="problem('cover')" class="wrong" role="alert">{{ problem('cover') }}</p>
        <TwoReadings
          v-if="covers"
          asks="Which cover is right?"
          :readings="[
            {
              key: 'typed',
              name: 'what is typed',
              value: firm.text(covers.typed, '%'),
              counts: true,
            },
            {
              key: 'counted',
              name: 'the count',
              value: firm.hand(covers.counted, '%'),
              counts: false,
            },
          ]"
          @pick="useCover($event as 'typed' | 'counted')"
        />
        <CoverCount :key="zone.id" :zone="zone" @set="set" />
      </fieldset>

      <fieldset class="ground">
        <legend>Mat, firmness, soil</legend>
        <QuantityField
          label="Thatch"
          kind="depth"
          :model-value="zone.thatch"
          :problem="problem('thatch')"
          :hint="
            (zone.plugs ?? []).length && figureText('thatch')
              ? `plugs: ${figureText('thatch')}`
              : 'from plugs'
          "
          @update:model-value="set('thatch', $event)"
        />
        <ChoiceField
          label="Screwdriver, pushed"
          clearable
          :options="PENETRATIONS.map((v) => ({ value: v, name: PENETRATION_NAMES[v] }))"
          :model-value="zone.penetration"
          class="two"
          @update:model-value="set('penetration', $event)"
        />
        <ChoiceField
          label="In soil that was"
          clearable
          :options="[
            { value: 'moist', name: 'moist' },
            { value: 'dry', name: 'dry' },
          ]"
          :model-value="zone.soilMoist === true ? 'moist' : zone.soilMoist === false ? 'dry' : null"
          @update:model-value="set('soilMoist', $event === null ? null : $event === 'moist')"
        />
        <ChoiceField
          label="Texture"
          list
          clearable
          :options="TEXTURES.map((v) => ({ value: v, name: TEXTURE_NAMES[v] }))"
          :model-value="zone.texture"
          @update:model-value="set('texture', $event)"
        />
        <QuantityField
          label="pH, if known"
          kind="ph"
          :model-value="zone.ph"
          :problem="problem('ph')"
          @update:model-value="set('ph', $event)"
        />
        <QuantityField
          label="Lows, depth"
          kind="depth"
          :model-value="zone.lowsDepth"
          :problem="problem('lowsDepth')"
          @update:model-value="set('lowsDepth', $event)"
        />
        <QuantityField
          label="Lows, share of ground"
          kind="percent"
          :model-value="zone.lowsShare"
          :problem="problem('lowsShare')"
          @update:model-value="set('lowsShare', $event)"
        />
      </fieldset>

      <fieldset class="ground">
        <legend>Light and slope, mowing, water</legend>
        <QuantityField
          label="Sun, growing weeks"
          kind="hours"
          :model-value="zone.sunHours"
          :problem="problem('sunHours')"
          :hint="cast ? `the plan has ${cast}` : 'direct, a day'"
          @update:model-value="set('sunHours', $event)"
        />
        <QuantityField
          label="Slope"
          kind="slope"
          :model-value="zone.slope"
          :problem="problem('slope')"
          hint="1 in 10, 10 %, flat"
          @update:model-value="set('slope', $event)"
        />
        <ChoiceField
          label="Falls towards"
          list
          clearable
          :options="COMPASS.map(([degrees, name]) => ({ value: String(degrees), name }))"
          :model-value="compassOf(zone.slopeTowards)"
          @update:model-value="set('slopeTowards', $event)"
        />
        <QuantityField
          label="Height of cut"
          kind="depth"
          :model-value="zone.heightOfCut"
          :problem="problem('heightOfCut')"
          @update:model-value="set('heightOfCut', $event)"
        />
        <ChoiceField
          label="Mower"
          list
          clearable
          :options="MOWERS.map((v) => ({ value: v, name: MOWER_NAMES[v] }))"
          :model-value="zone.mower"
          @update:model-value="set('mower', $event)"
        />
        <ChoiceField
          label="Wear"
          list
          clearable
          :options="WEARS.map((v) => ({ value: v, name: WEAR_NAMES[v] }))"
          :model-value="zone.wear"
          @update:model-value="set('wear', $event)"
        />
        <QuantityField
          label="Sprinkler rate"
          kind="precipitation"
          :model-value="zone.precipitation"
          :problem="problem('precipitation')"
          hint="by cans"
          @update:model-value="set('precipitation', $event)"
        />
        <QuantityField
          label="Uniformity, DU"
          kind="ratio"
          :model-value="zone.uniformity"
          :problem="problem('uniformity')"
          hint="0.1 to 1"
          @update:model-value="set('uniformity', $event)"
        />
      </fieldset>

      <fieldset>
        <legend>Grass there now</legend>
        <ElCheckboxGroup
          class="grasses"
          :model-value="zone.present ?? []"
          aria-label="Grass there now"
          @update:model-value="set('present', $event as ZoneDraft['present'])"
        >
          <ElCheckbox
            v-for="g in grasses"
            v-show="g.season === 'cool' || warm || (zone.present ?? []).length === 0"
            :key="g.id"
            :value="g.id"
            >{{ g.short }}</ElCheckbox
          >
        </ElCheckboxGroup>
        <YesNoField
          v-if="warm"
          label="A named fine hybrid"
          hint="common seed does not match it"
          :model-value="zone.hybrid"
          @update:model-value="set('hybrid', $event)"
        />
        <YesNoField
          label="Salt reaches it"
          hint="sea spray, road salt, salty water"
          :model-value="zone.salty"
          @update:model-value="set('salty', $event)"
        />
      </fieldset>

      <button
        type="button"
        class="plain finer"
        :aria-expanded="finer"
        data-test="finer"
        @click="finer = !finer"
      >
        {{
          finer ? 'Fewer readings' : 'Finer readings: plugs, soil, laboratory, weeds, pests, edges'
        }}
      </button>
      <MoreReadings v-if="finer" :zone="zone" :index="index" @patch="patch" />

      <p class="ends">
        <button type="button" class="act slight" @click="twin">Another zone like this</button>
        <button type="button" class="act slight" @click="remove">Delete this zone</button>
        <span class="small soft">Undo restores it.</span>
      </p>
    </form>
  </div>
</template>

<style scoped>
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
  margin-bottom: 0.5rem;
  max-height: 8.2rem;
  overflow-y: auto;
}
.zone {
  display: grid;
  text-align: left;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  padding: 0.2rem 0.7rem 0.25rem;
  cursor: pointer;
  line-height: 1.25;
  max-width: 14rem;
}
.zone b {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.zone span {
  font-size: 0.75rem;
  color: var(--soft);
}
.zone[aria-pressed='true'] {
  border: 2px solid var(--moss);
  background: var(--moss-wash);
  padding: calc(0.2rem - 1px) calc(0.7rem - 1px);
}
.empty {
  display: grid;
  gap: 0.75rem;
  justify-items: start;
  padding: 3rem 0;
  max-width: 30rem;
}
fieldset {
  border: 0;
  border-top: 1px solid var(--rule);
  padding: 0.15rem 0 0.35rem;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(7.6rem, 1fr));
  gap: 0.3rem 0.9rem;
  min-width: 0;
}
legend {
  font-weight: 700;
  font-size: 0.875rem;
  padding: 0.25rem 0 0.1rem;
  float: left;
  width: 100%;
  grid-column: 1 / -1;
}
.offs {
  grid-column: 1 / -1;
}
.off {
  display: grid;
  grid-template-columns: 2fr 1fr auto;
  gap: 0.9rem;
  align-items: center;
}
.cover {
  grid-template-columns: repeat(4, 1fr) minmax(8.5rem, 1.4fr);
}
.bar {
  grid-column: 1 / 5;
}
.bar svg {
  width: 100%;
  height: 0.45rem;
  background: var(--paper-deep);
  display: block;
}
.bar .wanted {
  fill: var(--moss);
}
.bar .weeds {
  fill: #b27a00;
}
.bar .moss {
  fill: #8fb07a;
}
.bar .bare {
  fill: #8b6440;
}
.wrong {
  grid-column: 1 / -1;
  color: var(--hold);
  font-size: var(--size-small);
}
.finer {
  justify-self: start;
  margin: 0.4rem 0;
}
.two {
  grid-column: span 2;
  min-width: 21rem;
}
.grasses {
  grid-column: 1 / -1;
  line-height: 1;
}
.ends {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding-top: 0.7rem;
  margin-top: 0.3rem;
}
@media (max-width: 640px) {
  .cover {
    grid-template-columns: repeat(2, 1fr);
  }
  .bar {
    grid-column: 1 / -1;
  }
  .two {
    grid-column: 1 / -1;
    min-width: 0;
  }
}
</style>
