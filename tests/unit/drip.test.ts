import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { duplex } from '../../core/demos/duplex'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { applyAll } from '../../core/measures/apply'
import { beginMeasure, measuresFor } from '../../core/measures/begin'
import type { Study } from '../../core/study/study'
import { purchasedKwh } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { firstDays, randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'
import { open } from './judged'

const dripping = (study: Study, dripLH: number | null, tap = 0) =>
  changed(study, (s) => void (s.pipes.taps[tap]!.dripLH = dripLH))
const nobody = (study: Study) =>
  changed(study, (s) => {
    s.people.uses = s.people.uses.map((h) => ({ ...h, chance: 0 }))
    s.people.guests = []
  })

describe('a hot tap that drips', () => {
  const empty = nobody(duplex)
  it('lets out its litres through the year, and with a store the heat that was in them', () => {
    const [dry, wet] = [simulate(dripping(empty, 0)), simulate(dripping(empty, 2))]
    expect(wet.water.toWasteL - dry.water.toWasteL).toBeCloseTo(2 * 8760, 3)
    expect(wet.energy.residualKwh).toBeCloseTo(0, 3)
    // Heat in 2 L/h at what the store gives over the main, less what the pipes keep of it on the way.
    const given = wet.energy.toWasteKwh + wet.energy.deadLegKwh - dry.energy.deadLegKwh
    const supplyC = duplex.controls.found.heaters[duplex.plant.heaters[0]!.id]!.setpointC
    const most = (2 * 8760 * 4.17 * (supplyC - 4)) / 3600
    expect(given).toBeGreaterThan(0.6 * most)
    expect(given).toBeLessThan(1.05 * most)
    expect(purchasedKwh(wet)).toBeGreaterThan(purchasedKwh(dry) + given)
  })

  it('behind a heater that heats as it runs costs water and hardly any fuel', () => {
    const flat = nobody(harbourFlat)
    const [dry, wet] = [simulate(dripping(flat, 0)), simulate(dripping(flat, 2))]
    expect(wet.water.toWasteL - dry.water.toWasteL).toBeCloseTo(2 * 8760, 3)
    expect(purchasedKwh(wet) - purchasedKwh(dry)).toBeLessThan(0.02 * ((2 * 8760 * 4.17 * 45) / 3600))
  })

  it('that was not looked at and one that is tight are the same year, and more is never cheaper', () => {
    expect(JSON.stringify(simulate(dripping(hillTown, null)))).toBe(JSON.stringify(simulate(dripping(hillTown, 0))))
    const costs = [0, 0.5, 2, 8].map((q) => simulate(dripping(hillTown, q)).cost.total)
    expect(costs).toEqual([...costs].sort((a, b) => a - b))
  })

  it('mended, it saves the simulated difference; it is offered and pointed out only where one drips', () => {
    const wet = dripping(hillTown, 1.5)
    const measure = beginMeasure(wet, 'mend-drip', 'm')
    expect(simulate(applyAll(wet, [measure])).cost.total).toBe(simulate(dripping(hillTown, 0)).cost.total)
    expect(measuresFor(wet)).toContain('mend-drip')
    expect(measuresFor(hillTown)).not.toContain('mend-drip')
    const id = `drips-${hillTown.pipes.taps[0]!.id}`
    expect(open(wet).find((c) => c.id === id)?.mendedBy).toBe('mend-drip')
    expect(open(hillTown).find((c) => c.id === id)).toBeUndefined()
  })

  it('keeps the account of random households', () => {
    fc.assert(
      fc.property(randomStudy, fc.double({ min: 0.05, max: 30, noNaN: true }), (study, dripLH) => {
        const { residual, input } = firstDays(dripping(study, dripLH), 2)
        expect(Math.abs(residual)).toBeLessThan(1e-6 * Math.max(1000, input))
      }),
      { numRuns: 60, endOnFailure: true },
    )
  })
})
