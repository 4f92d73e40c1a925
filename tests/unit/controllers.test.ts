import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everyDay } from '../../core/calendar/week'
import { DAY_S } from '../../core/calendar/year'
import { checksOf } from '../../core/checks/catalogue'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { clashes, commandable, controllerOf, gridOf } from '../../core/household/controllers'
import { CONTROLLER_KINDS } from '../../core/household/defaults/controllers'
import { withController, withoutController } from '../../core/household/edits/controllers'
import { addHeater, removeHeater, removeLoop } from '../../core/household/edits/plant'
import { nearestSetpoints, setpointRange } from '../../core/household/setpoint-range'
import { CIRCULATION } from '../../core/study/commanded'
import type { Controller } from '../../core/study/controllers'
import { SetpointC } from '../../core/study/controls'
import { USUAL_GRID } from '../../core/study/new-controller'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { House } from '../../core/year/house'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

const sound = (study: Study) => {
  const read = readStudy(JSON.parse(JSON.stringify(study)))
  return read.ok ? [] : read.faults
}
const ids = (study: Study, like: string) =>
  checksOf(study, null)
    .filter((c) => c.id.startsWith(like) && c.level !== 'pass')
    .map((c) => [c.id, c.level])
const with_ = (study: Study, edit: (c: Controller) => void) => changed(study, (s) => edit(s.controllers[0]))

describe('controllers of a household', () => {
  it('command what there is, each its own; what none commands goes by the usual grid', () => {
    expect(commandable(hillTown)).toEqual(['boiler', CIRCULATION])
    expect(controllerOf(hillTown, 'boiler')?.id).toBe('controller-1')
    const none = withoutController(hillTown, 'controller-1')
    expect(controllerOf(none, CIRCULATION)).toBeNull()
    expect(gridOf(none, CIRCULATION)).toEqual(USUAL_GRID)
    const again = withController(none, CONTROLLER_KINDS[0].like)
    expect(again.controllers[0].commands).toEqual(['boiler', CIRCULATION])
    expect(gridOf(again, 'boiler').periodsPerDay).toBe(2)
    expect([none, again].flatMap(sound)).toEqual([])
  })

  it('two of one thing are pointed out, and what goes with its heater or its circulation is forgotten', () => {
    const two = changed(withController(hillTown), (s) => s.controllers[1].commands.push(CIRCULATION))
    expect(clashes(two).map((c) => c.of)).toEqual([CIRCULATION])
    expect(ids(two, 'commanded-twice')).toEqual([['commanded-twice-hot-water-circulation', 'marginal']])
    const bare = removeLoop(two)
    expect(clashes(bare)).toEqual([])
    expect(sound(bare)).toEqual([])
    const more = addHeater(hillTown, 'element')
    const added = more.plant.heaters.find((h) => h.kind === 'element')!.id
    expect(controllerOf(more, added)?.id).toBe('controller-1')
    const less = removeHeater(more, added)
    expect(less.controllers[0].commands).toEqual(['boiler', CIRCULATION])
    expect(sound(less)).toEqual([])
  })

  it('each has its own clock: what one that is wrong commands is shifted, the rest is not', () => {
    const study = changed(withController(hillTown), (s) => {
      s.controllers[0].commands = ['boiler']
      s.controllers[1].commands = [CIRCULATION]
      s.controls.found.clocks['controller-1'].aheadMin = 25
      s.controls.found.loop.schedule = everyDay([600, 660])
    })
    const startsAt = (s: Study) => {
      const home = new House(s)
      home.startAt(20 * DAY_S)
      let at = NaN
      home.runUntil(21 * DAY_S, 60, () => {
        if (home.pumping && Number.isNaN(at)) at = Math.floor((home.nowS - 20 * DAY_S - 1e-3) / 60)
      })
      return at
    }
    expect(startsAt(study)).toBe(600)
    expect(startsAt(changed(study, (s) => void (s.controls.found.clocks['controller-2'].aheadMin = 25)))).toBe(575)
  })

  it('a wrong weekday runs the programme of another day', () => {
    const runs = (daysAhead: number, day: number) => {
      const study = changed(hillTown, (s) => {
        s.site.firstWeekday = 0
        s.controls.found.loop.schedule = everyDay().map((_, d) => (d === 5 ? [{ fromMin: 600, toMin: 660 }] : []))
        s.controls.found.clocks['controller-1'].daysAhead = daysAhead
      })
      const home = new House(study)
      home.startAt(day * DAY_S)
      let on = false
      home.runUntil((day + 1) * DAY_S, 600, () => (on ||= home.pumping))
      return on
    }
    expect([4, 5, 6].map((day) => runs(0, day))).toEqual([false, true, false])
    expect([4, 5, 6].map((day) => runs(1, day))).toEqual([true, false, false])
    expect([4, 5, 6].map((day) => runs(-1, day))).toEqual([false, false, true])
  })
})

describe('checks of controllers', () => {
  it('a setpoint off its range or between its steps cannot be entered', () => {
    const range = (lowC: number, highC: number, stepK: number) =>
      ids(
        with_(hillTown, (c) => (c.range = { lowC, highC, stepK })),
        'setpoint-not-taken',
      )
    expect(range(40, 65, 5)).toEqual([])
    expect(range(40, 60, 5)).toEqual([['setpoint-not-taken-boiler', 'fail']])
    expect(range(40, 70, 2)).toEqual([['setpoint-not-taken-boiler', 'fail']])
  })

  it('what can be entered instead can be entered, lies next to it, and is one that a study takes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 95 }),
        fc.integer({ min: 5, max: 60 }),
        fc.integer({ min: 1, max: 40 }).map((n) => n / 2),
        fc.integer({ min: 60, max: 170 }).map((n) => n / 2),
        (lowC, span, stepK, c) => {
          const study = with_(hillTown, (k) => (k.range = { lowC, highC: Math.min(99, lowC + span), stepK }))
          const instead = nearestSetpoints(study, 'boiler', c)
          const { lowC: from, highC: to } = setpointRange(study, 'boiler')
          if (!instead) {
            expect(from <= c && c <= to).toBe(true)
            return
          }
          expect(instead.length === 0).toBe(from > to)
          for (const next of instead) {
            expect(SetpointC.safeParse(next).success).toBe(true)
            expect(nearestSetpoints(study, 'boiler', next)).toBeNull()
            if (c > from && c < to) expect(Math.abs(next - c)).toBeLessThan(stepK)
          }
        },
      ),
    )
  })

  it('a plug-in timer carries its load, by permission; what nobody read stands in the way', () => {
    const element = changed(addHeater(hillTown, 'element'), (s) => {
      s.controllers[0].panel = 'plug-in timer'
      s.controllers[0].commands = [s.plant.heaters.find((h) => h.kind === 'element')!.id]
      s.plant.heaters = s.plant.heaters.map((h) => (h.kind === 'element' ? { ...h, powerKw: 3 } : h))
    })
    const timer = (ratingA: number | null, permitted: boolean | null) =>
      ids(
        with_(element, (c) => Object.assign(c, { ratingA, permitted })),
        'timer-',
      ).map(([id, level]) => `${id.split('-')[1]} ${level}`)
    // 3 kW at 230 V are 13.04 A.
    expect(timer(16, true)).toEqual([])
    expect(timer(13, true)).toEqual(['rating fail'])
    expect(timer(null, null)).toEqual(['rating not checked', 'permitted not checked'])
    expect(timer(16, false)).toEqual(['permitted fail'])
    const blocking = checksOf(
      with_(element, (c) => (c.ratingA = 10)),
      null,
    ).find((c) => c.id.startsWith('timer-rating'))
    expect(blocking?.blocks).toBe(true)
  })

  it('an app without a holder of its account is asked for', () => {
    expect(
      ids(
        with_(duplex, (c) => (c.panel = 'app')),
        'account',
      ),
    ).toEqual([['account-controller-1', 'not checked']])
    expect(
      ids(
        with_(duplex, (c) => Object.assign(c, { panel: 'app', account: 'Ada Quill' })),
        'account',
      ),
    ).toEqual([])
  })

  it('of any household: taken away and put back it is sound, and nothing is commanded that is not there', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        for (const { commands } of study.controllers)
          for (const of of commands) expect(commandable(study)).toContain(of)
        const fewer = study.controllers.length ? withoutController(study, study.controllers[0].id) : study
        expect([fewer, withController(fewer), removeLoop(study)].flatMap(sound)).toEqual([])
      }),
      { numRuns: 30 },
    )
  })
})
