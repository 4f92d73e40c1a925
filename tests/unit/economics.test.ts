import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { courtFlat } from '../../core/demos/court-flat'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { inCurrency } from '../../core/household/edits/prices'
import { withBook } from '../../core/household/engineer/begin-with'
import { type EngineerDefaults, NO_DEFAULTS, readDefaults } from '../../core/household/engineer/defaults'
import { HOUR_OF_WORK, lineOf, readBook, upkeepKey, writeBook } from '../../core/household/engineer/price-book'
import { FIRST_ANSWERS } from '../../core/household/quick-start/answers'
import { quickStart } from '../../core/household/quick-start/begin'
import { beginHeatSource, beginMeasure } from '../../core/measures/begin'
import { upkeepOf } from '../../core/measures/bought'
import { costOf, partsOf } from '../../core/measures/parts'
import { pricesToTake, usualParts } from '../../core/measures/price-book'
import { annuity, paidFor, presentWorth, yearlyCost } from '../../core/money/appraisal'
import { offeredAt } from '../../core/study/economics'
import { edited } from '../../core/study/edited'
import type { Measure } from '../../core/study/measures'
import { readStudy } from '../../core/study/read'
import { display } from '../../core/units/display'
import { faultText } from '../../core/units/result'
import { appraised } from '../../core/views/appraisal'
import { appraisalAssumes, appraisalRows } from '../../core/views/appraisal-words'

describe('money over the years', () => {
  it.each([
    // Uniform present worth and capital recovery factors as engineering-economy tables print them.
    [presentWorth(1, 20, 0.03), 14.8775],
    [presentWorth(1, 10, 0.08), 6.7101],
    [annuity(1, 10, 0.1), 0.16275],
    [annuity(1, 20, 0.05), 0.08024],
    // One that grows as fast as it is discounted is worth its years.
    [presentWorth(100, 15, 0.04, 0.04), 1500],
    [presentWorth(100, 3, 0, 0.1), 110 + 121 + 133.1],
    // 1.02 ⁄ 0.01 · (1 − (1.02 ⁄ 1.03)^20), by hand.
    [presentWorth(1, 20, 0.03, 0.02), 18.0812],
  ])('a factor of the tables: %f', (is, table) => expect(is).toBeCloseTo(table, 4))

  it('what lasts exactly as long is bought once, what lasts half as long twice, and the rest of a life counts', () => {
    const bought = { cost: 1000, grant: 0, lifeYears: 20, upkeepAYear: 0 }
    expect(paidFor(bought, 20, 0.03)).toBeCloseTo(1000, 9)
    expect(paidFor({ ...bought, lifeYears: 10 }, 20, 0.03)).toBeCloseTo(1000 + 1000 / 1.03 ** 10, 9)
    expect(paidFor({ ...bought, lifeYears: 40 }, 20, 0.03)).toBeCloseTo(1000 - 500 / 1.03 ** 20, 9)
    // A grant is paid once.
    expect(paidFor({ ...bought, lifeYears: 10, grant: 300 }, 20, 0)).toBeCloseTo(1700, 9)
    expect(paidFor({ ...bought, grant: 5000 }, 20, 0)).toBeCloseTo(0, 9)
  })

  it('over whole lives, what is paid is what it costs a year, year after year', () => {
    fc.assert(
      fc.property(
        fc.record({
          cost: fc.double({ min: 0, max: 1e5, noNaN: true }),
          life: fc.integer({ min: 1, max: 30 }),
          lives: fc.integer({ min: 1, max: 4 }),
          d: fc.double({ min: 0, max: 0.3, noNaN: true }),
          upkeepAYear: fc.double({ min: 0, max: 1000, noNaN: true }),
        }),
        ({ cost, life, lives, d, upkeepAYear }) => {
          const bought = { cost, grant: 0, lifeYears: life, upkeepAYear }
          const paid = paidFor(bought, life * lives, d)
          expect(presentWorth(yearlyCost(bought, d), life * lives, d)).toBeCloseTo(paid, 4)
        },
      ),
    )
  })

  const jacket = { ...beginMeasure(duplex, 'jacket', 'j'), costMoney: 100, lifeYears: 20, upkeepAYear: 0 }
  const saved = { money: 30, kwh: 200, waitedMinutes: 0 }

  it('net present value, cost of a saved kWh and what was assumed', () => {
    const at = (m: Measure, change = {}) =>
      appraised(
        edited(
          duplex,
          (s) => void Object.assign(s.economics, { discountPercent: 3, growthPercent: 0, years: 20, ...change }),
        ),
        [m],
        [costOf(duplex, m)],
        saved,
      )!
    const told = at(jacket)
    expect(told.netPresentValue.likely).toBeCloseTo(30 * 14.8775 - 100, 2)
    expect(told.perSavedKwh).toBeCloseTo(100 / 14.8775 / 200, 6)
    expect([told.usualLife, told.upkeepNotAsked, told.perMinute]).toEqual([[], [], null])
    const granted = at({ ...jacket, grantMoney: 40, lifeYears: null, upkeepAYear: null })
    expect(granted.netCost.likely).toBe(60)
    expect(granted.usualLife).toEqual([jacket.name])
    const write = display('metric', 'EUR', 'kwh')
    expect(appraisalRows(granted, write).map(([name]) => name)).toEqual([
      'Grants',
      'Cost less grants',
      'Net present value, 20 years',
      'Cost a year over its service life',
      'Cost of saved energy',
    ])
    expect(appraisalAssumes(granted, duplex.economics).join(' ')).toMatch(
      /usual.*Usual service life assumed: Jacket.*Upkeep not entered, none counted: Jacket/,
    )
    // What saves nothing but time says what a minute costs.
    expect(
      appraised(duplex, [jacket], [costOf(duplex, jacket)], { money: -20, kwh: -50, waitedMinutes: 100 }),
    ).toMatchObject({ perSavedKwh: null, perMinute: expect.closeTo((20 + annuity(100, 20, 0.03)) / 100, 6) as number })
    expect(appraised(duplex, [{ ...jacket, costMoney: null }], [null], saved)).toBeNull()
  })
})

describe('the price book', () => {
  const wrap = { ...beginMeasure(hillTown, 'insulate-runs', 'w'), id: 'w' }
  const [foam] = partsOf(hillTown, wrap)
  const mine: EngineerDefaults = {
    ...NO_DEFAULTS,
    name: 'Ada Quill',
    pricesAsOf: '2026-03-01',
    book: {
      [foam.key]: { name: foam.name, unit: foam.unit, low: 3, likely: 4, high: 6 },
      [HOUR_OF_WORK.key]: lineOf(HOUR_OF_WORK, 55),
    },
  }

  it('prices parts that have no offer, says so, and leaves offers alone', () => {
    const study = withBook(hillTown, mine)
    const [there] = partsOf(study, wrap)
    expect(there).toMatchObject({ priceFrom: 'price book', priceEach: { low: 3, likely: 4, high: 6 } })
    const offered = { ...wrap, partPrices: { [foam.key]: { low: 5, likely: 5, high: 7 } } }
    expect(partsOf(study, offered)[0]).toMatchObject({ priceFrom: 'offer', priceEach: { low: 5, likely: 5, high: 7 } })
    // Other foam is another part: neither the offer nor the book is for it.
    const thicker = { ...offered, insulation: { ...wrap.insulation, thicknessMm: 30 } }
    expect(partsOf(study, thicker)[0].priceEach).toBeNull()
    const other = { ...offered, insulation: { ...wrap.insulation, lambdaWMK: 0.028 } }
    expect(partsOf(study, other)[0].priceEach).toBeNull()
  })

  it('makes the cost of a measure a range, and hours are paid by the hour', () => {
    const study = withBook(hillTown, mine)
    const priced = {
      ...wrap,
      hours: 3,
      partPrices: Object.fromEntries(
        partsOf(hillTown, wrap)
          .slice(1)
          .map((p) => [p.key, offeredAt(1)]),
      ),
    }
    const parts = partsOf(study, priced)
    expect(parts.find((p) => p.key === HOUR_OF_WORK.key)).toMatchObject({ count: 3, priceEach: { likely: 55 } })
    const pieces = parts.filter((p) => p.key.startsWith('foam ') && p.priceFrom === 'price book')
    const cost = costOf(study, priced)!
    const counted = pieces.reduce((s, p) => s + p.count, 0)
    expect(cost.high - cost.low).toBeCloseTo(3 * counted, 9)
    // A job has a price of its own until its hours are known.
    const pipe = beginMeasure(study, 'repipe', 'r')
    expect(partsOf(study, pipe).at(-1)).toMatchObject({ unit: 'job', priceEach: null })
    expect(partsOf(study, { ...pipe, hours: 2 }).at(-1)).toMatchObject({ unit: 'h', priceEach: { likely: 55 } })
  })

  it('is offered where it has prices that are not taken yet, and only in its currency', () => {
    expect(pricesToTake(hillTown, [wrap], mine)).toEqual([foam.key])
    expect(pricesToTake(withBook(hillTown, mine), [wrap], mine)).toEqual([])
    expect(pricesToTake(inCurrency(hillTown, 'CHF'), [wrap], mine)).toEqual([])
    // The upkeep of a heat source is a price too, unless somebody has said it here.
    const pump = beginHeatSource(hillTown, 'heat-pump', 'instead', 'p')!
    const kept = { ...mine, book: { [upkeepKey('heat-pump')]: lineOf({ name: 'Upkeep', unit: 'yr' }, 90) } }
    expect(pricesToTake(hillTown, [pump], kept)).toEqual([upkeepKey('heat-pump')])
    expect(pricesToTake(hillTown, [{ ...pump, upkeepAYear: 40 }], kept)).toEqual([])
    expect(upkeepOf(pump, withBook(hillTown, kept).economics)).toBe(90)
    expect(upkeepOf({ ...pump, upkeepAYear: 40 }, withBook(hillTown, kept).economics)).toBe(40)
    expect(upkeepOf(pump, hillTown.economics)).toBeNull()
    expect(withBook(inCurrency(hillTown, 'CHF'), mine).economics.book).toEqual({})
    // Prices of one currency go when the household has another.
    expect(inCurrency(withBook(hillTown, mine), 'CHF').economics.book).toEqual({})
    expect(quickStart('household', FIRST_ANSWERS, mine).economics).toMatchObject({
      book: { [foam.key]: { likely: 4 } },
      bookFrom: 'Ada Quill',
      bookAsOf: '2026-03-01',
    })
  })

  it('begins with the parts of usual measures, each once', () => {
    const keys = usualParts(mine).map((p) => p.key)
    expect(new Set(keys).size).toBe(keys.length)
    expect(keys).toEqual(expect.arrayContaining(['labour h', 'head', 'device']))
    expect(keys.some((k) => k.startsWith('foam '))).toBe(true)
  })

  it('goes out as separated values and comes back as it was', () => {
    const read = readBook(writeBook(mine.book))
    expect(read).toEqual({ ok: true, value: mine.book })
  })

  it.each([
    ['name,likely\nFoam,3', /no column "key"/],
    ['key,name,likely\nfoam,Foam,dear', /line 2, low/],
    ['key,name,likely\n,Foam,3', /line 2: no key/],
    ['key,name,likely\na,Foam,3\na,Foam,4', /line 3: "a" stands there twice/],
    ['key,name,low,likely,high\na,Foam,5,4,6', /line 2: low, likely and high in this order/],
    ['key,name,likely\na,Foam,-3', /line 2/],
    ['key,name,likely\na.b,Foam,3', /line 2: the key has a point/],
    ['', /no column/],
  ])('refuses %j by its line', (text, says) => {
    const read = readBook(text)
    expect(read.ok ? '' : read.faults.map(faultText).join('; ')).toMatch(says)
  })

  it('a price alone is low and high too, and a comma may part the decimals', () => {
    expect(readBook('key;name;likely\na;Foam;3,50')).toEqual({
      ok: true,
      value: { a: { name: 'Foam', unit: '', low: 3.5, likely: 3.5, high: 3.5 } },
    })
  })

  it('defaults of before have an empty one', () => {
    const { book: _, ...old } = { ...NO_DEFAULTS, version: 1 }
    expect(readDefaults(old)).toEqual({ ok: true, value: NO_DEFAULTS })
  })
})

describe('prices of version 10', () => {
  it('go with their parts under the names that parts have now', () => {
    const doc = JSON.parse(readFileSync('tests/fixtures/study-v10-court-flat.json', 'utf8')) as {
      packages: { measures: { partPrices: Record<string, number> }[] }[]
    }
    const read = readStudy(doc)
    if (!read.ok) throw new Error(read.faults.map(faultText).join('; '))
    expect(read.value).toEqual(courtFlat)
    const { measures } = read.value.packages[0]
    const priced = measures.flatMap((m) => partsOf(read.value, m)).filter((p) => p.priceFrom === 'offer')
    expect(priced.map((p) => p.priceEach!.likely)).toEqual([480, 9, 32])
  })
})
