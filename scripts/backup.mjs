import { dependencies, serve } from './ready.mjs'

dependencies()
serve('backupCommand.js', process.argv.slice(2))
