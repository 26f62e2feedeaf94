import type { JobWay } from '@juvena/core/plannedWays'
import type { RungWorth } from '@juvena/core/rungsWorth'
import { wrap, type Remote } from 'comlink'
import type { JobDraft } from '@juvena/core/entities/job'
import { changesIn } from '../workers/changes.ts'
import type { Planned, Planner, Setting } from '../workers/plan.worker.ts'
import type { Way } from '@juvena/core/approach/ways'
import type { PlannedWays } from '@juvena/core/plannedWays'
import type { ApproachId } from '@juvena/core/reference/lists'
import { plain } from './plain.ts'

interface Held {
  remote: Remote<Planner>
  /** Rejects when the worker cannot be loaded or stops. */
  stopped: Promise<never>
  end: () => void
  draft: JobDraft | null
  setting: Setting | null
}
let held: Held | null = null

function start(): Held {
  const worker = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), {
    type: 'module',
  })
  const stopped = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (event) =>
      reject(new Error(event.message || 'the part of the page that works it out stopped')),
    )
    worker.addEventListener('messageerror', () => reject(new Error('its answer could not be read')))
  })
  stopped.catch(() => undefined)
  return {
    remote: wrap<Planner>(worker),
    stopped,
    end: () => worker.terminate(),
    draft: null,
    setting: null,
  }
}

/**
 * Plans a draft in the worker, sending what changed since the last call. After a failure the next
 * call begins with a new worker.
 */
export async function planInWorker(draft: JobDraft, setting: Setting): Promise<Planned> {
  held ??= start()
  const changes = { draft: changesIn(held.draft, draft), setting: changesIn(held.setting, setting) }
  held.draft = draft
  held.setting = setting
  return await ask(held, (remote) => remote.plan(plain(changes)))
}

/**
 * The ready-made ways for the draft last planned, worked after its plan. Nothing before the first
 * plan.
 */
export async function waysInWorker(): Promise<Record<string, Way[]>> {
  return held ? await ask(held, (remote) => remote.ways()) : {}
}

/** The ways of one zone, each planned whole, for the draft last planned. */
export async function plannedWaysInWorker(
  zone: string,
  chosen: ApproachId,
): Promise<PlannedWays | null> {
  return held ? await ask(held, (remote) => remote.plannedWays(zone, chosen)) : null
}

/** The ways of the whole job, for the draft last planned. */
export async function jobWaysInWorker(chosen: Record<string, ApproachId>): Promise<JobWay[]> {
  return held ? await ask(held, (remote) => remote.jobWays(chosen)) : []
}

/** What each rung of a zone adds, for the draft last planned. */
export async function rungsWorthInWorker(zone: string): Promise<RungWorth[]> {
  return held ? await ask(held, (remote) => remote.rungsWorth(zone)) : []
}

async function ask<T>(
  { remote, stopped, end }: Held,
  what: (remote: Remote<Planner>) => Promise<T>,
): Promise<T> {
  try {
    return await Promise.race([what(remote), stopped])
  } catch (error) {
    end()
    held = null
    throw error
  }
}
