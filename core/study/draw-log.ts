import Papa from 'papaparse'
import { DAY_S, DAYS, daysSince1970 } from '../calendar/year'
import { rangeOf } from '../schema/shape'
import { GAL_L } from '../units/quantities'
import { type Fault, refused, type Result } from '../units/result'
import { KJ_PER_LITRE_K } from '../water/properties'
import { LoggedDraw, MOST_LOGGED, type People } from './people'
import type { Tap } from './pipes'

/** Largest log that is read, bytes. */
export const LARGEST_LOG = 4 * 1024 * 1024
const MOST_FAULTS = 20
const LITRES = rangeOf(LoggedDraw.shape.litres)

/** How an amount is written in a log. */
export const AMOUNT_UNITS = ['L', 'gal', 's', 'min', 'kWh'] as const
export const TEMPERATURE_UNITS = ['°C', '°F'] as const

/** Which column holds what, and in which unit. A column that is not there is null. */
export interface LogMapping {
  time: string
  amount: string
  amountUnit: (typeof AMOUNT_UNITS)[number]
  tap: string | null
  temperature: string | null
  temperatureUnit: (typeof TEMPERATURE_UNITS)[number]
  /** Tap of draws that name none, and how warm water is that says nothing, °C. */
  tapId: string
  requiredC: number
}

interface Table {
  columns: string[]
  rows: Record<string, string>[]
  /** Number of the line that each row begins on, with the header as the first. */
  lines: number[]
}

/** What parts the columns: by the header, because in a short file decimal commas outnumber what parts them. */
const delimiterOf = (text: string): string => {
  const [head = ''] = text.split(/\r?\n/, 1)
  return [';', '\t', '|'].find((d) => head.includes(d)) ?? ','
}

/** A file of separated values with a header. Separator and quotes are found out; empty lines are left out. */
export function readTable(text: string): Result<Table> {
  if (text.length > LARGEST_LOG)
    return refused(`the file is ${(text.length / 1048576).toFixed(1)} MB. Accepts up to ${LARGEST_LOG / 1048576} MB`)
  const lines: number[] = []
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: false,
    delimiter: delimiterOf(text),
  })
  const cells = data.filter((row, i) => {
    const full = row.some((c) => c.trim() !== '')
    if (full) lines.push(i + 1)
    return full
  })
  const [head, ...rows] = cells
  if (!head || head.length < 2 || rows.length === 0)
    return refused('a header with at least a time and an amount is expected, and rows under it', 'line 1')
  const columns = head.map((c) => c.trim())
  return {
    ok: true,
    value: {
      columns,
      rows: rows.map((row) => Object.fromEntries(columns.map((c, i) => [c, (row[i] ?? '').trim()]))),
      lines: lines.slice(1),
    },
  }
}

/** What the names of the columns suggest. */
export function guessMapping(columns: readonly string[], tapId: string): LogMapping {
  const find = (pattern: RegExp) => columns.find((c) => pattern.test(c)) ?? null
  const amount = find(/lit|vol|amount|gal|kwh|dura|sec|min\b|\bl\b/i) ?? columns[1]
  const temperature = find(/temp|°|deg/i)
  return {
    time: find(/time|date|start|when/i) ?? columns[0],
    amount,
    amountUnit: /gal/i.test(amount)
      ? 'gal'
      : /kwh/i.test(amount)
        ? 'kWh'
        : /sec|\bs\b/i.test(amount)
          ? 's'
          : /min/i.test(amount)
            ? 'min'
            : 'L',
    tap: find(/tap|outlet|where|fixture/i),
    temperature,
    temperatureUnit: temperature && /f\b|°f/i.test(temperature) ? '°F' : '°C',
    tapId,
    requiredC: 40,
  }
}

/** Seconds since 1970 of a moment written as 2026-03-02 07:15[:30], with a T or a space; NaN when it is none. */
function moment(text: string): number {
  const m = /^(\d{4})-(\d{2})-(\d{2})[T ](\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?/.exec(text)
  if (!m) return NaN
  const [year, month, day, hour, minute, second] = m.slice(1).map((x) => Number(x ?? 0))
  const days = daysSince1970(year, month, day)
  return days === null || hour > 23 || minute > 59 || second > 59
    ? NaN
    : days * DAY_S + hour * 3600 + minute * 60 + second
}

const figure = (text: string) => (/^-?\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : NaN)

/**
 * The draws of a log, by a mapping of its columns. Every fault names its line, and one fault refuses the whole file: half a
 * log would be a wrong household.
 * @param coldC of the cold main when it was logged: what turns kWh into litres
 */
// A file is read line by line in one go: each line's faults are told apart where they are met.
// eslint-disable-next-line complexity
export function readDrawLog(
  name: string,
  text: string,
  mapping: LogMapping,
  taps: readonly Tap[],
  coldC: number,
): Result<Extract<People['draws'], { kind: 'logged' }>> {
  const read = readTable(text)
  if (!read.ok) return read
  const table = read.value
  if (table.rows.length > MOST_LOGGED)
    return refused(`the log has ${table.rows.length} rows. Accepts up to ${MOST_LOGGED}`)
  const faults: Fault[] = []
  const found: (Omit<LoggedDraw, 'atMin'> & { at: number })[] = []
  for (const [i, row] of table.rows.entries()) {
    const fault = (message: string) => faults.push({ path: `line ${table.lines[i]}`, message })
    const quoted = (column: string) => `${column} is “${(row[column] ?? '').slice(0, 30)}”`
    const at = moment(row[mapping.time] ?? '')
    const amount = figure(row[mapping.amount] ?? '')
    const named = mapping.tap === null ? '' : (row[mapping.tap] ?? '')
    const tap = taps.find((t) =>
      named === '' ? t.id === mapping.tapId : [t.id, t.name.toLowerCase()].includes(named.toLowerCase()),
    )
    const written = mapping.temperature === null ? '' : (row[mapping.temperature] ?? '')
    const requiredC =
      written === ''
        ? mapping.requiredC
        : mapping.temperatureUnit === '°F'
          ? (figure(written) - 32) / 1.8
          : figure(written)
    if (Number.isNaN(at)) fault(`${quoted(mapping.time)}; a day and a time such as 2026-03-02 07:15 is expected`)
    else if (!(amount > 0)) fault(`${quoted(mapping.amount)}; a number above 0 is expected, in ${mapping.amountUnit}`)
    else if (!tap)
      fault(
        `${mapping.tap === null ? 'no outlet is chosen' : quoted(mapping.tap)}; the outlets are ${taps.map((t) => t.name).join(', ')}`,
      )
    else if (!(requiredC > coldC && requiredC <= 90))
      fault(
        `${mapping.temperature === null ? 'the temperature' : quoted(mapping.temperature)}; between the cold main and 90 °C is expected${requiredC > 90 ? '; is it °F?' : ''}`,
      )
    else {
      const litres = litresOf(amount, mapping.amountUnit, tap, requiredC - coldC)
      if (litres > LITRES.max)
        fault(`${quoted(mapping.amount)}, ${Math.round(litres)} L in one draw-off; is the unit right?`)
      else if (litres >= LITRES.min) found.push({ at, tapId: tap.id, litres, requiredC })
    }
    if (faults.length >= MOST_FAULTS) break
  }
  if (faults.length > 0) return { ok: false, faults }
  if (found.length === 0) return refused('it has no draw-off of a hundredth of a litre or more')
  const first = Math.floor(found.reduce((least, d) => Math.min(least, d.at), Infinity) / DAY_S)
  const last = Math.floor(found.reduce((most, d) => Math.max(most, d.at), 0) / DAY_S)
  if (last - first + 1 > DAYS) return refused(`the log spans ${last - first + 1} days. Accepts up to a year`)
  const draws = found
    .map(({ at, ...d }) => ({ ...d, atMin: (at - first * DAY_S) / 60 }))
    .sort((a, b) => a.atMin - b.atMin)
  // 1 January 1970 was a Thursday.
  return {
    ok: true,
    value: {
      kind: 'logged',
      source: name.slice(0, 120) || 'log',
      days: last - first + 1,
      firstWeekday: (first + 3) % 7,
      draws,
    },
  }
}

function litresOf(amount: number, unit: LogMapping['amountUnit'], tap: Tap, riseK: number): number {
  switch (unit) {
    case 'L':
      return amount
    case 'gal':
      return amount * GAL_L
    case 's':
      return (amount / 60) * tap.flowLMin
    case 'min':
      return amount * tap.flowLMin
    case 'kWh':
      return (amount * 3600) / (KJ_PER_LITRE_K * riseK)
  }
}
