/**
 * Most bytes of pictures one file carries, and most bytes the whole file may then have: in base64
 * four bytes stand for three.
 */
export const FILE_PICTURE_BYTES = 44_000_000
export const FILE_BYTES = 64_000_000

/**
 * The photographs a file carries: the pictures plans are traced over first, then as many of the
 * rest as fit, in the order given.
 */
export function photosThatFit<T extends { kind: 'ground' | 'plan'; bytes: number }>(
  photos: readonly T[],
): T[] {
  let left = FILE_PICTURE_BYTES
  return [...photos]
    .sort((a, b) => Number(b.kind === 'plan') - Number(a.kind === 'plan'))
    .filter((p) => p.bytes <= left && ((left -= p.bytes), true))
}
