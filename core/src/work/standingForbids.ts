import type { Forbid } from '../findings/asks.ts'
import { stolonOnly } from '../findings/findingAsks.ts'
import { kindsThat, type StepKind } from '../reference/operations.ts'
import type { Message } from '../rules/message.ts'
import type { WorkBrief } from './workTypes.ts'

/** What stands on its own, whatever anybody asks: turf, chemicals, light. */
export function standingForbids({ r, season, schools, findings }: WorkBrief): Forbid[] {
  // A sand green is cored whatever the school: its organic matter has to come out.
  const carriedOff = findings.some(
    (f) => f.zone === r.zone.id && f.wants.some((w) => w.operation === 'collect-cores'),
  )
  const no = (operation: StepKind, why: Message): Forbid => ({ operation, hard: true, why })
  return [
    ...(stolonOnly(r)
      ? [
          no(
            'scarify',
            'Turf that lives by runners above ground is never scarified: nothing below would bring it back.',
          ),
          no(
            'cut-second',
            'Turf that lives by runners above ground is never cut to the ground: a modest cut only.',
          ),
        ]
      : []),
    ...(schools.tines === 'solid' && !carriedOff
      ? [
          {
            operation: 'core',
            hard: false,
            why: 'Solid tines will do: it is spiked instead.',
          } satisfies Forbid,
        ]
      : []),
    ...(r.zone.damp === 'wet'
      ? [no('dampen', 'The ground is sodden: nothing is watered before tines.')]
      : []),
    ...(season === 'warm' ? [no('seed-safe', 'Most warm turf does not stand it.')] : []),
    ...(r.zone.present.includes('browntop') ? [no('seed-safe', 'Bents do not stand it.')] : []),
    ...(schools.weeds === 'no-chemicals'
      ? kindsThat((o) => o.sprays).map((op): Forbid => ({
          operation: op,
          hard: false,
          why: 'Nothing is sprayed: no chemicals.',
        }))
      : []),
  ]
}

/** What keeps the turf that stands: it is neither killed nor lifted off. */
export const kept = (operation: StepKind): Forbid => ({
  operation,
  hard: true,
  why: 'What stands here is kept.',
})
