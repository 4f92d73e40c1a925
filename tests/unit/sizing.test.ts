import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everyMonth } from '../../core/calendar/year'
import { DEMOS } from '../../core/demos'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { heatSource } from '../../core/household/edits/heat-source'
import { putHeater } from '../../core/household/edits/plant'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Study } from '../../core/study/study'
import { sizeHeater, sizes } from '../../core/views/sizes'
import { waterPower } from '../../core/water/power'
import { demandOf } from '../../core/year/demand'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

/** The flat with an electric heater that heats as it runs in the place of what is there. */
function electric(study: Study, change: (heater: HeaterOf<'instant-electric'>) => void = () => {}) {
  const source = structuredClone(heatSource(study, 'instant-electric', 'instead')!)
  change(source.heater as HeaterOf<'instant-electric'>)
  const put = putHeater(study, source.replaces, source.heater, source.control, source.store)
  return sizeHeater(put, source.heater, demandOf(put, 50))
}
const verdict = (sized: ReturnType<typeof electric>, id: string) => sized.checks.find((c) => c.id === id)?.level

describe('the busiest moment', () => {
  /** Two showers of 8 L/min at 40 °C that meet, from a main of 10 °C and hot water of 50 °C. */
  const two = changed(hillTown, (s) => {
    s.site.mains = { kind: 'monthly', monthlyC: everyMonth(10) }
    s.people.winterSwing = 0
    const [shower] = s.people.uses.filter((h) => h.tapId.includes('shower'))
    const taps = s.pipes.taps.filter((t) => t.kind === 'shower').map((t) => t.id)
    for (const t of s.pipes.taps) t.flowLMin = 8
    s.people.absences = []
    s.people.guests = []
    s.people.uses = taps.map((tapId, i) => ({
      ...shower,
      id: `h${i}`,
      tapId,
      atMin: 420 + 5 * i,
      spreadMin: 0,
      amountSpread: 0,
      chance: 1,
      days: Array<boolean>(7).fill(true),
      use: { kind: 'timed' as const, minutes: 10 },
      requiredC: 40,
    }))
  })

  it('is what runs at once, and no more', () => {
    const peaks = demandOf(two, 50).peaks
    // Three quarters of it hot: (40 − 10) / (50 − 10).
    expect(peaks.hotLMin).toBeCloseTo(2 * 8 * 0.75, 6)
    expect(peaks.kw).toBeCloseTo(waterPower(12, 10, 50), 6)
    expect(peaks.worstHourL).toBeCloseTo(2 * 10 * 6, 6)
    expect(peaks.worstDayL).toBeCloseTo(120, 6)
    expect(peaks.tapIds).toHaveLength(2)
    expect(peaks.minute).toBe(425)
    expect(peaks.allTapsKw).toBeGreaterThan(peaks.kw)
  })

  it('one tap serves one at a time', () => {
    const same = changed(two, (s) => void (s.people.uses[1].tapId = s.people.uses[0].tapId))
    const peaks = demandOf(same, 50).peaks
    expect(peaks.hotLMin).toBeCloseTo(6, 6)
    expect(peaks.worstHourL).toBeCloseTo(120, 6)
  })

  it('is one shower where they follow each other', () => {
    const apart = changed(two, (s) => void (s.people.uses[1].atMin = 430))
    expect(demandOf(apart, 50).peaks.hotLMin).toBeCloseTo(6, 6)
  })
})

describe('a size', () => {
  const main = { amps: 40, volts: 230, phases: 1 as const, spareWays: 1, otherAmps: 10 }
  const looked = changed(harbourFlat, (s) => void (s.site.electricMain = main))

  it('is not known where the main was not looked at, however large', () => {
    const sized = electric(harbourFlat, (h) => void (h.outputKw = 200))
    expect(verdict(sized, 'amps')).toBe('not checked')
    expect(sized.level).not.toBe('pass')
  })

  it('is refused for amps, for phases and for ways', () => {
    const sentence = (change: (h: HeaterOf<'instant-electric'>) => void) =>
      electric(looked, change).checks.find((c) => c.id === 'amps')!
    const one = sentence((h) => void ((h.outputKw = 18), (h.phases = 1)))
    expect(one.level).toBe('fail')
    expect(one.sentence).toMatch(/78 A at 230 V: only 30 of 40 A spare/)
    expect(sentence((h) => void ((h.outputKw = 18), (h.phases = 3))).sentence).toMatch(/one phase and it needs three/)
    expect(sentence((h) => void ((h.outputKw = 6), (h.phases = 1))).level).toBe('pass')
    expect(
      electric(
        changed(looked, (s) => void (s.site.electricMain!.spareWays = 0)),
        (h) => void ((h.outputKw = 6), (h.phases = 1)),
      ).checks.find((c) => c.id === 'amps')!.sentence,
    ).toMatch(/0 spare ways/)
  })

  it('asks for the coldest main and the household’s own draws', () => {
    const sized = electric(looked, (h) => void (h.outputKw = 9))
    expect(verdict(sized, 'output')).toBe('fail')
    expect(sized.neededKw).toBeCloseTo(demandOf(looked, 50).peaks.kw, 6)
    expect(
      verdict(
        electric(looked, (h) => void (h.outputKw = sized.neededKw! + 0.1)),
        'output',
      ),
    ).toBe('pass')
  })

  it('never fits while anything is unknown, on every demo and every kind', () => {
    for (const { study } of DEMOS) {
      const { there, instead, beside } = sizes(study)
      expect(instead.length + beside.length).toBeGreaterThan(3)
      for (const s of [...there, ...instead, ...beside])
        if (s.level === 'pass') expect(s.checks.every((c) => c.level === 'pass')).toBe(true)
    }
  })
})

describe('on random households', () => {
  it('what fits has nothing against it and nothing unknown, and the peaks hold together', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const { peaks, there, instead, beside } = sizes(study)
        expect(peaks.hotLMin).toBeLessThanOrEqual(peaks.mixedLMin + 1e-9)
        expect(peaks.worstHourL).toBeLessThanOrEqual(peaks.worstDayL + 1e-9)
        expect(peaks.worstHourL).toBeLessThanOrEqual(peaks.hotLMin * 60 + 1e-6)
        expect(there).toHaveLength(study.plant.heaters.length)
        for (const s of [...there, ...instead, ...beside]) {
          const against = s.checks.filter((c) => c.level !== 'pass')
          expect(s.level === 'pass').toBe(s.checks.length > 0 && against.length === 0)
          expect(s.checks.map((c) => c.sentence).join(' ')).not.toMatch(/NaN|Infinity|undefined/)
        }
      }),
      { numRuns: 40, endOnFailure: true },
    )
  })
})
