import { z } from '../schema/zod'
import { between, Day, Id, Name, Share } from './fields'

const Text = z.string().max(120)

/** What is tried before the engineer leaves: each kind asks for a temperature, and some for a time. */
export const ACCEPTANCE_KINDS = ['outlet', 'two outlets', 'low flow', 'return', 'dial'] as const
export type AcceptanceKind = (typeof ACCEPTANCE_KINDS)[number]

/** A test with its pass mark, and what it came to. */
export const AcceptanceTest = z.strictObject({
  id: Id,
  kind: z.enum(ACCEPTANCE_KINDS),
  /** Outlet, or heater of a dial, that it is done at; null: the circulation. */
  at: Id.nullable(),
  /** The outlet that runs beside it. */
  beside: Id.nullable(),
  /** Passed at this temperature, °C, within so many seconds of opening; null: no time is asked. */
  passC: between(5, 95),
  passS: between(1, 3600).nullable(),
  /** Result; null: not done. */
  on: Day.nullable(),
  c: between(0, 100).nullable(),
  seconds: between(0, 3600).nullable(),
})
export type AcceptanceTest = z.infer<typeof AcceptanceTest>
export const MOST_ACCEPTANCE_TESTS = 60

/** A rule of the place as the engineer has read it: none ships with the app. */
export const PlaceRule = z.strictObject({
  id: Id,
  /** What it governs. */
  about: Name,
  place: Text,
  number: Text,
  edition: Text,
})
export type PlaceRule = z.infer<typeof PlaceRule>
export const MOST_PLACE_RULES = 40

/** Something that the household leaves alone, why, and the reading whose picture shows it. */
export const LeaveAlone = z.strictObject({
  id: Id,
  what: Name,
  why: z.string().max(400),
  picture: Id.nullable(),
  /** Where on the picture it is, as shares of its width and height from the upper left; null: not marked. */
  at: z.strictObject({ x: Share, y: Share }).nullable(),
})
export type LeaveAlone = z.infer<typeof LeaveAlone>
export const MOST_LEFT_ALONE = 20

/** What goes to the household beside the settings: who was there, what binds, what is left alone, and what was tried. */
export const Handover = z.strictObject({
  /** The trade's mark and registration as typed, and how the engineer is reached. */
  mark: Text,
  phone: Text,
  rules: z.array(PlaceRule).max(MOST_PLACE_RULES),
  leaveAlone: z.array(LeaveAlone).max(MOST_LEFT_ALONE),
  tests: z.array(AcceptanceTest).max(MOST_ACCEPTANCE_TESTS),
})
export type Handover = z.infer<typeof Handover>
