/**
 * A value that is there by the logic of the code and not by its type. Absence is a mistake of the
 * code, so it throws.
 */
export function sure<T>(value: T | null | undefined): T {
  if (value === null || value === undefined) throw new Error('A value that has to be there is not.')
  return value
}
