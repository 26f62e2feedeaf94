import { computed, type ComputedRef } from 'vue'
import type { ZoneDraft } from '@juvena/core/entities/job'
import type { ZoneFigure } from '@juvena/core/walkover/zoneFigures'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'

/** Edits and lookups of one zone of the open job, for the parts of its form. */
export function useZone(zone: ComputedRef<ZoneDraft>) {
  const firm = useFirm()
  const job = useJob()
  const index = computed(() => job.zones.findIndex((z) => z.id === zone.value.id))
  const problem = (key: string) => job.problemAt(`zones[${index.value}].${key}`)
  /** One edit of the zone; those of one key within a moment are one step of undo. */
  function edit(key: string, change: (zone: ZoneDraft) => void) {
    const { id } = zone.value
    job.edit(`${id}.${key}`, (d) => {
      const mine = d.zones?.find((z) => z.id === id)
      if (mine) change(mine)
    })
  }
  function set<K extends keyof ZoneDraft>(key: K, value: ZoneDraft[K]) {
    edit(key, (z) => {
      z[key] = value
    })
  }
  const patch = (key: string, change: Partial<ZoneDraft>) =>
    edit(key, (z) => void Object.assign(z, change))
  const figure = (key: ZoneFigure) => job.ofZone(zone.value.id, key)
  const figureText = (key: ZoneFigure) => {
    const f = figure(key)
    return f ? firm.text(f.value, f.unit) : ''
  }
  return { index, problem, edit, set, patch, figure, figureText }
}
