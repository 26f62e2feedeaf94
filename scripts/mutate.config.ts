import { resolve } from 'node:path'
import { defineConfig } from 'vitest/config'

/** One fault, put into one file as it is loaded. */
interface Fault {
  file: string
  from: number
  to: number
  text: string
}
const fault = process.env.FAULT ? (JSON.parse(process.env.FAULT) as Fault) : null
const root = resolve(import.meta.dirname, '..')

/** The core's tests but the slow geometry, soonest answer first, in one thread, so that a fault is found quickly. */
export default defineConfig({
  root,
  plugins: fault
    ? [
        {
          name: 'fault',
          enforce: 'pre',
          transform: (code, id) =>
            id.split('?')[0] === resolve(root, fault.file) ? code.slice(0, fault.from) + fault.text + code.slice(fault.to) : undefined,
        },
      ]
    : [],
  test: {
    include: ['core/test/**/*.test.ts'],
    exclude: ['areas', 'light', 'levels', 'shapeEdits', 'boundary', 'anyPlan', 'quantity', 'labReport', 'day', 'anyJob', 'generator'].map(
      (name) => `core/test/${name}.test.ts`,
    ),
    setupFiles: ['core/test/drawnAlike.ts'],
    pool: 'threads',
    isolate: false,
    fileParallelism: false,
    testTimeout: 60_000,
  },
})
