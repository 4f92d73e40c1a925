import { type Outlook, outlookOf } from '../household/outlook'
import { boughtAt, ownCost, upkeepOf } from '../measures/bought'
import { lifeOf } from '../measures/life'
import { paybackYears } from '../measures/payback'
import { type Bought, paidFor, presentWorth, yearlyCost } from '../money/appraisal'
import type { PartPrice } from '../study/economics'
import type { Measure } from '../study/measures'
import type { Study } from '../study/study'
import { purchasedKwh, type YearResult } from '../year/result'

/** What a package changes in a year, less is positive: money, kWh that are bought, minutes that are waited. */
export interface YearSaved {
  money: number
  kwh: number
  waitedMinutes: number
}

/** What is saved from one year to another. */
export const yearSaved = (from: YearResult, to: YearResult): YearSaved => ({
  money: from.cost.total - to.cost.total,
  kwh: purchasedKwh(from) - purchasedKwh(to),
  waitedMinutes: from.comfort.waitedMinutes - to.comfort.waitedMinutes,
})

/** A package weighed over the years: what is paid for it against what it saves. */
export interface Appraisal {
  outlook: Outlook
  /** What all of it costs less what somebody else pays, money. */
  netCost: PartPrice
  /** Years until its saving has paid for that; Infinity: never. */
  paybackYears: number
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

/** What measures cost the household, grants taken off; null as long as one of them is not priced. */
export function netCost(measures: readonly Measure[], costs: readonly (PartPrice | null)[]): PartPrice | null {
  const known = costs.filter((c) => c !== null)
  if (known.length < costs.length) return null
  const sum = (of: keyof PartPrice) => known.reduce((s, c, i) => s + ownCost(measures[i], c[of]), 0)
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
  const at = (which: keyof PartPrice) => measures.map((m, i) => boughtAt(m, costs[i]![which], study.economics))
  const [low, likely, high] = [at('low'), at('likely'), at('high')]
  const sum = (of: readonly Bought[], value: (b: Bought) => number) => of.reduce((s, b) => s + value(b), 0)
  const saves = presentWorth(saved.money, years, d, growth)
  const worth = (bought: readonly Bought[]) => saves - sum(bought, (b) => paidFor(b, years, d))
  const aYear = sum(likely, (b) => yearlyCost(b, d))
  return {
    outlook,
    netCost: net,
    paybackYears: paybackYears(net.likely, saved.money)!,
    grants: sum(likely, (b) => b.grant),
    aYear,
    netPresentValue: { low: worth(high), likely: worth(likely), high: worth(low) },
    perSavedKwh: saved.kwh > 0 ? aYear / saved.kwh : null,
    perMinute: saved.money < aYear && saved.waitedMinutes > 0 ? (aYear - saved.money) / saved.waitedMinutes : null,
    usualLife: measures.filter((m, i) => costs[i]!.likely > 0 && lifeOf(m).usual).map((m) => m.name),
    upkeepNotAsked: measures
      .filter((m, i) => costs[i]!.likely > 0 && upkeepOf(m, study.economics) === null)
      .map((m) => m.name),
  }
}
