import type { PlannedStep } from '@juvena/core/plan/order'
import { pinKeys, readStepKey } from '@juvena/core/schedule/stepRecords'
import { useJob } from '../../stores/job.ts'

/** The pins of the job's steps: days that a person decided. */
export function usePins() {
  const job = useJob()
  /**
   * Whether a pin is kept for a step: by operation and zone, or as before version 3 by its work
   * package.
   */
  const isPinOf = (key: string, step: PlannedStep) => {
    const read = readStepKey(key)
    return (
      read?.kind === step.kind &&
      read.part === step.part &&
      (read.zone === null ? read.workPackage === step.workPackage : step.zones.includes(read.zone))
    )
  }
  const pinOf = (step: PlannedStep) =>
    Object.entries(job.draft?.pins ?? {}).find(([key]) => isPinOf(key, step))
  /** Pins a step to a day, or lets it float. */
  function pin(step: PlannedStep, day: string | null) {
    job.edit(`pin.${step.id}`, (d) => {
      const pins = { ...d.pins }
      for (const key of Object.keys(pins)) if (isPinOf(key, step)) delete pins[key]
      if (day) for (const key of pinKeys(step.kind, step.zones, step.part)) pins[key] = day
      d.pins = pins
    })
  }
  const unpin = (key: string) =>
    job.edit(`pin.${key}`, (d) => {
      const pins = { ...d.pins }
      delete pins[key]
      d.pins = pins
    })
  return { pinOf, pin, unpin }
}
