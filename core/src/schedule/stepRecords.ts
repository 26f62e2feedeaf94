import type { StepId, ZoneId } from '../rules/id.ts'
import type { LooseRecord, StepRef } from '../plan/order.ts'
import type { Day } from '../calendar/day.ts'
import { activeEntries, type DiaryEntry } from '../entities/diary.ts'
import { isStepKind, type StepKind } from '../reference/operations.ts'

/**
 * A step is an operation on some zones. What a person decided or did is kept by operation and zone,
 * so that it stays with the ground when the approach, the grass or the name of a zone changes, and
 * when zones are worked together or apart.
 */
export const stepId = (kind: StepKind, zones: readonly ZoneId[], part?: number): StepId =>
  `${kind}${part ? `#${part}` : ''}/${[...zones].sort()[0]}`

/** What records are matched to, of a step of a package. */
export const stepRef = (
  { kind, zones, part }: { kind: StepKind; zones: readonly string[]; part?: number },
  workPackage: string,
): StepRef => ({ kind, zones, workPackage, ...(part ? { part } : {}) })

/** The keys under which a pin for a step is kept: one for each zone. */
export const pinKeys = (kind: StepKind, zones: readonly string[], part?: number): string[] =>
  zones.map((zone) => `${kind}${part ? `#${part}` : ''}/${zone}`)

interface StepKey {
  kind: StepKind
  /** Which of several repeats: the third lift. Nothing for the first. */
  part?: number
  /** Null in keys of before version 3, which named a work package instead: "sow-cool.scarify". */
  zone: string | null
  workPackage: string | null
}

/** Reads a key of a pin or a tick; null for one that names no step known here. */
export function readStepKey(key: string): StepKey | null {
  const slash = key.indexOf('/')
  if (slash > 0) {
    const [kind = '', part] = key.slice(0, slash).split('#')
    return isStepKind(kind)
      ? {
          kind,
          ...(part ? { part: Number(part) } : {}),
          zone: key.slice(slash + 1),
          workPackage: null,
        }
      : null
  }
  const dot = key.indexOf('.')
  const kind = key.slice(dot + 1)
  return dot > 0 && isStepKind(kind) ? { kind, zone: null, workPackage: key.slice(0, dot) } : null
}

/** The zones an entry ticked a step off on; none where its key, of before version 3, names no zone. */
export const tickedZones = (
  { stepZones }: Pick<DiaryEntry, 'stepZones'>,
  { zone }: StepKey,
): readonly ZoneId[] => (stepZones.length > 0 ? stepZones : zone === null ? [] : [zone])

export interface StepTick {
  entry: string
  day: Day
  key: StepKey
  zones: readonly string[]
  /** What was found there. */
  found: DiaryEntry['found']
}

/** The pins and ticks of a job, found for a step by operation and zone. */
export class StepRecords {
  private readonly pins: { id: string; day: Day; key: StepKey }[]
  private readonly ticks: StepTick[]
  private readonly claimed = new Set<string>()

  constructor(
    pins: Readonly<Record<string, Day | null>>,
    diary: readonly DiaryEntry[],
    /**
     * Every step of the plan: a key of before version 3 goes by its package, or else to the only
     * step of its kind.
     */
    private readonly planned: readonly StepRef[],
  ) {
    this.pins = Object.entries(pins).flatMap(([id, day]) => {
      const key = readStepKey(id)
      return key && day ? [{ id, day, key }] : []
    })
    this.ticks = activeEntries(diary).flatMap((entry): StepTick[] => {
      const key = entry.step === null ? null : readStepKey(entry.step)
      if (!key) return []
      const zones = tickedZones(entry, key)
      return [{ entry: entry.id, day: entry.date, key, zones, found: entry.found }]
    })
  }

  private matches(key: StepKey, zones: readonly string[], step: StepRef): boolean {
    if (key.kind !== step.kind || key.part !== step.part) return false
    if (zones.length > 0) return zones.some((zone) => step.zones.includes(zone))
    const sameKind = this.planned.filter((s) => s.kind === key.kind)
    return (
      key.workPackage === step.workPackage ||
      (sameKind.length === 1 && !sameKind.some((s) => s.workPackage === key.workPackage))
    )
  }

  /** The day a person fixed for a step, or null. */
  pinOf(step: StepRef): Day | null {
    const pin = this.pins.filter(({ key }) =>
      this.matches(key, key.zone === null ? [] : [key.zone], step),
    )
    pin.forEach((p) => this.claimed.add(`pin ${p.id}`))
    return pin[0]?.day ?? null
  }

  /** The last day a step was ticked off, or null; and those of its zones that no tick covers. */
  doneOf(step: StepRef): { day: Day; uncovered: string[] } | null {
    const ticks = this.ticks.filter((t) => this.matches(t.key, t.zones, step))
    if (ticks.length === 0) return null
    ticks.forEach((t) => this.claimed.add(`tick ${t.entry}`))
    const whole = ticks.some((t) => t.zones.length === 0)
    const covered = new Set(ticks.flatMap((t) => t.zones))
    return { day: ticks.map((t) => t.day).sort().at(-1)!, uncovered: whole ? [] : step.zones.filter((zone) => !covered.has(zone)) } // prettier-ignore
  }

  /** Entries that tick a step off, by id, in the order they were written. */
  ticksOf(step: StepRef): string[] {
    return this.ticks.filter((t) => this.matches(t.key, t.zones, step)).map((t) => t.entry)
  }

  /** What was found at a look, as last recorded; null where nothing was. */
  foundAt(step: StepRef): DiaryEntry['found'] {
    const ticks = this.ticks.filter((t) => t.found !== null && this.matches(t.key, t.zones, step))
    return [...ticks].sort((a, b) => a.day.localeCompare(b.day)).at(-1)?.found ?? null
  }

  /** Pins and ticks that no step asked for: those of steps no longer planned. Ask last. */
  loose(): LooseRecord[] {
    const pins = this.pins
      .filter((p) => !this.claimed.has(`pin ${p.id}`))
      .map((p): LooseRecord => ({
        kind: p.key.kind,
        zones: p.key.zone === null ? [] : [p.key.zone],
        pin: { key: p.id, day: p.day },
        tick: null,
      }))
    const ticks = this.ticks
      .filter((t) => !this.claimed.has(`tick ${t.entry}`))
      .map((t): LooseRecord => ({
        kind: t.key.kind,
        zones: [...t.zones],
        pin: null,
        tick: { entry: t.entry, day: t.day },
      }))
    return [...pins, ...ticks]
  }
}
