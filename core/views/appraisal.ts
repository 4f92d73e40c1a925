import { type Outlook, outlookOf } from '../household/outlook'
import { lifeOf } from '../measures/life'
import { paidFor, presentWorth, yearlyCost } from '../money/appraisal'
import type { PartPrice } from '../study/economics'
import type { Measure } from '../study/measures'
import type { Study } from '../study/study'

/** What a package changes in a year, less is positive: money, kWh that are bought, minutes that are waited. */
export interface YearSaved {
  money: number
  kwh: number
  waitedMinutes: number
}

/** A package weighed over the years: what is paid for it against what it saves. */
export interface Appraisal {
  outlook: Outlook
  /** What all of it costs less what somebody else pays, money. */
  netCost: PartPrice
  /** Grants that were counted, money. */
  grants: number
  /** Money a year for it over the life of each measure, upkeep with it. */
  aYear: number
  /** Worth today of all that it saves less all that is paid for it, money; at its dearest and at its cheapest. */
  netPresentValue: { low: number; likely: number; high: number }
  /** Money for each kWh that is not bought; null where none is saved. */
  perSavedKwh: number | null
  /** Money for each minute that is not waited, where it saves no money and shortens waits; else null. */
  perMinute: number | null
  /** Measures whose life, and whose upkeep, nobody has said: the usual one, and none, are counted. */
  usualLife: string[]
  upkeepNotAsked: string[]
}

/** What the household pays of a sum: what somebody else pays is off it, but no more than all of it. */
export const lessGrant = (money: number, { grantMoney }: Pick<Measure, 'grantMoney'>): number =>
  Math.max(0, money - (grantMoney ?? 0))

/** What measures cost the household, grants taken off; null as long as one of them is not priced. */
export function netCost(measures: readonly Measure[], costs: readonly (PartPrice | null)[]): PartPrice | null {
  const known = costs.filter((c) => c !== null)
  if (known.length < costs.length) return null
  const sum = (of: keyof PartPrice) => known.reduce((s, c, i) => s + lessGrant(c[of], measures[i]), 0)
  return { low: sum('low'), likely: sum('likely'), high: sum('high') }
}

/** @param costs of the measures, in their order; @returns null as long as one of them is not priced */
export function appraised(
  study: Study,
  measures: readonly Measure[],
  costs: readonly (PartPrice | null)[],
  saved: YearSaved,
): Appraisal | null {
  const net = netCost(measures, costs)
  if (!net) return null
  const outlook = outlookOf(study.economics)
  const { years } = outlook
  const [d, growth] = [outlook.discountPercent / 100, outlook.growthPercent / 100]
  const at = (which: keyof PartPrice) =>
    measures.map((m, i) => ({
      cost: costs[i]![which],
      grant: Math.min(m.grantMoney ?? 0, costs[i]![which]),
      lifeYears: lifeOf(m).years,
      upkeepAYear: m.upkeepAYear ?? 0,
    }))
  const [low, likely, high] = [at('low'), at('likely'), at('high')]
  const sum = <T>(of: readonly T[], value: (x: T) => number) => of.reduce((s, x) => s + value(x), 0)
  const saves = presentWorth(saved.money, years, d, growth)
  const worth = (bought: typeof likely) => saves - sum(bought, (b) => paidFor(b, years, d))
  const aYear = sum(likely, (b) => yearlyCost(b, d))
  return {
    outlook,
    netCost: net,
    grants: sum(likely, (b) => b.grant),
    aYear,
    netPresentValue: { low: worth(high), likely: worth(likely), high: worth(low) },
    perSavedKwh: saved.kwh > 0 ? aYear / saved.kwh : null,
    perMinute: saved.money < aYear && saved.waitedMinutes > 0 ? (aYear - saved.money) / saved.waitedMinutes : null,
    usualLife: measures.filter((m, i) => costs[i]!.likely > 0 && lifeOf(m).usual).map((m) => m.name),
    upkeepNotAsked: measures.filter((m, i) => costs[i]!.likely > 0 && m.upkeepAYear === null).map((m) => m.name),
  }
}
