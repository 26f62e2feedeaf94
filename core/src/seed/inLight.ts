import type { Grass, GrassId } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure } from '../trace/figure.ts'
import type { Message } from '../rules/message.ts'
import { procedure, tradeValues, value } from '../rules/rule.ts'
import { figureId, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { fitValues } from './fit/fit.ts'
import { leastSun } from './fit/judging.ts'

/** How plants thin out in shade. */
export const inLightValues = tradeValues('in-light', {
  half: value(
    50,
    '%',
    'model',
    'In the least sun a grass lives on, of its plants there last',
    [10, 100],
  ),
  gone: value(2, 'h', 'model', 'and none in so much less', [0.5, 5]),
})

export const inLightRules = {
  lasts: procedure({
    id: 'seed.lasts-in-light',
    key: 'lasts',
    stage: 4,
    label: 'Plants that last in this light',
    unit: '%',
    standing: 'model',
    says: 'All plants of a grass last in the sun it is at ease with, {half} in the least it lives on, none in {gone} less; between these by the straight line. Of the mix: by the share of each among the plants that come up.',
    values: inLightValues,
    inputs: { sun: 'h', plants: '%[]' },
    steps: 'each grass by its own least and comfortable sun; then the sum over the plants',
    by: 'seed/inLight: lastsIn',
    check: 'mix.test.ts',
  }),
}

/** What stands of a mix where a zone has so much sun. */
export interface StandInLight {
  where: Message
  sun: Figure
  /** Of the plants that come up, those that last, %. */
  lasts: Figure
  /** Who they are, % of them. */
  plants: { grass: GrassId; share: number }[]
}

/**
 * Of the plants of a grass, the share that lasts with so many hours of sun, 0 to 1. `least` is the
 * least sun it is sown in.
 */
export function lastsIn(
  { sunGood }: Pick<Grass, 'sunGood'>,
  least: number,
  sun: number,
  v: { half: number; gone: number },
): number {
  const half = v.half / 100
  if (sun >= sunGood) return 1
  return sun >= least
    ? half + ((1 - half) * (sun - least)) / (sunGood - least)
    : Math.max(0, half * (1 - (least - sun) / v.gone))
}

/** The parts of a zone that are told apart by light. */
const PLACES = [
  ['sun.low', 'darkest tenth'],
  ['sun', 'middle'],
  ['sun.high', 'brightest tenth'],
] as const
/** Less than this between the darkest and the brightest tenth looks alike, h. */
const ALIKE = 1

/**
 * How a mix will stand in the darkest, the middling and the brightest of a zone; empty where its
 * light is typed or even.
 */
export function standInLight(
  zone: string,
  plants: readonly { grass: GrassId; share: Figure }[],
  schools: Schools,
  trace: Trace,
): StandInLight[] {
  const scope = zoneScope(zone)
  const found = (key: string) => trace.figures[figureId(scope, key)]
  const [low, high] = [found('sun.low'), found('sun.high')]
  // Beside typed hours, which win, the cast light stands apart: the zone is then taken for even.
  if (!low || !high || found('sun.cast') || num(high) - num(low) < ALIKE) return []
  const v = trace.values(inLightValues)
  const { renewedSun } = trace.values(fitValues)
  const places = PLACES.flatMap(([key, where]): StandInLight[] => {
    const sun = found(key)
    if (!sun) return []
    const each = plants.map((p) => {
      const grass = trace.grass(p.grass)
      return num(p.share) * lastsIn(grass, leastSun(grass, schools, renewedSun), num(sun), v)
    })
    const all = each.reduce((a, b) => a + b, 0)
    const lasts = trace.found(
      inLightRules.lasts,
      scope,
      Math.round(all),
      { sun, plants: plants.map((p) => p.share) },
      { part: key },
    )
    return [
      {
        where,
        sun,
        lasts,
        plants: plants.map((p, i) => ({
          grass: p.grass,
          share: all > 0 ? (100 * each[i]!) / all : 0,
        })),
      },
    ]
  })
  // Where all are at ease everywhere, there is nothing to tell.
  return places.every((p) => num(p.lasts) === 100) ? [] : places
}
