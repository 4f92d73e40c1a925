import fc from 'fast-check'
import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import { nextDay } from '../../core/calendar/comes-back'
import { dayAfter, weekdayOfDay } from '../../core/calendar/days'
import { everyDay, workAndRest } from '../../core/calendar/week'
import { hillTown } from '../../core/demos/hill-town'
import { displayOf } from '../../core/study/display-of'
import type { Study } from '../../core/study/study'
import { calendarFile, remindersOf } from '../../core/views/reminders'
import { schedulesCsv } from '../../core/views/schedules-csv'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

ICAL.design.strict = true
const STAMP = '2026-11-30T21:00:00Z'
const file = (study: Study, zone: string, from = '2026-11-30') =>
  calendarFile(study, displayOf(study), { from, zone, stamp: STAMP })

/** Occurrences of an event between two days, as UTC, by a parser that is told nothing but the file. */
function occurrences(text: string, title: RegExp, from: string, to: string): { start: Date; end: Date }[] {
  const calendar = new ICAL.Component(ICAL.parse(text) as never)
  const zone = new ICAL.Timezone(calendar.getFirstSubcomponent('vtimezone')!)
  ICAL.TimezoneService.register(zone)
  const out: { start: Date; end: Date }[] = []
  for (const component of calendar.getAllSubcomponents('vevent')) {
    const event = new ICAL.Event(component)
    if (!title.test(event.summary)) continue
    const each = event.iterator()
    for (let next = each.next(); next; next = each.next()) {
      const day = next.toString().slice(0, 10)
      if (day > to) break
      if (day < from) continue
      const { startDate, endDate } = event.getOccurrenceDetails(next)
      out.push({ start: startDate.toJSDate(), end: endDate.toJSDate() })
    }
  }
  return out
}
/** Time of a moment by the clock on the wall of a zone, from another source. */
const wall = (at: Date, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hour12: false }).format(at)

const timed = changed(hillTown, (s) => {
  s.controls.found.loop.schedule = workAndRest([[330, 510]], [[420, 1440]])
  s.controls.found.heaters.boiler.pasteurisation = { weekday: 6, atMin: 180, toC: 65, holdMin: 30 }
  s.controls.found.heaters.boiler.overrides = [
    { setpointC: 70, fromDay: 3, fromMin: 1080, minutes: 120, weekly: true },
    { setpointC: 68, fromDay: 30, fromMin: 600, minutes: null, weekly: false },
  ]
  s.people.absences = [{ personId: null, fromDay: 360, toDay: 3 + 362 }]
  s.controllers[0].batteryOn = '2024-02-29'
})

describe('the calendar of a household', () => {
  it.each([
    ['Europe/Vienna', '2027-03-22', '2027-04-04', '2027-10-25', '2027-11-07'],
    ['America/Denver', '2027-03-08', '2027-03-21', '2027-11-01', '2027-11-14'],
  ])('in %s keeps the clock on the wall over both changes of the clocks', (zone, a, b, c, d) => {
    const text = file(timed, zone)
    for (const [from, to] of [
      [a, b],
      [c, d],
    ]) {
      const on = occurrences(text, /^Circulation on$/, from, to)
      expect(on).toHaveLength(14)
      for (const { start, end } of on) {
        const [begins, ends] = [wall(start, zone), wall(end, zone)]
        expect(['05:30', '07:00']).toContain(begins)
        expect(ends).toBe(begins === '05:30' ? '08:30' : '00:00')
      }
      // In UTC they move by an hour: the zone is not a fixed offset.
      expect(new Set(on.map((o) => o.start.getUTCHours())).size).toBe(4)
    }
  })

  it('is as the standard wants it: lines by CRLF, none over 75 octets, a stamp and a name of its own for each', () => {
    const text = file(timed, 'Europe/Vienna')
    const lines = text.split('\r\n')
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/)
    for (const line of lines) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
    const uids = lines.filter((l) => l.startsWith('UID:'))
    expect(new Set(uids).size).toBe(uids.length)
    expect(lines.filter((l) => l === 'BEGIN:VEVENT')).toHaveLength(uids.length)
    expect(file(timed, 'Europe/Vienna')).toBe(text)
  })

  it('has the cycle with its warning, boosts and their end, leaving and coming back, clocks and batteries', () => {
    const titles = remindersOf(timed, '2026-11-30', displayOf(timed)).map((e) => `${e.day} ${e.title}`)
    expect(titles.filter((t) => /Pasteurisation/.test(t))).toEqual([
      '2026-12-06 Pasteurisation cycle, Condensing boiler',
    ])
    expect(titles.filter((t) => /by hand/.test(t))).toHaveLength(2)
    expect(titles.filter((t) => /Back to the setpoint/.test(t))).toHaveLength(2)
    expect(titles.filter((t) => /Check the clock/.test(t))).toHaveLength(2)
    expect(titles).toContain('2027-02-28 Batteries: Controller')
    expect(titles.some((t) => t.startsWith('2026-12-26'))).toBe(true)
  })

  it('what is due every second year comes back in its own years, and never before two have passed', () => {
    const soft = changed(hillTown, (s) => {
      s.site.hardnessMgL = 40
      s.finishedOn = '2024-03-05'
    })
    const scaleOn = (from: string, study = soft) =>
      remindersOf(study, from, displayOf(study)).find((e) => /^Scale/.test(e.title))!
    expect([scaleOn('2024-03-05').day, scaleOn('2026-03-06').day, scaleOn('2027-01-01').day]).toEqual([
      '2026-03-05',
      '2028-03-05',
      '2028-03-05',
    ])
    expect(scaleOn('2024-03-05').repeats).toEqual({ years: 2 })
    const hard = changed(soft, (s) => void (s.site.hardnessMgL = 400))
    expect(scaleOn('2024-03-05', hard)).toMatchObject({ day: '2025-03-05', repeats: { years: 1 } })
    const text = file(soft, 'Europe/Vienna', '2024-03-05')
    const days = occurrences(text, /^Scale/, '2024-01-01', '2031-01-01').map((o) => o.start.getFullYear())
    expect(days).toEqual([2026, 2028, 2030])
  })

  it('of any household passes the parser, and each event begins on a day that its rule has', () => {
    fc.assert(
      fc.property(
        randomStudy,
        fc.constantFrom('Europe/Vienna', 'Australia/Sydney', 'America/Denver'),
        (study, zone) => {
          const events = remindersOf(study, '2027-02-27', displayOf(study))
          for (const e of events) {
            expect(e.day >= '2027-02-27').toBe(true)
            if (e.repeats && 'weekdays' in e.repeats) expect(e.repeats.weekdays).toContain(weekdayOfDay(e.day))
          }
          const parsed = new ICAL.Component(ICAL.parse(file(study, zone, '2027-02-27')) as never)
          expect(parsed.getAllSubcomponents('vevent')).toHaveLength(events.length)
        },
      ),
      { numRuns: 25 },
    )
  })

  it('of a US study speaks its words, in the calendar and in the separated values', () => {
    const us = changed(timed, (s) => (s.units = 'us'))
    const titles = remindersOf(us, '2026-11-30', displayOf(us)).map((e) => e.title)
    expect(titles).toContain('Recirculation on')
    expect(schedulesCsv(us)).toContain('Recirculation')
    expect(titles.join()).not.toMatch(/°C|Circulation on/)
  })

  it('of a zone that is none is refused by name', () => {
    expect(() => file(timed, 'Mars/Olympus')).toThrow(/Mars\/Olympus is no time zone/)
  })
})

describe('days', () => {
  it('go on over months and leap years', () => {
    expect(dayAfter('2026-12-31', 1)).toBe('2027-01-01')
    expect(dayAfter('2028-02-28', 1)).toBe('2028-02-29')
    expect(dayAfter('2027-02-28', 1)).toBe('2027-03-01')
    expect(dayAfter('2027-03-01', -1)).toBe('2027-02-28')
    expect(weekdayOfDay('2026-11-30')).toBe(0)
    expect(nextDay('2026-11-30', 60)).toBe('2027-03-01')
    expect(nextDay('2026-11-30', 365)).toBe('2026-12-31')
  })
})

describe('schedules as separated values', () => {
  it('name controller, day and period', () => {
    const rows = schedulesCsv(changed(hillTown, (s) => (s.controls.found.loop.schedule = everyDay([330, 1440]))))
      .trim()
      .split('\r\n')
    expect(rows[0]).toBe('controller,switches,day,period,on,off')
    expect(rows[1]).toBe('Controller,Circulation,Monday,1,05:30,24:00')
    expect(rows).toHaveLength(8)
  })
})
