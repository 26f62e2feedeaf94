import type { MovementKind, SeedLotDraft } from '@juvena/core/entities/stock'

interface DemoLot {
  id: string
  lot: SeedLotDraft
  movements: { kind: MovementKind; kg: number; on: string; job?: string; note?: string }[]
}

const label = (grass: string, cultivar: string, pure: number, germination: number) => ({
  grass,
  cultivar,
  pure,
  germination,
})

/** The invented firm's seed shelf. No cultivar or supplier here is anyone's. */
export const demoStock: DemoLot[] = [
  {
    id: 'lot-27-118',
    lot: { number: '27-118', supplier: 'Brackenfield Seeds', origin: 'Tarnmere', parts: [label('perennial-ryegrass', 'Tarn Green', 99, 91)], otherCrop: 0.1, weedSeed: 0, inert: 0.9, tested: '2026-11-03', storage: 'cool', bag: '20 kg', price: 168 },
    movements: [{ kind: 'received', kg: 40, on: '2027-01-18', note: 'two bags' }, { kind: 'opened', kg: 20, on: '2027-02-02' }, { kind: 'used', kg: 7.5, on: '2027-02-02', note: 'sown before this book was kept' }],
  },
  {
    id: 'lot-25-061',
    lot: { number: '25-061', supplier: 'Brackenfield Seeds', parts: [label('perennial-ryegrass', '', 97.4, 86)], otherCrop: 0.4, weedSeed: 0.1, inert: 2.1, tested: '2025-03-20', storage: 'shed', bag: '20 kg', price: 122, test: { started: '2027-02-08', seeds: 100, first: 58, last: 71 } },
    movements: [{ kind: 'received', kg: 20, on: '2025-04-02' }, { kind: 'opened', kg: 20, on: '2025-04-10' }, { kind: 'used', kg: 11, on: '2025-04-10', note: 'last season' }],
  },
  {
    id: 'lot-27-120',
    lot: { number: '27-120', supplier: 'Brackenfield Seeds', parts: [label('creeping-red-fescue', 'Mossbank', 98, 86)], otherCrop: 0.2, weedSeed: 0, inert: 1.8, tested: '2026-10-28', storage: 'cool', bag: '10 kg', price: 118 },
    movements: [{ kind: 'received', kg: 10, on: '2027-01-18' }],
  },
  {
    id: 'lot-26-044',
    lot: { number: '26-044', supplier: 'Lakehead Farm Supplies', parts: [label('chewings-fescue', 'Fellside', 97.8, 84)], otherCrop: 0.3, weedSeed: 0, inert: 1.9, tested: '2025-12-12', storage: 'shed', bag: '10 kg', price: 124, test: { started: '2027-02-17', seeds: 100 } },
    movements: [{ kind: 'received', kg: 10, on: '2026-01-20' }, { kind: 'opened', kg: 10, on: '2026-03-02' }, { kind: 'used', kg: 3.4, on: '2026-03-02', note: 'last season' }],
  },
  {
    id: 'lot-27-131',
    lot: { number: '27-131', supplier: 'Lakehead Farm Supplies', parts: [label('kentucky-bluegrass', 'Ridge Blue', 96.5, 82)], otherCrop: 0.5, weedSeed: 0, inert: 3, tested: '2026-12-01', storage: 'cool', bag: '5 kg', price: 112 },
    movements: [{ kind: 'received', kg: 5, on: '2027-01-29' }],
  },
  {
    id: 'lot-26-208',
    lot: { number: '26-208', name: 'quick cover', supplier: 'Lakehead Farm Supplies', parts: [label('annual-ryegrass', '', 97, 88)], otherCrop: 0.8, weedSeed: 0.1, inert: 2.1, tested: '2026-06-30', storage: 'shed', bag: '25 kg', price: 74 },
    movements: [{ kind: 'received', kg: 25, on: '2026-08-11' }],
  },
  {
    id: 'lot-26-300',
    lot: { number: '26-300', name: 'all-purpose lawn', supplier: 'Lakehead Farm Supplies', parts: [label('perennial-ryegrass', '', 58, 84), label('creeping-red-fescue', '', 28, 78), label('browntop', '', 9.5, 80)], otherCrop: 1.4, weedSeed: 0.4, inert: 2.7, tested: '2025-11-02', storage: 'hot', bag: '10 kg', price: 69 },
    movements: [{ kind: 'received', kg: 10, on: '2026-02-14' }],
  },
] // prettier-ignore
