export const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0)
