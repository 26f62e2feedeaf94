import type { Answer } from '../../../contract/answers.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  seedLotSchema,
  type SeedLot,
  type SeedLotDraft,
  type StockMovementDraft,
} from '@juvena/core/entities/stock'
import type { StockLot } from '@juvena/core/stock/lotsOfJob'
import { lotValues, lotWorth } from '@juvena/core/stock/lotWorth'
import { Trace } from '@juvena/core/trace/trace'
import { api } from './api.ts'
import { useFirm } from './firm.ts'
import { newId } from './newId.ts'

/** A lot as the server keeps it, with what is left of it. */
export type ShownLot = Answer<'lot'>

/** The firm's seed on its shelf. */
export const useStock = defineStore('stock', () => {
  const firm = useFirm()
  const lots = shallowRef<ShownLot[]>([])
  const ready = ref(false)
  const failure = ref('')

  async function load() {
    try {
      lots.value = (await api<Answer<'stock'>>('GET', '/stock')).lots
      failure.value = ''
      ready.value = true
    } catch (error) {
      failure.value = (error as Error).message
    }
  }
  const put = (lot: ShownLot) => {
    lots.value = lots.value.some((l) => l.id === lot.id)
      ? lots.value.map((l) => (l.id === lot.id ? lot : l))
      : [...lots.value, lot]
  }

  /** Adds lots, each with what came in. */
  async function add(
    given: { lot: SeedLotDraft; received: { kg: number; on: string } | null }[],
  ): Promise<ShownLot[]> {
    const made = (await api<Answer<'stock'>>('POST', '/stock', { lots: given })).lots
    for (const lot of made) put(lot)
    return made
  }
  async function save(of: ShownLot, lot: SeedLotDraft) {
    put(
      await api<Answer<'lot'>>('PUT', `/stock/${encodeURIComponent(of.id)}`, {
        revision: of.revision,
        lot,
      }),
    )
  }
  async function archive(id: string) {
    await api('DELETE', `/stock/${encodeURIComponent(id)}`)
    lots.value = lots.value.filter((l) => l.id !== id)
  }
  async function move(lot: string, movement: Omit<StockMovementDraft, 'id' | 'lot'>) {
    put(
      await api<Answer<'lot'>>('POST', `/stock/${encodeURIComponent(lot)}/movements`, {
        movements: [{ ...movement, id: newId(), lot }],
      }),
    )
  }
  /** The movements of a lot, and the names of the jobs in them. */
  const movements = (lot: string) =>
    api<Answer<'movements'>>('GET', `/stock/${encodeURIComponent(lot)}/movements`)

  /** Labels that can be read, by id. */
  const read = computed(() => {
    const map = new Map<string, SeedLot>()
    for (const { id, draft } of lots.value) {
      const parsed = seedLotSchema.safeParse(draft)
      if (parsed.success) map.set(id, parsed.data)
    }
    return map
  })
  const values = computed(() => new Trace(firm.settings.values).values(lotValues))
  /** What each lot whose label can be read is worth today, by id. */
  const worth = computed(
    () =>
      new Map(
        [...read.value].map(([id, lot]) => [
          id,
          lotWorth(lot, firm.grasses, firm.today, values.value),
        ]),
      ),
  )
  /** What a plan goes by. */
  const forPlans = computed<StockLot[]>(() =>
    lots.value.flatMap(({ id, shelf }) => {
      const lot = read.value.get(id)
      return lot ? [{ id, lot, shelf }] : []
    }),
  )
  return {
    lots,
    ready,
    failure,
    read,
    values,
    worth,
    forPlans,
    load,
    add,
    save,
    archive,
    move,
    movements,
  }
})
