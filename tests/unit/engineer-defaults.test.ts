import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Climate, CLIMATES } from '../../core/climate/archetypes'
import { blankStudy } from '../../core/household/defaults/blank'
import { currencyIn, movedTo, PRICES_FROM, pricesIn, withDefaults } from '../../core/household/engineer/begin-with'
import {
  DEFAULTS_VERSION,
  EngineerDefaults,
  LARGEST_DEFAULTS,
  NO_DEFAULTS,
  readDefaults,
  readDefaultsText,
  writeDefaults,
} from '../../core/household/engineer/defaults'
import { FIRST_ANSWERS } from '../../core/household/quick-start/answers'
import { quickStart } from '../../core/household/quick-start/begin'
import { type Region, REGIONS } from '../../core/household/quick-start/regions'
import { THERMOMETER_NAMES } from '../../core/instruments/thermometers'
import { beginMeasure } from '../../core/measures/begin'
import { BILLED, type BillUnit } from '../../core/money/billing'
import { CARRIERS } from '../../core/money/carriers'
import { waterPerM3 } from '../../core/money/tariff'
import { MATERIALS, sizesOf } from '../../core/pipes/catalogue'
import { Study } from '../../core/study/study'

const mine: EngineerDefaults = {
  ...NO_DEFAULTS,
  name: 'Ada Quill',
  mark: 'Quill Heating',
  region: 'poland',
  climate: 'cold inland',
  currency: null,
  carriers: { 'natural-gas': { unit: 'm3', kwhPerUnit: BILLED['natural-gas'].m3!, price: 3.4 } },
  water: { unit: 'litre', price: 0.006, sewer: null },
  pricesAsOf: '2026-03-01',
  insulation: { lambdaWMK: 0.037, thicknessMm: 30 },
  pipes: {
    trunk: { material: 'multilayer', size: '26x3' },
    branch: null,
    small: { material: 'multilayer', size: '16x2' },
  },
}

const pipe = fc
  .constantFrom(...MATERIALS)
  .chain((material) => fc.constantFrom(...sizesOf(material)).map((size) => ({ material, size: size as string })))
const some = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: null })
const price = fc.double({ min: 0, max: 500, noNaN: true })
/** Whatever an engineer may have. */
const anyones: fc.Arbitrary<EngineerDefaults> = fc.record({
  format: fc.constant('bagno-defaults' as const),
  version: fc.constant(DEFAULTS_VERSION),
  instrument: some(
    fc.record({ thermometer: fc.constantFrom(...THERMOMETER_NAMES), checkedOn: some(fc.constant('2026-03-01')) }),
  ),
  name: fc.string({ maxLength: 60 }).map((s) => s.trim()),
  mark: fc.string({ maxLength: 58 }).map((s) => s.trim()),
  region: some(fc.constantFrom(...(Object.keys(REGIONS) as Region[]))),
  climate: some(fc.constantFrom(...(Object.keys(CLIMATES) as Climate[]))),
  currency: some(fc.constantFrom('JPY', 'EUR', 'PLN', 'USD')),
  carriers: fc.subarray([...CARRIERS]).chain((of) =>
    fc.record(
      Object.fromEntries(
        of.map((c) => [
          c,
          fc.tuple(price, fc.constantFrom(...(Object.keys(BILLED[c]) as BillUnit[]))).map(([p, unit]) => ({
            ...{ unit, kwhPerUnit: BILLED[c][unit]!, price: p },
          })),
        ]),
      ),
    ),
  ),
  water: some(
    fc.record({
      unit: fc.constantFrom('m3' as const, 'litre' as const, 'hundred-ft3' as const, 'thousand-gal' as const),
      price: some(fc.double({ min: 0, max: 1, noNaN: true })),
      sewer: some(fc.double({ min: 0, max: 1, noNaN: true })),
    }),
  ),
  pricesAsOf: some(fc.constantFrom('2026-01-31', '2024-02-29')),
  insulation: some(
    fc.record({
      lambdaWMK: fc.double({ min: 0.01, max: 0.2, noNaN: true }),
      thicknessMm: fc.double({ min: 0, max: 200, noNaN: true }),
    }),
  ),
  book: fc.dictionary(
    fc.string({ minLength: 1, maxLength: 80 }).filter((key) => !key.includes('.')),
    fc
      .tuple(
        price,
        price,
        price,
        fc.constantFrom('Foam; "self-sealing", 22 mm', '  Work', 'Zeile\nzwei'),
        fc.string({ maxLength: 40 }),
      )
      .map(([a, b, c, name, unit]) => {
        const [low, likely, high] = [a, b, c].sort((x, y) => x - y)
        return { name: name.trim(), unit, low, likely, high }
      }),
    { maxKeys: 6 },
  ),
  pipes: fc.record({ trunk: some(pipe), branch: some(pipe), small: some(pipe) }),
}) as fc.Arbitrary<EngineerDefaults>

describe('what an engineer begins every household with', () => {
  const study = quickStart('household', { ...FIRST_ANSWERS, region: 'poland' }, mine)

  it('puts prices, name and pipe into a new household, all still assumed', () => {
    expect(study.controls.by).toBe('Ada Quill, Quill Heating')
    const gas = study.prices.carriers['natural-gas']!
    expect(gas).toMatchObject({ unit: 'm3', price: 3.4, source: PRICES_FROM, asOf: '2026-03-01' })
    expect(study.origins['prices.carriers.natural-gas.price']).toBe('assumed')
    // What was not said of sewerage goes on being what it was, by the litre now.
    const usual = quickStart('household', { ...FIRST_ANSWERS, region: 'poland' }).prices.water
    expect(study.prices.water.price).toBe(0.006)
    expect(study.prices.water.sewer).toBeCloseTo(usual.sewer / 1000, 8)
    const sizes = new Map(study.pipes.runs.map((r) => [r.id, `${r.material} ${r.size}`]))
    expect(sizes.get('trunk')).toBe('multilayer 26x3')
    expect(sizes.get('to-basin')).toBe('multilayer 16x2')
    expect(sizes.get('to-shower')).toBe('copper-en 15')
  })

  it('never brings prices of one currency into another', () => {
    const swiss = quickStart('household', { ...FIRST_ANSWERS, region: 'switzerland' }, mine)
    expect(swiss.prices).toEqual(quickStart('household', { ...FIRST_ANSWERS, region: 'switzerland' }).prices)
    const yen = { ...mine, currency: 'JPY' }
    expect(currencyIn('poland', yen)).toBe('JPY')
    expect(currencyIn('switzerland', yen)).toBe('CHF')
    expect(withDefaults(blankStudy('b', 'metric', 'JPY'), yen).prices.carriers['natural-gas']!.price).toBe(3.4)
  })

  it('prices of an engineer who said no place are in the currency that is shown beside them', () => {
    const nowhere = { ...mine, region: null }
    expect(pricesIn(nowhere)).toBe('EUR')
    expect(quickStart('household', FIRST_ANSWERS, nowhere).prices.carriers['natural-gas']!.price).toBe(3.4)
    const abroad = quickStart('household', { ...FIRST_ANSWERS, region: 'britain' }, nowhere)
    expect(abroad.prices.carriers['natural-gas']!.source).not.toBe(PRICES_FROM)
  })

  it('leaves prices behind with their currency, and only then', () => {
    expect(movedTo(mine, { region: 'sweden' })).toMatchObject({ carriers: {}, water: null, pricesAsOf: null })
    expect(movedTo(mine, { currency: 'EUR' }).carriers).toEqual({})
    expect(movedTo(mine, { climate: 'high mountain' }).carriers).toEqual(mine.carriers)
    const euro = { ...mine, region: 'europe' as const }
    expect(movedTo(euro, { region: null }).carriers).toEqual(mine.carriers)
  })

  it('a bill goes before the price of the region', () => {
    const billed = quickStart(
      'household',
      { ...FIRST_ANSWERS, region: 'poland', price: { unit: 'kwh', perUnit: 0.29 } },
      mine,
    )
    expect(billed.prices.carriers['natural-gas']).toMatchObject({ unit: 'kwh', price: 0.29 })
    expect(billed.origins['prices.carriers.natural-gas.price']).toBeUndefined()
    expect(billed.prices.carriers['natural-gas']!.source).not.toBe(PRICES_FROM)
  })

  it('wraps pipes with what is in the van', () => {
    const measure = beginMeasure(study, 'insulate-runs', 'wrap', mine.insulation)
    expect(measure.insulation).toEqual(mine.insulation)
    expect(measure.name).toBe('Insulate pipes, 30 mm')
    expect(beginMeasure(study, 'insulate-runs', 'wrap').insulation.thicknessMm).not.toBe(30)
  })

  it('any of them give a sound household in every region, and come back from a file as they were', () =>
    fc.assert(
      fc.property(anyones, fc.constantFrom(...(Object.keys(REGIONS) as Region[])), (own, region) => {
        expect(readDefaultsText(writeDefaults(own))).toEqual({ ok: true, value: own })
        for (const begun of [
          quickStart('household', { ...FIRST_ANSWERS, region, layout: 'circulation' }, own),
          withDefaults(blankStudy('household', REGIONS[region].units, currencyIn(region, own)), own),
        ]) {
          const read = Study.safeParse(begun)
          expect(read.error?.issues ?? []).toEqual([])
          expect(Number.isFinite(waterPerM3(begun.prices.water))).toBe(true)
          expect(begun.prices.currency).toBe(currencyIn(region, own))
        }
      }),
      { numRuns: 120 },
    ))

  it.each([
    ['a study', JSON.stringify(blankStudy('b')), 'format'],
    ['what is no JSON', '{', undefined],
    ['a newer version', JSON.stringify({ ...NO_DEFAULTS, version: DEFAULTS_VERSION + 1 }), 'version'],
    [
      'a size that a material has not',
      JSON.stringify({
        ...NO_DEFAULTS,
        pipes: { ...NO_DEFAULTS.pipes, trunk: { material: 'copper-en', size: '26x3' } },
      }),
      'pipes › trunk › size',
    ],
    [
      'a price below nought',
      JSON.stringify({ ...mine, carriers: { electricity: { unit: 'kwh', kwhPerUnit: 1, price: -1 } } }),
      'carriers › electricity › price',
    ],
    ['what is far too large', ' '.repeat(LARGEST_DEFAULTS + 1), undefined],
    ['null', 'null', 'format'],
  ])('refuses %s and names the field', (_, text, path) => {
    const read = readDefaultsText(text)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.faults[0].path || undefined).toBe(path)
  })

  it('a document that is none is refused, whatever it is', () =>
    fc.assert(fc.property(fc.jsonValue(), (value) => void expect(readDefaults(value).ok).toBe(false))))
})
