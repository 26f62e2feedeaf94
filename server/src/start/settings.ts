import { isIP } from 'node:net'
import { join } from 'node:path'
import { z } from 'zod'
import { StartFailure } from './startFailure.ts'

/**
 * Accepts that whoever reaches an address other than this computer's may read and change
 * everything.
 */
export const ACCEPT_OPEN = '--accept-that-anyone-who-reaches-it-can-change-everything'

/** How this Juvena is started. */
export interface Settings {
  demo: boolean
  folder: string
  host: string
  /** The port asked for; null for 4173 or the next one free. */
  port: number | null
  stoppedOn: string | null
  /** The address at which a proxy with HTTPS serves it; null without one. */
  publicAddress: URL | null
  loopback: boolean
  pages: boolean
}

/** Where a firm's data lies, or the demo's, if nothing else is said. */
export const firmFolder = (
  env: Record<string, string | undefined>,
  root: string,
  demo = false,
): string => env.JUVENA_DATA || join(root, '.juvena', demo ? 'demo' : 'firm')

const LOOPBACKS = ['127.0.0.1', 'localhost', '::1']

/**
 * Reads how to start from the environment and the arguments. Throws `StartFailure` where it makes
 * no sense.
 */
export function readSettings(
  env: Record<string, string | undefined>,
  args: readonly string[],
  root: string,
  demoToday: string,
): Settings {
  const demo = args.includes('--demo')
  const port = env.JUVENA_PORT ? Number(env.JUVENA_PORT) : null
  if (port !== null && !(Number.isInteger(port) && port >= 0 && port <= 65_535))
    throw new StartFailure(
      `JUVENA_PORT is “${env.JUVENA_PORT}”: it has to be a number from 0 (any free one) to 65535, or not set.`,
    )
  const stoppedOn = env.JUVENA_TODAY || (demo ? demoToday : null)
  if (stoppedOn !== null && !z.iso.date().safeParse(stoppedOn).success)
    throw new StartFailure(
      `JUVENA_TODAY is “${stoppedOn}”: it has to be a day like 2027-02-22, or not set.`,
    )
  const host = env.JUVENA_HOST || '127.0.0.1'
  const loopback = LOOPBACKS.includes(host) || (isIP(host) === 4 && host.startsWith('127.'))
  if (!loopback && !args.includes(ACCEPT_OPEN))
    throw new StartFailure(
      `JUVENA_HOST is ${host}: anybody who reaches it could read and change everything, for Juvena has no sign-in yet. Keep to this computer, put a proxy with HTTPS and a sign-in in front of it (JUVENA_PUBLIC), or add ${ACCEPT_OPEN}.`,
    )
  return {
    demo,
    folder: firmFolder(env, root, demo),
    host,
    port,
    stoppedOn,
    publicAddress: publicAddress(env.JUVENA_PUBLIC),
    loopback,
    pages: env.JUVENA_PAGES !== 'none',
  }
}

function publicAddress(given: string | undefined): URL | null {
  if (!given) return null
  const wrong = new StartFailure(
    `JUVENA_PUBLIC is “${given}”: it has to be the address of your proxy, like https://lawns.example.org, or not set.`,
  )
  let url: URL
  try {
    url = new URL(given)
  } catch {
    throw wrong
  }
  if (url.protocol !== 'https:' || url.pathname !== '/' || url.search !== '' || url.username !== '')
    throw wrong
  return url
}
