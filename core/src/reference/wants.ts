import { words } from '../rules/message.ts'

/** Ground and weather that several operations want. */
export const moist = words('moist soil, never wet')
export const dryTurf = words('turf dried a day or two')
export const anyDay = words('any dry day')
export const openSurface = words('an open surface, not crusted')
