import { chromium, dependencies, pages, serve } from './ready.mjs'

dependencies()
pages()
chromium()
serve('scripts/measure.ts')
serve('scripts/measureSeed.ts')
serve('scripts/frames.ts')
