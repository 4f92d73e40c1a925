import { dayNumber } from '../calendar/year'
import type { Bill, Meter } from '../study/meters'
import type { Study } from '../study/study'
import { useOf, type UsePeriod } from './periods'

/** A bill, taken apart: what is due in any case, what was used, and what a unit came to. */
export interface BillParts {
  bill: Bill
  days: number
  /** Units that it is for: as billed, else as the meter was read; null: neither is known. */
  units: number | null
  /** Units by readings of the same days; null: they were not all read. */
  read: number | null
  /** It lies so far from the meter that somebody guessed. */
  guessed: boolean
  /** Money for a unit, without what is due in any case; null: nothing was used, or how much is not known. */
  perUnit: number | null
  /** Money a day: in all, and what of it is due in any case. */
  perDay: number
  standingPerDay: number
}

/** A bill this far from the readings of its own days, as a share, does not come from them. */
const GUESSED_SHARE = 0.05

/** What was used from one day to another by periods of a meter, in its own amount; null where a day of it is not covered. */
export function usedBetween(periods: readonly UsePeriod[], from: string, to: string): number | null {
  const [first, last] = [dayNumber(from), dayNumber(to)]
  let [used, covered] = [0, 0]
  for (const p of periods) {
    const days = Math.min(last, dayNumber(p.to)) - Math.max(first, dayNumber(p.from))
    if (days <= 0) continue
    used += days * p.perDay
    covered += days
  }
  return last > first && covered === last - first ? used : null
}

/** The bills of a meter, oldest first, each taken apart. */
export function billsOf({ verification }: Study, meter: Meter): BillParts[] {
  const { periods } = useOf(meter)
  return verification.bills
    .filter((b) => b.meterId === meter.id)
    .toSorted((a, b) => a.from.localeCompare(b.from))
    .map((bill) => {
      const days = dayNumber(bill.to) - dayNumber(bill.from)
      const used = usedBetween(periods, bill.from, bill.to)
      const read = used === null ? null : used / meter.perUnit
      const units = bill.units ?? read
      return {
        bill,
        days,
        units,
        read,
        guessed:
          bill.units !== null &&
          read !== null &&
          Math.abs(bill.units - read) > GUESSED_SHARE * Math.max(bill.units, read),
        perUnit: units !== null && units > 0 ? (bill.money - bill.standing) / units : null,
        perDay: bill.money / days,
        standingPerDay: bill.standing / days,
      }
    })
}

/** Why a day costs more than it did: each part in money a day; they add to the whole. More is positive. */
export interface BillChange {
  from: Bill
  /** A year lies between the two; else the weather is in the use. */
  sameSeason: boolean
  total: number
  use: number
  price: number
  standing: number
}

/** Bills of the same season are compared where there are some: a year apart, give or take so many days. */
const A_YEAR = 365
const SAME_SEASON_DAYS = 30

/**
 * A bill against that of a year before, else against the one just before: what of the difference is use, what price, and what is
 * due in any case. Price counts at the mean of both uses and use at the mean of both prices, so that no rest is left.
 */
export function billChange(all: readonly BillParts[], of: BillParts): BillChange | null {
  const earlier = all.filter((b) => b.bill.from < of.bill.from && b.perUnit !== null)
  const off = (b: BillParts) => Math.abs(dayNumber(of.bill.from) - dayNumber(b.bill.from) - A_YEAR)
  const season = earlier.filter((b) => off(b) <= SAME_SEASON_DAYS).toSorted((a, b) => off(a) - off(b))[0]
  const was = season ?? earlier.at(-1)
  if (!was || of.perUnit === null) return null
  const [before, now] = [was.units! / was.days, of.units! / of.days]
  return {
    from: was.bill,
    sameSeason: season !== undefined,
    total: of.perDay - was.perDay,
    use: ((now - before) * (of.perUnit + was.perUnit!)) / 2,
    price: ((of.perUnit - was.perUnit!) * (now + before)) / 2,
    standing: of.standingPerDay - was.standingPerDay,
  }
}
