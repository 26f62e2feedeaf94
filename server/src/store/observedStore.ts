import type { Knex } from 'knex'
import type { Observation } from '@juvena/core/learning/observations'

/** Rows put down in one statement. */
const AT_ONCE = 100

/** Keeps what a job's diary says of the firm's own numbers, in place of what it said before. */
export async function keepObserved(
  trx: Knex.Transaction,
  job: string,
  observed: readonly Observation[],
): Promise<void> {
  await trx('observations').where({ job_id: job }).delete()
  for (let i = 0; i < observed.length; i += AT_ONCE)
    await trx('observations').insert(
      observed
        .slice(i, i + AT_ONCE)
        .map((o) => ({ job_id: job, value: o.value, seen_on: o.on, body: JSON.stringify(o) })),
    )
}
