import { z } from '../schema/zod'
import { between, Day, Note } from './fields'

/** Names a part by what decides its price, so that the price goes when the part is another. @example "foam copper-l 3/4 0,038 20 m" */
export const PartKey = z
  .string()
  .min(1)
  .max(80)
  .regex(/^[^.]*$/, 'a key without a point')

/** Most that one of a part costs, money. */
export const PriceEach = between(0, 100_000)

/** Money for one of a part: at the least, as a rule, and at the most. */
export const PartPrice = z
  .strictObject({ low: PriceEach, likely: PriceEach, high: PriceEach })
  .refine(({ low, likely, high }) => low <= likely && likely <= high, 'low, likely and high in this order')
export type PartPrice = z.infer<typeof PartPrice>

/** A price with no range. */
export const offeredAt = (money: number): PartPrice => ({ low: money, likely: money, high: money })

/** A price with another likely one: low and high go with it where they were the same, and where it leaves them behind. */
export function atLikely(price: PartPrice | undefined, likely: number): PartPrice {
  if (!price || price.low === price.high) return offeredAt(likely)
  return { low: Math.min(price.low, likely), likely, high: Math.max(price.high, likely) }
}

/** Most lines of a price book. */
export const MOST_BOOK = 1000

/** What money is worth later, and what parts cost that no measure has a price of its own for. */
export const Economics = z.strictObject({
  /** By so many percent a year money later counts less, and energy and water become dearer, after inflation; null: the usual. */
  discountPercent: between(0, 30).nullable(),
  growthPercent: between(-10, 30).nullable(),
  /** Years that are looked ahead; null: the usual. */
  years: z.number().int().min(1).max(60).nullable(),
  /** Most that the household can spend, money; null: nobody has asked. */
  budgetMoney: between(0, 1_000_000).nullable(),
  /** Prices from the price book of the engineer, by the key of the part, in the currency of the study. */
  book: z
    .record(PartKey, PartPrice)
    .refine((all) => Object.keys(all).length <= MOST_BOOK, `at most ${MOST_BOOK} of them`),
  /** Whose price book, and the day its prices held. */
  bookFrom: Note,
  bookAsOf: Day.nullable(),
})
export type Economics = z.infer<typeof Economics>

/** Nothing said of money but what energy costs. */
export const NO_ECONOMICS: Economics = {
  discountPercent: null,
  growthPercent: null,
  years: null,
  budgetMoney: null,
  book: {},
  bookFrom: '',
  bookAsOf: null,
}
