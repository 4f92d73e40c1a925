import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ALWAYS, everyDay } from '../../core/calendar/week'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { runUa } from '../../core/household/runs'
import { supplyC } from '../../core/household/supply'
import { inMode, modeJobs, modeRows, testsADay } from '../../core/scenarios/loop-modes'
import type { LoopControl } from '../../core/study/controls'
import { LOOP_MODES, type LoopMode } from '../../core/study/loop-modes'
import type { Study } from '../../core/study/study'
import { drawsOfYear } from '../../core/year/draws/draws'
import { hoursLearned, LoopDrive } from '../../core/year/loop/loop-drive'
import type { Network } from '../../core/year/pipes/network'
import { LOOP_RETURN } from '../../core/year/pipes/network'
import { simulate } from '../../core/year/simulate'
import { firstDays, randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

const DAY_S = 86_400
/** The tall house with its loop in a mode, some of its settings changed, and a standard day drawn at the top. */
const tall = (mode: LoopMode, set: (loop: Study['controls']['found']['loop']) => void = () => {}): Study =>
  changed(hillTown, (s) => {
    s.controls.found.loop.mode = mode
    s.people.draws = { kind: 'standard', cycle: 'S', tapId: 'top-shower' }
    set(s.controls.found.loop)
  })
const pumpHours = (study: Study, days: number) => {
  const { home } = firstDays(study, days)
  return {
    hours: home.ledger.pump.seconds.reduce((a, b) => a + b, 0) / 3600,
    starts: home.ledger.pump.starts.reduce((a, b) => a + b, 0),
  }
}
const withLoop = randomStudy.filter((s) => s.pipes.loop !== null)

describe('each mode has a limit with an exact answer', () => {
  it('off costs nothing and loses nothing as a loop', () => {
    const year = simulate(tall('off'))
    expect([
      year.pump.hours,
      year.pump.starts,
      year.energy.loopPumpKwh,
      year.energy.loopKwh,
      year.cost.loopPump,
    ]).toEqual([0, 0, 0, 0, 0])
  })

  it('always runs every hour, by the clock those of its windows', () => {
    expect(pumpHours(tall('always'), 4).hours).toBeCloseTo(96, 6)
    expect(
      pumpHours(
        tall('clock', (l) => (l.schedule = everyDay([300, 420], [1000, 1030]))),
        4,
      ),
    ).toEqual({
      hours: expect.closeTo(4 * 2.5, 6),
      starts: 8,
    })
  })

  it('sampled: warm enough it only tests, and what never gets warm it runs for the whole window', () => {
    const schedule = everyDay([360, 480])
    const warm = tall('sampled', (l) =>
      Object.assign(l, { schedule, targetC: 26, differentialK: 20, sampled: { everyMin: 20, testS: 30 } }),
    )
    expect(testsADay(schedule[0], 20)).toBe(6)
    expect(pumpHours(warm, 4)).toEqual({ hours: expect.closeTo((4 * 6 * 30) / 3600, 6), starts: 24 })
    const cold = tall('sampled', (l) => Object.assign(l, { schedule, targetC: 75, differentialK: 0.5 }))
    expect(pumpHours(cold, 4).hours).toBeCloseTo(4 * 2, 6)
  })

  it('sampled: exactly the differential below the target is not more than it', () => {
    for (const [sensorC, runs] of [
      [40, false],
      [39.999, true],
    ] as const) {
      const network = { hasLoop: true, returnConnectionC: () => sensorC, returnC: () => sensorC } as unknown as Network
      const study = tall('sampled', (l) =>
        Object.assign(l, { schedule: ALWAYS, targetC: 45, differentialK: 5, sampled: { everyMin: 10, testS: 0 } }),
      )
      const drive = new LoopDrive(study, network, [], () => false)
      drive.atClock(0, 0)
      expect(drive.runs(0)).toBe(runs)
    }
  })

  it('on demand: what never gets warm runs its time for each press, and none where every press is missed', () => {
    const set = (missedShare: number) =>
      tall('on demand', (l) =>
        Object.assign(l, { targetC: 75, demand: { ...l.demand, leadS: 20, runOnS: 60, missedShare } }),
      )
    // Eleven draws a day, a quarter of an hour and more apart.
    expect(pumpHours(set(0), 5)).toEqual({ hours: expect.closeTo((5 * 11 * 60) / 3600, 4), starts: 55 })
    expect(pumpHours(set(1), 5)).toEqual({ hours: 0, starts: 0 })
  })

  it('learned: a day that is always the same is known hour by hour', () => {
    const study = tall('learned', (l) => (l.learned = { weeks: 4, threshold: 1 }))
    // Hours with draws: 7, 8, 9, 11, 12, 18, 20, 21.
    expect(pumpHours(study, 7).hours).toBeCloseTo(7 * 8, 6)
    const hours = hoursLearned(
      drawsOfYear(study.people, study.site),
      { weeks: 1, threshold: 1 },
      study.site.firstWeekday,
    )
    expect(hours[10].slice(0, 24).flatMap((on, h) => (on ? [h] : []))).toEqual([7, 8, 9, 11, 12, 18, 20, 21])
  })

  it('trace heating loses U′(held − air) along the way out, all of it bought', () => {
    const study = changed(
      tall('trace heating', (l) => Object.assign(l, { schedule: ALWAYS, targetC: 50, trace: { wPerM: 60 } })),
      (s) => {
        s.people.draws = { kind: 'routine' }
        s.people.uses = []
        for (const r of s.pipes.runs) r.place = 'heated'
      },
    )
    const { home } = firstDays(study, 20)
    const out = home.network.traced
    const watts = out.reduce((sum, b) => sum + b.run.uaWK * (50 - 20), 0)
    const [ten, twenty] = [10, 20].map((d) => {
      const { home } = firstDays(study, d)
      return home.ledger.pump.kj.reduce((a, b) => a + b, 0)
    })
    expect((twenty - ten) / (10 * 86.4) / watts).toBeCloseTo(1, 4)
    expect(
      out.reduce(
        (s, b) =>
          s +
          runUa(
            study.pipes.runs.find((r) => r.id === b.id)!,
            supplyC(study),
            study.site.monthlyAirC,
            'flows',
          ),
        0,
      ),
    ).toBeCloseTo(
      out.reduce((s, b) => s + b.run.uaWK, 0),
      9,
    )
  })
})

describe('laws of the modes, on random studies', () => {
  it('each closes its ledger, and one that rests runs no pump', () => {
    fc.assert(
      fc.property(withLoop, fc.constantFrom(...LOOP_MODES), (study, mode) => {
        const { residual, input, home } = firstDays(inMode(study, mode), 2)
        expect(Math.abs(residual)).toBeLessThan(1e-6 * Math.max(1000, input))
        if (mode === 'off' || mode === 'trace heating')
          expect(home.ledger.pump.seconds.reduce((a, b) => a + b, 0)).toBe(0)
      }),
      { numRuns: 60, endOnFailure: true },
    )
  })

  it('a store that holds less than the tee of its mixing valve goes round too', () => {
    for (const litres of [5, 5.3, 5.7, 5.9, 6])
      for (const height of [0, 0.3, 0.9]) {
        const study = changed(inMode(hillTown, 'always'), (s) => {
          s.plant.store!.litres = litres
          s.plant.store!.mixing = { mixesToC: 45, testedOn: null }
          s.pipes.loop!.returns = { by: 'own pipe', height }
          s.people.uses = []
        })
        const { residual, input } = firstDays(study, 1)
        expect(Math.abs(residual)).toBeLessThan(1e-6 * Math.max(1000, input))
      }
  })

  /** Its pipes and its climate behind the tall house's own plant, nothing drawn, a return of its own: what is left is the loop. */
  const still = (study: Study, mode: LoopMode, set: Partial<LoopControl>) =>
    changed(inMode(hillTown, mode), (s) => {
      s.site = study.site
      s.pipes = study.pipes
      s.people.draws = { kind: 'routine' }
      s.people.uses = []
      s.pipes.loop!.returns = { by: 'own pipe', height: 0.6 }
      Object.assign(s.controls.set!.loop, set)
    })

  it('stop when warm never heats the return more than the same windows by the clock', () => {
    fc.assert(
      fc.property(withLoop, (study) => {
        const back = (mode: LoopMode) => {
          const { home } = firstDays(still(study, mode, {}), 3)
          return home.branchLostKj[home.network.branches.findIndex((b) => b.id === LOOP_RETURN)]
        }
        const clock = back('clock')
        expect(back('stop warm')).toBeLessThanOrEqual(clock + 1 + 0.01 * Math.abs(clock))
      }),
      { numRuns: 25, endOnFailure: true },
    )
  })

  it('stop when warm stops where its sensor sits: on the return all of the way back is heated too', () => {
    const run = (sensorAt: 'at the far tap' | 'on the return') =>
      firstDays(
        changed(
          still(hillTown, 'stop warm', { schedule: ALWAYS, targetC: 45, differentialK: 5 }),
          (s) => void (s.pipes.loop!.sensorAt = sensorAt),
        ),
        2,
      )
    const [far, back] = [run('at the far tap'), run('on the return')]
    const seconds = ({ home }: typeof far) => home.ledger.pump.seconds.reduce((a, b) => a + b, 0)
    expect(back.flows.loop).toBeGreaterThan(far.flows.loop)
    expect(seconds(back)).toBeGreaterThan(seconds(far))
    expect(back.home.network.returnC(2 * DAY_S)).toBeGreaterThan(38)
    expect(far.home.network.returnC(2 * DAY_S)).toBeLessThan(38)
  })

  it('a smaller differential never starts the pump less often', () => {
    // One start may be under way at the end. Where the loop barely reaches its target each start pushes a few spoonfuls: how
    // many there are is the grain of the steps, and no figure of the differential.
    const spoonfuls = (starts: number) => starts > 2 * 24 * 3
    const kelvins = fc.double({ min: 0.5, max: 20, noNaN: true })
    fc.assert(
      fc.property(withLoop, kelvins, kelvins, (study, a, b) => {
        const starts = (differentialK: number) =>
          pumpHours(still(study, 'stop warm', { schedule: ALWAYS, targetC: 40, differentialK }), 2).starts
        const [closer, wider] = [starts(Math.min(a, b)), starts(Math.max(a, b))]
        fc.pre(!spoonfuls(wider))
        expect(closer).toBeGreaterThanOrEqual(0.9 * wider - 1)
      }),
      { numRuns: 25, endOnFailure: true },
    )
  })

  it('a longer window never puts less heat into the loop’s line', () => {
    fc.assert(
      fc.property(
        withLoop,
        fc.integer({ min: 0, max: 600 }),
        fc.integer({ min: 700, max: 1440 }),
        (study, from, to) => {
          const lost = (a: number) => firstDays(still(study, 'clock', { schedule: everyDay([a, to]) }), 3).flows.loop
          const shorter = lost(from)
          expect(lost(Math.floor(from / 2))).toBeGreaterThanOrEqual(shorter - 5 - 0.01 * Math.abs(shorter))
        },
      ),
      { numRuns: 25, endOnFailure: true },
    )
  })
})

describe('the modes side by side', () => {
  it('stand on the same draws, split out from back, and add up to the last cent', () => {
    const rows = modeRows(hillTown, new Map(modeJobs(hillTown).map((j) => [j.mode, simulate(j.study)])))
    expect(rows.map((r) => r.mode)).toEqual([...LOOP_MODES])
    const of = (mode: LoopMode) => rows.find((r) => r.mode === mode)!
    for (const r of rows) {
      expect(r.net.pump + r.net.water + r.net.heat).toBeCloseTo(r.net.total, 9)
      expect(r.netMonths.reduce((a, b) => a + b, 0)).toBeCloseTo(r.net.total, 3)
    }
    expect(of('off').net).toEqual({ pump: 0, water: 0, heat: 0, total: 0 })
    expect(of('off').moneyPerMinute).toBeNull()
    expect(of('clock').backKwh).toBeGreaterThan(0)
    expect(of('stop warm').backKwh).toBeLessThan(of('clock').backKwh / 2)
    expect(of('trace heating').pumpHours).toBe(0)
    // Water saved never pays for the heat: each mode that runs costs more than the loop off.
    for (const r of rows) if (r.mode !== 'off') expect(r.net.total).toBeGreaterThan(0)
  })

  it('a house without a loop has none', () => expect(modeJobs(harbourFlat)).toEqual([]))

  it('a cold line that a loop comes back through gives its warm water to the cold tap first, and the ledger closes', () => {
    const cold = (by: 'cold line' | 'own pipe') =>
      firstDays(
        changed(hillTown, (s) => {
          s.controls.found.loop.mode = 'always'
          s.pipes.loop!.returns = by === 'cold line' ? { by, closesAtC: 45 } : { by, height: 0.6 }
        }),
        4,
      )
    const line = cold('cold line')
    const warm = line.home.ledger.waters.warmCold[0]
    expect(warm).toBeGreaterThan(10)
    expect(warm).toBeLessThan(line.home.ledger.waters.mixed[0] - line.home.ledger.waters.hot[0] + 1)
    expect(Math.abs(line.residual)).toBeLessThan(1e-6 * line.input)
    expect(cold('own pipe').home.ledger.waters.warmCold[0]).toBe(0)
  })

  it('a pump against a shut valve pays', () => {
    const shut = changed(hillTown, (s) => {
      s.controls.found.loop.mode = 'always'
      s.pipes.loop!.returns = { by: 'cold line', closesAtC: 25 }
    })
    const { home } = firstDays(shut, 2)
    expect(home.ledger.pump.kj[0]).toBeCloseTo((shut.pipes.loop!.pumpW / 1000) * 2 * DAY_S, 3)
  })
})
