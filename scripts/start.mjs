import { dependencies, pages, serve } from './ready.mjs'

dependencies()
pages()
serve('server/src/main.ts')
