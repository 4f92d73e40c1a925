import { DAYS_A_WEEK, MINUTES_A_DAY } from '../calendar/clock'
import { DAYS } from '../calendar/year'
import { STANDARD_DAYS } from '../people/standard-days'
import { z } from '../schema/zod'
import { between, Id, Name, Share, WaterC } from './fields'

export const Person = z.strictObject({
  id: Id,
  name: Name,
  /** At risk from scalding or from bacteria when not "adult". */
  kind: z.enum(['adult', 'child', 'old', 'reduced-sensation']),
})
export type Person = z.infer<typeof Person>

/** How much is asked for: so many minutes of running (a shower) or so many litres (a bath, a bucket). */
const Amount = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('timed'), minutes: between(0.05, 120) }),
  z.strictObject({ kind: z.literal('filled'), litres: between(0.05, 1000) }),
])

export const Use = z.strictObject({
  id: Id,
  name: Name,
  /** Whose use; null when it is the household's. */
  personId: Id.nullable(),
  tapId: Id,
  /** Days it happens on, Monday first. */
  days: z.array(z.boolean()).length(DAYS_A_WEEK),
  atMin: z
    .int()
    .min(0)
    .max(MINUTES_A_DAY - 1),
  /** Standard deviation of the time, minutes. */
  spreadMin: between(0, 240),
  /** How likely on such a day. */
  chance: Share,
  use: Amount,
  /** Standard deviation of the amount, as a share of it. */
  amountSpread: between(0, 0.8),
  /** Temperature wanted at the tap, °C. */
  requiredC: between(25, 70),
  /** Runs water off until it is warm, or takes what comes. */
  waits: z.boolean(),
  /** Whoever waits is not always there when it is warm: it runs on unused for so long, s. */
  unattendedS: between(0, 600),
})
export type Use = z.infer<typeof Use>

export const Absence = z.strictObject({
  /** Who is away; null: everybody. */
  personId: Id.nullable(),
  fromDay: z.int().min(1).max(DAYS),
  toDay: z.int().min(1).max(DAYS),
})

/** People who come for a while and live as one of the household does. */
export const Guests = z.strictObject({
  name: Name,
  count: z.int().min(1).max(20),
  likePersonId: Id,
  fromDay: z.int().min(1).max(DAYS),
  toDay: z.int().min(1).max(DAYS),
})
export type Guests = z.infer<typeof Guests>

/** A draw that was logged: minute of the log, tap, litres at the tap, and how warm, °C. */
export const LoggedDraw = z.strictObject({
  atMin: between(0, DAYS * MINUTES_A_DAY),
  tapId: Id,
  litres: between(0.01, 2000),
  requiredC: WaterC,
})
export type LoggedDraw = z.infer<typeof LoggedDraw>
export const MOST_LOGGED = 20_000

export const People = z.strictObject({
  persons: z.array(Person).max(30),
  uses: z.array(Use).max(200),
  absences: z.array(Absence).max(100),
  guests: z.array(Guests).max(50),
  /** All amounts of the routine times this: corrected by what a meter says. */
  volumeFactor: between(0.2, 5),
  /** How much longer uses are in midwinter than on the mean, as a share. */
  winterSwing: between(0, 0.5),
  /** Fixes the draws: the same seed gives the same year. */
  seed: z.int().min(0).max(0x7fffffff),
  /** Draw the routine, or a standard tapping cycle at one tap. */
  draws: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('routine') }),
    z.strictObject({
      kind: z.literal('standard'),
      cycle: z.enum(Object.keys(STANDARD_DAYS) as (keyof typeof STANDARD_DAYS)[]),
      tapId: Id,
    }),
    z.strictObject({
      kind: z.literal('logged'),
      /** Name of the file it came from. */
      source: Name,
      /** Whole days of the log; it begins on this day of the week, 0 = Monday, and is repeated. */
      days: z.int().min(1).max(DAYS),
      firstWeekday: z
        .int()
        .min(0)
        .max(DAYS_A_WEEK - 1),
      draws: z.array(LoggedDraw).min(1, 'at least one draw').max(MOST_LOGGED),
    }),
  ]),
})
export type People = z.infer<typeof People>
