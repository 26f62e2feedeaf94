import type { Job } from '../entities/job.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { num } from '../trace/figure.ts'
import { say, quantity, type Message } from '../rules/message.ts'
import type { Trace } from '../trace/trace.ts'
import { surveyLines } from '../walkover/surveyRules.ts'
import type { Finding } from './finding.ts'
import { moistureLines, thatchLines, wantedLines } from './lines.ts'

/**
 * A reading that would make the plan surer, and what it would decide. Never a condition of going
 * on.
 */
export interface Wanted {
  what: Message
  why: Message
}

/**
 * What else is worth reading in a zone, beyond the findings that are unread: only where its answer
 * could change something. Common practice.
 */
export function stillWanted(
  r: ZoneReadings,
  found: readonly Finding[],
  job: Job,
  trace: Trace,
): Wanted[] {
  const { zone } = r
  const wanted: Wanted[] = []
  const of = (kind: Finding['kind']) => found.find((f) => f.kind === kind)
  const fine = trace.value(thatchLines.fine)
  const mossy = r.moss !== null && num(r.moss) >= trace.value(wantedLines.mossForPh)
  if (r.ph === null && mossy)
    wanted.push({ what: 'pH', why: 'Would settle whether the moss is asking for lime.' })
  if (zone.ponding === null && (of('compaction')?.verdict === 'act' || mossy))
    wanted.push({
      what: 'How long water stands',
      why: 'Over an hour speaks of a cap or a hollow that holes alone do not cure.',
    })
  if (r.lowsDepth === null && (job.aims.includes('level') || zone.mower === 'reel'))
    wanted.push({
      what: 'Levels',
      why: 'A level lawn is wanted: two dozen heights by string line tell the fill to a barrow.',
    })
  if (
    r.thatch &&
    zone.plugs.length < 3 &&
    Math.abs(num(r.thatch) - fine) <= trace.value(wantedLines.nearThatch)
  )
    wanted.push({
      what: 'Three plugs of thatch',
      why: say`It stands near the ${quantity(fine, 'mm')} line; one plug may be the odd one.`,
    })
  if (r.thatch === null && zone.spongy)
    wanted.push({
      what: 'Plugs of thatch',
      why: 'It gives underfoot: a mat on top, or a layer below. Its depth decides on {scarify}.',
    })
  if (zone.texture === null && zone.precipitation !== null)
    wanted.push({ what: 'Texture', why: 'Decides how fast water may go on before it runs off.' })
  if (
    zone.present.length === 0 &&
    (r.wanted === null || num(r.wanted) > trace.value(wantedLines.grassKnown))
  )
    wanted.push({
      what: 'The grass there now',
      why: 'Seed that does not match it in leaf and colour shows for years.',
    })
  if (zone.damp === null && of('thatch')?.verdict === 'hold')
    wanted.push({
      what: say`A wedge at ${quantity(trace.value(moistureLines.wedge), 'mm')}`,
      why: 'Under a deep mat soil is often dust-dry, and then water comes before cores.',
    })
  if (r.area && r.areaError === 0 && num(r.area) >= trace.value(surveyLines.large))
    wanted.push({
      what: 'How it was measured',
      why: 'On ground this large a pace out is worth a bag: say by tape or by pacing.',
    })
  return wanted
}
