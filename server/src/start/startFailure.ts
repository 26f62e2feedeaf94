/** Why Juvena does not start: one sentence that says what is wrong and what to do. */
export class StartFailure extends Error {}

const WORDS: Record<string, (folder: string) => string> = {
  EACCES: (folder) =>
    `Juvena may not write in ${folder}. Give this account the right to, or set JUVENA_DATA to another folder.`,
  EROFS: (folder) =>
    `${folder} lies on a disk that cannot be written to. Set JUVENA_DATA to another folder.`,
  ENOTDIR: (folder) => `${folder} is no folder. Set JUVENA_DATA to a folder.`,
  EEXIST: (folder) => `${folder} is a file, not a folder. Set JUVENA_DATA to a folder.`,
  ENOSPC: (folder) => `The disk of ${folder} is full. Free some room and start again.`,
  SQLITE_IOERR: (folder) =>
    `The disk of ${folder} could not be read or written. Check it, and start again.`,
  SQLITE_FULL: (folder) => `The disk of ${folder} is full. Free some room and start again.`,
  SQLITE_READONLY: (folder) =>
    `The database in ${folder} cannot be written to. Give this account the right to, or set JUVENA_DATA to another folder.`,
  SQLITE_CANTOPEN: (folder) =>
    `The database in ${folder} cannot be opened. Check that this account may read and write there.`,
  SQLITE_BUSY: (folder) =>
    `The database in ${folder} is in use by another program. Stop that one and start again.`,
}

/** Where the lock of migrations fails, its library keeps SQLite's words and drops the code. */
const SAID: readonly (readonly [RegExp, string])[] = [
  [/attempt to write a readonly database/, 'SQLITE_READONLY'],
  [/database or disk is full/, 'SQLITE_FULL'],
  [/disk I\/O error/, 'SQLITE_IOERR'],
  [/database is locked/, 'SQLITE_BUSY'],
]

/**
 * What a fault while opening a folder means to whoever starts Juvena; null where it is a fault of
 * Juvena's own.
 */
export function startSentence(error: unknown, folder: string): string | null {
  if (error instanceof StartFailure) return error.message
  const { code: given, message } = (error ?? {}) as { code?: unknown; message?: unknown }
  const said = SAID.find(([words]) => words.test(String(message ?? '')))?.[1]
  const code = String(given ?? said ?? '')
  const known = WORDS[code] ?? WORDS[Object.keys(WORDS).find((k) => code.startsWith(`${k}_`)) ?? '']
  return known ? known(folder) : null
}
