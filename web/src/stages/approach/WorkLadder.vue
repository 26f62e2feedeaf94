<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { RungWorth } from '@juvena/core/rungsWorth'
import type { Rung, ZoneSummary } from '@juvena/core/plan/jobPlan'
import { RUNG_GROUPS } from '@juvena/core/reference/operation'
import { kindsThat, OPERATIONS, type StepKind } from '@juvena/core/reference/operations'
import { FINDING_NAMES, type FindingKind } from '@juvena/core/findings/finding'
import ChoiceField from '../../parts/ChoiceField.vue'
import QuantityField from '../../parts/QuantityField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { rungsWorthInWorker } from '../../stores/planner.ts'

/**
 * The operations of one zone: each ticked or not, with who asks for it, how it is done and what it
 * takes.
 */
const props = defineProps<{ zone: ZoneSummary }>()
const firm = useFirm()
const job = useJob()
const groups = computed(() =>
  RUNG_GROUPS.map((name) => ({
    name,
    rungs: props.zone.rungs.filter((r) => OPERATIONS[r.operation].group === name),
  })).filter((g) => g.rungs.length > 0),
)
/** Rungs nobody asks for, that could be added. */
const spare = computed(() => {
  const there = new Set(props.zone.rungs.map((r) => r.operation))
  return kindsThat((o) => !o.later && !o.along)
    .filter((k) => !there.has(k))
    .map((value) => ({ value, name: firm.say(OPERATIONS[value].name) }))
})
/** What a person may set for a rung, and what it comes with. */
const SETTINGS = [
  { key: 'passes', with: 'passes', label: 'Passes', kind: 'ratio' },
  { key: 'height', with: 'height', label: 'Height of cut', kind: 'depth' },
  { key: 'depth', with: 'depth', label: 'Depth', kind: 'depth' },
  { key: 'tines', with: 'tines', label: 'Tine width', kind: 'depth' },
  { key: 'spacing', with: 'tines', label: 'Tine spacing', kind: 'depth' },
  { key: 'rainFree', with: 'rainFree', label: 'Dry hours, by the label', kind: 'hours' },
] as const
const opened = ref<StepKind | null>(null)
const index = computed(() => job.zones.findIndex((z) => z.id === props.zone.id))
const own = (kind: StepKind) => job.zones[index.value]?.operations?.[kind]

function set(kind: StepKind, patch: Record<string, unknown>) {
  job.edit(`${props.zone.id}.operations.${kind}.${Object.keys(patch)[0]}`, (d) => {
    const z = d.zones?.find((x) => x.id === props.zone.id)
    if (!z) return
    const next: Record<string, unknown> = { ...z.operations?.[kind], ...patch }
    for (const key of Object.keys(next))
      if (next[key] === null || next[key] === '') delete next[key]
    const operations = { ...z.operations }
    if (Object.keys(next).length > 0) operations[kind] = next
    else delete operations[kind]
    z.operations = operations
  })
}
const toggle = (r: Rung) =>
  set(r.operation, {
    on:
      own(r.operation)?.on === !r.planned || own(r.operation)?.on === r.planned ? null : !r.planned,
  })
/** Who asks: "thatch", "the drawing", "you". */
const ASKER: Record<Rung['asks'][number]['by'], (source: string) => string> = {
  finding: (source) => FINDING_NAMES[source as FindingKind]?.toLowerCase() ?? source,
  aim: (source) => `aim: ${source}`,
  school: (source) => `school: ${source}`,
  drawing: () => 'the drawing',
  work: () => 'the work itself',
  sowing: () => 'what is sown',
  way: () => 'this way',
  you: () => 'you',
}
const askers = (r: Rung) => [...new Set(r.asks.map((a) => ASKER[a.by](a.source)))].join(', ')
/** What each rung adds to the price and the odds: comes a moment after the ladder. */
const worth = shallowRef<RungWorth[]>([])
watch(
  () => [job.plan, props.zone.id] as const,
  async ([plan, zone], before) => {
    if (before && before[1] !== zone) worth.value = []
    // The plan that is shown first, then what its rungs add.
    await new Promise((go) => setTimeout(go, 400))
    if (job.plan !== plan || props.zone.id !== zone) return
    const found = await rungsWorthInWorker(zone).catch(() => [])
    if (job.plan === plan && props.zone.id === zone) worth.value = found
  },
  { immediate: true },
)
const adds = computed(() => new Map(worth.value.map((w) => [w.operation, w])))
const priced = computed(() => worth.value.some((w) => w.price !== null))
const signed = (n: number, text: string) => (n > 0 ? `+${text}` : n < 0 ? `−${text}` : '·')
const priceOf = (r: Rung) => {
  const price = adds.value.get(r.operation)?.price
  if (price == null) return ''
  return signed(Math.round(price / 1000), firm.wholeMoney(Math.abs(price)))
}
const oddsOf = (r: Rung) => {
  const odds = adds.value.get(r.operation)?.odds
  return odds == null ? '' : signed(odds, String(Math.abs(odds)))
}
const WHO = [
  { value: 'us', name: 'we do it' },
  { value: 'customer', name: 'the customer does it' },
] as const
const problem = (kind: StepKind, key: string) =>
  job.problemAt(`zones[${index.value}].operations.${kind}.${key}`)
const tools = (kind: StepKind) =>
  Object.entries(OPERATIONS[kind].tools ?? {}).map(([value, t]) => ({ value, name: t.name }))
</script>

<template>
  <div>
    <table>
      <thead>
        <tr>
          <th><span class="only-read">planned</span></th>
          <th>work</th>
          <th>asked for by</th>
          <th class="n">hours</th>
          <th v-if="priced" class="n" title="what it adds to the price">price</th>
          <th class="n" title="what it adds to the years in a hundred in which the sowing takes">
            in 100
          </th>
        </tr>
      </thead>
      <tbody v-for="g in groups" :key="g.name">
        <tr class="group">
          <td :colspan="priced ? 6 : 5">{{ g.name }}</td>
        </tr>
        <template v-for="r in g.rungs" :key="r.operation">
          <tr :class="{ off: !r.planned }">
            <td class="tick">
              <input
                type="checkbox"
                :checked="r.planned"
                :disabled="r.barred"
                :aria-label="firm.say(r.name)"
                @click.prevent="toggle(r)"
              />
            </td>
            <td>
              <button
                type="button"
                class="name"
                :aria-expanded="opened === r.operation"
                @click="opened = opened === r.operation ? null : r.operation"
              >
                <b>{{ firm.say(r.name) }}</b>
              </button>
              <span v-if="firm.say(r.how)" class="small how">{{ firm.say(r.how) }}</span>
              <span v-if="r.yours" class="mark moved">yours</span>
              <span v-if="!r.planned" class="small reason">{{ firm.say(r.reason) }}</span>
            </td>
            <td class="small soft who">{{ askers(r) }}</td>
            <td class="n hours">
              {{ r.planned && r.hours > 0 ? firm.hand(r.hours, 'work-h') : '' }}
            </td>
            <td v-if="priced" class="n small adds">{{ priceOf(r) }}</td>
            <td class="n small adds">{{ oddsOf(r) }}</td>
          </tr>
          <tr v-if="opened === r.operation" class="more">
            <td></td>
            <td :colspan="priced ? 5 : 4">
              <ul class="small">
                <li v-for="(a, i) in r.asks" :key="i">{{ firm.say(a.why) }}</li>
              </ul>
              <ChoiceField
                v-if="r.planned && r.hours > 0"
                class="theirs"
                label="Who does it"
                :options="WHO"
                :model-value="own(r.operation)?.byCustomer ? 'customer' : 'us'"
                @update:model-value="
                  set(r.operation, { byCustomer: $event === 'customer' ? true : null })
                "
              />
              <div v-if="r.planned && (r.sets.length || tools(r.operation).length)" class="sets">
                <QuantityField
                  v-for="f in SETTINGS.filter((x) => r.sets.includes(x.with))"
                  :key="f.key"
                  :label="f.label"
                  :kind="f.kind"
                  :model-value="own(r.operation)?.[f.key]"
                  :problem="problem(r.operation, f.key)"
                  :placeholder="f.key === 'passes' ? String(r.passes) : undefined"
                  @update:model-value="set(r.operation, { [f.key]: $event })"
                />
                <ChoiceField
                  v-if="tools(r.operation).length"
                  label="Done with"
                  list
                  clearable
                  :options="tools(r.operation)"
                  :model-value="own(r.operation)?.tool ?? null"
                  @update:model-value="set(r.operation, { tool: $event })"
                />
              </div>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <ChoiceField
      class="add"
      label="Add other work"
      list
      :options="spare"
      :model-value="null"
      @update:model-value="$event && set($event as StepKind, { on: true })"
    />
  </div>
</template>

<style scoped>
.hours,
.adds {
  white-space: nowrap;
}
.adds {
  color: var(--soft);
}
td {
  padding: 0.16rem 0.5rem 0.16rem 0;
  line-height: 1.3;
  vertical-align: baseline;
}
.group td {
  font-size: var(--size-small);
  color: var(--soft);
  border-bottom: 1px solid var(--ink);
  padding-top: 0.55rem;
}
.tick {
  width: 1.9rem;
  vertical-align: middle;
}
.tick input {
  width: 1.25rem;
  height: 1.25rem;
  accent-color: var(--moss);
  cursor: pointer;
}
.name {
  background: none;
  border: 0;
  padding: 0;
  font: inherit;
  color: inherit;
  cursor: pointer;
  text-align: left;
}
.name:hover b {
  text-decoration: underline;
}
.how {
  margin-left: 0.4rem;
  border-bottom: 1px dotted var(--soft);
}
.mark {
  margin-left: 0.4rem;
}
.off b {
  font-weight: 400;
  text-decoration: line-through;
  text-decoration-thickness: 1px;
}
.off,
.reason {
  color: var(--soft);
}
.reason {
  display: block;
}
.who {
  width: 8rem;
}
.group td {
  padding-top: 0.45rem;
}
@media (max-width: 600px) {
  thead {
    display: none;
  }
  .who {
    width: 6rem;
  }
}
.sets {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8rem, 1fr));
  gap: 0.3rem 0.8rem;
  padding: 0.2rem 0 0.5rem;
}
.add {
  max-width: 20rem;
  padding-top: 0.7rem;
}
</style>
