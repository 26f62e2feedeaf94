import { describe, expect, it } from 'vitest'
import { labReport } from '../src/formats/labReport.ts'

describe('a laboratory report', () => {
  it('is read down the page or across it', () => {
    const wanted = { ph: 5.6, phosphorus: 'low', potassium: 'adequate', organic: '4.2 %' }
    expect(
      labReport([
        ['pH', '5.6'],
        ['Phosphorus', '9', 'mg/L', 'Low'],
        ['Potassium', '', 'Index 2'],
        ['Organic matter', '4.2', '%'],
      ]).found,
    ).toEqual(wanted)
    expect(
      labReport([
        ['Sample', 'pH', 'P', 'K', 'OM'],
        ['Lawn', '5.6', 'deficient', '2', '4.2'],
      ]).found,
    ).toEqual(wanted)
  })
  it.each([
    [[['<script>', 'x']], 'Nothing known'],
    [[['pH', '77']], 'out of range'],
    [[['P', '9 mg/L']], 'is no index'],
    [[], 'Nothing known'],
  ])('says what it could not use: %#', (rows, says) => {
    const read = labReport(rows)
    expect(read.found).toEqual({})
    expect(read.says).toContain(says)
  })
})
