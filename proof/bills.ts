import { dayAfter } from '../core/calendar/days'
import { DAYS_IN_MONTH } from '../core/calendar/year'
import type { Carrier } from '../core/money/carriers'
import type { DailyAir, Meter, MeterReading } from '../core/study/meters'
import type { Study } from '../core/study/study'
import { simulate } from '../core/year/simulate'

/** A meter that counts kWh (or m³ of water) one by one. */
export const meterOf = (of: Meter['of'], readings: MeterReading[], others: number | null = null): Meter => ({
  id: 'meter-1',
  name: 'Meter',
  of,
  unit: 'kWh',
  perUnit: 1,
  others,
  readings,
})

/** A reading that somebody took. */
export const readOn = (on: string, value: number, more: Partial<MeterReading> = {}): MeterReading => ({
  on,
  value,
  estimated: false,
  exchanged: false,
  ...more,
})

/** A stream of numbers from 0 to 1, the same for one seed (mulberry32). */
export function randomFrom(seed: number): () => number {
  let at = seed >>> 0
  return () => {
    at = (at + 0x6d2b79f5) >>> 0
    let t = Math.imul(at ^ (at >>> 15), at | 1)
    t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
/** Spread evenly about nothing like a bell (sum of twelve). */
const bell = (random: () => number) => Array.from({ length: 12 }, random).reduce((s, x) => s + x, -6)

/** What a made-up house is metered with. */
export interface MeteredHouse {
  before: Study
  after: Study
  carrier: Carrier
  /** Heat that its rooms take from the same meter, kWh a day and K below the balance temperature. */
  heatingPerK: number
  balanceC: number
  /** One standard deviation of a day about its mean, as a share of the mean of all days. */
  noise: number
  seed: number
}

/**
 * Weekly readings of a year before a day and a year after it, and the weather of both years: hot water as the engine has it month
 * by month, rooms by the weather, and days that are not like one another. The truth is what the engine saves in a year.
 */
export function meteredYears(
  { before, after, carrier, heatingPerK, balanceC, noise, seed }: MeteredHouse,
  splitOn: string,
): { readings: MeterReading[]; air: DailyAir; truthKwh: number } {
  const random = randomFrom(seed)
  const years = [before, after].map((study) => simulate(study))
  const perDay = years.map((y) => y.months.map((m, i) => (m.energy.inputKwh[carrier] ?? 0) / DAYS_IN_MONTH[i]))
  const from = dayAfter(splitOn, -364)
  const c: number[] = []
  const readings: MeterReading[] = [readOn(from, 1000)]
  const mean = perDay[0].reduce((s, x) => s + x, 0) / 12
  let dial = 1000
  let spell = 0
  for (let d = 0; d < 728; d++) {
    const day = dayAfter(from, d)
    const month = Number(day.slice(5, 7)) - 1
    // Warm and cold spells last some days.
    spell = 0.8 * spell + 1.8 * bell(random)
    const air = before.site.monthlyAirC[month] + spell
    c.push(air)
    const use = perDay[d < 364 ? 0 : 1][month] + heatingPerK * Math.max(0, balanceC - air)
    dial += Math.max(0, use + noise * mean * bell(random))
    if ((d + 1) % 7 === 0) readings.push(readOn(dayAfter(from, d + 1), dial))
  }
  const [was, is] = years.map((y) => y.energy.inputKwh[carrier] ?? 0)
  return { readings, air: { from, c }, truthKwh: was - is }
}
