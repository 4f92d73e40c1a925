import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { controlsOf } from '../../core/study/in-force'
import type { Study } from '../../core/study/study'
import { candidatesFor, type Tried, tried } from '../../core/views/advice'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'

/** Every remedy that is tried for a household, with the household it makes. */
function advised(study: Study): { all: (Tried & { study: Study })[]; year: ReturnType<typeof simulate> } {
  const year = simulate(study)
  const checks = checksOf(study, year)
  return {
    year,
    all: candidatesFor(study, checks).map((c) => ({
      ...tried({ year, checks }, c, simulate(c.study)),
      study: c.study,
    })),
  }
}

describe('advice that once harmed', () => {
  it('"lower the setpoint" is not offered where it makes draws cool', () => {
    // The main demo with its bath as it is: towards 42 °C ten times as many draws come too cool.
    const { all, year } = advised(changed(hillTown, (s) => void (s.controls.found.heaters.boiler.setpointC = 50)))
    for (const t of all.filter((x) => x.offered)) {
      const then = simulate(t.study)
      expect(then.comfort.unmetDraws, t.words).toBeLessThanOrEqual(year.comfort.unmetDraws + 20)
    }
  })

  it('never says hotter and cooler of one store in one breath', () => {
    for (const c of [45, 50, 55, 60, 65, 70]) {
      const { all } = advised(changed(hillTown, (s) => void (s.controls.found.heaters.boiler.setpointC = c)))
      const offered = all.filter((t) => t.offered).map((t) => controlsOf(t.study).heaters.boiler.setpointC)
      expect(offered.some((x) => x > c) && offered.some((x) => x < c), `${c} °C: ${offered.join(', ')}`).toBe(false)
    }
  })

  it('does not ask for a weekly hot run of a store that is at 60 °C every night', () => {
    const hot = changed(hillTown, (s) => {
      s.controls.found.heaters.boiler.setpointC = 60
      s.controls.found.heaters.boiler.schedule = null
    })
    const { all } = advised(hot)
    expect(all.filter((t) => t.offered && /pasteurisation/.test(t.words))).toEqual([])
    const store = checksOf(hot, simulate(hot)).find((c) => c.id === 'growth-store')!
    expect(store.level).not.toBe('fail')
  })

  it('names keep-hot as the cause of the starts that it makes, and one entry holds both', () => {
    const kept = changed(harbourFlat, (s) => void (s.controls.found.heaters['wall-heater'].keepHot = true))
    const year = simulate(kept)
    expect(year.heaterStarts).toBeGreaterThan(simulate(harbourFlat).heaterStarts)
    const often = checksOf(kept, year).find((c) => c.id === 'cycling-wall-heater')
    expect(often?.cause.id).toBe('keep-hot-wall-heater')
    expect(often?.setting).toBe('heaters.wall-heater.keepHot')
    expect(often?.sentence).toMatch(/keep-hot/)
    const off = advised(kept).all.find((t) => /^Keep-hot off: /.test(t.words))!
    expect(off.savesMoney).toBeGreaterThan(0)
  })

  it('the need of one tap is answered at that tap before the whole house is heated for it', () => {
    const sink = changed(hillTown, (s) => {
      s.pipes.taps.find((t) => t.id === 'kitchen-sink')!.minHotInletC = 58
      s.controls.found.heaters.boiler.setpointC = 55
    })
    const { all, year } = advised(sink)
    const need = checksOf(sink, year).find((c) => c.id === 'need-kitchen-sink')!
    expect(need).toMatchObject({ level: 'fail', remedy: expect.stringMatching(/a point-of-use heater/) })
    for (const t of all.filter((x) => x.check === need.id))
      expect(controlsOf(t.study).heaters.boiler.setpointC, t.words).toBe(55)
    // Two taps that ask for it are another matter.
    const two = changed(sink, (s) => s.pipes.taps.forEach((t) => (t.minHotInletC = 58)))
    expect(advised(two).all.some((t) => controlsOf(t.study).heaters.boiler.setpointC > 55)).toBe(true)
  })

  it('one that clears nothing is not offered, and what is offered says what it does', () => {
    for (const study of [hillTown, harbourFlat, forestFarm]) {
      for (const t of advised(study).all) {
        if (t.offered) expect(t.helps).toBe(true)
        if (!t.helps) expect(t.offered).toBe(false)
        if (t.brought.some((b) => b.concern === 'harm')) expect(t.offered, t.words).toBe(false)
      }
    }
  })
})
