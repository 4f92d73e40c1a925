import { DAYS_A_WEEK, MINUTES_A_DAY } from '../calendar/clock'
import { edges, isOn, type Schedule, tidyDay } from '../calendar/week'
import { WATER_UNITS, type WaterUnit } from './billing'
import { type Carrier, CARRIERS } from './carriers'

/**
 * Currencies, and what roughly buys in each what a euro does: only to begin a price nobody has said at a believable figure,
 * good to a fifth.
 */
export const ROUGHLY_A_EURO = {
  EUR: 1,
  USD: 1,
  GBP: 0.85,
  CHF: 1,
  SEK: 11,
  NOK: 12,
  DKK: 7.5,
  PLN: 4.3,
  CZK: 25,
  CAD: 1.6,
  AUD: 1.7,
  NZD: 1.9,
} as const
export const CURRENCIES = Object.keys(ROUGHLY_A_EURO) as (keyof typeof ROUGHLY_A_EURO)[]

/** A price told in euros as it is begun in a currency, two digits; one of an unknown currency as in euros. */
export const roughlyIn = (currency: string, euros: number): number =>
  Number((euros * (ROUGHLY_A_EURO[currency as keyof typeof ROUGHLY_A_EURO] ?? 1)).toPrecision(2))

/** A price that holds in some hours of the week in some months, money for a unit as billed. */
interface Band {
  price: number
  week: Schedule
  months: readonly boolean[]
}

/** What a carrier costs: money for a unit as billed outside every band, and the kWh in one. */
interface Tariff {
  kwhPerUnit: number
  price: number
  bands: readonly Band[]
}

/** Money per kWh outside every band. */
export const perKwh = (tariff: Pick<Tariff, 'price' | 'kwhPerUnit'>) => tariff.price / tariff.kwhPerUnit

/** Money per kWh at a minute of the week (0 = Monday midnight) in a month (0–11). */
export function priceAt(tariff: Tariff, minuteOfWeek: number, month: number): number {
  const band = tariff.bands.find((b) => b.months[month] && isOn(b.week, minuteOfWeek))
  return (band?.price ?? tariff.price) / tariff.kwhPerUnit
}

/** The lowest price of a week in a month, money per kWh. */
export function cheapestPrice(tariff: Tariff, month: number): number {
  const marks = [0, ...tariff.bands.flatMap((b) => edges(b.week))]
  return Math.min(...marks.map((minute) => priceAt(tariff, minute, month)))
}

/** When in a week of a month a tariff is dearer than its cheapest. */
export function dearWeek(tariff: Tariff, month: number): Schedule {
  const least = cheapestPrice(tariff, month)
  const marks = [...new Set([0, ...tariff.bands.flatMap((b) => edges(b.week))])].sort((a, b) => a - b)
  return Array.from({ length: DAYS_A_WEEK }, (_, d) => {
    const from = d * MINUTES_A_DAY
    const cuts = [from, ...marks.filter((m) => m > from && m < from + MINUTES_A_DAY), from + MINUTES_A_DAY]
    return tidyDay(
      cuts
        .slice(1)
        .flatMap((to, i) =>
          priceAt(tariff, cuts[i], month) > least + 1e-12 ? [{ fromMin: cuts[i] - from, toMin: to - from }] : [],
        ),
    )
  })
}

/** Money for a cubic metre of water, its way out included. */
export const waterPerM3 = (water: { unit: WaterUnit; price: number; sewer: number }) =>
  (water.price + water.sewer) / WATER_UNITS[water.unit].m3

/** Money for litres of water: without a meter it costs what it costs, however much of it is drawn. */
export const waterMoney = (
  litres: number,
  site: { metered: boolean | null },
  water: Parameters<typeof waterPerM3>[0],
) => (site.metered === false ? 0 : (litres / 1000) * waterPerM3(water))

/** Minutes of the week at which any price changes. */
export function priceEdges(tariffs: Partial<Record<Carrier, Tariff>>): number[] {
  return CARRIERS.flatMap((c) => tariffs[c]?.bands.flatMap((b) => edges(b.week)) ?? [])
}
