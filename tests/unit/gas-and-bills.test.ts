import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calculatorNamed } from '../../core/calculators/registry'
import { DEMOS } from '../../core/demos'
import { hillTown } from '../../core/demos/hill-town'
import { gasPipeCapacity, gasPipeDrop, PIPED_GASES } from '../../core/pipes/gas-pipe'
import { displayOf } from '../../core/study/display-of'
import type { Study } from '../../core/study/study'
import { sumFigures } from '../../core/views/calculator-figures'
import { sizeHeater } from '../../core/views/sizes'
import { demandOf } from '../../core/year/demand'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'
import { fault, worked } from './sums'

const gases = fc.constantFrom('natural-gas' as const, 'propane' as const)
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('a gas pipe', () => {
  it.each([
    // Tables of the trade for natural gas, 1 mbar, m³/h: copper 22 mm (bore 20) and 28 mm (bore 26).
    [20, 3, 8.7],
    [20, 9, 4.6],
    [20, 15, 3.4],
    [26, 9, 9.4],
  ])('of %f mm and %f m carries what tables say, %f m³/h, within 15%%', (boreMm, lengthM, m3h) => {
    const carried = gasPipeCapacity('natural-gas', { boreMm, lengthM }) / PIPED_GASES['natural-gas'].kwhM3
    expect(Math.abs(carried / m3h - 1)).toBeLessThan(0.15)
  })

  it('carries just what drops as much as is allowed, more when wider, less when longer', () => {
    fc.assert(
      fc.property(gases, num(6, 150), num(0.5, 300), (gas, boreMm, lengthM) => {
        const kw = gasPipeCapacity(gas, { boreMm, lengthM })
        expect(gasPipeDrop(gas, { boreMm, lengthM }, kw) / PIPED_GASES[gas].mostDropMbar).toBeCloseTo(1, 9)
        expect(gasPipeCapacity(gas, { boreMm: boreMm * 1.1, lengthM })).toBeGreaterThan(kw)
        expect(gasPipeCapacity(gas, { boreMm, lengthM: lengthM * 1.1 })).toBeLessThan(kw)
      }),
    )
  })

  const judged = (edit: (s: Study) => void) => {
    const study = changed(hillTown, edit)
    const demand = demandOf(study, 60)
    return sizeHeater(study, study.plant.heaters[0], demand).checks.find((c) => c.id === 'gas-line')!
  }
  const piped = (boreMm: number, otherKw: number | null) =>
    judged((s) => void (s.site.gasPipe = { lengthM: 12, boreMm, otherKw }))

  it('decides whether a heater can be fed, and what else it feeds must be known before it passes', () => {
    expect(judged(() => {}).level).toBe('not checked')
    expect(piped(28, 0).level).toBe('pass')
    expect(piped(28, null).level).toBe('not checked')
    expect(piped(28, 200).level).toBe('fail')
    // One too narrow by itself fails whatever else it feeds.
    expect(piped(10, null).level).toBe('fail')
  })

  it('of propane is held against its heater too', () => {
    const propane = (boreMm: number) =>
      judged((s) => {
        const [boiler] = s.plant.heaters
        if ('carrier' in boiler) boiler.carrier = 'propane'
        s.prices.carriers.propane = { ...s.prices.carriers['natural-gas']!, unit: 'kwh', kwhPerUnit: 1 }
        s.site.gasPipe = { lengthM: 12, boreMm, otherKw: 0 }
      })
    expect(propane(28).level).toBe('pass')
    expect(propane(8).level).toBe('fail')
  })

  it('gives way to a capacity that somebody has stated', () => {
    const said = judged((s) => {
      s.site.gasLineKw = 80
      s.site.gasPipe = { lengthM: 12, boreMm: 10, otherKw: null }
    })
    expect(said.level).toBe('pass')
  })
})

describe('a bill against temperatures', () => {
  const bill = { billKwh: 640, billDays: 61, efficiency: 0.86, usefulKwhYear: 1900, lossW: 140 }

  it('leaves for losses what efficiency and use do not take', () => {
    const { out: o } = worked('bill-loss', bill)
    expect(o.byBillW).toBeCloseTo((((640 * 0.86) / 61 - 1900 / 365) * 1000) / 24, 6)
    expect(o.withinW).toBeCloseTo(((0.2 * 1900) / 365 / 24) * 1000, 6)
  })

  it('agrees on every demo that is billed for its heat, fed with its own year', () => {
    for (const { study } of DEMOS) {
      const year = simulate(study)
      const known = sumFigures(calculatorNamed('bill-loss')!, study, year)
      if (known.lossW === undefined) continue
      const bought = Object.values(year.energy.inputKwh).reduce((s, kwh) => s + kwh, 0)
      const { out: o } = worked('bill-loss', { ...known, billKwh: bought, billDays: 365 })
      expect(Math.abs(Number(o.apartW))).toBeLessThan(Math.max(2, 0.01 * known.lossW))
    }
  })

  it('says which of the two is more, and refuses a bill of another time', () => {
    expect(worked('bill-loss', { ...bill, lossW: 40 }).notes.join(' ')).toMatch(/The bill holds more/)
    expect(worked('bill-loss', { ...bill, lossW: 400 }).notes.join(' ')).toMatch(/The bill holds less/)
    expect(worked('bill-loss', bill).notes.join(' ')).toMatch(/agree/)
    expect(fault('bill-loss', { ...bill, billKwh: 20 })).toMatch(/billKwh/)
  })

  it('an energy label is held against what the household pays now', () => {
    const year = simulate(hillTown)
    const label = calculatorNamed('label-year')!
    const known = sumFigures(label, hillTown, year)
    const { out: o } = worked('label-year', { ...label.example, ...known })
    expect(Number(o.lessYear)).toBeCloseTo(known.nowCostYear! - Number(o.costYear), 6)
    const { nowCostYear: _, ...unpaid } = known
    expect(
      worked('label-year', { heatsBy: 'heat-from-air', labelKwhYear: 560, labelDayKwh: 5.845, ...unpaid }).out.lessYear,
    ).toBeNull()
    expect(displayOf(hillTown).money(Number(o.lessYear))).toMatch(/\d/)
  })
})
