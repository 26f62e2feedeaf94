import { sure } from '@juvena/core/quantities/sure'
import type { FirmDraft } from '@juvena/core/entities/firm'

/** A setting typed here that no save has answered for yet. */
export interface TypedSetting {
  value: unknown
  /**
   * What the server may hold without anybody else having changed it: the value saved before, and
   * those sent from here since.
   */
  expected: unknown[]
}
export type TypedSettings = ReadonlyMap<string, TypedSetting>

const PREFIX = 'juvena.typed.'
/** Nothing typed and nothing stored are the same. */
const same = (a: unknown, b: unknown) => JSON.stringify(a ?? null) === JSON.stringify(b ?? null)

/** Writes a typed setting to this browser at once, so that leaving the page does not lose it. */
export function keepTyped(field: string, typed: TypedSetting): void {
  try {
    localStorage.setItem(PREFIX + field, JSON.stringify(typed))
  } catch {
    // A full or forbidden store: the setting is then kept by this window alone.
  }
}

export function forgetTyped(field: string): void {
  localStorage.removeItem(PREFIX + field)
}

/** What an earlier page typed and did not hear back about. */
export function findTyped(): Map<string, TypedSetting> {
  const found = new Map<string, TypedSetting>()
  for (const key of Object.keys(localStorage).filter((k) => k.startsWith(PREFIX))) {
    try {
      const typed = JSON.parse(sure(localStorage.getItem(key))) as Partial<TypedSetting>
      if (Array.isArray(typed.expected))
        found.set(key.slice(PREFIX.length), { value: typed.value, expected: typed.expected })
    } catch {
      localStorage.removeItem(key)
    }
  }
  return found
}

/**
 * What was typed here laid over what the server holds: `wanted` is still to be saved, `lost` was
 * changed elsewhere since.
 */
export function layTyped(
  stored: FirmDraft,
  typed: TypedSettings,
): { draft: FirmDraft; wanted: Map<string, TypedSetting>; lost: string[] } {
  const draft = { ...stored } as Record<string, unknown>
  const wanted = new Map<string, TypedSetting>()
  const lost: string[] = []
  for (const [field, t] of typed) {
    if (same(draft[field], t.value)) continue
    if (!t.expected.some((e) => same(e, draft[field]))) {
      lost.push(field)
      continue
    }
    draft[field] = t.value
    wanted.set(field, t)
  }
  return { draft, wanted, lost }
}
