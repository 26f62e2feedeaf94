const WHO = 'juvena.who'

/** Who writes on this device, as last given; empty until somebody says. */
export const whoWrites = (): string => localStorage.getItem(WHO) ?? ''
export const rememberWho = (who: string): void => localStorage.setItem(WHO, who)
