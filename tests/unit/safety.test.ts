import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clock, everyDay, hoursOpen, isOn, weekInWords, workAndRest } from '../../core/calendar/week'
import { hillTown } from '../../core/demos/hill-town'
import { logKillPerHour } from '../../core/safety/legionella'
import { scaldSeconds } from '../../core/safety/scald'
import { defaultFunctions } from '../../core/study/controls'
import type { Study } from '../../core/study/study'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'

describe('scalding', () => {
  it.each([
    [48.9, 300],
    [51.1, 180],
    [52.8, 60],
    [56.1, 15],
    [60, 5],
    [65, 2],
    [68.9, 1],
  ])('at %d °C takes an adult %d s', (c, s) => {
    expect(scaldSeconds(c).adultS).toBeCloseTo(s, 9)
    expect(scaldSeconds(c).childS).toBeCloseTo(s / 4, 9)
  })

  it('takes less the hotter the water, down to a second', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 95, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (c, more) => {
          expect(scaldSeconds(c + more).adultS).toBeLessThanOrEqual(scaldSeconds(c).adultS)
          expect(scaldSeconds(c).adultS).toBeGreaterThanOrEqual(1)
        },
      ),
    )
  })
})

describe('legionella', () => {
  it('die tenfold in 111 minutes at 50 °C and in 2 at 60 °C, ten times faster for each 5.7 K', () => {
    expect(logKillPerHour(50)).toBeCloseTo(60 / 111, 6)
    expect(logKillPerHour(60)).toBeCloseTo(30, 6)
    expect(logKillPerHour(50 + 5.7) / logKillPerHour(50)).toBeGreaterThan(9.7)
    expect(logKillPerHour(50 + 5.7) / logKillPerHour(50)).toBeLessThan(10.3)
    expect(logKillPerHour(40)).toBe(0)
  })

  it('a hotter store is tepid for less of the week, and a loop kept cool is said to be', () => {
    const at = (setpointC: number): Study => ({
      ...hillTown,
      controls: {
        ...hillTown.controls,
        found: {
          ...hillTown.controls.found,
          heaters: { boiler: { setpointC, differentialK: 5, schedule: null, ...defaultFunctions() } },
        },
        set: null,
      },
    })
    const [cool, hot] = [simulate(at(48)), simulate(at(65))]
    expect(cool.hygiene.storeTepidHoursWeek).toBeGreaterThan(hot.hygiene.storeTepidHoursWeek)
    expect(cool.hygiene.loopReturnCoolShare).toBeGreaterThan(0.95)
    expect(hot.hygiene.loopReturnCoolShare).toBeLessThan(0.02)
  })

  it('a timer that lets the store go tepid every night is said for every day', () => {
    const nights = changed(hillTown, (s) => {
      s.controls.found.heaters.boiler!.schedule = everyDay([1080, 1200])
      s.controls.found.heaters.boiler!.setpointC = 46
    })
    expect(simulate(nights).hygiene.tepidOn.length).toBeGreaterThan(300)
    expect(simulate(hillTown).hygiene.tepidOn).toEqual([])
  })
})

describe('a week of windows', () => {
  const span = fc.tuple(fc.integer({ min: 0, max: 1438 }), fc.integer({ min: 1, max: 1440 })).filter(([a, b]) => a < b)
  it('is open for just the minutes it says', () => {
    fc.assert(
      fc.property(span, (s) => {
        const week = everyDay(s)
        let open = 0
        for (let minute = 0; minute < 1440; minute++) if (isOn(week, minute)) open++
        expect(open).toBe(s[1] - s[0])
        expect(hoursOpen(week)).toBeCloseTo((7 * open) / 60, 9)
      }),
      { numRuns: 30 },
    )
  })

  it('is written in words, days alike together', () => {
    expect(weekInWords(everyDay([330, 480], [1140, 1380]))).toBe('Every day 05:30–08:00, 19:00–23:00')
    expect(weekInWords(workAndRest([[330, 480]], []))).toBe('Mon–Fri 05:30–08:00; Sat–Sun none')
    expect(clock(1440)).toBe('24:00')
  })
})
