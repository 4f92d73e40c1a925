import { z } from 'zod'
import { Week, edges, isOn } from '../controls/week'
import { Day, Name, Note, Twelve, between } from '../study/fields'
import { BILL_UNIT_KEYS, WATER_UNITS, WATER_UNIT_KEYS, type BillUnit } from './billing'
import { CARRIERS, Carrier } from './carriers'

const keys = <K extends string>(list: readonly K[]) => z.enum(list as [K, ...K[]])

/** Money for a unit as billed. */
const UnitPrice = between(0, 20_000)

/** A price that holds in some hours of the week in some months. */
export const Band = z.strictObject({ name: Name, price: UnitPrice, week: Week, months: Twelve(z.boolean()) })
export type Band = z.infer<typeof Band>

export const Tariff = z.strictObject({
  /** What the bill counts in, and the kWh in one of it, gross. */
  unit: keys(BILL_UNIT_KEYS),
  kwhPerUnit: between(0.001, 20_000),
  /** Money for a unit outside every band. */
  price: UnitPrice,
  /** The first band that holds an hour sets its price. */
  bands: z.array(Band).max(8),
  standingPerYear: between(0, 5000),
  /** Money for a kWh given back to the grid; null: not asked, or none is given. */
  exportPerKwh: between(0, 10).nullable(),
  co2KgKwh: between(0, 2),
  source: Note,
  /** Day the figures held; null: not said. */
  asOf: Day.nullable(),
})
export type Tariff = z.infer<typeof Tariff>

/** Currencies to choose from; a study may have any other by its code. */
export const CURRENCIES = ['EUR', 'USD', 'GBP', 'CHF', 'SEK', 'NOK', 'DKK', 'PLN', 'CZK', 'CAD', 'AUD', 'NZD'] as const

export const Prices = z.strictObject({
  currency: z.string().regex(/^[A-Z]{3}$/, 'a currency code of three capitals, such as EUR'),
  /** Carriers the household buys; a carrier that a heater uses must be among them. */
  carriers: z.partialRecord(Carrier, Tariff),
  water: z.strictObject({
    unit: keys(WATER_UNIT_KEYS),
    price: between(0, 1000),
    sewer: between(0, 1000),
    source: Note,
    asOf: Day.nullable(),
  }),
  /** Whether the money counts heat that warms the house in the heating season as not lost. */
  creditHouseHeat: z.boolean(),
})
export type Prices = z.infer<typeof Prices>

/** A tariff by the kWh, without bands. */
export function plainTariff(perKwh: number, co2KgKwh: number): Tariff {
  const unit: BillUnit = 'kwh'
  return { unit, kwhPerUnit: 1, price: perKwh, bands: [], standingPerYear: 0, exportPerKwh: null, co2KgKwh, source: '', asOf: null }
}

/** Money per kWh outside every band. */
export const perKwh = (tariff: Tariff) => tariff.price / tariff.kwhPerUnit

/** Money per kWh at a minute of the week (0 = Monday midnight) in a month (0–11). */
export function priceAt(tariff: Tariff, minuteOfWeek: number, month: number): number {
  const band = tariff.bands.find((b) => b.months[month] && isOn(b.week, minuteOfWeek))
  return (band?.price ?? tariff.price) / tariff.kwhPerUnit
}

/** Money for a cubic metre of water, its way out included. */
export const waterPerM3 = ({ water }: Prices) => (water.price + water.sewer) / WATER_UNITS[water.unit].m3

/** Minutes of the week at which any price changes. */
export function priceEdges(prices: Prices): number[] {
  return CARRIERS.flatMap((c) => prices.carriers[c]?.bands.flatMap((b) => edges(b.week)) ?? [])
}
