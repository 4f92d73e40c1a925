import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hillTown } from '../../core/demos/hill-town'
import type { Study } from '../../core/study/study'
import { simulate } from '../../core/year/simulate'
import { finite, MOST_WORK, YearRefused } from '../../core/year/work'
import { EXTREMES, extremeStudy } from '../../proof/extreme-studies'

/** A year, or the plain reason why there is none; anything else is a fault of the engine. */
function outcome(study: Study, mostWork: number): 'year' | 'refused' {
  try {
    expect(Number.isFinite(simulate(study, { mostWork }).cost.total)).toBe(true)
    return 'year'
  } catch (error) {
    if (!(error instanceof YearRefused)) throw error
    expect(error.message).toMatch(/draw-offs a year; accepts up to|Simulation stopped on day \d+/)
    return 'refused'
  }
}

describe('a year', () => {
  it.each(EXTREMES)('of %s ends, in a year or in a reason', (_, study) => {
    const from = performance.now()
    outcome(study, MOST_WORK / 40)
    // A fortieth of what is allowed: not a measure of speed, but a year that hangs is seen.
    expect(performance.now() - from).toBeLessThan(60_000)
  })

  it('of any sound study ends, however its figures are thrown to the ends of what is taken', () => {
    fc.assert(
      fc.property(extremeStudy, (study) => void outcome(study, MOST_WORK / 200)),
      { numRuns: 60 },
    )
  })

  it('of more than five hundred draws a day is refused with the number of them', () => {
    const study = EXTREMES.find(([name]) => name === '20,000 draws a day')![1]
    expect(() => simulate(study)).toThrow('give up to 7,320,000 draw-offs a year; accepts up to 200,000')
  })

  it('of a demo is far from the limit of its work', () => {
    expect(() => simulate(hillTown, { mostWork: MOST_WORK / 12 })).not.toThrow()
    expect(() => simulate(hillTown, { mostWork: MOST_WORK / 1000 })).toThrow(/stopped on day \d+/)
  })

  it('never shows what is no figure', () => {
    expect(finite(3)).toBe(3)
    for (const x of [NaN, Infinity, -Infinity]) expect(() => finite(x)).toThrow(YearRefused)
  })
})
