import { computed, shallowRef } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** Keystrokes no further apart belong to one answer, ms. */
const ONE_ANSWER = 5_000

/** What an answer moved: each piece of work with the day it had and the day it has. */
export function useWhatMoved() {
  const firm = useFirm()
  const job = useJob()
  const days = () =>
    new Map(
      (job.plan?.packages ?? []).flatMap((p) => {
        const main = p.steps.find((s) => s.kind === 'sow') ?? p.steps[0]
        return main ? [[p.id, { name: firm.say(main.name), day: main.chosen }] as const] : []
      }),
    )
  let at = -Infinity
  const before = shallowRef<ReturnType<typeof days> | null>(null)
  /** In a sentence; empty while nothing was answered. */
  const says = computed(() => {
    if (!before.value || before.value.size === 0) return ''
    const now = days()
    const on = (day: string) => showDay(day, day.slice(0, 4) !== job.today.slice(0, 4)).slice(4)
    const moved = [...before.value].flatMap(([id, was]) => {
      const is = now.get(id)
      return is && is.day !== was.day ? [`${is.name} ${on(was.day)} → ${on(is.day)}`] : []
    })
    const gone = [...before.value].filter(([id]) => !now.has(id)).map(([, was]) => was.name)
    return moved.length + gone.length === 0
      ? 'Nothing moves.'
      : `That moved ${[...moved, ...gone.map((name) => `${name} (no longer planned)`)].join(', ')}.`
  })
  /** Called before each keystroke of an answer: those that follow one another are one answer. */
  function remember() {
    if (performance.now() - at > ONE_ANSWER) before.value = days()
    at = performance.now()
  }
  return { remember, says }
}
