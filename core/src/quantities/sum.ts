export const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0)
export const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((total, x, i) => total + x * b[i]!, 0)
