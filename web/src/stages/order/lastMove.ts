import { sure } from '@juvena/core/quantities/sure'
import { computed, ref } from 'vue'
import type { JobDraft } from '@juvena/core/entities/job'
import { showDay } from '@juvena/core/calendar/day'
import type { PlannedStep } from '@juvena/core/plan/order'
import { differsText } from '@juvena/core/present/otherDays'
import { dayText } from '../../parts/dayRow.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { usePins } from './pins.ts'

/** What a plan was before a piece of work was moved. */
interface Before {
  step: PlannedStep
  to: string
  days: Map<string, string>
  worth: number | null
  pins: JobDraft['pins']
}

/** The piece of work that was moved last: what it cost, what else moved, and the way back. */
export function useLastMove() {
  const firm = useFirm()
  const job = useJob()
  const { pin } = usePins()
  const before = ref<Before | null>(null)
  const worthNow = () => {
    const value = job.figure(job.plan?.worth)?.value
    return typeof value === 'number' ? value : null
  }
  function move(step: PlannedStep, to: string) {
    // Several days on by the keys are one move.
    before.value =
      before.value?.step.id === step.id
        ? { ...before.value, to }
        : {
            step,
            to,
            days: new Map(job.plan?.steps.map((s) => [s.id, s.chosen])),
            worth: worthNow(),
            pins: { ...job.draft?.pins },
          }
    pin(step, to)
  }
  function undo() {
    const was = before.value
    before.value = null
    if (was) job.edit('pins', (d) => (d.pins = was.pins))
  }
  /** In sentences; null where nothing was moved. */
  const told = computed(() => {
    const { plan } = job
    if (!before.value || !plan) return null
    const { step, to, days, worth } = before.value
    const now = plan.steps.find((s) => s.id === step.id)
    if (!now) return null
    const on = (day: string) => dayText(day, job.today)
    const others = plan.steps.filter((s) => {
      const was = days.get(s.id)
      return s.id !== step.id && was !== undefined && was !== s.chosen
    })
    const worthIs = worthNow()
    const name = firm.say(step.name)
    const was = sure(days.get(step.id))
    return {
      says:
        now.chosen === to
          ? `${name} moved from ${on(was)} to ${on(to)}.`
          : `${name} cannot stand on ${on(to)}; it stands on ${on(now.chosen)}.`,
      costs:
        worth === null || worthIs === null
          ? ''
          : worth === worthIs
            ? 'The plan is worth the same.'
            : `The plan is worth ${worthIs} of 100, ${differsText(worthIs - worth)}.`,
      others:
        others.length === 0
          ? 'Nothing else moves.'
          : `Also moved: ${others.map((s) => `${firm.say(s.name)} ${showDay(sure(days.get(s.id))).slice(4)} → ${on(s.chosen)}`).join(', ')}.`,
      against: plan.notices
        .filter((n) => n.kind === 'pin' && n.step === step.id)
        .map((n) => firm.say(n.says)),
    }
  })
  return { move, undo, told, forget: () => (before.value = null) }
}
