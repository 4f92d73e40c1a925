import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { courtFlat } from '../../core/demos/court-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { withoutPackage } from '../../core/household/edits/packages'
import { applyAll } from '../../core/measures/apply'
import { beginMeasure } from '../../core/measures/begin'
import { jobsOf } from '../../core/measures/jobs'
import { claimsTogether, judgedClaim } from '../../core/scenarios/claims'
import { type Ranges, rangesOf, sampleYears, samplingOf } from '../../core/scenarios/ranges'
import type { Claim } from '../../core/study/claims'
import { displayOf } from '../../core/study/display-of'
import { Study } from '../../core/study/study'
import { wordsOf } from '../../core/study/words-of'
import { claimSentences, claimText } from '../../core/views/claim-words'
import { compared } from '../../core/views/compare'
import { comparisonCsv } from '../../core/views/comparison-csv'
import { columnOf, isSame, linesOf } from '../../core/views/side-by-side'
import { cameInKwh, energyGoes } from '../../core/year/account/where-it-goes'
import { drawnL, purchasedKwh, type YearResult } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { randomStudy, yearOrNull } from '../../proof/random-study'

const [pack] = courtFlat.packages
const year = simulate(courtFlat)
const claim: Claim = {
  id: 'c',
  who: 'Leaflet of Fern Energy',
  on: null,
  tag: 'hearsay',
  percent: 20,
  upTo: false,
  of: 'cost',
  per: 'year',
  packageId: pack.id,
}
const sampling = samplingOf(courtFlat, 8)
const ranges: Ranges = rangesOf(
  sampling,
  Array.from({ length: 8 }, (_, i) => sampleYears(courtFlat, pack, sampling, i)),
)!
const saving = ranges.savings!.cost
const at = (money: number): Claim => ({ ...claim, percent: (100 * money) / year.cost.total })

describe('what is claimed', () => {
  it.each([
    ['plausible', at(saving.p50)],
    ['optimistic', at(saving.p90 + 1)],
    ['cautious', at(saving.p10 - 1)],
    ['of what?', { ...claim, of: null }],
    ['per what?', { ...claim, per: null }],
    // A share of one use is none of the year.
    ['per what?', { ...claim, per: 'use' as const }],
  ])('is %s', (verdict, one) => {
    const judged = judgedClaim(one, year, pack, ranges)
    expect(judged.verdict).toBe(verdict)
    const told = [claimText(one), ...claimSentences(one, judged, displayOf(courtFlat))].join(' ')
    expect(told).not.toMatch(/NaN|undefined|null/)
  })

  it('is not judged without a range, but what no jacket can save is out of reach', () => {
    expect(judgedClaim(at(saving.p50), year, pack, null).verdict).toBe('not judged')
    const jacket = { ...pack, measures: [beginMeasure(courtFlat, 'jacket', 'j')] }
    const wide = judgedClaim({ ...claim, of: 'energy', percent: 90 }, year, jacket, null)
    expect(wide.verdict).toBe('out of reach')
    // All that stands in the cylinder and goes up the flue.
    const goes = energyGoes(year)
    expect(wide.reach).toBeCloseTo(((goes.standing + goes.conversion) / cameInKwh(year)) * purchasedKwh(year), 6)
    // Half of the water is not within the reach of what only shortens pipes.
    expect(judgedClaim({ ...claim, of: 'water', percent: 50 }, year, jacket, null).verdict).toBe('out of reach')
    expect(judgedClaim({ ...claim, packageId: null }, year, null, null)).toMatchObject({
      verdict: 'not judged',
      reach: null,
    })
  })

  it('“up to” says what is to be expected', () => {
    const judged = judgedClaim({ ...at(2 * saving.p50), upTo: true }, year, pack, ranges)
    const expected = ((100 * saving.p50) / year.cost.total).toFixed(1)
    expect(claimSentences({ ...at(2 * saving.p50), upTo: true }, judged, displayOf(courtFlat)).at(-1)).toBe(
      `A ceiling: expect the median, ${Number(expected)}%.`,
    )
  })

  it.each(DEMOS.map((d) => [d.study.id, d.study] as const))(
    'never puts out of reach what a package of %s does',
    (_, s) => {
      const now = simulate(s)
      for (const p of s.packages) {
        const then = simulate(applyAll(s, p.measures))
        const saved = { cost: now.cost.total - then.cost.total, energy: purchasedKwh(now) - purchasedKwh(then) }
        for (const of of ['cost', 'energy'] as const) {
          const { reach } = judgedClaim({ ...claim, of }, now, p, null)
          expect(reach!, `${p.name}, ${of}`).toBeGreaterThanOrEqual(saved[of])
        }
      }
    },
  )

  it('of one base compounds, of a part counts by its weight', () => {
    const of = (base: Claim['of'], percent: number): Claim => ({ ...claim, of: base, percent })
    expect(claimsTogether([of('energy', 20), of('energy', 15)], year)).toEqual({
      added: expect.closeTo(0.35, 9) as number,
      compounded: expect.closeTo(0.32, 9) as number,
    })
    const { added, compounded } = claimsTogether([of('standing-loss', 50), of('energy', 10)], year)!
    const weight = (added - 0.1) / 0.5
    expect(weight).toBeGreaterThan(0)
    expect(weight).toBeLessThan(1)
    expect(compounded).toBeCloseTo(1 - 0.9 * (1 - weight * 0.5), 9)
    expect(claimsTogether([of('energy', 20), { ...of('energy', 20), per: null }], year)).toBeNull()
  })

  it('together is never more than added up, nor more than all there is', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            percent: fc.double({ min: 0, max: 100, noNaN: true }),
            of: fc.constantFrom('energy' as const, 'standing-loss' as const, 'pipe-loss' as const),
          }),
          { minLength: 2, maxLength: 8 },
        ),
        (all) => {
          const { added, compounded } = claimsTogether(
            all.map((c) => ({ ...claim, ...c })),
            year,
          )!
          expect(compounded).toBeLessThanOrEqual(Math.min(1, added) + 1e-9)
          expect(compounded).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })

  it('of random households is judged with figures that are some', () => {
    fc.assert(
      fc.property(
        randomStudy.filter((s) => s.claims.length > 0 && (s.plant.store?.litres ?? 100) >= 80),
        (study) => {
          const now = yearOrNull(study)
          if (now)
            for (const c of study.claims) {
              const judged = judgedClaim(c, now, study.packages.find((p) => p.id === c.packageId) ?? null, null)
              expect([judged.claimed, judged.reach].every((x) => x === null || (Number.isFinite(x) && x >= 0))).toBe(
                true,
              )
            }
        },
      ),
      { numRuns: 6 },
    )
  })

  it('keeps the words of whoever made it, in any units', () => {
    const us = { ...courtFlat, units: 'us' as const, claims: [{ ...claim, who: 'Tap and cylinder shop' }] }
    expect(wordsOf(us)(claimText(us.claims[0]))).toContain('Tap and cylinder shop')
  })

  it('is about no package once that is gone', () => {
    const study = { ...courtFlat, claims: [claim] }
    expect(Study.safeParse({ ...study, packages: [] }).success).toBe(false)
    const without = withoutPackage(study, pack.id)
    expect(without.claims[0].packageId).toBeNull()
    expect(Study.safeParse(without).success).toBe(true)
  })
})

describe('a comparison', () => {
  const years = new Map(jobsOf(courtFlat).map((j) => [j.key, simulate(j.study)]))
  const comparison = compared(courtFlat, years)

  it('as separated values has every saving, its range, every part, and is of figures only', () => {
    const text = comparisonCsv(courtFlat, comparison, () => ranges)
    const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true })
    expect(errors).toEqual([])
    const total = data.find((r) => r.figure === 'Annual cost' && r.measure === '')!
    expect(Number(total['with package'])).toBeCloseTo(comparison.packages[0].result.cost.total, 6)
    expect(Number(total.P50)).toBeCloseTo(saving.p50, 6)
    const inOrder = data.filter((r) => r.figure === 'Annual cost' && r.measure !== '')
    expect(inOrder.reduce((s, r) => s + Number(r['in this order']), 0)).toBeCloseTo(Number(total['in this order']), 6)
    expect(data.some((r) => r.from === 'not priced' && r.likely === '')).toBe(true)
    const unit = data.find((r) => r.from === 'offer')!
    expect([unit.low, unit.likely, unit.high, unit.P50]).toEqual(['480', '480', '480', ''])
    expect(text).not.toMatch(/NaN|undefined/)
  })

  it('tells no waits where nothing waits, and is in the words and units of its study', () => {
    const quiet = (year: YearResult) => ({ ...year, comfort: { ...year.comfort, waiting: 0 } })
    const [only] = comparison.packages
    const none = comparisonCsv(
      courtFlat,
      { ...comparison, asFound: quiet(comparison.asFound), packages: [{ ...only, result: quiet(only.result) }] },
      () => null,
    )
    expect(none).not.toMatch(/time to tap|Unmet/)
    const us = { ...courtFlat, units: 'us' as const }
    const text = comparisonCsv(us, comparison, () => null)
    expect(text).toMatch(/Unmet draws/)
    const { data } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true })
    const water = data.find((r) => r.figure === 'Water')!
    expect(water.unit).toBe('gal/yr')
    expect(Number(water['as found'])).toBeCloseTo(drawnL(comparison.asFound.water) / 3.785411784, 1)
  })

  it('of random households is of figures, in every table', () => {
    fc.assert(
      fc.property(
        randomStudy.filter((s) => s.packages.length > 0 && (s.plant.store?.litres ?? 100) >= 80),
        (study) => {
          const packages = study.packages.map((p) => ({ ...p, measures: p.measures.slice(0, 1) }))
          const small = { ...study, packages }
          const years = jobsOf(small).map((j) => [j.key, yearOrNull(j.study)] as const)
          if (years.some(([, year]) => year === null)) return
          const known = new Map(years.map(([key, year]) => [key, year!]))
          const made = compared(small, known)
          const now = made.asSet?.result ?? made.asFound
          const columns = made.packages.map((p, i) => columnOf(small, packages[i], now, p.result, []))
          const text = [
            comparisonCsv(small, made, () => null),
            JSON.stringify(linesOf(small, now, columns, displayOf(small))),
          ].join()
          expect(text).not.toMatch(/NaN|undefined|Infinity/)
        },
      ),
      { numRuns: 2 },
    )
  })

  it('side by side says the same as the comparison, and knows what is the same', () => {
    const { result } = comparison.packages[0]
    const column = columnOf(courtFlat, pack, comparison.asFound, result, [])
    const lines = linesOf(courtFlat, comparison.asFound, [column, column], displayOf(courtFlat))
    const cell = (name: string) => lines.find((l) => l.name === name)!
    expect(cell('Annual cost').cells[1]).toBe(displayOf(courtFlat).money(result.cost.total))
    expect(cell('Cost').cells).toEqual(['', 'not fully priced', 'not fully priced'])
    expect(isSame(cell('Annual cost'))).toBe(false)
    expect(isSame(cell('Saving'))).toBe(true)
    expect(lines.some((l) => l.name.startsWith('Net present value'))).toBe(false)
    const priced = columnOf(hillTown, hillTown.packages[0], comparison.asFound, result, [])
    expect(
      linesOf(hillTown, comparison.asFound, [priced], displayOf(hillTown)).some((l) =>
        l.name.startsWith('Net present'),
      ),
    ).toBe(true)
  })
})
