import type { MixProblem } from '../src/seed/composeMix.ts'

/**
 * The problem of the best mix as a mixed-integer program in CPLEX LP format, for a general-purpose
 * solver: whole steps of share, a binary for each component in the mix, one for company, and for
 * each need how far it is served. Limits by weight and by plants bind in company only.
 */
export function mixAsProgram({
  components,
  needs,
  most,
  step,
  company,
  each,
  together,
}: MixProblem): string {
  const whole = Math.round(100 / step)
  const n = components.length
  const all = [...Array(n).keys()]
  const term = (x: number, name: string) => `${x < 0 ? '-' : '+'} ${Math.abs(x)} ${name}`
  const lines: string[] = []
  const objective = [
    ...components.map((c, i) => term((c.fit * step) / 100, `x${i}`)),
    ...needs.map((need, j) => term(need.weight, `z${j}`)),
    term(company, 'u'),
    ...all.map((i) => term(-each, `y${i}`)),
    // A mix of one pays for no company: 'each' is counted after the first.
    term(each, 'one'),
  ]
  lines.push(`whole: ${all.map((i) => `+ x${i}`).join(' ')} = ${whole}`)
  lines.push(`count: ${all.map((i) => `+ y${i}`).join(' ')} <= ${most}`)
  lines.push('fixed: one = 1')
  // Company stands where two or more are in; then it is 1, else 0.
  lines.push(`some: ${all.map((i) => `+ y${i}`).join(' ')} - u >= 1`)
  lines.push(`more: ${all.map((i) => `+ y${i}`).join(' ')} - ${most} u <= 1`)
  all.forEach((i) => {
    const c = components[i]!
    lines.push(`in${i}: x${i} - ${whole} y${i} <= 0`, `on${i}: x${i} - y${i} >= 0`)
    // In company (u = 1) at least and at most; alone (u = 0) neither binds.
    lines.push(`least${i}: ${step} x${i} - ${c.least} y${i} - ${c.least} u >= ${-c.least}`)
    lines.push(`most${i}: ${step} x${i} + ${100 - c.most} u <= 100`)
    const big = whole * Math.max(...components.map((o) => o.seeds))
    const plants = all
      .map((k) =>
        term((k === i ? c.seeds : 0) - (c.mostPlants / 100) * components[k]!.seeds, `x${k}`),
      )
      .join(' ')
    lines.push(`plants${i}: ${plants} + ${big} u <= ${big}`)
    for (let k = i + 1; k < n; k++)
      if (components[k]!.grass === c.grass || !together(c, components[k]!))
        lines.push(`apart${i}_${k}: y${i} + y${k} <= 1`)
  })
  needs.forEach((need, j) => {
    lines.push(
      `serves${j}: ${components.map((c, i) => term((-c.serves[j]! * step) / 100 / need.enough, `x${i}`)).join(' ')} + z${j} <= 0`,
    )
  })
  return [
    'Maximize',
    `obj: ${objective.join(' ')}`,
    'Subject To',
    ...lines,
    'Bounds',
    ...all.map((i) => `0 <= x${i} <= ${whole}`),
    ...needs.map((_, j) => `0 <= z${j} <= 1`),
    '0 <= one <= 1',
    'General',
    all.map((i) => `x${i}`).join(' '),
    'Binary',
    [...all.map((i) => `y${i}`), 'u'].join(' '),
    'End',
  ].join('\n')
}
