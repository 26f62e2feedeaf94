/** What a figure is of. Every kind has its own prefix, so no id a person or a file chooses can be taken for another kind's. */
export interface Scope {
  id: string
  zone?: string
}

export const JOB: Scope = { id: 'job' }
export const zoneScope = (zone: string): Scope => ({ id: `zone:${zone}`, zone })
export const shapeScope = (shape: string, zone: string): Scope => ({ id: `shape:${shape}`, zone })
export const lotScope = (grass: string): Scope => ({ id: `lot:${grass}` })
export const treatmentScope = (treatment: string): Scope => ({ id: `treatment:${treatment}` })
export const packageScope = (workPackage: string): Scope => ({ id: `package:${workPackage}` })
export const stepScope = (step: string): Scope => ({ id: `step:${step}` })

export const figureId = (scope: Scope, key: string, part?: string): string => `${scope.id}.${key}${part === undefined ? '' : `.${part}`}`
/** Id of a zone's figure, for those who look one up. */
export const zoneFigure = (zone: string, key: string): string => figureId(zoneScope(zone), key)
