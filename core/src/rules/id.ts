/**
 * Text that is the id of one kind of thing: an id of one kind is never taken for another's, while
 * plain text (from a file, a test) still serves as any.
 */
export type Id<Of extends string> = string & { readonly idOf?: Of }

export type ZoneId = Id<'zone'>
export type StepId = Id<'step'>
export type GrassId = Id<'grass'>
export type LotId = Id<'lot'>
export type TreatmentId = Id<'treatment'>
export type ShapeId = Id<'shape'>
export type PackageId = Id<'package'>
export type FigureId = Id<'figure'>
