import { describe, expect, it } from 'vitest'
import { dayAfter } from '../../core/calendar/days'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { sampleOf, sampleYears, samplingOf } from '../../core/scenarios/ranges'
import { refitStudy } from '../../core/scenarios/refit'
import { displayOf } from '../../core/study/display-of'
import { carrierOf } from '../../core/study/heater-kinds'
import type { Study } from '../../core/study/study'
import { fitUse } from '../../core/verification/change-point'
import { observedOf } from '../../core/verification/observed'
import { joined, useOf } from '../../core/verification/periods'
import { refitTo } from '../../core/verification/refit'
import { verifySaving } from '../../core/verification/saving'
import { countedFigure, refitSentences, refitStudySentences } from '../../core/views/refit-words'
import { figuresOfYear } from '../../core/year/figures'
import { simulate } from '../../core/year/simulate'
import { meteredYears, meterOf, randomFrom, readOn } from '../../proof/bills'
import { changed } from '../../proof/studies'
import { NEVER_SAY } from '../never-say'

const ON = '2026-03-02'

/** A household that is not quite what the study has it to be, by its meter. */
function hidden(base: Study, i: number) {
  const truth = sampleOf(base, samplingOf(base, 16, 99), i)
  const of = carrierOf(base.plant.heaters[0])
  const house = { before: truth, after: truth, carrier: of, heatingPerK: 6, balanceC: 15, noise: 0.12, seed: i + 1 }
  const { readings, air } = meteredYears(house, ON)
  const study = changed(base, (s) => void (s.verification.air = air))
  const meter = meterOf(of, readings, 0)
  const figure = countedFigure(meter)
  return { study, meter, figure, really: figuresOfYear(simulate(truth))[figure] }
}

describe('a study held against its meter', () => {
  it('hot water is within the interval in at least 7 of 8 hidden houses', () => {
    const held = [hillTown, duplex].flatMap((base) =>
      [3, 5, 9, 12].map((i) => {
        const { study, meter, really } = hidden(base, i)
        const answer = refitTo(study, meter, simulate(study), null, null)
        if (!('refit' in answer)) throw new Error(answer.missing)
        const { low, high } = answer.refit.hotWater
        return { really, low, high, holds: low <= really && really <= high }
      }),
    )
    const missed = held.filter((h) => !h.holds)
    expect(missed.length, JSON.stringify(missed)).toBeLessThanOrEqual(1)
  })

  it('what moved brings the year of the study towards the meter, and its range with it', () => {
    const { study, meter, figure, really } = hidden(hillTown, 9)
    const year = simulate(study)
    const calculated = figuresOfYear(year)[figure]
    const answer = refitTo(study, meter, year, null, null)
    if (!('refit' in answer)) throw new Error(answer.missing)
    const factor = { middle: answer.refit.factor.middle, sd: answer.refit.factorSd }
    const sampling = samplingOf(study, 24)
    const come = Array.from({ length: 24 }, (_, i) => sampleYears(study, null, sampling, i))
    const fit = refitStudy(study, sampling, come, figure, calculated, factor)!
    const off = (x: number) => Math.abs(x - really)
    expect(fit.outside).toBe(false)
    expect(fit.moved.length).toBeGreaterThan(0)
    expect(off(figuresOfYear(simulate(fit.study))[figure])).toBeLessThan(off(calculated) / 2)
    expect(off(fit.year.inputKwh.p50)).toBeLessThan(off(calculated) / 2)
    // The same meter, known better, leaves less.
    const surer = refitStudy(study, sampling, come, figure, calculated, { ...factor, sd: factor.sd / 10 })!
    const width = ({ p10, p90 }: { p10: number; p90: number }) => p90 - p10
    const was = come.map((c) => c!.base.inputKwh)
    expect(width(fit.year.inputKwh)).toBeLessThan(Math.max(...was) - Math.min(...was))
    expect(width(surer.year.inputKwh)).toBeLessThan(width(fit.year.inputKwh))
    const write = displayOf(study)
    for (const text of [...refitSentences(answer.refit, write), ...refitStudySentences(fit, write)])
      expect(text).not.toMatch(NEVER_SAY)
    // No price is moved by what a meter counts, and a meter beyond belief moves nothing in silence.
    expect(fit.study.prices).toEqual(study.prices)
    expect(refitStudy(study, sampling, come, figure, calculated, { middle: 9, sd: 0.03 })!.outside).toBe(true)
  })

  it('says what is missing instead of counting it as nothing', () => {
    const { study, meter } = hidden(duplex, 3)
    const year = simulate(study)
    const missing = (m: typeof meter) => {
      const answer = refitTo(study, m, year, null, null)
      return 'missing' in answer ? answer.missing : null
    }
    expect(missing({ ...meter, others: null })).toMatch(/what else/)
    // What is set now is not what was found: its year is waited for.
    const set = changed(study, (s) => void (s.controls.set = s.controls.found))
    expect(refitTo(set, meter, year, null, ON)).toEqual({ missing: expect.stringMatching(/as it is set is not known/) })
    expect(missing({ ...meter, readings: meter.readings.map((r) => ({ ...r, value: 7 })) })).toMatch(
      /No hot water|told apart/,
    )
    expect(missing({ ...meter, others: 90_000 })).toMatch(/No hot water is left/)
    expect(missing({ ...meter, of: 'water' })).toMatch(/cold water/)
    expect(missing({ ...meter, of: 'pellets' })).toMatch(/takes nothing/)
    expect(missing({ ...meter, readings: meter.readings.slice(0, 5) })).toMatch(/Too few/)
  })
})

/** A meter of so many weeks whose rooms take heat below 15 °C, with winters off by so many kelvins. */
function rooms(study: Study, weeks: number, offK: (week: number) => number, awayWeeks: readonly number[] = []) {
  const from = dayAfter(ON, -7 * Math.floor(weeks / 2))
  const random = randomFrom(5)
  const readings = [readOn(from, 0)]
  const c: number[] = []
  let dial = 0
  for (let w = 0; w < weeks; w++) {
    for (let d = 0; d < 7; d++) {
      const month = Number(dayAfter(from, 7 * w + d).slice(5, 7)) - 1
      c.push(study.site.monthlyAirC[month] + offK(w))
      dial += 6 * Math.max(0, 15 - c.at(-1)!) + (awayWeeks.includes(w) ? 2 : 12) + 2 * (random() - 0.5)
    }
    readings.push(readOn(dayAfter(from, 7 * (w + 1)), dial))
  }
  return { meter: meterOf('natural-gas', readings), air: { from, c } }
}

describe('what is not recorded', () => {
  it('weather that nobody recorded may have been mild: no saving is proved by a warmer winter', () => {
    const milder = 1.2
    const { meter } = rooms(hillTown, 104, (w) => (w < 52 ? 0 : milder))
    const { saving, weatherRecorded, ambiguous } = verifySaving(hillTown, meter, ON, null)
    expect(weatherRecorded).toBe(0)
    expect(saving!.middle).toBeGreaterThan(500)
    expect([saving!.low < 0, ambiguous]).toEqual([true, true])
  })

  it('days away are reckoned apart where they are known', () => {
    const gone = [10, 11, 60, 61, 62]
    const { meter, air } = rooms(hillTown, 104, () => 0, gone)
    const known = changed(hillTown, (s) => void (s.verification.air = air))
    const study = changed(known, (s) => {
      s.verification.away = gone.map((w) => ({ from: dayAfter(air.from, 7 * w), to: dayAfter(air.from, 7 * w + 6) }))
    })
    const fit = (s: Study) => fitUse(observedOf(s, joined(useOf(meter).periods), false))!
    expect(fit(study).away!.middle).toBeCloseTo(-10, 0)
    expect(fit(study).daySd).toBeLessThan(fit(known).daySd / 2)
    expect(fit(known).away).toBeNull()
  })
})
