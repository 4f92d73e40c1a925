import Papa from 'papaparse'
import { BILL_UNITS, BILLED, type BillUnit, WATER_UNITS } from '../money/billing'
import { CARRIER_NAMES, CARRIERS } from '../money/carriers'
import { freshId } from '../study/fresh-id'
import { type Meter, MOST_METER_READINGS, MOST_METERS } from '../study/meters'
import type { Study } from '../study/study'
import { readDay } from '../units/dates'
import { type Fault, refused, type Result } from '../units/result'

/** Largest file of meter readings that is read, bytes. */
export const LARGEST_METER_FILE = 1024 * 1024
const COLUMNS = ['meter', 'date', 'value', 'unit', 'estimated', 'exchanged'] as const
const MOST_FAULTS = 20

const WATER = 'water'
/** What is in one unit of a carrier: as its tariff has it where that counts in the same, kWh; of water m³. */
function perUnit(study: Study, of: Meter['of'], unit: string): number | null {
  const named = (name: string) => name.toLowerCase() === unit.toLowerCase()
  if (of === WATER) return Object.values(WATER_UNITS).find((u) => named(u.name))?.m3 ?? null
  const key = (Object.keys(BILL_UNITS) as BillUnit[]).find((k) => named(BILL_UNITS[k]) || named(k))
  const tariff = study.prices.carriers[of]
  if (!key) return null
  return tariff?.unit === key ? tariff.kwhPerUnit : (BILLED[of][key] ?? null)
}

const carrierNamed = (text: string): Meter['of'] | null =>
  text.toLowerCase() === WATER
    ? WATER
    : (CARRIERS.find((c) => c === text.toLowerCase() || CARRIER_NAMES[c].toLowerCase() === text.toLowerCase()) ?? null)

const YES = new Set(['yes', 'true', '1', 'x', 'e'])
const NO = new Set(['', 'no', 'false', '0'])

/** Units that a meter may count in, by name. */
export const unitsOf = (of: Meter['of']): string[] =>
  of === WATER
    ? Object.values(WATER_UNITS).map((u) => u.name)
    : Object.keys(BILLED[of]).map((u) => BILL_UNITS[u as BillUnit])

/** A meter without readings, of a unit that `unitsOf` lists. */
export const meterOf = (study: Study, of: Meter['of'], unit: string): Meter => ({
  id: freshId('meter', study.verification.meters),
  name: of === WATER ? 'Water' : CARRIER_NAMES[of],
  of,
  unit,
  perUnit: perUnit(study, of, unit) ?? 1,
  others: null,
  readings: [],
})

/**
 * Meter readings as separated values: meter (a carrier or water), date, value on the dial, unit; estimated and exchanged where
 * they apply. What is not accepted is named by its line, and then nothing is taken.
 */
export function readMeterCsv(study: Study, text: string): Result<Meter[]> {
  if (text.length > LARGEST_METER_FILE)
    return refused(`the file is too large. Accepts up to ${LARGEST_METER_FILE / 1024 / 1024} MB`)
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
  })
  const missing = (['meter', 'date', 'value', 'unit'] as const).filter((c) => !meta.fields?.includes(c))
  if (missing.length) return refused(`no column "${missing[0]}". Accepts ${COLUMNS.join(', ')}`, 'line 1')
  const faults: Fault[] = []
  const meters: Meter[] = []
  data.forEach((row, i) => {
    if (faults.length >= MOST_FAULTS) return
    const cell = (name: (typeof COLUMNS)[number]) => (row[name] ?? '').trim()
    const fault = (message: string) => void faults.push({ path: `line ${i + 2}`, message })
    const of = carrierNamed(cell('meter'))
    if (of === null) return fault(`meter "${cell('meter').slice(0, 40)}". Accepts ${[...CARRIERS, WATER].join(', ')}`)
    const on = readDay(cell('date'), study.units)
    if (on === null) return fault(`date "${cell('date').slice(0, 40)}". Accepts 2026-11-29`)
    const value = /^\d+([.,]\d+)?$/.test(cell('value')) ? Number(cell('value').replace(',', '.')) : NaN
    if (!(value <= 1e9))
      return fault(`value "${cell('value').slice(0, 40)}". Accepts what the dial shows, 0 to 1000000000`)
    const inOne = perUnit(study, of, cell('unit'))
    if (inOne === null) return fault(`unit "${cell('unit').slice(0, 20)}". Accepts ${unitsOf(of).join(', ')}`)
    const flag = (name: 'estimated' | 'exchanged') => {
      const at = cell(name).toLowerCase()
      if (!YES.has(at) && !NO.has(at)) fault(`${name} "${at.slice(0, 20)}". Accepts yes or no`)
      return YES.has(at)
    }
    const reading = { on, value, estimated: flag('estimated'), exchanged: flag('exchanged') }
    const meter = meters.find((m) => m.of === of)
    if (meter && meter.unit.toLowerCase() !== cell('unit').toLowerCase())
      return fault(`unit "${cell('unit')}" after "${meter.unit}" on one meter. Accepts one unit for a meter`)
    if (meter?.readings.some((r) => r.on === on)) return fault(`${on} stands there twice for this meter`)
    if (meter && meter.readings.length >= MOST_METER_READINGS)
      return fault(`more than ${MOST_METER_READINGS} readings of one meter`)
    if (meter) meter.readings.push(reading)
    else if (meters.length < MOST_METERS)
      meters.push({
        id: freshId('meter', [...study.verification.meters, ...meters]),
        name: of === WATER ? 'Water' : CARRIER_NAMES[of],
        of,
        unit: cell('unit'),
        perUnit: inOne,
        others: null,
        readings: [reading],
      })
  })
  if (faults.length) return { ok: false, faults }
  if (meters.length === 0) return refused('no readings in it')
  return { ok: true, value: meters }
}

/** Readings with those of a file: of a day that is there already the new one counts. */
function merged(there: Meter['readings'], read: Meter['readings']): Meter['readings'] {
  const days = new Set(read.map((r) => r.on))
  const last = read.at(-1)?.on ?? ''
  const kept = there.filter((r) => !days.has(r.on))
  // A file with a dial of its own says so at its first reading: what was there already goes on by another.
  const behind = read[0]?.exchanged ? kept.findIndex((r) => r.on > last) : -1
  return [...kept.map((r, i) => (i === behind ? { ...r, exchanged: true } : r)), ...read]
    .sort((a, b) => a.on.localeCompare(b.on))
    .slice(-MOST_METER_READINGS)
}

/** Meters with those of a file; the same meter is known by its name, what it counts and its unit. */
export function withMeters(there: readonly Meter[], read: readonly Meter[]): Meter[] {
  const same = (a: Meter, b: Meter) =>
    a.of === b.of && a.name === b.name && a.unit.toLowerCase() === b.unit.toLowerCase()
  return [
    ...there.map((m) => {
      const more = read.find((r) => same(r, m))
      return more ? { ...m, readings: merged(m.readings, more.readings) } : m
    }),
    ...read.filter((r) => !there.some((m) => same(r, m))),
  ]
}
