import { sure } from '../quantities/sure.ts'
import { namesProduct } from '../entities/diary.ts'
import type { Job } from '../entities/job.ts'
import { findingOf, type Finding } from '../findings/finding.ts'
import { USER_NAMES } from '../reference/lists.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { weedFor } from '../reference/walkLists.ts'
import { livesThere } from '../findings/findingAsks.ts'
import { kindOf, type Grass } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import { lightTrust } from '../reference/siteValues.ts'
import { fitNumbers, leastSun, needsSun } from '../seed/fit/judging.ts'
import type { Weighed } from '../seed/mix.ts'
import type { ZoneSeed } from '../seed/seedPlan.ts'
import { num, type Notice } from '../trace/figure.ts'
import { joined, quantity, say, verbatim, type Message } from '../rules/message.ts'
import { figureId, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { leafRules } from '../work/leafRules.ts'
import { isPlanted } from '../work/sowing.ts'
import { waitsUntil, type Wait } from '../work/waitingPeriods.ts'
import { plans, type ZoneWork } from '../work/workTypes.ts'

/**
 * Grasses in the mix that a herbicide at seeding harms: bents never stand it, fine fescues only as
 * the label says.
 */
export const notLabelled = (work: ZoneWork, seed: ZoneSeed | null, trace: Trace): Notice[] => {
  const { r } = work
  const harmed = plans(work, 'seed-safe')
    ? (seed?.mix ?? [])
        .map((m) => trace.grass(m.grass))
        .filter((g) => g.stands.mesotrione !== 'yes')
    : []
  if (harmed.length === 0) return []
  const never = harmed.some((g) => g.stands.mesotrione === 'no')
  return [
    {
      id: figureId(zoneScope(r.id), 'seed-safe'),
      stage: 6,
      zone: r.zone.id,
      level: never ? 'hold' : 'warn',
      title: say`${r.name}: ${harmed.map((g) => g.short).join(', ')} in the seed, and a herbicide at seeding.`,
      says: never
        ? 'It would not come up. Leave the herbicide out, or change the mix. The label decides.'
        : 'They stand only some of them, and at lower rates. Read the label before it is opened.',
    },
  ]
}

/** Warm turf that is cut hard in spring lets light down to weed seed, where no pre-emergence is down. */
export const openToWeeds = (
  work: ZoneWork,
  { schools, waits }: { schools: Schools; waits: readonly Wait[] },
): Notice[] => {
  const { r } = work
  const down = plans(work, 'pre-emergence') || waitsUntil(waits, 'sow', [r.id]) !== null
  if (work.season !== 'warm' || isPlanted(work.sowing) || !plans(work, 'cut-second') || down) return [] // prettier-ignore
  return [
    {
      id: figureId(zoneScope(r.id), 'open-to-weeds'),
      stage: 6,
      zone: r.zone.id,
      level: 'note',
      title: say`${r.name}: the hard cut lets weeds up.`,
      says:
        schools.weeds === 'no-chemicals'
          ? 'Light reaches the soil until the turf has closed. Feed it as it greens up, mow often, and pull what comes.'
          : 'Light reaches the soil until the turf has closed, and no pre-emergence is down. One may go down first: switch it on under Approach. The label decides.',
    },
  ]
}

/** A grass of the place that the date keeps out of the mix: what it would still be worth. */
export const lateOwn = (work: ZoneWork, seed: ZoneSeed | null, weighed: Weighed): Notice[] => {
  if (seed === null || seed.overridden) return []
  const { r } = work
  // What is killed off or stripped is to go: more of it is not wanted.
  const own = plans(work, 'kill', 'strip') ? [] : r.present.map((p) => p.id)
  const wanted = new Set(r.target ? [r.target.id] : own)
  return weighed.fits
    .filter(
      ({ grass, late }) =>
        late && wanted.has(grass.id) && !seed.mix.some((m) => m.grass === grass.id),
    )
    .map(({ grass, out }) => ({
      id: figureId(zoneScope(r.id), 'late', grass.id),
      stage: 4,
      zone: r.zone.id,
      level: 'note',
      title: say`${r.name}: late for more ${verbatim(grass.short)}, so none is in the mix.`,
      says: say`${verbatim(grass.name)}: ${sure(out)}. Where the lawn should stay what it is, choose the mix yourself under Seed, or wait for its season.`,
    }))
}

/** A grass that the owner wants and that does not live there: why, and what is sown instead. */
export const wishRefused = (
  { r }: ZoneWork,
  seed: ZoneSeed | null,
  weighed: Weighed,
  schools: Schools,
  trace: Trace,
): Notice[] => {
  const { target } = r
  if (!target || !seed || seed.mix.some((m) => kindOf(trace.grass(m.grass)) === kindOf(target)))
    return []
  const least = leastSun(target, schools, trace.value(fitNumbers.renewedSun))
  const dark = num(r.sun) < least ? needsSun(least, r) : null
  const out = weighed.fits.find((f) => f.grass.id === target.id)?.out ?? dark
  const nearest = seed.mix.map((m) => trace.grass(m.grass))
  const looks = nearest
    .map((g) => `${g.short}: ${g.colour} green, leaf about ${g.leaf} mm wide`)
    .join('; ')
  return [
    {
      id: figureId(zoneScope(r.id), 'wish'),
      stage: 4,
      zone: r.zone.id,
      level: 'warn',
      title: say`${r.name}: ${verbatim(target.short)} is wanted, and does not live here.`,
      says: joined(
        [
          out ? say`Why: ${out}.` : 'It is not sown from seed.',
          say`The nearest that does is ${nearest.map((g) => g.short).join(', ')} (${verbatim(looks)}). Tell the owner, show a piece of it, and sow nothing before they agree.`,
        ],
        ' ',
      ),
    },
  ]
}

/** Seed of a grass that lives at the edge of its light: what is to be expected of it. */
export const atItsLight = (
  { r }: ZoneWork,
  seed: ZoneSeed | null,
  schools: Schools,
  trace: Trace,
): Notice[] => {
  const reading = trace.value(lightTrust.reading)
  const { renewedSun } = trace.values(fitNumbers)
  const thin = (seed?.mix ?? [])
    .map((m) => trace.grass(m.grass))
    .filter((g) => !g.passing && num(r.sun) < leastSun(g, schools, renewedSun) + reading)
  const first = thin.reduce<Grass | null>((a, g) => (a && a.sunLeast >= g.sunLeast ? a : g), null)
  if (!first || !r.sunKnown) return []
  const least = leastSun(first, schools, renewedSun)
  const lives = livesThere(r, trace) && r.present.some((g) => g.id === first.id)
  const under = num(r.sun) < least
  return [
    {
      id: figureId(zoneScope(r.id), 'at-its-light'),
      stage: 4,
      zone: r.zone.id,
      level: 'note',
      title: under
        ? say`${r.name}: less light than ${verbatim(first.short)} wants.`
        : say`${r.name}: ${verbatim(first.short)} is near the edge of its light.`,
      says: joined(
        [
          say`It wants ${quantity(least, 'h')} of sun; here it gets ${r.sun}, and a reading is good to ${quantity(reading, 'h')} at best.`,
          lives ? 'It stands there, so more of it may.' : '',
          'Expect it thin, raise the cut, keep feet off, and sow again where it thins: more light would do more than more seed.',
        ].filter((m) => m !== ''),
        ' ',
      ),
      figure: r.sun.id,
    },
  ]
}

/** Seed on ground that nothing opens is said: a person switched the opening off. */
export const unopened = (work: ZoneWork): Notice[] => {
  const { r } = work
  if (!r.area || !plans(work, 'sow') || work.operations.some((o) => OPERATIONS[o.operation].opens))
    return []
  return [
    {
      id: figureId(zoneScope(r.id), 'unopened'),
      stage: 6,
      zone: r.zone.id,
      level: 'warn',
      title: say`${r.name}: nothing opens the ground before seed.`,
      says: 'Seed on crust or hard ground does not touch soil, and one in five or fewer comes up. Switch on a rake, blades or cores under Approach.',
    },
  ]
}

/** Ground that may only be asleep: everything that harms it waits for a count. */
export const asleep = (work: ZoneWork): Notice[] => {
  const { r } = work
  if (!plans(work, 'recheck') || r.recounted !== null) return []
  return [
    {
      id: figureId(zoneScope(r.id), 'dormant'),
      stage: 6,
      zone: r.zone.id,
      level: 'hold',
      title: say`${r.name}: nothing is cut, opened, killed or sown before it is counted again.`,
      says: 'Brown grass may only be asleep, and a count made now calls it bare. Water a square today and count the tufts that green ten days on: the days below go by the first count, and change with the second. Straw may come out meanwhile, with shallow holes, water and a light feed.',
    },
  ]
}

/** Ground that the blades leave open, with nothing sown on it. */
export const leftOpen = ({ r, bareAfter, staysOpen }: ZoneWork): Notice[] =>
  staysOpen && bareAfter
    ? [
        {
          id: figureId(zoneScope(r.id), 'left-open'),
          stage: 3,
          zone: r.zone.id,
          level: 'warn',
          title: say`${r.name}: about ${quantity(Math.round(num(bareAfter)), '%')} lies bare after the blades, and nothing is sown.`,
          says: 'From so much a sward does not close in a season, so no date is promised. Count after the first pass and decide there: stop, sow it in its season, or leave it open and tell the customer.',
          figure: bareAfter.id,
        },
      ]
    : []

/** Lows that are too deep for lifts: what is done instead, beside the two other ways. */
export const laidBack = (work: ZoneWork, trace: Trace): Notice[] => {
  const { r, leaf } = work
  if (!plans(work, 'lay-back')) return []
  const depth = r.lowsDepth ?? r.fill?.deepest ?? null
  if (!depth) return []
  const limit = leafRules.limit.compute({ leaf: num(leaf) }, trace.values(leafRules.limit.values)) as number // prettier-ignore
  const lifts = Math.ceil(num(depth) / limit - 1e-9)
  return [
    {
      id: figureId(zoneScope(r.id), 'laid-back'),
      stage: 5,
      zone: r.zone.id,
      level: 'note',
      title: say`${r.name}: lows of ${depth} are filled under the turf.`,
      says: joined(
        [
          'The turf is lifted, soil goes in firmed layers, and it is laid back: no seed, its joints show for about three weeks, and it is watered like laid turf until it holds.',
          'Filled in one go and sown it lies bare for six to eight weeks: choose “bury and reseed” under Materials.',
          lifts > 1
            ? say`In thin lifts it would take ${lifts}, four weeks apart in growth: switch the dressing on under Approach.`
            : '',
        ].filter((m) => m !== ''),
        ' ',
      ),
      figure: depth.id,
    },
  ]
}

/** Passes of the blades that are left for next season, because the sward would not close again. */
export const restNextSeason = ({ r, operations }: ZoneWork): Notice[] => {
  const scarify = operations.find((o) => o.operation === 'scarify')
  const asked = Math.max(0, ...(scarify?.asks ?? []).map((a) => a.passes ?? 1))
  if (!scarify || scarify.yours || asked <= scarify.passes) return []
  return [
    {
      id: figureId(zoneScope(r.id), 'rest-next-season'),
      stage: 3,
      zone: r.zone.id,
      level: 'note',
      title: say`${r.name}: one pass of the blades now, the rest next season.`,
      says: 'The mat asks for more, but each pass takes living grass too, and this grass does not spread: without seed that is watered nothing would close the ground. Sow and water it, or plan the next pass for its next season.',
    },
  ]
}

/** What the weeds seen want next year, in its right month. */
export const keptInMind = (r: ZoneReadings, schools: Schools): Notice[] =>
  r.zone.weedsSeen.flatMap((id): Notice[] => {
    const weed = weedFor(id, schools)
    return weed.nextYear
      ? [
          {
            id: figureId(zoneScope(r.id), `next-year.${id}`),
            stage: 2,
            zone: r.zone.id,
            level: 'note',
            title: say`${r.name}: in its next season, ${weed.name}.`,
            says: weed.nextYear,
          },
        ]
      : []
  })

/** Children and pets on ground that is sprayed. */
export const reEntry = ({ users }: Pick<Job, 'users'>, { r, operations }: ZoneWork): Notice[] => {
  const who = users.filter((u) => u !== 'public').map((u) => USER_NAMES[u])
  if (who.length === 0 || !operations.some((o) => namesProduct(o.operation))) return []
  return [
    {
      id: figureId(zoneScope(r.id), 're-entry'),
      stage: 6,
      zone: r.zone.id,
      level: 'warn',
      title: say`${r.name}: ${who.join(' and ')} on ground that is sprayed.`,
      says: 'They stay off until the label’s time of re-entry is past. Tell the household the day and the hour, or choose the way without chemicals under Approach.',
    },
  ]
}

export const livePests = (
  r: ZoneReadings,
  work: ZoneWork,
  findings: readonly Finding[],
): Notice[] => {
  const pests = findingOf(findings, r.id, 'pests')
  if (pests?.verdict !== 'hold' || !isPlanted(work.sowing)) return []
  return [
    {
      id: figureId(zoneScope(r.id), 'live-pests'),
      kind: 'live-pests',
      stage: 6,
      zone: r.id,
      level: 'hold',
      title: say`${r.name}: live pests.`,
      says: joined([
        pests.says,
        'Never sow into live pests: seedlings are the first they take. The sowing waits for a look again; note them as gone under Zones when they are.',
      ]),
      ...(pests.figure ? { figure: pests.figure } : {}),
    },
  ]
}

export const withoutSeed = (r: ZoneReadings, why: Message): Notice => ({
  id: figureId(zoneScope(r.id), 'without-seed'),
  stage: 4,
  zone: r.id,
  level: 'warn',
  title: say`${r.name}: no seed.`,
  says: why,
})

export const noSeedFits = (r: ZoneReadings, nothing: Message | null): Notice => ({
  id: figureId(zoneScope(r.id), 'no-seed'),
  stage: 4,
  zone: r.id,
  level: 'hold',
  title: say`${r.name}: no seed fits here.`,
  says: joined([
    nothing,
    r.present.some((g) => g.newRate === null)
      ? 'Fill gaps with runners or plugs of the turf there.'
      : 'Change the light or the height of cut, or choose another plant.',
  ]),
})
