/**
 * A copy in plain data. Workers and saved changes take nothing else; what is shown on a page may be
 * wrapped by it.
 */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
