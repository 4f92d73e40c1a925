import { dayNumber } from '../calendar/year'
import type { Meter, MeterReading } from '../study/meters'

/** What was used between two readings of one meter. */
export interface UsePeriod {
  from: string
  to: string
  days: number
  /** kWh a day, or m³ of water. */
  perDay: number
}

/** What can be made of a meter: its periods, and what is wrong with its readings, by day. */
export interface MeterUse {
  periods: UsePeriod[]
  problems: string[]
  /** Guesses of the supplier that were left out: what is used between two readings that somebody took is right all the same. */
  estimates: number
}

/**
 * Use between the readings that somebody took, in order. Nothing is counted across an exchange, nor where a meter seems to run
 * backwards. @param meter its readings in any order
 */
export function useOf({ readings, perUnit }: Pick<Meter, 'readings' | 'perUnit'>): MeterUse {
  const inOrder = readings.toSorted((a, b) => a.on.localeCompare(b.on))
  const taken = inOrder.filter((r) => !r.estimated)
  const periods: UsePeriod[] = []
  const problems: string[] = []
  taken.slice(1).forEach((after, i) => {
    const before: MeterReading = taken[i]
    const days = dayNumber(after.on) - dayNumber(before.on)
    // An exchange that only a guess bears witness to breaks the count as well.
    const broken = inOrder.some((r) => r.exchanged && r.on > before.on && r.on <= after.on)
    if (broken) return
    if (days <= 0) return void problems.push(`${after.on}: read twice on one day`)
    if (after.value < before.value)
      return void problems.push(`${after.on}: less than on ${before.on}. Mark the exchange of the meter, or correct it`)
    periods.push({
      from: before.on,
      to: after.on,
      days,
      perDay: ((after.value - before.value) * perUnit) / days,
    })
  })
  return { periods, problems, estimates: inOrder.length - taken.length }
}

/** Use hangs together from day to day, so that days are no witnesses of their own; weeks are. */
const WITNESS_DAYS = 7

/** Two periods that follow each other as one. */
const together = (a: UsePeriod, b: UsePeriod): UsePeriod => ({
  from: a.from,
  to: b.to,
  days: a.days + b.days,
  perDay: (a.perDay * a.days + b.perDay * b.days) / (a.days + b.days),
})

/** Periods joined where they are shorter than a week and follow each other; a rest that makes no week is left out. */
export function joined(periods: readonly UsePeriod[]): UsePeriod[] {
  const out: UsePeriod[] = []
  for (const p of periods) {
    const before = out.at(-1)
    if (before && before.days < WITNESS_DAYS && before.to === p.from) out[out.length - 1] = together(before, p)
    else out.push(p)
  }
  return out.filter((p) => p.days >= WITNESS_DAYS)
}
