import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isOn } from '../../core/calendar/week'
import { ALWAYS, everyDay } from '../../core/calendar/week'
import { everyMonth } from '../../core/calendar/year'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { plainTariff } from '../../core/household/defaults/plain-tariff'
import { addHeater } from '../../core/household/edits/plant'
import { BILLED, WATER_UNIT_KEYS, WATER_UNITS } from '../../core/money/billing'
import { CARRIERS, CO2_KG_KWH } from '../../core/money/carriers'
import { cheapestPrice, dearWeek, perKwh, priceAt, waterPerM3 } from '../../core/money/tariff'
import { moneyRows } from '../../core/year/account/money-rows'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'

describe('bills in units of their own', () => {
  it('hold what the trade reckons with', () => {
    expect(BILLED['natural-gas'].therm).toBe(29.307)
    // 1037 BTU a cubic foot, and a cubic metre of it 10.73 kWh.
    expect(BILLED['natural-gas']['hundred-ft3']! / BILLED['natural-gas'].therm!).toBeCloseTo(1.037, 9)
    expect(BILLED['natural-gas'].ft3! * 35.3147).toBeCloseTo(10.73, 2)
    expect([CO2_KG_KWH['natural-gas'], CO2_KG_KWH.propane, CO2_KG_KWH['heating-oil']]).toEqual([0.183, 0.214, 0.25])
    expect(BILLED['wood-logs']['stacked-m3']).toBeCloseTo(1904, 0)
    expect(BILLED['wood-logs'].cord! / BILLED['wood-logs']['stacked-m3']!).toBeCloseTo(3.6246, 4)
    for (const c of CARRIERS) expect(BILLED[c].kwh).toBe(1)
  })

  it('cost the same year by the therm and by the kWh, by the thousand gallons and by the cubic metre', () => {
    const plain = structuredClone(duplex)
    const gas = plain.prices.carriers['natural-gas']!
    plain.prices.carriers['natural-gas'] = { ...plainTariff(perKwh(gas), gas.co2KgKwh) }
    plain.prices.water = {
      ...plain.prices.water,
      unit: 'm3',
      price: duplex.prices.water.price / WATER_UNITS['thousand-gal'].m3,
      sewer: duplex.prices.water.sewer / WATER_UNITS['thousand-gal'].m3,
    }
    expect(simulate(plain).cost.total).toBeCloseTo(simulate(duplex).cost.total, 3)
  })

  it('water costs the same in any unit', () => {
    fc.assert(
      fc.property(fc.constantFrom(...WATER_UNIT_KEYS), fc.double({ min: 0.1, max: 9, noNaN: true }), (unit, perM3) => {
        const water = { ...hillTown.prices.water, unit, price: perM3 * WATER_UNITS[unit].m3, sewer: 0 }
        expect(waterPerM3(water)).toBeCloseTo(perM3, 9)
      }),
    )
  })

  it('a band holds in its hours and in its months only', () => {
    const winter = everyMonth(false).map((_, m) => m < 3 || m > 9)
    const tariff = {
      ...plainTariff(0.3, 0.2),
      bands: [
        { name: 'Winter nights', price: 0.2, week: everyDay([0, 360]), months: winter },
        { name: 'Winter', price: 0.35, week: ALWAYS, months: winter },
      ],
    }
    expect([priceAt(tariff, 60, 0), priceAt(tariff, 400, 0), priceAt(tariff, 60, 6), priceAt(tariff, 400, 6)]).toEqual([
      0.2, 0.35, 0.3, 0.3,
    ])
  })

  it('a season band costs more in its months and nothing else changes', () => {
    const dear = structuredClone(hillTown)
    dear.prices.carriers['natural-gas']!.bands.push({
      name: 'January',
      price: 0.224,
      week: ALWAYS,
      months: everyMonth(false).map((_, m) => m === 0),
    })
    const [a, b] = [simulate(hillTown), simulate(dear)]
    expect(b.months[0].cost.energy['natural-gas']).toBeCloseTo(2 * a.months[0].cost.energy['natural-gas']!, 4)
    expect(b.months[5].cost).toEqual(a.months[5].cost)
    expect(b.energy).toEqual(a.energy)
  })
})

describe('when a tariff is dear', () => {
  it('is every minute that costs more than the cheapest, by the edges of its bands', () => {
    const tariff = hillTown.prices.carriers.electricity!
    const week = dearWeek(tariff, 0)
    const least = cheapestPrice(tariff, 0)
    for (let minute = 0; minute < 7 * 1440; minute += 15)
      expect(isOn(week, minute)).toBe(priceAt(tariff, minute, 0) > least + 1e-12)
    expect(dearWeek({ ...tariff, bands: [] }, 0).flat()).toEqual([])
  })
})

describe('the parts of a year’s money', () => {
  it('add up to its total, whatever a house earns, forgoes or buys again', () => {
    const credited = DEMOS.map(({ study }) => changed(study, (s) => void (s.prices.creditHouseHeat = true)))
    const shown = new Set<string>()
    const withSun = changed(addHeater(hillTown, 'pv-element'), (s) => {
      Object.assign(s.prices.carriers.electricity!, { standingPerYear: 60, exportPerKwh: 0.08 })
    })
    for (const study of [...DEMOS.map((d) => d.study), ...credited, withSun]) {
      const { cost } = simulate(study)
      const rows = moneyRows(cost)
      for (const r of rows) shown.add(r.name)
      expect(
        rows.reduce((s, r) => s + r.money, 0),
        study.name,
      ).toBeCloseTo(cost.total, 4)
    }
    expect([...shown]).toEqual(
      expect.arrayContaining([
        'Standing charges',
        'Space heating displaced',
        'Space heating, replacing room heat',
        'Export forgone',
        'Water and sewer',
      ]),
    )
  })
})
