import jstat from 'jstat'
import { dayAfter } from '../calendar/days'
import { DAYS } from '../calendar/year'
import type { Meter, Protocol } from '../study/meters'
import type { Study } from '../study/study'
import { type Estimate, fitUse } from './change-point'
import { awayShare, observedOf } from './observed'
import { joined, useOf, type UsePeriod } from './periods'
import { airOf } from './weather'

/** A stretch of days on or off; its meter is read on both of its ends. */
export interface Block {
  from: string
  to: string
  on: boolean
}

/** The blocks of a plan, in order. @example blocksOf({ ...plan, blocks: 2 }) // off from Monday to Monday, then on */
export const blocksOf = ({ begins, blockDays, blocks, offFirst }: Protocol): Block[] =>
  Array.from({ length: blocks }, (_, i) => ({
    from: dayAfter(begins, i * blockDays),
    to: dayAfter(begins, (i + 1) * blockDays),
    on: i % 2 === (offFirst ? 1 : 0),
  }))

/** A true saving is found so often, and none is called one so seldom. */
const POWER = 0.8
const LEVEL = 0.95

/**
 * Blocks that are needed, on and off together, until a saving a day is told from chance: twice n = 2 (z₀.₉₇₅ + z₀.₈)² σ² ⁄ δ²
 * with σ² that of a block's mean (two-sample comparison of means). Always even, at least four; null: nothing is expected.
 * @param perDay δ; @param daySd standard deviation of one day, in the same unit
 */
export function blocksNeeded(perDay: number, daySd: number, blockDays: number): number | null {
  if (!(Math.abs(perDay) > 0)) return null
  const z = jstat.jStat.normal.inv(0.5 + LEVEL / 2, 0, 1) + jstat.jStat.normal.inv(POWER, 0, 1)
  const each = (2 * z * z * (daySd * daySd)) / blockDays / (perDay * perDay)
  return 2 * Math.max(2, Math.ceil(each))
}

/**
 * Blocks that a saving a year takes at a meter, by how much its days differ so far.
 * @param savingYear kWh or m³; null: nothing is expected, or too little was read to know
 */
export function blocksFor(study: Study, meter: Meter, { blockDays }: Protocol, savingYear: number): number | null {
  const periods = joined(useOf(meter).periods)
  const model = fitUse(observedOf(study, periods, false))
  return model && blocksNeeded(savingYear / DAYS, model.daySd, blockDays)
}

/** What came of a plan so far. */
export interface ProtocolResult {
  /** What a year off would save, kWh or m³; null: too few blocks were read at both ends. */
  saving: Estimate | null
  /** Blocks that are known, and days on which the meter was to be read and was not, up to the last reading. */
  known: number
  unread: string[]
  ambiguous: boolean
}

/** Fewer blocks say nothing. */
const LEAST_KNOWN = 4

/** Weeks on and off held against each other, weather taken out. Only what was read within one block counts. */
export function protocolResult(study: Study, meter: Meter, plan: Protocol): ProtocolResult {
  const { periods } = useOf(meter)
  const last = meter.readings.reduce((day, r) => (r.on > day ? r.on : day), '')
  const read = new Set(meter.readings.filter((r) => !r.estimated).map((r) => r.on))
  const blocks = blocksOf(plan)
  const inside = blocks.map((b) => periods.filter((p) => p.from >= b.from && p.to <= b.to))
  const days = (all: readonly UsePeriod[]) => all.reduce((s, p) => s + p.days, 0)
  const whole = blocks.map((_, i) => days(inside[i]) === plan.blockDays)
  const model = fitUse(
    blocks.flatMap((b, i) =>
      whole[i]
        ? [
            {
              days: plan.blockDays,
              perDay: inside[i].reduce((s, p) => s + p.perDay * p.days, 0) / plan.blockDays,
              airC: inside[i].flatMap((p) => airOf(study, p).c),
              after: !b.on,
              away: awayShare(study, { from: b.from, days: plan.blockDays }),
            },
          ]
        : [],
    ),
  )
  const known = whole.filter(Boolean).length
  const step = known >= LEAST_KNOWN ? (model?.step ?? null) : null
  const saving = step && { low: -DAYS * step.high, middle: -DAYS * step.middle, high: -DAYS * step.low }
  const due = [...new Set(blocks.flatMap((b) => [b.from, b.to]))]
  return {
    saving,
    known,
    unread: due.filter((day) => day <= last && !read.has(day)),
    ambiguous: saving === null || (saving.low <= 0 && saving.high >= 0),
  }
}
