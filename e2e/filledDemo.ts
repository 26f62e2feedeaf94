import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startServer } from './startServer.ts'

/** The day every server of these tests stands on. */
export const TODAY = '2027-02-22'

/**
 * Fills the demo firm and plans its season once, before the tests; each server of theirs begins
 * with a copy of it. Its folder is in JUVENA_FILLED_DEMO.
 */
export default async function fillDemo(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'juvena-e2e-demo-'))
  const { address, server } = await startServer(['server/dist/main.js', '--demo'], {
    JUVENA_PORT: '0',
    JUVENA_DATA: folder,
    JUVENA_TODAY: TODAY,
  })
  let left: number
  do
    ({ working: left } = (await (await fetch(`${address}/api/season`)).json()) as {
      working: number
    })
  while (left > 0)
  const gone = new Promise((done) => server.once('exit', done))
  server.kill()
  await gone
  process.env.JUVENA_FILLED_DEMO = folder
  return () => rmSync(folder, { recursive: true, force: true })
}
