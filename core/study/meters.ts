import { z } from '../schema/zod'
import { between, Day, Id, Name } from './fields'
import { Carrier } from './fuels'

/** A meter's dial on a day. */
export const MeterReading = z.strictObject({
  on: Day,
  value: between(0, 1e9),
  /** The supplier's guess, not read by anybody. */
  estimated: z.boolean(),
  /** The first reading of a new meter: what was counted before does not go on. */
  exchanged: z.boolean(),
})
export type MeterReading = z.infer<typeof MeterReading>
export const MOST_METER_READINGS = 2000

/** A meter of the house: what it counts, in which unit, and how much is in one of it. */
export const Meter = z.strictObject({
  id: Id,
  name: Name,
  of: z.union([Carrier, z.literal('water')]),
  unit: z.string().min(1).max(20),
  /** kWh in one of its unit, or m³ of water. */
  perUnit: between(0.0001, 20_000),
  readings: z.array(MeterReading).max(MOST_METER_READINGS),
})
export type Meter = z.infer<typeof Meter>
export const MOST_METERS = 12

/** Mean outdoor air of each day from a day on, as it was, °C. */
export const DailyAir = z.strictObject({ from: Day, c: z.array(between(-60, 60)).min(1).max(4000) })
export type DailyAir = z.infer<typeof DailyAir>

/** What proves a saving a year later. */
export const Verification = z.strictObject({
  meters: z.array(Meter).max(MOST_METERS),
  /** null: the climate of the study stands for the weather. */
  air: DailyAir.nullable(),
})
export type Verification = z.infer<typeof Verification>
export const NO_VERIFICATION: Verification = { meters: [], air: null }
