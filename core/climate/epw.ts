import { DAYS_IN_MONTH } from '../calendar/year'
import { type Fault, refused, type Result } from '../units/result'

/** Largest weather file that is read, bytes: a year of hours is under 2 MB. */
export const LARGEST_EPW = 6 * 1024 * 1024

export interface Weather {
  place: string
  monthlyAirC: number[]
  /** Sun on the level, kWh/m² a day; null: the file has not enough of it. */
  monthlySunKwhM2: number[] | null
  /** Null: the file does not say. */
  latitudeDeg: number | null
  /** Rows that were left out because their figure is missing, as the format marks it. */
  missing: number
}

/** Columns of an EPW row, from 0: month, dry-bulb temperature, sun on the level; and how the format writes that it is missing. */
const MONTH = 1
const DRY_BULB = 6
const GLOBAL_WH_M2 = 13
const MISSING_C = 99.9
const MISSING_WH = 9999
/** Column of the latitude in the first line, and what the sun's path is reckoned for. */
const LATITUDE = 6
const MOST_LATITUDE = 66
/** Sun anybody has measured in an hour, Wh/m². */
const MOST_WH = 1600
const HEADER_LINES = 8
/** Air anybody has measured on earth, °C. */
const AIR_C = { low: -70, high: 60 }
/** A month must have this share of its hours. */
const LEAST_SHARE = 0.5
const MOST_FAULTS = 20

/**
 * Monthly means of air and sun from a weather file of the EPW format (EnergyPlus, public documentation): eight header
 * lines, then a row an hour. Faults name their line. A 29 February counts with its month.
 */
// A file is read line by line in one go: each line's faults are told apart where they are met.
// eslint-disable-next-line complexity
export function readEpw(text: string): Result<Weather> {
  if (text.length > LARGEST_EPW)
    return refused(`the file is ${Math.round(text.length / 1048576)} MB. Accepts up to ${LARGEST_EPW / 1048576} MB`)
  const lines = text.split(/\r?\n/)
  if (!/^LOCATION,/i.test(lines[0] ?? '')) return refused('a weather file begins with LOCATION', 'line 1')
  const place = (lines[0].split(',')[1] ?? '').trim() || 'unnamed'
  const sums = Array<number>(12).fill(0)
  const counts = Array<number>(12).fill(0)
  const sunWh = Array<number>(12).fill(0)
  const sunHours = Array<number>(12).fill(0)
  const faults: Fault[] = []
  let missing = 0
  for (let i = HEADER_LINES; i < lines.length && faults.length < MOST_FAULTS; i++) {
    if (lines[i].trim() === '') continue
    const cells = lines[i].split(',')
    const month = Number(cells[MONTH])
    const airC = cells[DRY_BULB]?.trim() === '' ? NaN : Number(cells[DRY_BULB])
    if (cells.length <= DRY_BULB)
      faults.push({
        path: `line ${i + 1}`,
        message: `has ${cells.length} columns; an hour has at least ${DRY_BULB + 1}`,
      })
    else if (!Number.isInteger(month) || month < 1 || month > 12)
      faults.push({
        path: `line ${i + 1}`,
        message: `month is "${cells[MONTH].slice(0, 20)}", from 1 to 12 is expected`,
      })
    else if (airC === MISSING_C) missing++
    else if (!(airC >= AIR_C.low && airC <= AIR_C.high))
      faults.push({
        path: `line ${i + 1}`,
        message: `air is "${cells[DRY_BULB].slice(0, 20)}", a number from ${AIR_C.low} to ${AIR_C.high} °C is expected${airC > AIR_C.high && airC < 130 ? '; is it °F?' : ''}`,
      })
    else {
      const wh = cells[GLOBAL_WH_M2]?.trim() ? Number(cells[GLOBAL_WH_M2]) : MISSING_WH
      if (wh !== MISSING_WH && !(wh >= 0 && wh <= MOST_WH)) {
        faults.push({
          path: `line ${i + 1}`,
          message: `sun is "${cells[GLOBAL_WH_M2].slice(0, 20)}", a number from 0 to ${MOST_WH} Wh/m² is expected`,
        })
        continue
      }
      if (wh !== MISSING_WH) {
        sunWh[month - 1] += wh
        sunHours[month - 1]++
      }
      sums[month - 1] += airC
      counts[month - 1]++
    }
  }
  counts.forEach((n, m) => {
    const hours = DAYS_IN_MONTH[m] * 24
    if (faults.length < MOST_FAULTS && n < LEAST_SHARE * hours)
      faults.push({ path: `month ${m + 1}`, message: `has ${n} hours of ${hours}` })
  })
  if (faults.length) return { ok: false, faults }
  const rounded = (x: number, per: number) => Math.round(x * per) / per
  const sunny = sunHours.every((n, m) => n >= LEAST_SHARE * DAYS_IN_MONTH[m] * 24)
  const latitude = Number(lines[0].split(',')[LATITUDE]?.trim() || NaN)
  return {
    ok: true,
    value: {
      place,
      monthlyAirC: sums.map((s, m) => rounded(s / counts[m], 10)),
      // Each hour counts for the hours that are missing beside it.
      monthlySunKwhM2: sunny ? sunWh.map((wh, m) => rounded((24 * wh) / sunHours[m] / 1000, 100)) : null,
      latitudeDeg: Math.abs(latitude) <= MOST_LATITUDE ? latitude : null,
      missing,
    },
  }
}
