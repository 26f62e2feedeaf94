import { createHash } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { build, type Plugin } from 'vite'

/** Files that a device keeps none of: fonts in their older form. */
const LEFT = /\.woff$/

/** Builds the service worker beside the pages, with the list of every file that they are made of. */
export function serviceWorker(): Plugin {
  let folder = ''
  return {
    name: 'service-worker',
    apply: 'build',
    configResolved: (config) => void (folder = resolve(config.root, config.build.outDir)),
    async closeBundle() {
      const files = readdirSync(folder, { recursive: true, withFileTypes: true })
        .filter((f) => f.isFile() && !LEFT.test(f.name) && f.name !== 'service-worker.js')
        .map((f) => join(f.parentPath, f.name).slice(folder.length))
        .sort()
      const mark = createHash('sha256')
      for (const file of files) mark.update(file).update(readFileSync(join(folder, file)))
      await build({
        configFile: false,
        publicDir: false,
        logLevel: 'warn',
        define: {
          __FILES__: JSON.stringify(files),
          __VERSION__: JSON.stringify(mark.digest('hex').slice(0, 12)),
        },
        build: {
          outDir: folder,
          emptyOutDir: false,
          target: 'es2022',
          lib: {
            entry: resolve(import.meta.dirname, 'src/offline/serviceWorker.ts'),
            formats: ['iife'],
            name: 'serviceWorker',
            fileName: () => 'service-worker.js',
          },
        },
      })
    },
  }
}
