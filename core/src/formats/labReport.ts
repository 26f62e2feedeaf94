/**
 * A laboratory's report of one sample, from rows of text: either a row for each measure (name,
 * value, unit or index), or a heading of names over a row of values. Known measures: pH,
 * phosphorus, potassium, organic matter, date. An index may be a word, or the numbers 0 to 9 of an
 * index scale, of which 2 is taken as adequate.
 */
export interface LabFound {
  ph?: number
  phosphorus?: 'low' | 'adequate' | 'high'
  potassium?: 'low' | 'adequate' | 'high'
  organic?: string
  /** Lime, with its unit as written. */
  lime?: string
  on?: string
}

const MEASURES: [keyof LabFound, RegExp][] = [
  ['ph', /^(soil\s*)?ph\b/i],
  ['phosphorus', /^(p\b|phosphorus|phosphate|olsen)/i],
  ['potassium', /^(k\b|potassium|potash)/i],
  ['organic', /^(om\b|organic)/i],
  ['lime', /^lime/i],
  ['on', /^(date|sampled|reported)/i],
]

function level(text: string): 'low' | 'adequate' | 'high' | null {
  const word =
    /\b(very low|deficient|low|adequate|sufficient|optimum|medium|normal|very high|excessive|high)\b/i
      .exec(text)?.[1]
      ?.toLowerCase()
  if (word)
    return /low|deficient/.test(word) ? 'low' : /high|excessive/.test(word) ? 'high' : 'adequate'
  const index = /^index\s*(\d)|^(\d)\s*[+-]?$/i.exec(text.trim())
  if (!index) return null
  const n = Number(index[1] ?? index[2])
  return n < 2 ? 'low' : n > 3 ? 'high' : 'adequate'
}

/** What the rows say, and a sentence on what was and was not understood. */
export function labReport(cells: readonly (readonly string[])[]): {
  found: LabFound
  says: string
} {
  const rows = cells
    .map((row) => row.map((c) => c.trim()))
    .filter((row) => row.some((c) => c !== ''))
  const heading = rows[0] ?? []
  const across = heading.filter((c) => MEASURES.some(([, words]) => words.test(c))).length > 1
  const pairs: [string, string][] = across
    ? heading.map((name, i): [string, string] => [name, rows[1]?.[i] ?? ''])
    : rows.map((row): [string, string] => [row[0] ?? '', row.slice(1).filter(Boolean).join(' ')])
  const found: LabFound = {}
  const odd: string[] = []
  for (const [name, value] of pairs) {
    const measure = MEASURES.find(([, words]) => words.test(name))?.[0]
    if (!measure || value === '') continue
    const number = Number(/-?\d+(?:\.\d+)?/.exec(value)?.[0])
    if (measure === 'ph' && number >= 3 && number <= 11) found.ph = number
    else if (measure === 'organic' && number >= 0 && number <= 100) found.organic = `${number} %`
    else if (measure === 'lime' && number > 0) found.lime = value
    else if (measure === 'on') found.on = value
    else if (measure === 'phosphorus' || measure === 'potassium') {
      const read = level(value)
      if (read) found[measure] = read
      else
        odd.push(
          `${name}: “${value.slice(0, 30)}” is no index; enter low, adequate or high by the laboratory’s own words`,
        )
    } else odd.push(`${name}: “${value.slice(0, 30)}” is out of range`)
  }
  const got = Object.keys(found).length
  return {
    found,
    says:
      got === 0 && odd.length === 0
        ? 'Nothing known was found: rows named pH, phosphorus, potassium or organic matter are wanted.'
        : [
            `${got} ${got === 1 ? 'reading' : 'readings'} imported.`,
            ...odd.map((o) => `${o}.`),
          ].join(' '),
  }
}
