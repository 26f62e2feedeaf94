import { dependencies, serve } from './ready.mjs'

dependencies()
serve('server/src/planFile.ts', process.argv.slice(2))
