import { namesProduct } from '../entities/diary.ts'
import type { Job } from '../entities/job.ts'
import { findingOf, type Finding } from '../findings/finding.ts'
import { USER_NAMES } from '../reference/lists.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { WEEDS, type SeenWeed } from '../reference/walkLists.ts'
import type { ZoneSeed } from '../seed/seedPlan.ts'
import type { Notice } from '../trace/figure.ts'
import { joined, say, type Message } from '../rules/message.ts'
import { figureId, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { isPlanted } from '../work/sowing.ts'
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
export const keptInMind = (r: ZoneReadings): Notice[] =>
  r.zone.weedsSeen.flatMap((id): Notice[] => {
    const weed: SeenWeed = WEEDS[id]
    return weed.nextYear
      ? [
          {
            id: figureId(zoneScope(r.id), `next-year.${id}`),
            stage: 2,
            zone: r.zone.id,
            level: 'note',
            title: say`${r.name}: for next year, ${weed.name}.`,
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
