import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../../core/demos/index'
import { blankStudy } from '../../core/household/defaults/blank'
import { firstSteps, stationOf } from '../../core/household/first-steps'
import { FIRST_ANSWERS } from '../../core/household/quick-start/answers'
import { quickStart } from '../../core/household/quick-start/begin'
import { canTake, READINGS } from '../../core/readings/kinds'
import { dependsOnAssumed, doubtedIn, together } from '../../core/scenarios/depends-on-assumed'
import { edited } from '../../core/study/edited'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { simulate } from '../../core/year/simulate'
import { randomStudy } from '../../proof/random-study'

const depends = (study: Study) => {
  const doubted = doubtedIn(study)
  return dependsOnAssumed(
    doubted,
    simulate(study),
    doubted.map((d) => simulate(d.study)),
  )
}

describe('what of the annual cost depends on what is assumed', () => {
  it('is nothing where all was entered', () => {
    for (const { study } of DEMOS) expect(doubtedIn({ ...study, origins: {} })).toEqual([])
  })

  it('leaves any household sound, and moves nothing that is not assumed', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        for (const { study: then, station } of doubtedIn(study)) {
          const read = readStudy(JSON.parse(JSON.stringify(then)))
          expect(read.ok ? [] : read.faults).toEqual([])
          expect(then.origins).toEqual(study.origins)
          expect(firstSteps(study).map((s) => s.station)).toContain(station)
        }
      }),
      { numRuns: 60 },
    )
  })

  it('of a new household is most in how much is used, and tells for each what settles it', () => {
    for (const study of [blankStudy('new'), quickStart('new', { ...FIRST_ANSWERS, layout: 'circulation' })]) {
      const kinds = depends(study)
      expect(kinds[0]!.name).toBe('volume of use')
      expect(kinds.map((k) => k.money)).toEqual(kinds.map((k) => k.money).sort((a, b) => b - a))
      for (const { reading } of kinds)
        if (reading && reading !== 'sum') expect(canTake(study, READINGS[reading])).toBe(true)
      const all = together(kinds)
      expect(all).toBeGreaterThan(kinds[0]!.money)
      expect(all).toBeLessThan(kinds.reduce((s, k) => s + k.money, 0))
    }
  })

  it('of a fire counts its efficiency too, which is a figure of its own kind', () => {
    const fire = quickStart('new', { ...FIRST_ANSWERS, source: 'wood-coil' })
    expect(depends(fire).find((k) => k.name === 'efficiency')!.money).toBeGreaterThan(5)
  })

  it('falls by what was measured, and with a price by what that makes of the bill', () => {
    const before = quickStart('new', FIRST_ANSWERS)
    const after = edited(before, ({ origins }) => {
      for (const path of Object.keys(origins)) if (stationOf(path) === 'people') origins[path] = 'measured'
    })
    expect(depends(after).map((k) => k.station)).not.toContain('people')
    expect(together(depends(after))).toBeLessThan(together(depends(before)))
    const price = depends(before).find((k) => k.name === 'energy prices')!
    const { energy } = simulate(before).cost
    // Two carriers, each off by itself: less than if both were off alike.
    const bill = Object.values(energy).reduce((s, x) => s + x, 0)
    expect(price.money).toBeLessThan((Math.exp(0.15) - 1) * bill)
    expect(price.money).toBeGreaterThan(0.5 * (Math.exp(0.15) - 1) * bill)
  })
})
