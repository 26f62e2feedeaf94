export type Axis = 'latitude' | 'longitude'
export type Degrees = { ok: true; value: number } | { ok: false; sentence: string }

/** Letters and words of a half of the world, and the sign they stand for. */
const HALVES: Record<Axis, Record<string, 1 | -1>> = {
  latitude: { n: 1, north: 1, s: -1, south: -1 },
  longitude: { e: 1, east: 1, w: -1, west: -1 },
}
const MOST: Record<Axis, number> = { latitude: 90, longitude: 180 }
const EXAMPLE: Record<Axis, string> = {
  latitude: '52.5 N, 52°30′N or −44.2',
  longitude: '1.25 W, 1°15′W or 170.1',
}
const ANGLE =
  /^([+\-−]?)\s*(\d{1,3}(?:[.,]\d+)?)\s*(?:(?:°|º|d|deg)\s*|\s+|$)(?:(\d{1,2}(?:[.,]\d+)?)\s*(?:(?:'|′|’|m|min)\s*|\s+|$))?(?:(\d{1,2}(?:[.,]\d+)?)\s*(?:"|″|”|''|s|sec)?)?$/i

/**
 * A latitude or longitude as a person writes it, in degrees, north and east positive: "52.5 N",
 * "52°30′N", "S 44 12 0", "−44.2".
 */
export function parseDegrees(typed: string, axis: Axis): Degrees {
  const wrong = (why: string): Degrees => ({
    ok: false,
    sentence: `“${typed.slice(0, 40)}” ${why} Write a ${axis} like ${EXAMPLE[axis]}.`,
  })
  const text = typed.trim().toLowerCase()
  const lettered = /^(north|south|east|west|[nsew])?\s*(.*?)\s*(north|south|east|west|[nsew])?$/.exec(text) // prettier-ignore
  const half = lettered?.[1] ?? lettered?.[3]
  const m = ANGLE.exec(lettered?.[2] ?? '')
  if (!m || (lettered?.[1] && lettered[3])) return wrong(`is no ${axis}.`)
  const sign = half === undefined ? 1 : HALVES[axis][half]
  if (sign === undefined) return wrong(`is a ${axis === 'latitude' ? 'longitude' : 'latitude'}.`)
  if (half !== undefined && m[1] !== '') return wrong('has a sign and a letter: one of them will do.') // prettier-ignore
  const [degrees, minutes, seconds] = [m[2], m[3], m[4]].map((part) => Number((part ?? '0').replace(',', '.'))) as [number, number, number] // prettier-ignore
  if (minutes >= 60 || seconds >= 60) return wrong('has more than 59 minutes or seconds.')
  const size = degrees + minutes / 60 + seconds / 3600
  if (size > MOST[axis]) return wrong(`is over ${MOST[axis]} degrees.`)
  const value = (m[1] === '-' || m[1] === '−' ? -1 : sign) * size
  return { ok: true, value: Math.round(value * 1e6) / 1e6 }
}

/** Latitude and longitude pasted as a pair; null where it is none. */
export function parsePair(typed: string): { latitude: number; longitude: number } | null {
  const text = typed
    .trim()
    .replace(/^geo:/i, '')
    .replace(/[()[\]]/g, '')
  const splits = [/^(.+?)\s*[;/]\s*(.+)$/, /^(.+?)\s*,\s+(.+)$/, /^(.*[.nsew°′'].*?)\s*,\s*(.+)$/i, /^(.*[nsew])\s+(.+)$/i, /^([+\-−]?\d+\.\d+)\s+([+\-−]?\d+\.\d+)$/] // prettier-ignore
  for (const split of splits) {
    const m = split.exec(text)
    if (!m) continue
    const [a, b] = [parseDegrees(m[1]!, 'latitude'), parseDegrees(m[2]!, 'longitude')]
    if (a.ok && b.ok) return { latitude: a.value, longitude: b.value }
  }
  return null
}
