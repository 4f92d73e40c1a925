import { z } from '../schema/zod'
import { Day, Id } from './fields'

/** Work by hand that has a card of steps. What each says is in core/procedures. */
export const CARD_NAMES = [
  'element-thermostat',
  'gas-dial',
  'keep-hot',
  'timer-override',
  'loop-control',
  'room-control',
  'top-up',
  'bleed',
  'reset',
  'no-hot-water',
  'drain-down',
  'leaving',
  'coming-back',
] as const
export type CardName = (typeof CARD_NAMES)[number]

/** Most cards that a study keeps. */
export const MOST_CARD_WORK = 100

/** Longest text of what is read at the end. */
export const LONGEST_SHOWN = 120

/** A card that was taken in hand: at which heater, and which of its steps were done, on which day. */
export const CardWork = z.strictObject({
  id: Id,
  card: z.enum(CARD_NAMES),
  /** Heater it is done at; null: the household. */
  heaterId: Id.nullable(),
  ticks: z.array(z.strictObject({ step: z.string().min(1).max(40), on: Day })).max(30),
  /** What the display or the dial shows at the end, typed as proof; empty: not yet. */
  shows: z.string().max(LONGEST_SHOWN),
})
export type CardWork = z.infer<typeof CardWork>
