<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { showDay } from '@juvena/core/calendar/day'
import type { LotWorth } from '@juvena/core/stock/lotWorth'
import NothingYet from '../../../parts/NothingYet.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useStock, type ShownLot } from '../../../stores/stock.ts'
import LotCard from './LotCard.vue'
import LotForm from './LotForm.vue'
import LotImport from './LotImport.vue'
import SeedToBuy from './SeedToBuy.vue'

/**
 * The shelf: every lot of seed by grass, what is left of it, what it is worth, and what came and
 * went.
 */
const firm = useFirm()
const stock = useStock()
const route = useRoute()
const router = useRouter()
void stock.load()

interface Row {
  lot: ShownLot
  worth: LotWorth | null
}
/** Lots by their grass, mixes apart, the most of a grass first. */
const shelves = computed(() => {
  const groups = new Map<string, Row[]>()
  for (const lot of stock.lots) {
    const parts = lot.draft.parts ?? []
    const key = parts.length > 1 ? 'mixes' : (parts[0]?.grass ?? 'unread')
    const row = { lot, worth: stock.worth.get(lot.id) ?? null }
    groups.set(key, [...(groups.get(key) ?? []), row])
  }
  const name = (key: string) =>
    key === 'mixes' ? 'Mixes' : key === 'unread' ? 'Label not read' : firm.grassName(key)
  return [...groups].map(([key, rows]) => ({ key, name: name(key), rows: [...rows].sort((a, b) => b.lot.shelf.held - a.lot.shelf.held) })).sort((a, b) => a.name.localeCompare(b.name)) // prettier-ignore
})
const total = computed(() => stock.lots.reduce((sum, l) => sum + Math.max(0, l.shelf.held), 0))
const most = computed(() => Math.max(1, ...stock.lots.map((l) => l.shelf.held)))

const doing = ref<'nothing' | 'add' | 'import'>('nothing')
const chosen = computed(() => stock.lots.find((l) => l.id === route.query.lot) ?? null)
const choose = (id: string | null) => void router.replace({ query: id ? { lot: id } : {} })
watch(chosen, (lot) => lot && (doing.value = 'nothing'))
function start(what: 'add' | 'import') {
  doing.value = doing.value === what ? 'nothing' : what
  if (doing.value !== 'nothing') choose(null)
}
const width = (kg: number) => `${Math.max(0, Math.min(100, (100 * kg) / most.value))}%`
const germination = (worth: LotWorth | null) =>
  worth && worth.parts.length > 0
    ? `${worth.parts.map((p) => Math.round(p.germination)).join(' / ')} %`
    : '—'
const source = (worth: LotWorth | null) => worth?.parts[0]?.from ?? ''
const price = (worth: LotWorth | null) => {
  const cost = worth?.parts.length === 1 ? worth.parts[0]!.costPerThousand : null
  return cost === null || cost === undefined ? '—' : firm.text(100 * cost, 'money')
}
const cultivars = (lot: ShownLot) =>
  [...new Set((lot.draft.parts ?? []).map((p) => p.cultivar || 'common type'))].join(', ')
</script>

<template>
  <section class="stock" :class="{ aside: chosen || doing !== 'nothing' }">
    <div class="shelf">
      <header>
        <h2>
          Seed on the shelf
          <span class="small soft"
            >{{ stock.lots.length }} {{ stock.lots.length === 1 ? 'lot' : 'lots' }},
            {{ firm.hand(total, 'kg') }}</span
          >
        </h2>
        <span class="ends">
          <button
            type="button"
            class="act main"
            :aria-expanded="doing === 'add'"
            @click="start('add')"
          >
            Add a lot
          </button>
          <button
            type="button"
            class="act slight"
            :aria-expanded="doing === 'import'"
            @click="start('import')"
          >
            Import lots
          </button>
        </span>
      </header>
      <p v-if="stock.failure" class="wrong" role="alert">{{ stock.failure }}</p>
      <NothingYet
        v-if="stock.ready && stock.lots.length === 0"
        says="No seed is on the shelf. Add a lot from the label of its bag."
      />
      <table v-if="stock.lots.length">
        <thead>
          <tr>
            <th>lot</th>
            <th class="n">on the shelf</th>
            <th class="n">free</th>
            <th class="n">germinates</th>
            <th>tested</th>
            <th class="n">cost of 100,000<br />live seeds</th>
            <th>verdict</th>
          </tr>
        </thead>
        <tbody v-for="s in shelves" :key="s.key">
          <tr class="group">
            <th colspan="7" scope="rowgroup">{{ s.name }}</th>
          </tr>
          <tr
            v-for="{ lot, worth } in s.rows"
            :key="lot.id"
            :class="{ chosen: chosen?.id === lot.id }"
          >
            <td>
              <button
                type="button"
                class="plain"
                :aria-expanded="chosen?.id === lot.id"
                @click="choose(chosen?.id === lot.id ? null : lot.id)"
              >
                <b>{{ lot.draft.number || lot.draft.name || 'no number' }}</b>
              </button>
              <span class="small soft">{{ cultivars(lot) || lot.draft.supplier }}</span>
            </td>
            <td class="n held">
              {{ firm.hand(lot.shelf.held, 'kg') }}
              <span class="bar" aria-hidden="true"
                ><i class="free" :style="{ width: width(lot.shelf.free) }"></i
                ><i class="kept" :style="{ width: width(lot.shelf.reserved) }"></i
              ></span>
            </td>
            <td class="n" :class="{ short: lot.shelf.free < 0 }">
              {{ firm.hand(lot.shelf.free, 'kg') }}
            </td>
            <td class="n">
              {{ germination(worth) }}<span class="small soft source">{{ source(worth) }}</span>
            </td>
            <td>
              {{
                stock.read.get(lot.id)?.tested
                  ? showDay(sure(sure(stock.read.get(lot.id)).tested), true).slice(4)
                  : '—'
              }}
            </td>
            <td class="n">{{ price(worth) }}</td>
            <td>
              <span v-if="lot.shelf.held < -0.0005" class="tag no">below zero</span>
              <span v-else-if="worth" class="tag" :class="worth.verdict.replaceAll(' ', '-')">{{
                worth.verdict
              }}</span>
              <span v-if="worth?.test?.due" class="tag due">count today</span>
            </td>
          </tr>
        </tbody>
      </table>
      <SeedToBuy />
    </div>
    <div v-if="doing === 'add'" class="side">
      <LotForm @done="(id: string | null) => ((doing = 'nothing'), choose(id))" />
    </div>
    <div v-else-if="doing === 'import'" class="side">
      <LotImport @done="doing = 'nothing'" />
    </div>
    <div v-else-if="chosen" class="side">
      <LotCard :key="chosen.id" :lot="chosen" @close="choose(null)" />
    </div>
  </section>
</template>

<style scoped>
.stock.aside {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(22rem, 27rem);
  gap: 1.25rem;
  align-items: start;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 0.3rem;
}
.ends {
  display: flex;
  gap: 0.4rem;
}
td {
  padding: 0.35rem 0.7rem 0.35rem 0;
  font-size: 0.9375rem;
  line-height: 1.25;
  vertical-align: top;
}
td.n,
td:nth-child(5) {
  white-space: nowrap;
}
td:first-child .small {
  display: block;
}
td button {
  text-align: left;
}
.group th {
  padding-top: 0.7rem;
  font-size: 0.9375rem;
  font-weight: 700;
  text-align: left;
  color: var(--ink);
  border-bottom: 1px solid var(--rule-strong);
}
.chosen td {
  background: var(--clay-wash);
}
.held {
  min-width: 7rem;
}
.bar {
  display: flex;
  height: 5px;
  background: var(--paper-deep);
  margin-top: 3px;
}
.free {
  background: var(--moss);
}
.kept {
  background: repeating-linear-gradient(45deg, var(--moss) 0 2px, var(--paper-deep) 2px 4px);
}
.source {
  display: block;
}
.short,
.wrong {
  color: var(--hold);
}
.tag {
  display: inline-block;
  border: 1px solid currentColor;
  border-radius: 2px;
  padding: 0 0.35rem;
  font-size: 0.8125rem;
  white-space: nowrap;
}
.tag.use {
  color: var(--moss);
}
.tag.use-more,
.tag.due {
  color: var(--sun);
}
.tag.do-not-use,
.tag.no {
  color: var(--hold);
}
.side {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.7rem 0.9rem 1rem;
}
@media (max-width: 1000px) {
  .stock.aside {
    grid-template-columns: minmax(0, 1fr);
  }
  .shelf,
  .side {
    overflow-x: auto;
  }
}
@media (max-width: 640px) {
  th:nth-child(3),
  td:nth-child(3),
  th:nth-child(5),
  td:nth-child(5),
  th:nth-child(6),
  td:nth-child(6) {
    display: none;
  }
  .held {
    min-width: 5rem;
  }
}
</style>
