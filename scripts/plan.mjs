import { dependencies, serve } from './ready.mjs'

dependencies()
serve('planFile.js', process.argv.slice(2))
