import type { InjectionKey, Ref } from 'vue'

/** The figure whose working stands open, and how to open another. */
export const WORKING: InjectionKey<{
  chosen: Ref<string | null>
  choose: (id: string | null) => void
}> = Symbol('working')
