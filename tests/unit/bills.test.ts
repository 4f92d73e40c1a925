import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayAfter } from '../../core/calendar/days'
import { hillTown } from '../../core/demos/hill-town'
import { flowNext, flowStepsOf } from '../../core/household/heating/flow-steps'
import { displayOf } from '../../core/study/display-of'
import type { Bill, Meter } from '../../core/study/meters'
import { priceByBill, withBillPrice } from '../../core/verification/bill-price'
import { billChange, billsOf, usedBetween } from '../../core/verification/bills'
import { plausible } from '../../core/verification/plausible'
import { verifySaving } from '../../core/verification/saving'
import { billDoubts, changeText } from '../../core/views/bill-words'
import { flowNextText } from '../../core/views/flow-step-words'
import { verifiedSentences } from '../../core/views/verified-words'
import { meterOf, readOn } from '../../proof/bills'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'
import { METRIC_UNITS, NEVER_SAY, US_UNITS } from '../never-say'

const write = displayOf(hillTown)
const bill = (from: string, days: number, more: Partial<Bill> = {}): Bill => ({
  id: `bill-${from}`,
  meterId: 'meter-1',
  from,
  to: dayAfter(from, days),
  money: 100,
  standing: 10,
  units: 600,
  ...more,
})
/** The hill town with a meter read each month of a year, 10 kWh a day, and some bills. */
function billed(bills: Bill[], perDay = 10) {
  const readings = Array.from({ length: 13 }, (_, i) => readOn(dayAfter('2025-01-01', 30 * i), 5000 + 30 * i * perDay))
  const meter = meterOf('natural-gas', readings)
  const study = changed(hillTown, (s) => {
    s.verification.meters = [meter]
    s.verification.bills = bills
  })
  return { study, meter, parts: billsOf(study, meter) }
}

describe('bills', () => {
  it('a unit costs what is asked for without the standing charge', () => {
    const { parts } = billed([bill('2025-01-01', 60)])
    expect(parts[0]).toMatchObject({ days: 60, units: 600, perUnit: 0.15, guessed: false })
    expect(parts[0].read).toBeCloseTo(600, 9)
  })

  it('without units it is for what the meter counted, and for nobody knows what where it was not read', () => {
    const { parts, study, meter } = billed([
      bill('2025-01-31', 30, { units: null }),
      bill('2026-03-01', 30, { units: null }),
    ])
    expect(parts[0].units).toBeCloseTo(300, 9)
    expect([parts[1].units, parts[1].perUnit]).toEqual([null, null])
    expect(billDoubts(study, meter, parts[1], write)[0]).toMatch(/not known/)
  })

  it('one that lies off the meter was estimated', () => {
    const { parts, study, meter } = billed([bill('2025-01-01', 60, { units: 900 })])
    expect(parts[0].guessed).toBe(true)
    expect(billDoubts(study, meter, parts[0], write).join()).toMatch(/Billed 900 kWh, the meter counted 600/)
  })

  it('what a day costs more is use, price and standing charge, to the last coin', () => {
    const money = fc.double({ min: 20, max: 2000, noNaN: true })
    const standing = fc.double({ min: 0, max: 20, noNaN: true })
    const units = fc.double({ min: 1, max: 5000, noNaN: true })
    fc.assert(
      fc.property(
        fc.tuple(money, standing, units),
        fc.tuple(money, standing, units),
        fc.integer({ min: 7, max: 370 }),
        (a, b, days) => {
          const of = ([m, s, u]: typeof a) => ({ money: m, standing: s, units: u })
          const { parts } = billed([bill('2025-01-01', 30, of(a)), bill('2026-02-01', days, of(b))])
          const change = billChange(parts, parts[1])!
          expect(change.use + change.price + change.standing).toBeCloseTo(change.total, 8)
          expect(change.total).toBeCloseTo(b[0] / days - a[0] / 30, 8)
        },
      ),
    )
  })

  it('the same use at a higher price is all price, and more at the same price all use', () => {
    const { parts } = billed([
      bill('2024-01-01', 50, { money: 60, units: 500 }),
      bill('2025-01-05', 50, { money: 85, units: 500 }),
    ])
    expect(billChange(parts, parts[1])).toMatchObject({ use: 0, standing: 0 })
    const more = billed([
      bill('2024-01-01', 50, { money: 60, units: 500 }),
      bill('2025-01-05', 50, { money: 110, units: 1000 }),
    ]).parts
    const change = billChange(more, more[1])!
    expect(change.price).toBeCloseTo(0, 12)
    expect(change.use).toBeCloseTo(1, 12)
  })

  it('is held against the same season of the year before where there is one', () => {
    const { parts } = billed([bill('2024-01-03', 30), bill('2024-07-01', 30), bill('2025-01-01', 30)])
    expect(billChange(parts, parts[2])!.from.from).toBe('2024-01-03')
    expect(billChange(parts, parts[1])!.from.from).toBe('2024-01-03')
    expect(billChange(parts, parts[0])).toBeNull()
  })

  it('its price is taken with its standing charge and its day', () => {
    const { parts, study, meter } = billed([bill('2025-01-01', 73, { money: 130, standing: 20, units: 500 })])
    expect(priceByBill(study, meter, parts[0])!.apart).toBe(true)
    const taken = withBillPrice(study, meter, parts[0])
    const tariff = taken.prices.carriers['natural-gas']!
    expect(tariff.price / tariff.kwhPerUnit).toBeCloseTo(0.22, 9)
    expect([tariff.standingPerYear, tariff.asOf]).toEqual([100, '2025-03-15'])
    expect(priceByBill(taken, meter, parts[0])!.apart).toBe(false)
  })

  it('use between two days is what its periods have, and none where a day is missing', () => {
    const periods = [
      { from: '2025-01-01', to: '2025-01-11', days: 10, perDay: 2 },
      { from: '2025-01-11', to: '2025-01-21', days: 10, perDay: 4 },
    ]
    expect(usedBetween(periods, '2025-01-06', '2025-01-16')).toBe(5 * 2 + 5 * 4)
    expect(usedBetween(periods, '2025-01-06', '2025-01-22')).toBeNull()
    expect(usedBetween(periods, '2025-01-06', '2025-01-06')).toBeNull()
  })
})

describe('what is said of bills and meters', () => {
  it('is in the words of the trade and in the units of the study', () => {
    const bad = bill('2025-01-31', 30, { units: 90_000, money: 900 })
    const doubts = (study: typeof hillTown, parts: ReturnType<typeof billsOf>, meter: Meter) => {
      const own = displayOf(study)
      const change = billChange(parts, parts.at(-1)!)
      return [...parts.flatMap((p) => billDoubts(study, meter, p, own)), ...(change ? [changeText(change, own)] : [])]
    }
    const { study, meter } = billed([
      bill('2025-01-01', 30, { units: null }),
      bad,
      bill('2027-01-31', 30, { units: null }),
    ])
    const us = changed(study, (s) => void Object.assign(s, { units: 'us', energyIn: 'therm' }))
    for (const of of [study, us]) {
      const texts = doubts(of, billsOf(of, meter), meter)
      expect(texts.length).toBeGreaterThan(2)
      for (const text of texts) expect(text).not.toMatch(NEVER_SAY)
      for (const text of texts) expect(text).not.toMatch(of === us ? METRIC_UNITS : US_UNITS)
    }
  })
})

describe('meters and bills of any household', () => {
  it('are told in figures, or not at all', () => {
    const broken = /NaN|Infinity|undefined|\[object/
    fc.assert(
      fc.property(randomStudy, (study) => {
        const own = displayOf(study)
        for (const meter of study.verification.meters) {
          const parts = billsOf(study, meter)
          for (const p of parts) {
            const change = billChange(parts, p)
            expect([...billDoubts(study, meter, p, own), change ? changeText(change, own) : ''].join()).not.toMatch(
              broken,
            )
            const { prices } = withBillPrice(study, meter, p)
            for (const tariff of Object.values(prices.carriers)) expect(tariff.price).toSatisfy(Number.isFinite)
          }
          const verified = verifySaving(study, meter, '2025-03-15', 100)
          expect(verifiedSentences(verified, meter, 100, own).join()).not.toMatch(broken)
        }
        const plan = study.heating?.steps
        if (plan) expect(flowNextText(flowNext(flowStepsOf(study, plan)), own, '2026-03-02')).not.toMatch(broken)
      }),
      { numRuns: 100 },
    )
  })
})

describe('an amount by the hours of its heaters', () => {
  // The boiler of the hill town gives 24 kW; another fuel heats the rooms here, so that its gas is hot water alone.
  const kw = hillTown.plant.heaters.reduce((s, h) => s + ('outputKw' in h ? h.outputKw : 0), 0)
  const apart = changed(hillTown, (s) => void (s.site.heating.carrier = 'electricity'))
  const says = (study: typeof hillTown, hoursADay: number, days: number) =>
    plausible(study, { of: 'natural-gas' }, hoursADay * kw * days, days).verdict

  it('that no burner can burn is too much', () => {
    expect(says(hillTown, 25, 30)).toBe('too much')
    expect(says(hillTown, 23, 30)).toBeNull()
  })
  it('that only a year explains is asked after where the meter heats no rooms', () => {
    expect(says(apart, 10, 30)).toBe('a year')
    expect(says(hillTown, 10, 30)).toBeNull()
  })
  it('of a year that only a month explains is asked after', () => {
    expect(says(apart, 0.1, 365)).toBe('a month')
    expect(says(apart, 1, 365)).toBeNull()
  })
  it('of water is not judged', () => {
    expect(plausible(hillTown, { of: 'water' }, 9e9, 1)).toEqual({ hoursADay: null, verdict: null })
  })
})
