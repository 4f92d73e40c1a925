import { z } from '../schema/zod'
import { Day, Id, Name } from './fields'

/** What a setting is that no list has. */
export const OWN_SETTING_KINDS = ['mode dial', 'parameter', 'pump speed', 'unexplained sign', 'other'] as const

const Shown = z.string().max(120)

/** A setting that the engineer adds to the register: where it is, what it was and is, and what it does besides. */
export const OwnSetting = z.strictObject({
  id: Id,
  kind: z.enum(OWN_SETTING_KINDS),
  place: Name,
  what: Name,
  unit: z.string().max(20),
  found: Shown,
  /** null: unchanged. */
  now: Shown.nullable(),
  /** As it leaves the factory; empty: not read. */
  factory: Shown,
  /** What the display shows after the change, as proof. */
  shows: Shown,
  /** What else it moves. */
  effects: z.string().max(400),
  on: Day.nullable(),
  by: Shown,
  why: z.string().max(400),
})
export type OwnSetting = z.infer<typeof OwnSetting>
export const MOST_OWN_SETTINGS = 60
