import { resolve } from 'node:path'
import { defineConfig } from 'vitest/config'
import { BaseSequencer, type TestSpecification } from 'vitest/node'

const root = resolve(import.meta.dirname, '..')
/** The slow geometry takes longer than it finds, unless its own rooms are tried. */
const SLOW = [
  'areas',
  'light',
  'levels',
  'shapeEdits',
  'boundary',
  'quantity',
  'labReport',
  'day',
  'generator',
]
const LEFT_OUT = process.env.JUVENA_ROOM ? ['boundary'] : SLOW
/** The longest come last: most faults are found before them. */
const LAST = [
  'siteSurvey',
  'ruleBook',
  'materials',
  'formulas',
  'composeMix',
  'plan',
  'workLaws',
  'window',
  'anyPlan',
  'anyJob',
]

class QuickFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const place = (f: TestSpecification) =>
      LAST.findIndex((name) => f.moduleId.endsWith(`/${name}.test.ts`))
    return Promise.resolve(
      [...files].sort((a, b) => place(a) - place(b) || a.moduleId.localeCompare(b.moduleId)),
    )
  }
}

/** The core's tests in one thread, for `scripts/mutate.mjs`. */
export default defineConfig({
  root,
  test: {
    include: ['core/test/**/*.test.ts'],
    exclude: LEFT_OUT.map((name) => `core/test/${name}.test.ts`),
    setupFiles: ['scripts/fault.ts', 'core/test/drawnAlike.ts'],
    sequence: { sequencer: QuickFirst },
    pool: 'forks',
    isolate: false,
    fileParallelism: false,
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
})
