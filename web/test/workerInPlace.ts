import { vi } from 'vitest'

/**
 * The planning worker run in place, its own code without a thread. It can be made to fail, and
 * keeps what it heard. Mock `comlink` with `comlink`.
 */
export const worker = {
  planner: null as null | { plan: (changes: object) => unknown; ways: () => unknown },
  fails: '',
  heard: [] as object[],
}

export const comlink = {
  expose: (planner: typeof worker.planner) => (worker.planner = planner),
  proxy: (f: unknown) => f,
  wrap: () => ({
    plan: async (changes: object) => {
      worker.heard.push(changes)
      if (worker.fails) throw new Error(worker.fails)
      return worker.planner!.plan(changes)
    },
    ways: async () => worker.planner!.ways(),
  }),
}

vi.stubGlobal(
  'Worker',
  class {
    addEventListener = () => undefined
    terminate = () => undefined
  },
)
