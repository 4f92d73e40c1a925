import { DAYS_A_WEEK } from '../calendar/clock'
import { z } from '../schema/zod'
import { CIRCULATION, SPACE_HEATING } from './commanded'
import { between, Day, Id, Name, Note, YesNoUnknown } from './fields'
import { MOST_HEATERS } from './plant'

/** What is commanded: the circulation, the heating of the house, or a heater by its id. */
export const Commanded = z.union([z.literal(CIRCULATION), z.literal(SPACE_HEATING), Id])
export type Commanded = z.infer<typeof Commanded>

/** What it can hold: its step, its periods a day, and which days may differ. */
export const Grid = z.strictObject({
  stepMin: z.union([z.literal(1), z.literal(5), z.literal(10), z.literal(15), z.literal(30), z.literal(60)]),
  periodsPerDay: z.int().min(1).max(12),
  days: z.enum(['same', 'work-sat-sun', 'each']),
})
export type Grid = z.infer<typeof Grid>

/** Where it is operated. */
export const PANELS = [
  'not checked',
  'on the appliance',
  'on the wall',
  'app',
  'panel and app',
  'plug-in timer',
] as const

/** How a period that is not used has to read. */
export const UNUSED_PERIODS = ['not checked', 'empty', 'start equals end'] as const

/** Which way a dial is turned for hotter. */
export const TURNS = ['not checked', 'clockwise', 'anticlockwise'] as const

/** A box with a clock or a dial that is set by hand, and what it commands. */
export const Controller = z.strictObject({
  id: Id,
  name: Name,
  commands: z.array(Commanded).max(MOST_HEATERS + 2),
  panel: z.enum(PANELS),
  grid: Grid,
  unused: z.enum(UNUSED_PERIODS),
  /** Its menu closes after this without a key, s; null: not read. */
  timeoutS: between(2, 900).nullable(),
  /** Range and step of the temperature it sets, °C and K; null: not read. */
  range: z.strictObject({ lowC: between(0, 95), highC: between(5, 99), stepK: between(0.1, 20) }).nullable(),
  /** Above this its keys are locked, °C; null: no lock. How it is unlocked. */
  lockAboveC: between(30, 85).nullable(),
  unlocking: z.string().max(200),
  /** Who may change it, and who holds the account where it has one. */
  changedBy: z.string().max(120),
  account: z.string().max(120),
  /** Day its batteries were changed; null: none, or not asked. */
  batteryOn: Day.nullable(),
  /** Of a plug-in timer: the load it switches at most, A, and whether the manufacturer of the heater permits one. */
  ratingA: between(0.5, 63).nullable(),
  permitted: YesNoUnknown,
  /** A dial without degrees: what stands at its divisions, from the first; which way is hotter; where its pointer is. */
  dial: z
    .strictObject({
      marks: z.array(z.string().min(1).max(12)).min(2).max(24),
      hotter: z.enum(TURNS),
      pointer: z.string().max(120),
      /** Its lowest position is off. */
      lowestIsOff: YesNoUnknown,
    })
    .nullable(),
  note: Note,
})
export type Controller = z.infer<typeof Controller>
export const MOST_CONTROLLERS = 12

/** The clock of a controller: minutes and days of the week it is ahead, and whether it follows summer time. */
export const ControllerClock = z.strictObject({
  aheadMin: z.int().min(-720).max(720),
  daysAhead: z
    .int()
    .min(-3)
    .max(DAYS_A_WEEK - 4),
  summerTime: z.enum(['follows', 'stays']),
})
export type ControllerClock = z.infer<typeof ControllerClock>
