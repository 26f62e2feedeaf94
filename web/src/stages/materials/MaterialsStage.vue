<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed } from 'vue'
import type { JobDraft } from '@juvena/core/entities/job'
import type { MaterialLine } from '@juvena/core/materials/materialLine'
import { showNumber } from '@juvena/core/quantities/show'
import { COVERS, COVER_NAMES, DRESSINGS, DRESSING_NAMES } from '@juvena/core/reference/lists'
import ChoiceField from '../../parts/ChoiceField.vue'
import FigureValue from '../../parts/FigureValue.vue'
import NothingYet from '../../parts/NothingYet.vue'
import NoticeCard from '../../parts/NoticeCard.vue'
import QuantityField from '../../parts/QuantityField.vue'
import { useFirm } from '../../stores/firm.ts'
import StageHead from '../../parts/StageHead.vue'
import { useJob } from '../../stores/job.ts'
import FeedForm from './FeedForm.vue'
import MoneySums from './MoneySums.vue'
import SprayForm from './SprayForm.vue'
import OrderList from './OrderList.vue'

/** What to buy, carry and weigh out, zone by zone. */
const firm = useFirm()
const job = useJob()
const zones = computed(() => job.plan?.zones.filter((z) => z.area) ?? [])
const wide = computed(() => zones.value.length <= 4)
const lines = computed(() => job.plan?.materials ?? [])
const packs = (line: MaterialLine) =>
  line.packs
    ? `${line.packs.counts.map((c) => `${c.count} × ${c.size} ${sure(line.packs).unit}`).join(' + ')}${line.packs.left > 0.15 ? `, ${firm.hand(line.packs.left, 'kg')} to stock` : ''}`
    : ''
const also = (line: MaterialLine) =>
  line.also.map((id) => {
    const f = job.figure(id)
    if (!f) return ''
    if (f.rule === 'dressing.barrows') return `${showNumber(Number(f.value))} barrows`
    if (f.rule === 'dressing.bulk-bags')
      return `${showNumber(Number(f.value))} bulk ${Number(f.value) === 1 ? 'bag' : 'bags'}`
    if (f.unit === '1') return `${showNumber(Number(f.value))} ${firm.say(f.label).toLowerCase()}`
    if (f.rule.startsWith('carry.'))
      return `${firm.hand(f.value, f.unit)} ${firm.say(f.label).toLowerCase()}`
    if (f.rule === 'seed.reserve') return `${firm.hand(f.value, f.unit)} of it reserve`
    return f.rule.startsWith('feed.') && f.unit === 'g/m2'
      ? `${firm.hand(f.value, f.unit)} N`
      : firm.hand(f.value, f.unit)
  })
type Group = 'dressing' | 'lime'
const debris = computed(() => lines.value.some((l) => l.kind === 'debris'))
const limed = computed(() => lines.value.some((l) => l.kind === 'lime'))
const set = <G extends Group, K extends keyof NonNullable<JobDraft[G]>>(
  group: G,
  key: K,
  value: NonNullable<JobDraft[G]>[K],
) =>
  job.edit(`${group}.${String(key)}`, (d) => {
    d[group] = { ...d[group], [key]: value } as JobDraft[G]
  })
const notices = computed(() => job.plan?.notices.filter((n) => n.stage === 5) ?? [])
</script>

<template>
  <div>
    <StageHead
      name="Materials"
      says="what to buy, carry and weigh out, zone by zone. Choose any figure to see its working."
    />
    <NothingYet
      v-if="lines.length === 0"
      says="Amounts come from zones with a size and an approach that sows."
    />
    <template v-else>
      <div class="scroll" tabindex="0" role="region" aria-label="Materials by zone">
        <table class="lines">
          <thead>
            <tr>
              <th>line</th>
              <template v-if="wide"
                ><th v-for="z in zones" :key="z.id" class="n zone">
                  {{ z.name }}<br />{{ firm.hand(job.figure(z.area)?.value, 'm2') }}
                </th></template
              >
              <th class="n">to order</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in lines" :key="line.id">
              <td class="what">
                {{ firm.say(line.name) }}<small class="soft">{{ firm.say(line.detail) }}</small>
              </td>
              <template v-if="wide"
                ><td v-for="z in zones" :key="z.id" class="n in-zone" :data-zone="z.name">
                  <FigureValue
                    :id="line.cells[z.id]"
                    :label="`${firm.say(line.name)}, ${z.name}`"
                  /></td
              ></template>
              <td class="n order">
                <FigureValue
                  :id="line.total"
                  size="big"
                  :label="`${firm.say(line.name)}, to order`"
                />
                <small>{{ [packs(line), ...also(line)].filter(Boolean).join(' · ') }}</small>
                <small v-if="line.packs?.costs"
                  >for <FigureValue :id="line.packs.costs" :label="`${firm.say(line.name)}, cost`"
                /></small>
                <small v-if="line.doubt" class="doubt">{{ firm.say(line.doubt) }}</small>
              </td>
            </tr>
          </tbody>
        </table>
        <details v-if="!wide" open>
          <summary>By zone</summary>
          <ul class="by-zone">
            <li v-for="z in zones" :key="z.id">
              <b>{{ z.name }}</b>
              <span class="soft small">{{ firm.hand(job.figure(z.area)?.value, 'm2') }}</span>
              <span v-for="line in lines.filter((l) => l.cells[z.id])" :key="line.id" class="part"
                >{{ firm.say(line.name) }} <FigureValue :id="line.cells[z.id]"
              /></span>
            </li>
          </ul>
        </details>
      </div>
      <div v-if="notices.length" class="notices">
        <NoticeCard v-for="n in notices.slice(0, 4)" :key="n.id" :notice="n" />
      </div>
      <div class="money">
        <MoneySums lines />
        <OrderList />
      </div>
      <section class="choices">
        <FeedForm />
        <template v-if="limed">
          <h3>Lime, by its label</h3>
          <div class="row">
            <QuantityField
              label="Neutralising value"
              kind="percent"
              :model-value="job.draft?.lime?.neutralising"
              :problem="job.problemAt('lime.neutralising')"
              hint="pure lime is 100 %"
              @update:model-value="set('lime', 'neutralising', $event)"
            />
            <QuantityField
              label="Fine enough to act"
              kind="percent"
              :model-value="job.draft?.lime?.fine"
              :problem="job.problemAt('lime.fine')"
              hint="the share the label gives"
              @update:model-value="set('lime', 'fine', $event)"
            />
          </div>
        </template>
        <SprayForm />
        <h3>Dressing and cover</h3>
        <div class="row">
          <ChoiceField
            label="Dressing"
            list
            clearable
            :options="DRESSINGS.map((v) => ({ value: v, name: DRESSING_NAMES[v] }))"
            :model-value="job.draft?.dressing?.kind"
            @update:model-value="set('dressing', 'kind', $event)"
          />
          <QuantityField
            label="Depth, all zones"
            kind="depth"
            :model-value="job.draft?.dressing?.depth"
            :problem="job.problemAt('dressing.depth')"
            hint="else the lows, where levelled"
            @update:model-value="set('dressing', 'depth', $event)"
          />
          <QuantityField
            label="Share of ground"
            kind="percent"
            :model-value="job.draft?.dressing?.share"
            :problem="job.problemAt('dressing.share')"
            @update:model-value="set('dressing', 'share', $event)"
          />
          <QuantityField
            label="Your own heap, screened"
            kind="percent"
            :model-value="job.draft?.dressing?.sieved"
            :problem="job.problemAt('dressing.sieved')"
            hint="what of a sample passes"
            @update:model-value="set('dressing', 'sieved', $event)"
          />
          <ChoiceField
            v-if="debris"
            label="Debris goes"
            :options="[
              { value: 'tip', name: 'to the tip' },
              { value: 'heap', name: 'onto a heap there' },
            ]"
            :model-value="job.draft?.debrisTo ?? 'tip'"
            @update:model-value="(v) => job.edit('debrisTo', (d) => (d.debrisTo = v ?? 'tip'))"
          />
          <ChoiceField
            label="Cover over seed"
            list
            clearable
            :options="COVERS.map((v) => ({ value: v, name: COVER_NAMES[v] }))"
            :model-value="job.draft?.cover"
            hint="else by ground and slope"
            @update:model-value="(v) => job.edit('cover', (d) => (d.cover = v))"
          />
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
.what {
  min-width: 9rem;
}
.what small,
.order small {
  display: block;
  line-height: 1.3;
}
.order small {
  font-weight: 700;
  color: var(--soft);
}
.order .doubt {
  font-weight: 400;
}
.zone {
  min-width: 4.6rem;
  max-width: 8rem;
}
.order {
  padding-right: 0;
  min-width: 8.5rem;
}
th.n:last-child {
  padding-right: 0;
}
.notices {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
  gap: 0.75rem;
  margin-top: 0.75rem;
}
.money {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
  padding-top: 1rem;
  max-width: 44rem;
}
.choices {
  margin-top: 1.1rem;
}
.choices h3 {
  border-bottom: 1px solid var(--ink);
  margin-bottom: 0.35rem;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
  gap: 0.3rem 1rem;
  margin-bottom: 0.5rem;
}
.by-zone li {
  border-top: 1px solid var(--rule);
  padding: 0.3rem 0;
}
.part {
  margin-left: 1rem;
  font-size: 0.9375rem;
  white-space: nowrap;
}
summary {
  cursor: pointer;
  padding: 0.5rem 0;
  font-weight: 700;
}
@media (max-width: 760px) {
  /* The quantity first, its zones beneath: nothing lies out of sight to the side. */
  .lines,
  .lines tbody {
    display: block;
  }
  .lines thead {
    display: none;
  }
  .lines tr {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 0.8rem;
    border-bottom: 1px solid var(--rule);
    padding: 0.4rem 0;
  }
  .lines td {
    border: 0;
    padding: 0.1rem 0;
  }
  .lines .what {
    grid-column: 1;
    grid-row: 1;
  }
  .lines .order {
    display: contents;
  }
  .lines .order > .figure {
    grid-column: 2;
    grid-row: 1;
    align-self: start;
  }
  .lines .order > small {
    grid-column: 1 / -1;
    text-align: right;
  }
  .lines .in-zone {
    grid-column: 1 / -1;
    display: flex;
    justify-content: space-between;
  }
  .lines .in-zone::before {
    content: attr(data-zone);
    color: var(--soft);
    font-size: var(--size-small);
  }
  .lines .in-zone:not(:has(.figure)) {
    display: none;
  }
}
</style>
