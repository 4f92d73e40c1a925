import { z } from '../schema/zod'
import { between, Day, Id, Name } from './fields'

/** What a share can be a share of, in the words it is told in. */
export const CLAIM_BASES = {
  cost: 'annual cost of hot water',
  energy: 'purchased energy for hot water',
  'standing-loss': 'standing loss',
  'pipe-loss': 'circulation and dead-leg loss',
  water: 'water through the hot outlets',
} as const
export type ClaimBase = keyof typeof CLAIM_BASES

/** The time that a share is said to hold for. */
export const CLAIM_PERIODS = { year: 'year', month: 'month', day: 'day', use: 'use' } as const
export type ClaimPeriod = keyof typeof CLAIM_PERIODS

/** How well founded a figure is that somebody gives. */
export const CLAIM_TAGS = {
  measured: 'measured elsewhere',
  computed: 'computed',
  manufacturer: 'manufacturer’s figure',
  hearsay: 'hearsay',
} as const
export type ClaimTag = keyof typeof CLAIM_TAGS

const keys = <K extends string>(of: Record<K, unknown>) => z.enum(Object.keys(of) as [K, ...K[]])

/** A saving that somebody promises: a share, of what, per what, and who says so. */
export const Claim = z.strictObject({
  id: Id,
  /** Who says it, and when. */
  who: Name,
  on: Day.nullable(),
  tag: keys(CLAIM_TAGS),
  /** Percent of it. */
  percent: between(0, 100),
  /** "Up to": a ceiling, not what is to be expected. */
  upTo: z.boolean(),
  /** Null: nobody said. */
  of: keys(CLAIM_BASES).nullable(),
  per: keys(CLAIM_PERIODS).nullable(),
  /** The package that is meant; null: none. */
  packageId: Id.nullable(),
})
export type Claim = z.infer<typeof Claim>

export const MOST_CLAIMS = 20
