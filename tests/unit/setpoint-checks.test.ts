import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coldestMonth } from '../../core/calendar/year'
import { checksOf } from '../../core/checks/catalogue'
import { type Check, LEVELS } from '../../core/checks/check'
import { requiredSupplyC } from '../../core/checks/delivery'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { steadyAtTap } from '../../core/household/lookups'
import { bandFor, strategiesFor } from '../../core/household/setpoint-strategies'
import { savingParts } from '../../core/measures/saving-parts'
import { scaldSeconds } from '../../core/safety/scald'
import { displayOf } from '../../core/study/display-of'
import type { Study } from '../../core/study/study'
import { judgedHeater, setpointChecks, unexplained } from '../../core/views/setpoint-checks'
import type { YearResult } from '../../core/year/result'
import { purchasedKwh } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { poorDays, specialDays } from '../../core/year/special-days'
import { LEAD_DAYS } from '../../core/year/trace'
import { YearRefused } from '../../core/year/work'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'
import { unguarded } from './check-cases'

const board = (study: Study, year: YearResult, heater?: string) => setpointChecks(study, checksOf(study, year), heater)
const onBoard = (study: Study) => board(study, simulate(study)).checks
const levelOf = (checks: Check[], id: string) => checks.find((c) => c.id === id)?.level
const at = (setpointC: number, more: (s: Study) => void = () => {}) =>
  changed(hillTown, (s) => {
    s.controls.found.heaters.boiler.setpointC = setpointC
    more(s)
  })

describe('the board', () => {
  it('judges every demo with a sentence that has its figures, once each', () => {
    for (const { study } of DEMOS) {
      const judged = board(study, simulate(study))
      expect(new Set(judged.checks.map((c) => c.id)).size).toBe(judged.checks.length)
      for (const c of judged.checks) {
        expect(c.sentence).toMatch(/[.]$/)
        expect(c.sentence).not.toMatch(/NaN|Infinity|undefined|null/)
        expect(c.source).not.toBe('')
      }
      expect(LEVELS.indexOf(judged.level)).toBe(Math.max(...judged.checks.map((c) => LEVELS.indexOf(c.level))))
    }
  })

  it('scald follows the hottest water of the year, the persons and the valve', () => {
    const hot = onBoard(at(65, unguarded))
    expect(levelOf(hot, 'scald-top-shower')).toBe('fail')
    const mixed = onBoard(at(65, (s) => (s.plant.store!.mixing = { mixesToC: 45, testedOn: null })))
    expect(levelOf(mixed, 'scald-top-shower')).toBe('pass')
    // 48 °C keeps the limit of adults, not that with children in the house.
    const mild = at(65, (s) => (s.plant.store!.mixing = { mixesToC: 48, testedOn: null }))
    expect(levelOf(onBoard(mild), 'scald-top-shower')).toBe('marginal')
    expect(
      levelOf(onBoard(changed(mild, (s) => s.people.persons.forEach((p) => (p.kind = 'adult')))), 'scald-top-shower'),
    ).toBe('pass')
    expect(scaldSeconds(65).childS).toBeLessThan(10)
  })

  it('the highest need sets the least that must be carried, and what is carried then just reaches it', () => {
    const needy = (sinkC: number, showerC: number | null) =>
      at(60, (s) => {
        for (const t of s.pipes.taps) t.minHotInletC = null
        s.pipes.taps.find((t) => t.id === 'kitchen-sink')!.minHotInletC = sinkC
        s.pipes.taps.find((t) => t.id === 'top-shower')!.minHotInletC = showerC
      })
    const study = needy(55, 45)
    const sink = study.pipes.taps.find((t) => t.id === 'kitchen-sink')!
    const carried = requiredSupplyC(study, sink)!
    expect(carried).toBeGreaterThan(55)
    expect(steadyAtTap(study, sink, carried, coldestMonth(study.site.monthlyAirC))).toBeCloseTo(55, 1)
    const check = onBoard(study).find((c) => c.id === 'least-setting')!
    expect([check.level, check.sentence]).toEqual([
      'pass',
      expect.stringMatching(/Kitchen sink governs.*The other outlets need/),
    ])
    expect(levelOf(onBoard(needy(65, null)), 'least-setting')).toBe('marginal')
    expect(levelOf(onBoard(at(60)), 'least-setting')).toBe(
      hillTown.pipes.taps.some((t) => t.minHotInletC !== null) ? 'pass' : undefined,
    )
  })

  it('growth follows what is stored and the weekly hot run', () => {
    expect(levelOf(onBoard(at(62)), 'growth-store')).toBe('pass')
    expect(levelOf(onBoard(at(55)), 'growth-store')).toBe('marginal')
    expect(levelOf(onBoard(at(46)), 'growth-store')).toBe('fail')
    const run = { weekday: 6, atMin: 180, toC: 65, holdMin: 30 }
    const held = onBoard(at(52, (s) => (s.controls.found.heaters.boiler.pasteurisation = run)))
    expect([levelOf(held, 'growth-store'), levelOf(held, 'hot-run')]).toEqual(['pass', 'pass'])
    expect(levelOf(onBoard(harbourFlat), 'growth-store')).toBeUndefined()
  })

  it('what the heater cannot make, what a pipe does not stand and what no mixer reaches is red', () => {
    expect(levelOf(onBoard(at(84)), 'reach-boiler')).toBe('fail')
    const plastic = at(84, (s) => {
      for (const r of s.pipes.runs.filter((r) => r.from === null))
        Object.assign(r, { material: 'pp-r', size: '32x5.4' })
    })
    expect(levelOf(onBoard(plastic), 'limits')).toBe('fail')
    expect(levelOf(onBoard(at(40)), 'mixer-reach')).toBe('fail')
  })

  it('one tap that alone asks for a hotter house is told of what is cheaper', () => {
    const one = at(60, (s) => {
      s.pipes.taps[0].minHotInletC = 75
      s.pipes.taps[1].minHotInletC = 40
    })
    const need = onBoard(one).find((c) => c.id === `need-${one.pipes.taps[0].id}`)!
    expect([need.level, need.sentence]).toEqual(['fail', expect.stringMatching(/Only this outlet is short/)])
  })

  it('a red setting wants a reason, until one is kept', () => {
    const study = at(46)
    const judged = board(study, simulate(study))
    const open = unexplained(study, judged)
    expect(open.map((c) => c.id)).toContain('growth-store')
    const said = changed(study, (s) =>
      s.controls.reasons.push({
        check: 'growth-store',
        heaterId: 'boiler',
        text: 'For a test of two days',
        on: '2026-11-26',
      }),
    )
    expect(unexplained(said, judged).map((c) => c.id)).not.toContain('growth-store')
    expect(judgedHeater(study, 'nobody')).toBe('boiler')
  })

  it('strategies and bands fit the heater', () => {
    const write = displayOf(hillTown)
    for (const { study } of DEMOS)
      for (const h of study.plant.heaters) {
        const band = bandFor(h, write)
        expect(band.lowC).toBeLessThan(band.highC)
        for (const s of strategiesFor(h, write)) expect(s.sets.setpointC).toBeGreaterThan(40)
      }
    expect(strategiesFor(harbourFlat.plant.heaters[0], write).every((s) => !s.sets.pasteurisation)).toBe(true)
  })
})

describe('what a change really saves', () => {
  it('is the sum of its parts to the last digit, and useful heat at mixed taps hardly moves', () => {
    const [from, to] = [simulate(hillTown), simulate(at(55))]
    const { purchasedKwh: bought, money, ...parts } = savingParts(hillTown, from, to)
    expect(Object.values(parts).reduce((a, b) => a + b, 0)).toBeCloseTo(bought, 4)
    expect(bought).toBeCloseTo(purchasedKwh(to) - purchasedKwh(from), 9)
    expect(money).toBeLessThan(0)
    expect(Math.abs(parts.mixedKwh)).toBeLessThan(0.02 * from.energy.usefulKwh)
    for (const part of [parts.storeKwh, parts.loopKwh]) expect(part).toBeLessThan(0)
  })
})

describe('odd but legal households', () => {
  it('are judged too: no figure that is none, each check once', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        let year
        try {
          year = simulate(study)
        } catch (error) {
          expect(error).toBeInstanceOf(YearRefused)
          return
        }
        for (const h of study.plant.heaters) {
          const judged = board(study, year, h.id)
          for (const c of judged.checks) expect(c.sentence, c.id).not.toMatch(/NaN|Infinity|undefined|null/)
          expect(new Set(judged.checks.map((c) => c.id)).size).toBe(judged.checks.length)
        }
        const days = Object.values(specialDays(study, year, LEAD_DAYS)).filter((d) => d !== null)
        for (const d of days) expect(d >= LEAD_DAYS && d < 365).toBe(true)
        const { comfort, hygiene } = year
        // Only who waits for hot water can be left without it.
        expect(comfort.unmetDraws).toBeLessThanOrEqual(comfort.waiting)
        expect(comfort.waiting).toBeLessThanOrEqual(comfort.draws)
        expect(comfort.waiting).toBe(year.taps.reduce((s, t) => s + t.waiting, 0))
        expect(comfort.waiting).toBe(comfort.coldPipe.draws + comfort.warmPipe.draws)
        for (const share of comfort.warmWithin) expect(share >= 0 && share <= 1).toBe(true)
        expect(comfort.unmetOn.length).toBeLessThanOrEqual(comfort.unmetDraws)
        expect(comfort.unmetOn.length > 0).toBe(comfort.unmetDraws > 0)
        // Each such day was tepid for more than an hour.
        expect(hygiene.tepidOn.length).toBeLessThanOrEqual(hygiene.drawnTepidHoursWeek * (365 / 7) + 1e-6)
        expect(poorDays(year, 0).map((p) => p.day)).toEqual(
          [...new Set([...comfort.unmetOn, ...hygiene.tepidOn])].sort((a, b) => a - b),
        )
        for (const p of poorDays(year, 0)) expect(p.day >= 0 && p.day < 365 && p.why.length > 0).toBe(true)
      }),
      { numRuns: 5, endOnFailure: true },
    )
  })
})
