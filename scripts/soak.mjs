import { dependencies, script, server } from './ready.mjs'

/**
 * Kills a server again and again under writes and looks whether anything is lost: `npm run soak [--
 * rounds [seed]]`.
 */
dependencies()
server()
script('e2e/killedServer.ts', process.argv.slice(2))
