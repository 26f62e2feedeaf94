/** A town of the gazetteer that ships with the server. */
export interface Town {
  name: string
  /** State, province or county; empty where none is known. */
  region: string
  country: string
  /** Degrees, north and east positive. */
  latitude: number
  longitude: number
  /** IANA name. */
  timeZone: string
}

/** Towns told for one name. */
const MOST = 8

const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()

interface Known {
  town: Town
  name: string
  where: string
  people: number
}
let read: Promise<readonly Known[]> | undefined
/** Some seven thousand towns, read once when the first is asked for; the largest first. */
const known = () =>
  (read ??= import('city-timezones').then(({ default: { cityMapping } }) =>
    cityMapping
      .map((c) => ({
        town: {
          name: c.city,
          region: c.province ?? '',
          country: c.country,
          latitude: Math.round(c.lat * 1000) / 1000,
          longitude: Math.round(c.lng * 1000) / 1000,
          timeZone: c.timezone,
        },
        name: plain(c.city_ascii),
        where: ` ${plain(`${c.province ?? ''} ${c.state_ansi ?? ''} ${c.country} ${c.iso2} ${c.iso3}`)}`,
        people: c.pop ?? 0,
      }))
      .sort((a, b) => b.people - a.people),
  ))

/**
 * Towns whose name begins with what was typed, or has a word that does, the largest first; what
 * follows a comma narrows by state or country: "Springfield, Mo".
 */
export async function townsNamed(typed: string): Promise<Town[]> {
  const [name, ...where] = typed.split(',').map(plain)
  if (!name) return []
  const there = (await known()).filter((k) => where.every((w) => k.where.includes(` ${w}`)))
  const begins = there.filter((k) => k.name.startsWith(name))
  const within = there.filter((k) => !k.name.startsWith(name) && k.name.includes(` ${name}`))
  return [...begins, ...within].slice(0, MOST).map((k) => k.town)
}
