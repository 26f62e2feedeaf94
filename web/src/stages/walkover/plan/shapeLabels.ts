import { sure } from '@juvena/core/quantities/sure'
import type { Ref } from 'vue'
import { parseQuantity, type Kind } from '@juvena/core/quantities/quantity'
import type { Unit } from '@juvena/core/quantities/show'
import type { Point, Ring, ShapeDraft } from '@juvena/core/entities/drawing'
import { num } from '@juvena/core/trace/figure'
import { areaOf, boxOf, inside, lengthOf } from '@juvena/core/drawing/geometry'
import { shapeName } from '@juvena/core/drawing/shapeEdits'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'
import type { Overlay } from './shapeStyles.ts'

/** What is written on a shape: its name, and beneath it what the overlay asks of it. */
export function useShapeLabels(overlay: Ref<Overlay>) {
  const firm = useFirm()
  const job = useJob()
  const areaText = (zone: string) => {
    const f = job.ofZone(zone, 'area')
    return f ? firm.hand(num(f), 'm2') : ''
  }
  /**
   * Whether the ground just south of a lawn is no other lawn's, so that its name may stand there.
   */
  function freeBelow(s: ShapeDraft): boolean {
    const box = sure(boxOf((s.at as Ring[])[0]!))
    const below: Point = [(box.west + box.east) / 2, box.south - 1]
    return !(job.draft?.drawing?.shapes ?? []).some(
      (o) => o.kind === 'lawn' && o.id !== s.id && inside(below, o.at as Ring[]),
    )
  }
  function labelOf(s: ShapeDraft): { label: string; sub: string; foot?: boolean } {
    const at = s.at as Ring[]
    /** A reading in the firm's units, whatever it was typed in; as typed when it cannot be read. */
    const say = (typed: string | number | null | undefined, kind: Kind, unit: Unit) => {
      if (typed === null || typed === undefined || typed === '') return ''
      if (typeof typed === 'number') return firm.hand(typed, unit)
      const parsed = parseQuantity(typed, kind)
      return parsed.ok ? firm.hand(parsed.value, unit) : typed
    }
    if (s.kind === 'lawn') {
      const zone = job.zones.find((z) => z.id === s.zone)
      const name = zone?.name || 'Unnamed zone'
      if (overlay.value === 'cover') {
        const f = job.ofZone(s.zone, 'wanted')
        return { label: name, sub: f ? `${firm.hand(f.value, '%')} wanted` : 'cover not counted' }
      }
      if (overlay.value === 'light') {
        const f = job.ofZone(s.zone, 'sun')
        return { label: name, sub: f && f.standing !== 'assumed' ? firm.hand(f.value, 'h') : '' }
      }
      if (overlay.value === 'levels') {
        const f = job.ofZone(s.zone, 'fill')
        // Its middle is for the readings.
        return {
          label: name,
          sub: f ? `fill ${firm.hand(f.value, 'm3')}` : '',
          foot: f !== null && freeBelow(s),
        }
      }
      return { label: name, sub: s.zone ? areaText(s.zone) : '' }
    }
    const name = shapeName(s)
    if (s.kind === 'bare' || s.kind === 'bed' || s.kind === 'low')
      return {
        label: name,
        sub: [firm.hand(areaOf(at), 'm2'), say(s.depth, 'depth', 'mm')].filter(Boolean).join(', '),
      }
    if (s.kind === 'building' || s.kind === 'wall' || s.kind === 'tree')
      return { label: name, sub: say(s.height, 'length', 'm') }
    if (s.kind === 'tap') return { label: name, sub: say(s.flow, 'flow', 'L/min') }
    if (s.kind === 'head') return { label: name, sub: '' }
    return {
      label: name,
      sub: [firm.hand(lengthOf(at[0]!), 'm'), say(s.depth, 'depth', 'mm')]
        .filter(Boolean)
        .join(', '),
    }
  }
  return { labelOf }
}
