import { sure } from './sure.ts'
/** A plain decimal text with its thousands marked: "-1234.5" to "-1,234.5". */
export function markThousands(text: string): string {
  const [whole, part] = text.split('.')
  const marked = sure(whole).replace(/\B(?=(\d{3})+$)/g, ',')
  return part === undefined ? marked : `${marked}.${part}`
}
