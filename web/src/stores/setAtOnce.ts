import { promisifyRequest, type UseStore } from 'idb-keyval'

/**
 * Writes to the browser's own database and commits at once, not when the page next has a moment: it
 * may be leaving.
 */
export function setAtOnce(key: IDBValidKey, value: unknown, store: UseStore): Promise<void> {
  return store('readwrite', (objects) => {
    objects.put(value, key)
    const written = promisifyRequest(objects.transaction)
    objects.transaction.commit()
    return written
  })
}
