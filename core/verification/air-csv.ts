import Papa from 'papaparse'
import { dayNumber } from '../calendar/year'
import { DailyAir } from '../study/meters'
import type { Study } from '../study/study'
import { readDay } from '../units/dates'
import { toMetric } from '../units/quantities'
import { type Fault, refused, type Result } from '../units/result'

/** Largest file of daily weather that is read, bytes. */
export const LARGEST_AIR_FILE = 512 * 1024
const MOST_FAULTS = 20

/**
 * Weather as it was, as separated values: date and temperature, the mean of each day, in the units of the study (°C or °F).
 * Days follow each other without a gap; what does not is named by its line.
 */
export function readAirCsv(study: Pick<Study, 'units'>, text: string): Result<DailyAir> {
  if (text.length > LARGEST_AIR_FILE)
    return refused(`the file is too large. Accepts up to ${LARGEST_AIR_FILE / 1024} kB`)
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
  })
  const missing = ['date', 'temperature'].find((c) => !meta.fields?.includes(c))
  if (missing) return refused(`no column "${missing}". Accepts date, temperature`, 'line 1')
  const faults: Fault[] = []
  const days: { on: string; c: number }[] = []
  data.forEach((row, i) => {
    if (faults.length >= MOST_FAULTS) return
    const fault = (message: string) => void faults.push({ path: `line ${i + 2}`, message })
    const on = readDay((row.date ?? '').trim(), study.units)
    if (on === null) return fault(`date "${(row.date ?? '').slice(0, 40)}". Accepts 2026-11-29`)
    const typed = (row.temperature ?? '').trim().replace('−', '-').replace(',', '.')
    const c = /^-?\d+(\.\d+)?$/.test(typed) ? toMetric('temperature', study.units, Number(typed)) : NaN
    if (!(c >= -60 && c <= 60)) return fault(`temperature "${typed.slice(0, 20)}". Accepts the mean of the day`)
    const before = days.at(-1)
    if (before && dayNumber(on) !== dayNumber(before.on) + 1)
      return fault(`${on} does not follow ${before.on}. Accepts one line for each day, in order`)
    days.push({ on, c })
  })
  if (faults.length) return { ok: false, faults }
  const read = DailyAir.safeParse({ from: days[0]?.on, c: days.map((d) => d.c) })
  return read.success ? { ok: true, value: read.data } : refused('no days in it, or more than 4000')
}
