import type {
  FigureId,
  GrassId,
  LotId,
  PackageId,
  ShapeId,
  StepId,
  TreatmentId,
  ZoneId,
} from '../rules/id.ts'

/**
 * What a figure is of. Every kind has its own prefix, so no id a person or a file chooses can be
 * taken for another kind's.
 */
export interface Scope {
  id: string
  zone?: ZoneId
}

export const JOB: Scope = { id: 'job' }
/**
 * A zone sown a second time, in its season: its second round has ids of its own. No zone's own id
 * holds a tilde.
 */
export const laterRound = (zone: ZoneId): ZoneId => `${zone}~later`
/** The zone a round belongs to. */
export function zoneOf(round: ZoneId): ZoneId {
  const at = round.indexOf('~')
  return at < 0 ? round : round.slice(0, at)
}
export const zoneScope = (round: ZoneId): Scope => ({ id: `zone:${round}`, zone: zoneOf(round) })
export const shapeScope = (shape: ShapeId, zone: ZoneId): Scope => ({ id: `shape:${shape}`, zone })
export const lotScope = (lot: LotId): Scope => ({ id: `lot:${lot}` })
/** The lots of a grass together. */
export const grassLotsScope = (grass: GrassId): Scope => ({ id: `lot:${grass}` })
export const treatmentScope = (treatment: TreatmentId): Scope => ({ id: `treatment:${treatment}` })
export const packageScope = (workPackage: PackageId): Scope => ({ id: `package:${workPackage}` })
export const stepScope = (step: StepId): Scope => ({ id: `step:${step}` })

export const figureId = (scope: Scope, key: string, part?: string): FigureId =>
  `${scope.id}.${key}${part === undefined ? '' : `.${part}`}`

/** What of a declaration says where its figure lies. */
interface Keyed {
  key: string
}
/** The figure of a rule, a reading or a setting in a scope; null where there is none. */
export const figureOf = <F>(
  { figures }: { figures: Readonly<Record<FigureId, F>> },
  by: Keyed,
  scope: Scope,
  part?: string,
): F | null => figures[figureId(scope, by.key, part)] ?? null
