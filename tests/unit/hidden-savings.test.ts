import { expect, it } from 'vitest'
import { applyAll } from '../../core/measures/apply'
import { rangesOf, sampleYears, samplingOf } from '../../core/scenarios/ranges'
import { simulate } from '../../core/year/simulate'
import { madeUpHouse, surveyedByEye } from '../../proof/hidden-savings'

it('what a package really saves lies within the range of a survey by eye in 16 of 20 made-up houses', () => {
  const [pack] = surveyedByEye.packages
  const sampling = samplingOf(surveyedByEye, 32)
  const { savings } = rangesOf(
    sampling,
    sampling.steps.map((_, i) => sampleYears(surveyedByEye, pack, sampling, i)),
  )!
  const truths = Array.from({ length: 20 }, (_, i) => {
    const house = madeUpHouse(i + 1)
    return simulate(house).cost.total - simulate(applyAll(house, pack.measures)).cost.total
  })
  const inside = truths.filter((saved) => saved >= savings!.cost.p10 && saved <= savings!.cost.p90)
  expect(inside.length, `${savings!.cost.p10} to ${savings!.cost.p90}: ${truths.join(', ')}`).toBeGreaterThanOrEqual(16)
  // A range that holds everything says nothing.
  expect(savings!.cost.p90 / savings!.cost.p10).toBeLessThan(4)
})
