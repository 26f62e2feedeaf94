import { chromium, dependencies, pages, script, server } from './ready.mjs'

dependencies()
pages()
server()
chromium()
script('scripts/measure.ts')
script('scripts/measureSeed.ts')
script('scripts/manyClients.ts')
script('scripts/frames.ts')
