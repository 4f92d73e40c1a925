import fc from 'fast-check'
import { mean, sampleStandardDeviation } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { DOUBT_LEFT } from '../../core/household/usual-doubt'
import { applyAll } from '../../core/measures/apply'
import { adopt } from '../../core/readings/adopt'
import { canTake, KINDS } from '../../core/readings/kinds'
import {
  rangesOf,
  sampleOf,
  type SampleYears,
  sampleYears,
  type Sampling,
  samplingOf,
  spreadOf,
} from '../../core/scenarios/ranges'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { paybackRangeText } from '../../core/views/payback-words'
import { figureRows } from '../../core/views/year-figure-words'
import { figuresOfYear, YEAR_FIGURES } from '../../core/year/figures'
import { simulate } from '../../core/year/simulate'
import { EXTREMES } from '../../proof/extreme-studies'
import { randomStudy } from '../../proof/random-study'
import { changed, readingOf } from '../../proof/studies'

const pack = harbourFlat.packages[0]
const yearsOf = (study: Study, sampling: Sampling) =>
  sampling.steps.map((_, i) => sampleYears(study, study.packages[0] ?? null, sampling, i)!)
const ranged = (sampling: Sampling, years: readonly (SampleYears | null)[]) => rangesOf(sampling, years)!
const unsure = samplingOf(harbourFlat, 32, 1)
const years = yearsOf(harbourFlat, unsure)
const variance = (xs: number[]) => sampleStandardDeviation(xs) ** 2

describe('samples of what a household may be', () => {
  it('spread every figure evenly about what stands there, the same for one seed', () => {
    unsure.figures.forEach((_, k) => {
      const column = unsure.steps.map((row) => row[k])
      expect(mean(column)).toBeCloseTo(0, 1)
      expect(sampleStandardDeviation(column)).toBeGreaterThan(0.9)
      expect(sampleStandardDeviation(column)).toBeLessThan(1.1)
    })
    expect(samplingOf(harbourFlat, 32, 1).steps).toEqual(unsure.steps)
    expect(samplingOf(harbourFlat, 32, 2).steps).not.toEqual(unsure.steps)
  })

  it('are households that a file could hold, of any household', () => {
    fc.assert(
      fc.property(randomStudy, fc.integer(), (study, seed) => {
        const sampling = samplingOf(study, 8, seed)
        for (let i = 0; i < 8; i++) {
          const read = readStudy(sampleOf(study, sampling, i))
          expect(read.ok ? [] : read.faults).toEqual([])
        }
      }),
      { numRuns: 20 },
    )
  })
})

describe('a range', () => {
  it('is no wider than its doubts: with none it is the figure', () => {
    const sure = { ...unsure, steps: unsure.steps.slice(0, 3).map((row) => row.map(() => 0)) }
    const { year, savings } = ranged(sure, yearsOf(harbourFlat, sure))
    const [now, then] = [harbourFlat, applyAll(harbourFlat, pack.measures)].map((s) => figuresOfYear(simulate(s)))
    for (const key of Object.keys(now) as (keyof typeof now)[]) {
      expect([year[key].p10, year[key].p90]).toEqual([now[key], now[key]])
      expect([savings![key].p10, savings![key].p90]).toEqual([now[key] - then[key], now[key] - then[key]])
    }
  })

  it('has a middle that moves within what it says when the sample is doubled', () => {
    const more = samplingOf(harbourFlat, 64, 2)
    const [few, many] = [ranged(unsure, years), ranged(more, yearsOf(harbourFlat, more))]
    for (const of of ['year', 'savings'] as const) {
      const { p50, p50Within } = few[of]!.cost
      expect(Math.abs(many[of]!.cost.p50 - p50)).toBeLessThan(p50Within)
      expect(many[of]!.cost.p50Within).toBeLessThan(p50Within)
    }
  })

  it('is narrower for years in pairs than for years that are not', () => {
    const paired = variance(years.map((y) => y.base.cost - y.then!.cost))
    const apart = variance(years.map((y, i) => y.base.cost - years[(i + 1) % years.length].then!.cost))
    expect(paired).toBeLessThan(apart / 100)
  })

  it('tells one in ten below and one in ten above', () => {
    const { p10, p50, p90 } = spreadOf(Array.from({ length: 1001 }, (_, i) => i))
    expect([p10, p50, p90]).toEqual([100, 500, 900])
  })

  it('holds what a household really saves, eight times of ten', () => {
    const { p10, p90 } = ranged(unsure, years).savings!.cost
    const truths = samplingOf(harbourFlat, 10, 77)
    const saved = yearsOf(harbourFlat, truths).map((y) => y.base.cost - y.then!.cost)
    expect(saved.filter((s) => s >= p10 && s <= p90).length).toBeGreaterThanOrEqual(8)
  })

  it('leaves out samples that the engine refuses, and says how many; of too few left it says nothing', () => {
    const { samples, refused, year } = ranged(unsure, [null, ...years, null])
    expect([samples, refused]).toEqual([years.length, 2])
    expect(year).toEqual(ranged(unsure, years).year)
    expect(rangesOf(unsure, [null, years[0], null])).toBeNull()
  })

  it('tells nothing of waits where no draw waits', () => {
    const nobody = changed(harbourFlat, (s) => void (s.people.uses = []))
    const sampling = samplingOf(nobody, 8)
    const { waiting, year } = ranged(sampling, yearsOf(nobody, sampling))
    expect(waiting).toBe(0)
    expect(figureRows(waiting).map((row) => row.key)).toEqual(['cost', 'inputKwh', 'waterL', 'co2Kg'])
    expect(year.cost.p90).toBeGreaterThan(0)
    expect(figureRows(ranged(unsure, years).waiting, 'by carrier')).toHaveLength(YEAR_FIGURES.length)
  })

  it('pays back between its ends, never where it may save nothing, and is not priced where nobody asked', () => {
    const saving = spreadOf([100, 200, 300, 400, 500])
    const thousand = { low: 1000, likely: 1000, high: 1000 }
    expect(paybackRangeText(thousand, { ...saving, p10: 150, p90: 400 })).toBe('2.5 to 6.7 years')
    expect(paybackRangeText(thousand, { ...saving, p10: -5, p90: 400 })).toBe('2.5 years to never')
    // The cheapest with the most saved, the dearest with the least.
    expect(paybackRangeText({ low: 900, likely: 1000, high: 1500 }, { ...saving, p10: 150, p90: 450 })).toBe(
      '2.0 to 10.0 years',
    )
    expect(paybackRangeText(null, saving)).toBe('not priced')
  })
})

describe('what is in doubt', () => {
  const doubted = (study: Study) =>
    new Map(samplingOf(study, 8).figures.map((f) => [f.kind.name, Math.max(...f.at.map((a) => a.left))]))
  const name = 'cold main temperature'

  it('of a cold main is its months where they are entered, the air where they are not, and less once they were read', () => {
    const monthly = (origin: 'assumed' | 'measured') =>
      changed(hillTown, (s) => {
        s.site.mains = { kind: 'monthly', monthlyC: Array.from({ length: 12 }, (_, m) => (m < 6 ? 0 : 99)) }
        s.origins['site.mains'] = origin
      })
    expect(doubted(hillTown).get(name)).toBe(DOUBT_LEFT.entered)
    expect(doubted(monthly('assumed')).get(name)).toBe(DOUBT_LEFT.assumed)
    expect(doubted(monthly('measured')).get(name)).toBe(DOUBT_LEFT.measured)
    // At the ends of what water can be it stays there, and moves away from them.
    const sampling = samplingOf(monthly('assumed'), 8)
    const mains = sampling.steps.map((_, i) => sampleOf(monthly('assumed'), sampling, i).site.mains)
    const all = mains.flatMap((m) => (m.kind === 'monthly' ? m.monthlyC : []))
    expect([Math.min(...all), Math.max(...all)]).toEqual([0, 99])
    expect(new Set(all).size).toBeGreaterThan(8)
  })

  it('is settled by no reading that cannot be taken there', () => {
    for (const { study } of DEMOS)
      for (const { reading } of samplingOf(study, 8).figures)
        if (reading)
          expect(
            canTake(
              study,
              KINDS.find((k) => k.kind === reading)!,
            ),
          ).toBe(true)
  })

  // Each fourth of them: all of them take a minute.
  it.each(EXTREMES.filter((_, i) => i % 4 === 0))(
    'at the ends of what is taken makes years of figures, or is refused: %s',
    (_, study) => {
      const sampling = samplingOf(study, 8)
      const one = sampleYears(study, study.packages[0] ?? null, sampling, 0)
      for (const figures of [one?.base, one?.then])
        for (const figure of Object.values(figures ?? {})) expect(figure).toSatisfy(Number.isFinite)
    },
  )
})

describe('what to find out next', () => {
  it('is the reading that narrows the range most, and it does once it is applied', () => {
    const before = samplingOf(hillTown, 16, 1)
    const was = ranged(before, yearsOf(hillTown, before))
    expect(was.next[0].reading).toBe('loop')
    expect(was.next[0].figures).toContain('circulation loss')
    const read = {
      ...hillTown,
      readings: [readingOf('loop', { supplyC: 58, returnC: 52.5, pumpLMin: 4 }, { id: 'now' }), ...hillTown.readings],
    }
    const now = adopt(read, 'now')
    expect(now.pipes.loop!.measuredUaWK).not.toBeNull()
    const after = samplingOf(now, 16, 1)
    const is = ranged(after, yearsOf(now, after))
    const width = ({ savings }: typeof was) => (savings!.cost.p90 - savings!.cost.p10) / savings!.cost.p50
    expect(width(is)).toBeLessThan(width(was) * (1 - was.next[0].narrowsBy / 2))
    expect(is.next.some((n) => n.reading === 'loop' && n.figures.includes('circulation loss'))).toBe(false)
  })
})
