/** Where a step stands. `unrecorded` lies before one that is done, without an entry of its own. */
export type StepState = 'planned' | 'pinned' | 'done' | 'unrecorded'

/** Whether a step is behind: done, or passed over by one that is. */
export const isBehind = ({ state }: { state: string }): boolean =>
  state === 'done' || state === 'unrecorded'
