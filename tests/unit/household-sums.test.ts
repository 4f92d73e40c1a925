import { describe, expect, it } from 'vitest'
import { calculatorNamed } from '../../core/calculators/registry'
import { hillTown } from '../../core/demos/hill-town'
import { perKwh } from '../../core/money/tariff'
import { sumFigures } from '../../core/views/calculator-figures'
import { simulate } from '../../core/year/simulate'
import { fault, out } from './sums'

describe('a label brought to a household', () => {
  const label = { labelDayKwh: 5.845, usefulKwhYear: 1900, priceKwh: 0.3 }
  it('counts a label’s year as 0.6 × 366 test days', () => {
    // An element that loses nothing: 5.845 × 219.6 = 1283.6 kWh on the label, and here what is used.
    const whole = out('label-year', { ...label, heatsBy: 'bought-heat', labelKwhYear: 1283.562 })
    expect(whole.share).toBeCloseTo(1, 6)
    expect(whole.costYear).toBeCloseTo(1900 * 0.3, 2)
    expect(out('label-year', { ...label, heatsBy: 'bought-heat', labelKwhYear: 1800 }).kwhYear).toBeCloseTo(
      (1900 * 1800) / (0.6 * 366 * 5.845),
      6,
    )
  })
  it('refuses a flame or element that makes more than it takes, and a pump that makes five times it', () => {
    expect(fault('label-year', { ...label, heatsBy: 'bought-heat', labelKwhYear: 870 })).toMatch(/at least 1284/)
    expect(out('label-year', { ...label, heatsBy: 'heat-from-air', labelKwhYear: 870 }).share).toBeCloseTo(1.475, 3)
    expect(fault('label-year', { ...label, heatsBy: 'heat-from-air', labelKwhYear: 250 })).toMatch(/at least 257/)
  })
  it('begins with what the household says', () => {
    const year = simulate(hillTown)
    expect(sumFigures(calculatorNamed('label-year')!, hillTown, year)).toEqual({
      usefulKwhYear: Math.round(year.energy.usefulKwh),
      nowCostYear: Math.round(Object.values(year.cost.energy).reduce((a, b) => a + b, 0)),
      priceKwh: perKwh(hillTown.prices.carriers.electricity!),
    })
    expect(sumFigures(calculatorNamed('tap-wait')!, hillTown, null)).toEqual({})
  })
})

describe('a fire and a store', () => {
  it('8 kW at 10 K ask for 11.6 L/min, and twice the rise for half of it', () => {
    const at = (riseK: number) =>
      out('stove-pump', { powerKw: 8, riseK, returnC: 55, lengthM: 12, innerMm: 26.2, fittingsEquivalentM: 8 })
    // kW / (4.186 × ΔT) in kg/s, with a litre at 55 °C weighing 0.986 kg.
    expect(at(10).flowLMin).toBeCloseTo(((8 / (4.186 * 10)) * 60) / 0.986, 1)
    expect(at(20).flowLMin / at(10).flowLMin).toBeCloseTo(0.5, 2)
    // By hand: 0.36 m/s, Re 18,700, f 0.0270 by Blasius: 0.027 × 20/0.0262 × 984 × 0.36²/2 = 1.31 kPa, 0.134 m.
    expect(at(10).headM).toBeCloseTo(0.134, 2)
    expect(at(10).verdict).toBe('works')
    expect(at(40).verdict).toMatch(/too hot/)
    expect(
      fault('stove-pump', { powerKw: 8, riseK: 46, returnC: 55, lengthM: 12, innerMm: 26, fittingsEquivalentM: 0 }),
    ).toMatch(/riseK/)
  })

  it('200 L that warm by 12 K in an hour take up 2.8 kW, and serve more the longer the fire burns', () => {
    const read = { volumeL: 200, fromC: 35, toC: 47, minutes: 60, hoursPerDay: 6, personL: 40, coldC: 8, targetC: 40 }
    const plain = out('fire-into-store', read)
    expect(plain.powerKw).toBeCloseTo((200 * 0.994 * 4.179 * 12) / 3600, 2)
    const twice = out('fire-into-store', { ...read, hoursPerDay: 12 })
    expect(twice.persons).toBeCloseTo(2 * (plain.persons as number), 9)
    // 2 W/K over 23 K for the hour.
    const lossy = out('fire-into-store', { ...read, uaWK: 2, ambientC: 18 })
    expect((lossy.powerKw as number) - (plain.powerKw as number)).toBeCloseTo(0.046, 6)
  })
})

describe('an expansion vessel', () => {
  it('takes what 200 L grow by from 10 to 60 °C: 3.4 L, in 8 L between 3 bar and half a bar below 6', () => {
    const { grownL, vesselL } = out('expansion-vessel', {
      volumeL: 200,
      fromC: 10,
      toC: 60,
      pressureBar: 3,
      reliefBar: 6,
    })
    // 999.7 against 983.2 kg/m³ (Kell 1975).
    expect(grownL).toBeCloseTo(200 * (999.7 / 983.2 - 1), 2)
    expect(vesselL).toBeCloseTo(grownL / ((6.513 - 4.013) / 6.513), 6)
    expect(fault('expansion-vessel', { volumeL: 200, fromC: 10, toC: 60, pressureBar: 5.6, reliefBar: 6 })).toMatch(
      /reliefBar/,
    )
  })
})

describe('run hours from a cost', () => {
  it('are money over price over input, and tell a month from a year', () => {
    // 160 kWh at 3 kW are 53.3 h: nine minutes a day of a year, an hour and three quarters a day of a month.
    const told = out('money-hours', { costMoney: 48, priceKwh: 0.3, inputKw: 3 })
    expect(told.kwh).toBeCloseTo(160, 9)
    expect(told.hoursIfYear).toBeCloseTo(160 / 3 / 365, 9)
    expect(told.hoursIfMonth).toBeCloseTo((160 / 3 / 365) * 12, 9)
    expect(told.likely).toBe('month')
    expect(out('money-hours', { costMoney: 480, priceKwh: 0.3, inputKw: 3 }).likely).toBe('year')
    expect(out('money-hours', { costMoney: 200, priceKwh: 0.3, inputKw: 3 }).likely).toBe('year')
    // Believable either way.
    expect(out('money-hours', { costMoney: 110, priceKwh: 0.3, inputKw: 3 }).likely).toBe('ask')
    expect(fault('money-hours', { costMoney: 48, priceKwh: 0, inputKw: 3 })).toMatch(/must be above/)
  })
})
