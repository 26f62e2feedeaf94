export function measureSlowness(): number
export function limit(ms: number): number
