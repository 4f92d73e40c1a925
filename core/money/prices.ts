import { z } from 'zod'
import { Week, edges, isOn } from '../controls/week'
import { Name, Note, between } from '../study/fields'
import { CARRIERS, Carrier } from './carriers'

/** A price that holds in some hours of the week, in money per kWh. */
export const Band = z.strictObject({ name: Name, perKwh: between(0, 10), week: Week })
export type Band = z.infer<typeof Band>

export const Tariff = z.strictObject({
  /** Money per kWh outside every band. */
  perKwh: between(0, 10),
  /** The first band that holds an hour sets its price. */
  bands: z.array(Band).max(8),
  standingPerYear: between(0, 5000),
  co2KgKwh: between(0, 2),
  source: Note,
})
export type Tariff = z.infer<typeof Tariff>

export const Prices = z.strictObject({
  currency: z.string().regex(/^[A-Z]{3}$/, 'a currency code of three capitals, such as EUR'),
  /** Carriers the household buys; a carrier that a heater uses must be among them. */
  carriers: z.partialRecord(Carrier, Tariff),
  waterPerM3: between(0, 100),
  sewerPerM3: between(0, 100),
  /** Whether the money counts heat that warms the house in the heating season as not lost. */
  creditHouseHeat: z.boolean(),
})
export type Prices = z.infer<typeof Prices>

/** Money per kWh at a minute of the week, 0 = Monday midnight. */
export function priceAt(tariff: Tariff, minuteOfWeek: number): number {
  return tariff.bands.find((b) => isOn(b.week, minuteOfWeek))?.perKwh ?? tariff.perKwh
}

/** Minutes of the week at which any price changes. */
export function priceEdges(prices: Prices): number[] {
  return CARRIERS.flatMap((c) => prices.carriers[c]?.bands.flatMap((b) => edges(b.week)) ?? [])
}
