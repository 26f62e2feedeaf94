import { operationValues } from '../reference/operationValues.ts'
import { tradeValues, value } from '../rules/rule.ts'

/** Lines of the trade that readings are held against. Each stands here once, whoever goes by it. */
export const coverLines = tradeValues('cover', {
  thirty: value(
    30,
    '%',
    'practice',
    'One school starts over below this much wanted cover',
    [5, 60],
  ),
  fifty: value(50, '%', 'practice', 'The other school starts over below this much', [20, 80]),
  incurable: value(
    40,
    '%',
    'model',
    'Incurable grassy weeds over this share force a kill-off',
    [10, 90],
  ),
  thin: value(85, '%', 'model', 'Below this much wanted cover the sward is thin', [50, 100]),
  gaps: value(
    10,
    '%',
    'model',
    'Warm turf that spreads closes gaps by itself up to this much bare ground',
    [1, 40],
  ),
  heals: value(
    70,
    '%',
    'model',
    'Turf of a grass that spreads closes its gaps by itself from this much wanted cover',
    [40, 95],
  ),
  mend: value(3, '%', 'model', 'From this much bare ground there are spots to mend', [0.5, 30]),
  mendable: value(
    60,
    '%',
    'model',
    'From this much wanted cover mending the bare spots alone is worth offering',
    [20, 100],
  ),
  bareInWinter: value(30, '%', 'model', 'Ground this bare is not left open over winter', [5, 90]),
  clumps: value(
    5,
    '%',
    'model',
    'Incurable grassy weeds from this share are worth digging out as clumps',
    [0.5, 40],
  ),
  handWeeded: value(15, '%', 'model', 'Weeds up to this share are weeded by hand', [1, 60]),
  nothingLeft: value(
    15,
    '%',
    'model',
    'Below this much wanted cover there is no sward to cut or to read thatch in',
    [0, 40],
  ),
  sward: value(
    50,
    '%',
    'model',
    'New ground with growth on this share of it has a sward to cut out',
    [10, 90],
  ),
  weedy: value(
    15,
    '%',
    'model',
    'Weeds from this share are worth a spray of their own, in that school',
    [1, 80],
  ),
  assumedWanted: value(
    60,
    '%',
    'assumed',
    'Wanted cover taken for the seed rate until it is counted',
    [0, 100],
  ),
  assumedBare: value(
    10,
    '%',
    'assumed',
    'Bare ground taken for mending until it is read',
    [0, 100],
  ),
})

export const thatchLines = tradeValues('thatch', {
  fine: value(12, 'mm', 'practice', 'Thatch is fine up to', [3, 30]),
  same: value(0.8, 'mm', 'practice', 'Half an inch and 12 mm are one line: give or take', [0, 3]),
  deep: value(25, 'mm', 'practice', 'Above this it takes more passes or years', [12, 80]),
  layer: value(
    5,
    'mm',
    'model',
    'A layer below the surface holds water and roots up from',
    [1, 40],
  ),
  veryDeep: value(40, 'mm', 'model', 'Above this a third pass', [25, 120]),
})

export const phLines = tradeValues('ph', {
  acidCentipede: value(5, '1', 'practice', 'Centipede wants lime below pH', [4, 6]),
  acidFine: value(5.5, '1', 'practice', 'Fine fescues and bents want lime below pH', [4, 7]),
  acid: value(6, '1', 'practice', 'Other grasses want lime below pH', [4.5, 7]),
  mostCentipede: value(6, '1', 'practice', 'Centipede pales above pH', [5, 8]),
  mostFine: value(6.5, '1', 'practice', 'Fine fescues and bents like no more than pH', [5.5, 8]),
  noLime: value(6.5, '1', 'practice', 'Lime helps nothing above pH', [5.5, 8]),
  limy: value(7.5, '1', 'practice', 'Iron locks up above pH', [6.5, 9]),
})

export const slopeLines = tradeValues('slope', {
  press: value(10, 'slope', 'practice', 'Press seed in and mulch from', [3, 20]),
  bank: value(20, 'slope', 'practice', 'Pinned blanket and nurse grass from', [8, 40]),
  steep: value(25, 'slope', 'practice', 'No ride-on, no blades from', [10, 60]),
})

export const mossLines = tradeValues('moss', {
  some: value(5, '%', 'model', 'Moss is worth a word from', [1, 40]),
  mossy: value(20, '%', 'model', 'Moss asks for work from', [5, 80]),
})

export const surfaceLines = tradeValues('surface', {
  strict: value(5, 'mm', 'model', 'Under a low cut or a reel mower lows show from', [1, 30]),
  forgiving: value(15, 'mm', 'model', 'A rotary set high forgives lows up to', [3, 60]),
  lowCut: value(40, 'mm', 'practice', 'A cut counts as low up to', [10, 80]),
})

export const firmnessLines = tradeValues('firmness', {
  slows: value(1000, 'kPa', 'practice', 'Roots are slowed from', [300, 3000]),
  stops: value(2000, 'kPa', 'published', 'Roots nearly stop from', [1000, 4000]),
})

export const moistureLines = tradeValues('moisture', {
  ponding: value(
    1,
    'h',
    'practice',
    'Water standing longer speaks of a cap, compaction or a hollow',
    [0.1, 24],
  ),
  spike: operationValues.spikeDepth,
  wedge: value(75, 'mm', 'practice', 'A wedge is lifted to look at moisture at', [40, 150]),
  drop: value(60, 's', 'practice', 'A drop standing longer means soil that sheds water', [5, 600]),
})

export const habitLines = tradeValues('habit', {
  notch: value(7, 'mm', 'practice', 'A notch of the mower raises the cut by; 5 to 10 mm', [2, 20]),
  oldSward: value(
    20,
    'years',
    'practice',
    'A sward this old is older than the cultivars sold now by a generation',
    [5, 60],
  ),
  rideOn: value(120, 'kg', 'model', 'A mower heavier than this carries somebody', [60, 400]),
  greenCut: value(12, 'mm', 'model', 'Sand mown no higher than this is a green', [3, 25]),
  greenOrganic: value(2, '%', 'practice', 'Organic matter a sand green is kept at', [0.5, 6]),
  near: value(0.5, '%', 'model', 'So near to it counts as there', [0, 3]),
})

export const wantedLines = tradeValues('wanted', {
  mossForPh: value(10, '%', 'model', 'With moss from this share the pH is worth reading', [1, 60]),
  grassKnown: value(
    20,
    '%',
    'model',
    'With more wanted cover than this the grass there is worth naming',
    [0, 80],
  ),
  nearThatch: value(3, 'mm', 'model', 'One plug this near the line is worth two more', [0, 10]),
})
