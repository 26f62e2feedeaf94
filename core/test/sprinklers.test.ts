import { describe, expect, it } from 'vitest'
import { planOf, zone } from './makeJob.ts'

const guessed = { precipitation: null, uniformity: null, area: '300 m²' }

describe('what the sprinklers give', () => {
  it('where nobody measured it, cans are offered, and are work that is due once they are wanted', () => {
    const cans = (more: object) => {
      const plan = planOf({ zones: [zone({ ...guessed, ...more })] })
      return { rung: plan.zones[0]!.rungs.find((r) => r.operation === 'cans'), step: plan.steps.find((s) => s.kind === 'cans'), plan } // prettier-ignore
    }
    const { rung, step } = cans({})
    expect([rung!.planned, step]).toEqual([false, undefined])
    const wanted = cans({ operations: { cans: { on: true } } })
    const sow = wanted.plan.steps.find((s) => s.kind === 'sow')!
    expect(wanted.step!.chosen <= sow.chosen).toBe(true)
    expect(wanted.plan.packages.find((p) => p.steps.some((s) => s.kind === 'sow'))!.visits).toBe(
      cans({}).plan.packages.find((p) => p.steps.some((s) => s.kind === 'sow'))!.visits,
    )
    for (const known of [
      { precipitation: 8 },
      { cans: '8, 9, 7, 8 mm', cansMinutes: 30 },
      { headFlow: '4 L/min', headsApart: '5 m' },
      { area: '25 m²' },
      { sowing: 'none' as const },
    ])
      // prettier-ignore
      expect(cans(known).rung, JSON.stringify(known)).toBeUndefined()
  })
  it('a sprinkler that is moved has as many places as its throw asks for, each with its own minutes', () => {
    // 300 m² over 80 m², of which a fifth is wetted again: 300 ÷ 64 = 4.7, five places.
    const one = planOf({ site: { tapFlow: '20 L/min' }, zones: [zone({ ...guessed, placeWets: '80 m²' })] }) // prettier-ignore
    const typed = planOf({ site: { tapFlow: '20 L/min' }, zones: [zone({ ...guessed, stations: 5 })] }) // prettier-ignore
    expect(one.follow.water!.zones[0]!.stations).toBe(5)
    expect(one.follow.water!.zones[0]!.sprinkler!.minutes.value).toBe(typed.follow.water!.zones[0]!.sprinkler!.minutes.value) // prettier-ignore
    expect(one.notices.some((n) => n.id.endsWith('.places'))).toBe(false)
    // Stations that were counted go before it.
    expect(planOf({ zones: [zone({ ...guessed, placeWets: '80 m²', stations: 2 })] }).follow.water!.zones[0]!.stations).toBe(2) // prettier-ignore
  })
})
