import { BILL_UNIT_KEYS, WATER_UNIT_KEYS } from '../money/billing'
import { z } from '../schema/zod'
import { between, Day, Name, Note, Twelve } from './fields'
import { Carrier } from './fuels'
import { Schedule } from './week'

const keys = <K extends string>(list: readonly K[]) => z.enum(list as [K, ...K[]])

/** Money for a unit as billed. */
const UnitPrice = between(0, 20_000)

/** A price that holds in some hours of the week in some months. */
export const Band = z.strictObject({ name: Name, price: UnitPrice, week: Schedule, months: Twelve(z.boolean()) })
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
