import type { Knex } from 'knex'

/**
 * Does several things as one: in a transaction of its own, or as part of the one that runs already.
 * Throws what went wrong inside: a full disk makes the database roll back by itself, and that there
 * is nothing left to roll back then is not what failed.
 */
export async function asOne<T>(db: Knex, act: (trx: Knex.Transaction) => Promise<T>): Promise<T> {
  if ((db as { isTransaction?: boolean }).isTransaction) return act(db as Knex.Transaction)
  let cause: unknown
  try {
    return await db.transaction(async (trx) => {
      try {
        return await act(trx)
      } catch (error) {
        cause = error
        throw error
      }
    })
  } catch (error) {
    throw cause ?? error
  }
}
