import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isSummerTime, summerTimeDays } from '../../core/calendar/summer-time'
import { everyDay } from '../../core/calendar/week'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { emptyDays } from '../../core/household/empty-days'
import { cheapestPrice, priceAt } from '../../core/money/tariff'
import type { ControllerClock } from '../../core/study/controllers'
import type { HeaterControl } from '../../core/study/controls'
import { RIGHT_CLOCK } from '../../core/study/new-controller'
import type { Study } from '../../core/study/study'
import { Levels } from '../../core/year/controls/levels'
import { House } from '../../core/year/house'
import { simulate } from '../../core/year/simulate'
import { firstDays } from '../../proof/random-study'
import { changed } from '../../proof/studies'

const DAY_S = 86_400
const sum = (a: Float64Array) => a.reduce((s, x) => s + x, 0)
const tall = (set: (control: HeaterControl, study: Study) => void) =>
  changed(hillTown, (s) => set(s.controls.found.heaters.boiler, s))
const flat = (set: (control: HeaterControl, study: Study) => void) =>
  changed(harbourFlat, (s) => set(s.controls.found.heaters['wall-heater'], s))

describe('what a heater is set to', () => {
  it('by hand goes before the holiday, the last begun before the others, and each ends as it says', () => {
    const levels = new Levels(
      {
        setpointC: 60,
        holidayC: 45,
        overrides: [
          { setpointC: 70, fromDay: 2, fromMin: 60, minutes: 30, weekly: false },
          { setpointC: 50, fromDay: 3, fromMin: 0, minutes: null, weekly: false },
        ],
      },
      new Set([0, 3]),
    )
    expect([0, 1, 2, 3, 4].map((day) => levels.at(day * DAY_S))).toEqual([45, 60, 50, 50, 50])
    expect([59, 60, 89, 90].map((m) => levels.at(DAY_S + m * 60))).toEqual([60, 70, 70, 60])
  })

  it('a boost of each week comes back on its day to the end of the year, and on no other', () => {
    const levels = new Levels(
      {
        setpointC: 50,
        holidayC: null,
        overrides: [{ setpointC: 65, fromDay: 3, fromMin: 60, minutes: 30, weekly: true }],
      },
      new Set(),
    )
    for (let day = 0; day < 365; day++) expect(levels.at(day * DAY_S + 75 * 60)).toBe(day % 7 === 2 ? 65 : 50)
    expect(levels.changes()).toHaveLength(2 * 52)
  })

  it('nobody is there when everybody is away and no guests have come', () => {
    const { people } = hillTown
    const away = people.persons.map((p) => ({ personId: p.id, fromDay: 10, toDay: 12 }))
    expect([...emptyDays({ ...people, absences: away, guests: [] })]).toEqual([9, 10, 11])
    expect([...emptyDays({ ...people, absences: away.slice(1), guests: [] })]).toEqual([])
    const guests = [{ name: 'Visit', count: 1, likePersonId: people.persons[0].id, fromDay: 11, toDay: 11 }]
    expect([...emptyDays({ ...people, absences: [{ personId: null, fromDay: 10, toDay: 12 }], guests })]).toEqual([
      9, 11,
    ])
  })

  it('a holiday level lets the store cool, and costs less', () => {
    const away = [{ personId: null, fromDay: 1, toDay: 20 }]
    const input = (holidayC: number | null) =>
      firstDays(
        tall((c, s) => ((c.holidayC = holidayC), (s.people.absences = away), (s.controls.found.loop.mode = 'off'))),
        20,
      ).input
    expect(input(40)).toBeLessThan(0.75 * input(null))
  })

  it('a boost that has ended leaves no trace a week later', () => {
    const week = (overrides: HeaterControl['overrides']) => {
      const study = tall((c) => (c.overrides = overrides))
      return firstDays(study, 15).input - firstDays(study, 8).input
    }
    const boost = [{ setpointC: 80, fromDay: 1, fromMin: 600, minutes: 120, weekly: false }]
    expect(week(boost) / week([])).toBeCloseTo(1, 2)
    const day = (overrides: HeaterControl['overrides']) =>
      firstDays(
        tall((c) => (c.overrides = overrides)),
        1,
      ).input
    expect(day(boost)).toBeGreaterThan(day([]))
    // Without an end it stays.
    expect(week([{ ...boost[0], minutes: null }]) / week([])).toBeGreaterThan(1.05)
  })

  it('waits for the cheapest price: nothing is bought at another', () => {
    const banded = changed(
      forestFarm,
      (s) => void (s.prices.carriers.electricity = hillTown.prices.carriers.electricity),
    )
    const study = changed(banded, (s) => {
      for (const c of Object.values(s.controls.found.heaters)) c.prices = 'cheapest'
    })
    const tariff = study.prices.carriers.electricity!
    const cheapest = cheapestPrice(tariff, 0)
    expect(cheapest).toBeLessThan(priceAt(tariff, 18 * 60, 0))
    const year = simulate(study)
    const paid = year.cost.energy.electricity! / year.energy.inputKwh.electricity!
    const any = simulate(banded)
    expect(paid).toBeLessThan(any.cost.energy.electricity! / any.energy.inputKwh.electricity!)
    expect(year.energy.residualKwh).toBe(0)
  })
})

describe('a hot run against growth', () => {
  const run = { weekday: 6, atMin: 180, toC: 65, holdMin: 30 }
  it('reaches its temperature and holds it each week, or says that it cannot', () => {
    const can = simulate(tall((c) => ((c.setpointC = 52), (c.pasteurisation = run))))
    expect(can.pasteurisationCycles).toEqual({ begun: 52, held: 52 })
    expect(can.hygiene.weeklyLogReductionDrawn).toBeGreaterThan(10)
    const cannot = simulate(
      tall((c, s) => {
        Object.assign(c, { setpointC: 52, pasteurisation: run })
        const [boiler] = s.plant.heaters
        if (boiler.kind === 'boiler-coil') boiler.primary.flowMaxC = 60
      }),
    )
    expect(cannot.pasteurisationCycles).toEqual({ begun: 52, held: 0 })
    expect(simulate(hillTown).pasteurisationCycles).toEqual({ begun: 0, held: 0 })
  })

  it('holds, whenever it says so, for as long as it says, whatever the setpoint and the windows', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 60 }),
        fc.integer({ min: 55, max: 72 }),
        fc.integer({ min: 1, max: 120 }),
        fc.boolean(),
        (setpointC, toC, holdMin, timer) => {
          const study = tall((c) =>
            Object.assign(c, {
              setpointC,
              schedule: timer ? everyDay([600, 700]) : null,
              pasteurisation: { weekday: 4, atMin: 120, toC, holdMin },
            }),
          )
          const home = new House(study)
          let [hotS, longest, last] = [0, 0, 0]
          home.runUntil(3 * DAY_S, 60, () => {
            const store = (home.plant as unknown as { store: { at: (h: number) => number } }).store
            const dt = home.nowS - last
            last = home.nowS
            hotS = store.at(study.plant.store!.sensorHeight) >= toC - 0.5 ? hotS + dt : 0
            longest = Math.max(longest, hotS)
          })
          const { begun, held } = home.plant.pasteurisations()
          expect(begun).toBe(1)
          if (held) expect(longest).toBeGreaterThanOrEqual(holdMin * 60 - 61)
          expect(held).toBe(1)
        },
      ),
      { numRuns: 25, endOnFailure: true },
    )
  })
})

describe('clocks', () => {
  it('go forward and back on the Sundays of each rule', () => {
    // 2026 begins on a Thursday: 29 March and 25 October; 8 March and 1 November; 4 October and 5 April.
    expect(summerTimeDays('europe', 3)).toEqual({ begins: 87, ends: 297 })
    expect(summerTimeDays('north america', 3)).toEqual({ begins: 66, ends: 304 })
    expect(summerTimeDays('south', 3)).toEqual({ begins: 276, ends: 94 })
    expect([0, 87, 200, 297].map((d) => isSummerTime('europe', 3, d))).toEqual([false, true, true, false])
    expect([0, 93, 94, 276].map((d) => isSummerTime('south', 3, d))).toEqual([true, true, false, true])
    expect(summerTimeDays('none', 3)).toBeNull()
  })

  it('one that is ahead opens its windows so much sooner, and one that stays behind an hour later in summer', () => {
    const startsAt = (clock: Partial<ControllerClock>, day: number) => {
      const study = changed(hillTown, (s) => {
        s.controls.found.clocks['controller-1'] = { ...RIGHT_CLOCK, ...clock }
        s.controls.found.loop.schedule = everyDay([600, 660])
        s.site.summerTime = 'europe'
      })
      const home = new House(study)
      home.startAt(day * DAY_S)
      let at = NaN
      home.runUntil((day + 1) * DAY_S, 60, () => {
        if (home.pumping && Number.isNaN(at)) at = Math.floor((home.nowS - day * DAY_S - 1e-3) / 60)
      })
      return at
    }
    expect(startsAt({ aheadMin: 0, summerTime: 'follows' }, 180)).toBe(600)
    expect(startsAt({ aheadMin: 25, summerTime: 'follows' }, 180)).toBe(575)
    expect(startsAt({ aheadMin: 0, summerTime: 'stays' }, 180)).toBe(660)
    expect(startsAt({ aheadMin: 0, summerTime: 'stays' }, 20)).toBe(600)
  })
})

describe('the house heated by the same appliance', () => {
  it('keep-hot does nothing while heating runs, and costs its own outside', () => {
    const kept = (heating: Partial<Study['controls']['found']['heating']>, months = true) =>
      simulate(
        flat((c, s) => {
          c.keepHot = true
          Object.assign(s.controls.found.heating, heating)
          s.site.heatingMonths = s.site.heatingMonths.map(() => months)
        }),
      )
    const alone = kept({}).energy.primaryKwh
    expect(kept({ heaterId: 'wall-heater' }).energy.primaryKwh).toBeCloseTo(0, 6)
    expect(kept({ heaterId: 'wall-heater' }, false).energy.primaryKwh).toBeCloseTo(alone, 6)
    const half = kept({ heaterId: 'wall-heater', schedule: everyDay([0, 720]) }).energy.primaryKwh
    expect(half / alone).toBeCloseTo(0.5, 1)
  })

  it('loses the hours in which hot water goes first, none when it does not', () => {
    const lost = (hotWaterFirst: boolean) => {
      const year = simulate(
        tall((_, s) => Object.assign(s.controls.found.heating, { heaterId: 'boiler', hotWaterFirst })),
      )
      return year.heatingLostHours
    }
    expect(lost(false)).toBe(0)
    expect(lost(true)).toBeGreaterThan(50)
    expect(simulate(hillTown).heatingLostHours).toBe(0)
  })
})

describe('several heaters on the same pipes', () => {
  const two = (unitsShare: 'in turn' | 'together', units = 2) =>
    flat((_, s) => {
      const [h] = s.plant.heaters
      if ('units' in h) Object.assign(h, { units, unitsShare })
    })
  it('together ask for twice the flow to light, in turn for that of one', () => {
    const cool = (s: Study) => simulate(s).comfort.unmetDraws
    expect(cool(two('together', 3))).toBeGreaterThan(cool(two('in turn', 3)))
    expect(simulate(two('in turn', 1))).toEqual(simulate(harbourFlat))
  })
})

describe('air as somebody measured it', () => {
  it('a store loses by it, not by what is usual where it stands', () => {
    const lost = (ambientC: number | null) =>
      sum(
        firstDays(
          tall((_, s) => {
            s.plant.store!.ambientC = ambientC
            s.controls.found.loop.mode = 'off'
            s.people.uses = []
          }),
          20,
        ).home.ledger.flows.store,
      )
    expect(lost(5)).toBeGreaterThan(1.1 * lost(25))
    expect(lost(null)).toBeGreaterThan(lost(25))
  })
})
