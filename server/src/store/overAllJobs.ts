import { join } from 'node:path'
import { sure } from '@juvena/core/quantities/sure'
import type { SeedWanted } from '@juvena/core/present/seedToBuy'
import type { OrderWanted } from '@juvena/core/money/ordersOfAll'
import type { MachineWanted } from '@juvena/core/money/machinesOfAll'
import type { Observation } from '@juvena/core/learning/observations'
import type { SeenOn } from '@juvena/core/present/learntNumbers'
import { parsed } from './damaged.ts'
import { DATABASE, reading } from './database.ts'

// Reads of what was planned of all jobs at once: with thousands of them too long for the server's
// own thread.

/** The answer as JSON text, and the jobs of which what was kept cannot be read. */
export interface OfAllJobs {
  text: string
  damaged: string[]
}

/** What was kept of all jobs in one part, and the jobs of which it cannot be read. */
const partOfAll = <T>(
  folder: string,
  part: 'seed' | 'orders' | 'machines',
): { wanted: T[]; damaged: string[] } =>
  reading(join(folder, DATABASE), (db) => {
    const rows = db
      .prepare(
        `SELECT job_id, ${part} AS kept FROM planned_parts WHERE ${part} IS NOT NULL ORDER BY job_id`,
      )
      .all() as { job_id: string; kept: string }[]
    const damaged: string[] = []
    const wanted = rows.flatMap(({ job_id, kept }) => {
      const read = parsed<T[]>(kept)
      if (read === null) damaged.push(job_id)
      return read ?? []
    })
    return { wanted, damaged }
  })

/** The seed that all jobs still have to sow. */
export const seedWantedOfAll = (folder: string) => partOfAll<SeedWanted>(folder, 'seed')
/** What all jobs still have to order. */
export const ordersWantedOfAll = (folder: string) => partOfAll<OrderWanted>(folder, 'orders')

/** The firm’s machines that all jobs still want. */
export const machinesWantedOfAll = (folder: string) => partOfAll<MachineWanted>(folder, 'machines')

/** What the diaries of all jobs say of the firm's own numbers, archived jobs too. */
export const seenOfAll = (folder: string): SeenOn[] =>
  reading(join(folder, DATABASE), (db) =>
    (
      db
        .prepare(
          'SELECT observations.job_id AS job, jobs.name, observations.body FROM observations JOIN jobs ON jobs.id = job_id',
        )
        .all() as { job: string; name: string; body: string }[]
    ).flatMap(({ job, name, body }) => {
      const read = parsed<Observation>(body)
      return read ? [{ ...read, job, name }] : []
    }),
  )

export interface RuleUses {
  total: number
  /** The soonest sown of them. */
  jobs: { id: string; name: string }[]
}
/** Jobs that are named of those that go by a rule. */
const NAMED = 24

/** The jobs whose plans go by a rule: how many, and the soonest sown of them. */
export const usesOfRule = ({ folder, rule }: { folder: string; rule: string }): RuleUses =>
  reading(join(folder, DATABASE), (db) => {
    const from =
      'FROM planned_parts JOIN planned USING (job_id) JOIN jobs ON jobs.id = job_id WHERE instr(rules, ?) > 0'
    const asked = JSON.stringify(rule)
    const count = db.prepare(`SELECT count(*) AS n ${from}`).get(asked) as { n: number } | undefined
    const jobs = db
      .prepare(
        `SELECT jobs.id, jobs.name ${from} ORDER BY sow_day IS NULL, sow_day, job_id LIMIT ${NAMED}`,
      )
      .all(asked) as RuleUses['jobs']
    return { total: sure(count).n, jobs }
  })
