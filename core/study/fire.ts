import { DAYS_A_WEEK, MINUTES_A_DAY } from '../calendar/clock'
import { z } from '../schema/zod'
import { between, Day } from './fields'

/** Times a fire is lit: days of the week, Monday first, from when, how long, and what is burned. */
export const Firing = z.strictObject({
  days: z.array(z.boolean()).length(DAYS_A_WEEK),
  atMin: z
    .int()
    .min(0)
    .max(MINUTES_A_DAY - 1),
  hours: between(0.25, 24),
  kg: between(0, 200),
})
export type Firing = z.infer<typeof Firing>

export const Firings = z.array(Firing).max(20)

/** What carries a fire's heat away without power when its pump stops, and who tried it. */
export const FAIL_SAFES = [
  'not checked',
  'none',
  'thermal discharge valve',
  'gravity dump radiator',
  'battery-fed pump',
] as const
export const FailSafe = z.strictObject({
  by: z.enum(FAIL_SAFES),
  /** Who tried it with the pump off; empty: nobody that is known. */
  testedBy: z.string().max(120),
  testedOn: Day.nullable(),
})

/** The way of the water between a fire and its store. */
export const FireCircuit = z.strictObject({
  /** Moved by a pump, or by its own warmth when null. */
  pump: z.strictObject({ flowLMin: between(0.5, 60), watts: between(0, 300) }).nullable(),
  /** Between the thermal centres of fire and store, m; negative: the store is lower. */
  heightM: between(-10, 20),
  /** Pipe there and back, and what of one way lies level, m. */
  lengthM: between(0.5, 100),
  horizontalM: between(0, 50),
  boreMm: between(8, 80),
  /** Bends and fittings as a length of pipe, m. */
  fittingsM: between(0, 60),
  /** Between the lower and the upper port of coil or jacket, m. */
  portsApartM: between(0, 5),
  /** What works without power where a pump moves the water. */
  failSafe: FailSafe,
})
export type FireCircuit = z.infer<typeof FireCircuit>
