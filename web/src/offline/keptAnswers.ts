/**
 * Which answers of the server a device keeps to work without signal, and how they are told apart.
 * Shared by the pages and the service worker.
 */

/** On an answer that comes from this device: when the server gave it, ISO. */
export const KEPT_SINCE = 'juvena-kept-since'
/** On the answer to what is not on this device while the server cannot be reached. */
export const NOT_HERE = 'juvena-not-here'
/** The answers kept; a new number where their form changes. */
export const ANSWERS = 'juvena-answers-1'

const KEPT = [
  /^\/api\/(today|firm|stations|stock|season|weather|jobs|day)$/,
  /^\/api\/season\/load$/,
  /^\/api\/jobs\/[^/]+$/,
  /^\/api\/jobs\/[^/]+\/photos$/,
]
/** Whether the answer at an address is kept. Pictures are, in their small size. */
export const isKept = ({ pathname, searchParams }: URL): boolean =>
  KEPT.some((path) => path.test(pathname)) ||
  (/^\/api\/photos\/[^/]+$/.test(pathname) && searchParams.get('size') === 'small')
