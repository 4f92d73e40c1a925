import { dayNumber } from '../calendar/year'
import { LARGEST_EPW } from '../climate/epw'
import { DailyAir } from '../study/meters'
import type { Study } from '../study/study'
import { readDay } from '../units/dates'
import { type Fault, refused, type Result } from '../units/result'
import { LARGEST_AIR_FILE, readAirCsv } from './air-csv'

/** Largest file of weather that is opened, bytes; each kind has its own limit besides. */
export const LARGEST_WEATHER = Math.max(LARGEST_AIR_FILE, LARGEST_EPW)

const MOST_FAULTS = 20
const HEADER_LINES = 8
/** Columns of an hour in an EPW file. */
const [YEAR, MONTH, DAY, DRY_BULB] = [0, 1, 2, 6]
/** Stands where no air was measured. */
const MISSING_C = 99.9
/** Of a day with fewer hours there is no mean. */
const LEAST_HOURS = 20

/**
 * Daily means of an EPW file of a year as it was. A typical year is put together of months of different years: its days do not
 * follow each other, and it is refused by the line where they break.
 */
function readEpwDays(text: string): Result<DailyAir> {
  if (text.length > LARGEST_EPW) return refused(`the file is too large. Accepts up to ${LARGEST_EPW / 1024 / 1024} MB`)
  const faults: Fault[] = []
  const days: { on: string; line: number; sum: number; hours: number }[] = []
  text
    .split(/\r?\n/)
    .slice(HEADER_LINES)
    .forEach((row, i) => {
      if (row.trim() === '' || faults.length >= MOST_FAULTS) return
      const line = i + HEADER_LINES + 1
      const cells = row.split(',')
      const on = readDay(`${cells[YEAR]?.trim()}-${cells[MONTH]?.trim()}-${cells[DAY]?.trim()}`, 'metric')
      const c = cells[DRY_BULB]?.trim() ? Number(cells[DRY_BULB]) : NaN
      if (on === null)
        return void faults.push({ path: `line ${line}`, message: 'has no day. Accepts year, month, day' })
      if (!(c >= -60 && c <= MISSING_C))
        return void faults.push({
          path: `line ${line}`,
          message: `air "${(cells[DRY_BULB] ?? '').slice(0, 20)}". Accepts °C`,
        })
      if (days.at(-1)?.on !== on) days.push({ on, line, sum: 0, hours: 0 })
      if (c === MISSING_C) return
      const day = days[days.length - 1]
      day.sum += c
      day.hours++
    })
  for (const [i, { on, line, hours }] of days.entries()) {
    if (faults.length >= MOST_FAULTS) break
    const before = days[i - 1]
    if (before && dayNumber(on) !== dayNumber(before.on) + 1)
      faults.push({
        path: `line ${line}`,
        message: `${on} does not follow ${before.on}: a typical year, or days are missing. Accepts a year as it was`,
      })
    else if (hours < LEAST_HOURS) faults.push({ path: `line ${line}`, message: `${on} has ${hours} hours of 24` })
  }
  if (faults.length) return { ok: false, faults }
  const read = DailyAir.safeParse({ from: days[0]?.on, c: days.map((d) => Math.round((100 * d.sum) / d.hours) / 100) })
  return read.success ? { ok: true, value: read.data } : refused('no days in it, or an air that cannot be')
}

/** Weather as it was, out of either kind of file: an EPW file begins with its location. */
export const readAirFile = (study: Pick<Study, 'units'>, text: string): Result<DailyAir> =>
  /^\uFEFF?LOCATION,/i.test(text) ? readEpwDays(text) : readAirCsv(study, text)
