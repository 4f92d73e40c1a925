import { describe, expect, it } from 'vitest'
import { fit } from '../../core/readings/fit'
import { standingUa } from '../../core/stores/standing-loss'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { HIDDEN_SEEDS, hiddenHouse, hiddenTruth, readingsOf, surveyed } from '../../proof/hidden-house'

describe('a house with hidden true values', () => {
  const loss = (s: Study) => standingUa(s.plant.store!.loss, s.plant.store!.litres)

  it.each(HIDDEN_SEEDS)(
    'is found within 5 %% of its yearly energy by adopting and fitting readings with noise (%d)',
    (seed) => {
      const { guess, fitted, study } = hiddenHouse(seed)
      expect(Math.abs(guess)).toBeGreaterThan(0.08)
      expect(Math.abs(fitted)).toBeLessThan(0.05)
      expect(readStudy(study).ok).toBe(true)
      expect(Math.abs(loss(study) / loss(hiddenTruth()) - 1)).toBeLessThan(0.2)
    },
  )

  it('says what stays undetermined and leaves it alone', () => {
    const few: Study = {
      ...surveyed(),
      readings: readingsOf(hiddenTruth(), 1).filter((r) => r.kind === 'overnight-drop'),
    }
    const { corrections, study } = fit(few)!
    const of = (path: string) => corrections.find((c) => c.path === path)!
    expect(of('plant.store.loss').settled).toBe(true)
    expect(of('pipes.loop.measuredUaWK').settled).toBe(false)
    expect(of('pipes.loop.measuredUaWK').to).toBe(of('pipes.loop.measuredUaWK').from)
    expect(study.pipes.loop!.measuredUaWK).toBeNull()
    expect(study.origins['plant.store.loss']).toBe('measured')
  })

  it('has nothing to fit without readings', () => expect(fit(surveyed())).toBeNull())
})
