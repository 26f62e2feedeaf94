import { dependencies, pages, serve } from './ready.mjs'

dependencies()
pages()
serve('scripts/measure.ts')
