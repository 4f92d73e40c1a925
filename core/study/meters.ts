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
  /** What it counts in a year that is neither hot water nor hangs on the weather, kWh; null: not known. */
  others: between(0, 1e6).nullable(),
  readings: z.array(MeterReading).max(MOST_METER_READINGS),
})
export type Meter = z.infer<typeof Meter>
export const MOST_METERS = 12

/** What a supplier asks for. Money stands apart from what a meter has counted: a price may change, and use with it. */
export const Bill = z.strictObject({
  id: Id,
  meterId: Id,
  /** Days that it is for; the last is the first of the next bill. */
  from: Day,
  to: Day,
  /** Asked for in all, and what of it is due without any use, money. */
  money: between(0, 1e6),
  standing: between(0, 1e6),
  /** Units of the meter as billed; null: as the meter was read. */
  units: between(0, 1e9).nullable(),
})
export type Bill = z.infer<typeof Bill>
export const MOST_BILLS = 200

/** Days on which the whole household was away, as it came about. */
export const Away = z.strictObject({ from: Day, to: Day })
export type Away = z.infer<typeof Away>
export const MOST_AWAY = 60

/** Mean outdoor air of each day from a day on, as it was, °C. */
export const DailyAir = z.strictObject({ from: Day, c: z.array(between(-60, 60)).min(1).max(4000) })
export type DailyAir = z.infer<typeof DailyAir>

/** Something that can be switched on and off from week to week without harm to anybody. */
export const SWITCHED = ['circulation', 'hot water schedule', 'keep-hot'] as const
export const MOST_BLOCKS = 52

/** Weeks on and weeks off in turn, to be told apart by one meter. */
export const Protocol = z.strictObject({
  of: z.enum(SWITCHED),
  meterId: Id,
  begins: Day,
  /** Days that each lasts, and how many there are. */
  blockDays: z.union([z.literal(7), z.literal(14)]),
  blocks: z.int().min(2).max(MOST_BLOCKS),
  offFirst: z.boolean(),
})
export type Protocol = z.infer<typeof Protocol>

/** What proves a saving a year later. */
export const Verification = z.strictObject({
  meters: z.array(Meter).max(MOST_METERS),
  bills: z.array(Bill).max(MOST_BILLS),
  away: z.array(Away).max(MOST_AWAY),
  /** null: the climate of the study stands for the weather. */
  air: DailyAir.nullable(),
  /** null: none is planned. */
  protocol: Protocol.nullable(),
})
export type Verification = z.infer<typeof Verification>
