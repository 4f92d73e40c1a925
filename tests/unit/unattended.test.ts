import { describe, expect, it } from 'vitest'
import { everyMonth } from '../../core/calendar/year'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { changeHeaterKind } from '../../core/household/edits/plant'
import { apply } from '../../core/measures/apply'
import type { HeaterOf } from '../../core/study/heater-kinds'
import { NOT_PRICED } from '../../core/study/measures'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'

/** One shower a day of 8 L/min for five minutes, hardly any pipe, and somebody who comes late. */
const late = (unattendedS: number) =>
  changed(changeHeaterKind(harbourFlat, 'wall-heater', 'instant-electric'), (s) => {
    s.site.mains = { kind: 'monthly', monthlyC: everyMonth(10) }
    Object.assign(s.plant.heaters[0] as HeaterOf<'instant-electric'>, {
      outputKw: 60,
      startDelayS: 0,
      minActivationFlowLMin: 0,
      contentL: 0.1,
    })
    for (const r of s.pipes.runs) r.lengthM = 0.1
    for (const t of s.pipes.taps) t.flowLMin = 8
    const [shower] = s.people.uses
    s.people.uses = [
      { ...shower, use: { kind: 'timed', minutes: 5 }, amountSpread: 0, chance: 1, requiredC: 40, unattendedS },
    ]
    s.people.winterSwing = 0
    s.people.absences = []
  })

describe('warm water that runs with nobody there', () => {
  const prompt = simulate(late(0))
  const year = simulate(late(60))

  it('is run off for just so long, mixed as it would be used', () => {
    // 60 s at 8 L/min, 365 times, less what runs off in any case; 40 °C over a main of 10.
    expect(year.water.toWasteL - prompt.water.toWasteL).toBeCloseTo(365 * 8, -1)
    const kwh = (365 * 8 * 4.146 * 30) / 3600
    expect(year.energy.toWasteKwh - prompt.energy.toWasteKwh).toBeCloseTo(kwh, 0)
    expect(year.energy.usefulKwh).toBeCloseTo(prompt.energy.usefulKwh, 0)
    expect(year.comfort.waitMedianS).toBe(prompt.comfort.waitMedianS)
    expect(Math.abs(year.energy.residualKwh)).toBeLessThan(1e-3)
  })

  it('a device that stops the flow saves all of it, and nothing where nobody is late', () => {
    const measure = {
      kind: 'stop-when-warm' as const,
      id: 'stop',
      name: 'Stop',
      ...NOT_PRICED,
      tapId: harbourFlat.people.uses[0].tapId,
    }
    expect(simulate(apply(late(60), measure)).cost.total).toBe(prompt.cost.total)
    expect(simulate(apply(late(0), measure)).cost.total).toBe(prompt.cost.total)
  })
})
