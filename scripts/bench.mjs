import { chromium, dependencies, pages, script, server } from './ready.mjs'

/**
 * Measures what has a budget of time, beside a reference that tells how fast this machine is.
 *
 *   npm run bench                          everything
 *   npm run bench -- --record "a change"   and keeps the figures in docs/speed.csv under that name
 *   npm run bench -- --tiny                in a form that only shows that it runs; part of npm test
 */
const args = process.argv.slice(2)
const named = args.indexOf('--record')
if (named >= 0) process.env.JUVENA_BENCH_RECORD = args[named + 1] ?? 'unnamed'
if (args.includes('--tiny')) process.env.JUVENA_BENCH = 'tiny'

dependencies()
pages()
server()
chromium()
script('scripts/measure.ts')
script('scripts/measureSeed.ts')
script('scripts/manyClients.ts')
script('scripts/frames.ts')
