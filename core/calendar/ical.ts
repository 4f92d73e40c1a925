import ICAL from 'ical.js'
import { tzlib_get_ical_block, tzlib_get_timezones } from 'timezones-ical-library'
import { MINUTES_A_DAY } from './clock'
import { dayAfter } from './days'

/** Something in a calendar, by the clock on the wall of its household. */
export interface CalendarEvent {
  /** Stays when the rest changes, so that a calendar that has it already moves it. */
  uid: string
  title: string
  text: string
  /** First day, YYYY-MM-DD. */
  day: string
  /** From which minute of the day, and how long; null: the whole day. */
  at: { min: number; minutes: number } | null
  /** Comes back on these days of the week, Monday 0; or on this day of every so many years. */
  repeats: { weekdays: readonly number[] } | { years: number } | null
  /** A reminder so many minutes before; null: none. */
  remindMin: number | null
}

const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU']

/** Zones that a calendar can be written in, by their IANA names. */
export const zoneNames = (): string[] => tzlib_get_timezones() as string[]

function time(day: string, min: number | null): ICAL.Time {
  const over = min !== null && min >= MINUTES_A_DAY
  const at = over ? dayAfter(day, Math.floor(min / MINUTES_A_DAY)) : day
  const [year, month, date] = at.split('-').map(Number)
  if (min === null) return ICAL.Time.fromData({ year, month, day: date, isDate: true })
  const of = min % MINUTES_A_DAY
  return ICAL.Time.fromData({ year, month, day: date, hour: Math.floor(of / 60), minute: of % 60, second: 0 })
}

function eventOf(event: CalendarEvent, zone: string, stamp: string): ICAL.Component {
  const out = new ICAL.Component('vevent')
  const put = (name: string, value: unknown, zoned = false) => {
    const property = new ICAL.Property(name)
    property.setValue(value)
    if (zoned && event.at) property.setParameter('tzid', zone)
    out.addProperty(property)
  }
  put('uid', event.uid)
  put('dtstamp', ICAL.Time.fromDateTimeString(stamp))
  put('dtstart', time(event.day, event.at?.min ?? null), true)
  put('dtend', event.at ? time(event.day, event.at.min + event.at.minutes) : time(dayAfter(event.day, 1), null), true)
  put('summary', event.title)
  if (event.text) put('description', event.text)
  if (event.repeats && 'years' in event.repeats)
    put(
      'rrule',
      ICAL.Recur.fromString(`FREQ=YEARLY${event.repeats.years > 1 ? `;INTERVAL=${event.repeats.years}` : ''}`),
    )
  else if (event.repeats)
    put('rrule', ICAL.Recur.fromString(`FREQ=WEEKLY;BYDAY=${event.repeats.weekdays.map((d) => WEEKDAYS[d]).join(',')}`))
  if (event.remindMin !== null) {
    const alarm = new ICAL.Component('valarm')
    alarm.addPropertyWithValue('action', 'DISPLAY')
    alarm.addPropertyWithValue('description', event.title)
    alarm.addPropertyWithValue('trigger', ICAL.Duration.fromSeconds(-60 * event.remindMin))
    out.addSubcomponent(alarm)
  }
  return out
}

/**
 * A calendar by RFC 5545: times by the clock on the wall in a zone whose rules it carries, so that they stay right when clocks
 * change.
 * @param zone IANA name; @param stamp when it is written, UTC, as 2026-11-30T21:00:00Z
 * @throws RangeError for a zone that is not known
 */
export function icalText(events: readonly CalendarEvent[], name: string, zone: string, stamp: string): string {
  // A line that is folded begins with a space, which counts among its 75 octets.
  ICAL.foldLength = 74
  if (!zoneNames().includes(zone)) throw new RangeError(`${zone} is no time zone. Accepts names such as Europe/Vienna`)
  const calendar = new ICAL.Component('vcalendar')
  calendar.addPropertyWithValue('version', '2.0')
  calendar.addPropertyWithValue('prodid', '-//Bagno//Visit//EN')
  calendar.addPropertyWithValue('calscale', 'GREGORIAN')
  calendar.addPropertyWithValue('x-wr-calname', name)
  calendar.addSubcomponent(new ICAL.Component(ICAL.parse(tzlib_get_ical_block(zone)[0]) as never))
  for (const event of events) calendar.addSubcomponent(eventOf(event, zone, stamp))
  return `${calendar.toString()}\r\n`
}
