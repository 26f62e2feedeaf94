/**
 * What a figure is of. Every kind has its own prefix, so no id a person or a file chooses can be
 * taken for another kind's.
 */
export interface Scope {
  id: string
  zone?: string
}

export const JOB: Scope = { id: 'job' }
/**
 * A zone sown a second time, in its season: its second round has ids of its own. No zone's own id
 * holds a tilde.
 */
export const laterRound = (zone: string): string => `${zone}~later`
/** The zone a round belongs to. */
export function zoneOf(round: string): string {
  const at = round.indexOf('~')
  return at < 0 ? round : round.slice(0, at)
}
export const zoneScope = (round: string): Scope => ({ id: `zone:${round}`, zone: zoneOf(round) })
export const shapeScope = (shape: string, zone: string): Scope => ({ id: `shape:${shape}`, zone })
export const lotScope = (grass: string): Scope => ({ id: `lot:${grass}` })
export const treatmentScope = (treatment: string): Scope => ({ id: `treatment:${treatment}` })
export const packageScope = (workPackage: string): Scope => ({ id: `package:${workPackage}` })
export const stepScope = (step: string): Scope => ({ id: `step:${step}` })

export const figureId = (scope: Scope, key: string, part?: string): string =>
  `${scope.id}.${key}${part === undefined ? '' : `.${part}`}`
/** Id of a zone's figure, for those who look one up. */
export const zoneFigure = (zone: string, key: string): string => figureId(zoneScope(zone), key)
