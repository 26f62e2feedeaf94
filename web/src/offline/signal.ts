import { ref } from 'vue'

/** When the server gave what is shown, ISO, where it cannot be reached now; null while it can. */
export const keptSince = ref<string | null>(null)

/** Between one look whether the server answers again and the next, ms. */
const LOOK_AGAIN = 8_000
let looking: ReturnType<typeof setTimeout> | undefined

/** Notes where an answer came from: the server itself, or this device, kept since then. */
export function answeredFrom(kept: string | null): void {
  keptSince.value = kept
  clearTimeout(looking)
  if (kept !== null) looking = setTimeout(() => void look(), LOOK_AGAIN)
}

/** Asked past what lies on this device: one slow answer is not taken for no signal for long. */
async function look(): Promise<void> {
  const answers = await fetch('/api/today', { method: 'HEAD' }).then(
    ({ ok }) => ok,
    () => false,
  )
  answeredFrom(answers ? null : keptSince.value)
}
