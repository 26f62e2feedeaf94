import { dependencies, serve } from './ready.mjs'

dependencies()
serve('restoreCommand.js', process.argv.slice(2))
