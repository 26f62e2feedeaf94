/** Hours as a person plans them: to the quarter, "¾ h", "2½ h"; under a quarter in minutes. */
export function hoursSaid(hours: number): string {
  if (hours <= 0) return ''
  const quarters = Math.max(1, Math.round(hours * 4))
  const whole = Math.floor(quarters / 4)
  const part = ['', '¼', '½', '¾'][quarters % 4]
  return `${whole || ''}${part} h`
}
