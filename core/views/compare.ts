import { checksOf } from '../checks/catalogue'
import type { Check } from '../checks/check'
import { checksOfMeasure } from '../checks/measure'
import { applyAll } from '../measures/apply'
import { AS_FOUND, AS_SET, lastKey, packageKey, singleKey } from '../measures/jobs'
import { costOf, type Part, partsOf } from '../measures/parts'
import { whoDoes } from '../measures/who'
import type { Package } from '../study/measures'
import type { Study } from '../study/study'
import { drawnL, purchasedKwh, type YearResult } from '../year/result'
import { type Brought, broughtBy } from './brought'

/** What changed from one year to another; less is negative. */
export interface Difference {
  cost: number
  inputKwh: number
  waterL: number
  co2Kg: number
  waitMedianS: number
  waitP90S: number
  unmetDraws: number
}

/** What a measure takes, in the house as the measures before it in its package leave it. */
export interface MeasureDetails {
  /** What it costs; null as long as any of it is unknown. */
  costMoney: number | null
  parts: Part[]
  checks: Check[]
  /** Whose work it is. */
  who: string
}

export interface MeasureSaving extends MeasureDetails {
  id: string
  name: string
  /** Money a year saved by this measure alone. */
  aloneMoney: number
  /** Money a year that the package would save less without it. */
  lastInMoney: number
}

export interface PackageResult {
  id: string
  name: string
  result: YearResult
  /** Against the household as it was found, and against doing nothing: as it is set. */
  difference: Difference
  againstSet: Difference
  measures: MeasureSaving[]
  /** What the measures would save if single savings added up, and what they do save, money a year over what is set. */
  sumOfSingles: number
  together: number
  /** What all of it costs; null as long as nobody has asked for a part of it. */
  costMoney: number | null
}

export interface Comparison {
  asFound: YearResult
  asSet: { result: YearResult; difference: Difference } | null
  packages: PackageResult[]
}

/** Money of several; null as soon as one is unknown. */
const sumKnown = (costs: readonly (number | null)[]): number | null =>
  costs.reduce((sum, cost) => (sum === null || cost === null ? null : sum + cost), 0)

/** What each measure of a package takes. */
export const detailsOf = (study: Study, { measures }: Package): MeasureDetails[] =>
  measures.map((measure, i) => {
    const before = applyAll(study, measures.slice(0, i))
    return {
      costMoney: costOf(before, measure),
      parts: partsOf(before, measure),
      checks: checksOfMeasure(before, measure),
      who: whoDoes(measure),
    }
  })

function differenceOf(from: YearResult, to: YearResult): Difference {
  return {
    cost: to.cost.total - from.cost.total,
    inputKwh: purchasedKwh(to) - purchasedKwh(from),
    waterL: drawnL(to.water) - drawnL(from.water),
    co2Kg: to.co2Kg - from.co2Kg,
    waitMedianS: to.comfort.waitMedianS - from.comfort.waitMedianS,
    waitP90S: to.comfort.waitP90S - from.comfort.waitP90S,
    unmetDraws: to.comfort.unmetDraws - from.comfort.unmetDraws,
  }
}

/**
 * Puts the years of `jobsOf` together.
 * @param details what the measures of each package take
 * @throws RangeError when a year of the plan is missing
 */
export function compared(
  study: Study,
  years: ReadonlyMap<string, YearResult>,
  packages: readonly Package[] = study.packages,
  details: readonly MeasureDetails[][] = packages.map((pack) => detailsOf(study, pack)),
): Comparison {
  const year = (key: string) => {
    const found = years.get(key)
    if (!found) throw new RangeError(`the year "${key}" was not simulated`)
    return found
  }
  const found = year(AS_FOUND)
  const set = study.controls.set ? year(AS_SET) : null
  const base = set ?? found
  const saved = (from: YearResult, to: YearResult) => from.cost.total - to.cost.total
  return {
    asFound: found,
    asSet: set && { result: set, difference: differenceOf(found, set) },
    packages: packages.map((pack, p) => {
      const result = year(packageKey(pack.id))
      const alone = (id: string) =>
        pack.measures.length < 2 ? saved(base, result) : saved(base, year(singleKey(pack.id, id)))
      const lastIn = (id: string) =>
        pack.measures.length < 2 ? saved(base, result) : saved(year(lastKey(pack.id, id)), result)
      const measures = pack.measures.map((m, i) => ({
        id: m.id,
        name: m.name,
        aloneMoney: alone(m.id),
        lastInMoney: lastIn(m.id),
        ...details[p][i],
      }))
      return {
        id: pack.id,
        name: pack.name,
        result,
        difference: differenceOf(found, result),
        againstSet: differenceOf(base, result),
        measures,
        sumOfSingles: measures.reduce((s, m) => s + m.aloneMoney, 0),
        together: saved(base, result),
        costMoney: sumKnown(measures.map((m) => m.costMoney)),
      }
    }),
  }
}

/** A package judged: what it makes worse against doing nothing, and the limits that somebody chose, as it keeps them. */
export interface Judged {
  brought: Brought[]
  targets: Check[]
}

/** Checks of the limits that somebody chose. */
const TARGETS = new Set(['waste-limit', 'energy-limit'])

/** @param now the household judged as it stands; @param then its year with the package */
export function judgedPackage(study: Study, pack: Package, now: readonly Check[], then: YearResult): Judged {
  const checks = checksOf(applyAll(study, pack.measures), then)
  return { brought: broughtBy(now, checks), targets: checks.filter((c) => TARGETS.has(c.id)) }
}

export interface FullComparison extends Comparison {
  /** The household judged as it stands: as set, or as found where nothing is set. */
  checks: Check[]
  packages: (PackageResult & Judged)[]
}

/** The same with the household and every package judged. */
export function comparedInFull(study: Study, years: ReadonlyMap<string, YearResult>): FullComparison {
  const comparison = compared(study, years)
  const checks = checksOf(study, comparison.asSet?.result ?? comparison.asFound)
  return {
    ...comparison,
    checks,
    packages: comparison.packages.map((p, i) => ({
      ...p,
      ...judgedPackage(study, study.packages[i], checks, p.result),
    })),
  }
}
