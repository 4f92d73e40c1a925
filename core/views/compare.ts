import { checksOf } from '../checks/catalogue'
import type { Check } from '../checks/check'
import { checksOfMeasure } from '../checks/measure'
import { applyAll } from '../measures/apply'
import { AS_FOUND, AS_SET, firstKey, lastKey, packageKey, singleKey } from '../measures/jobs'
import { costOf, costsTogether, type Part, partsOf } from '../measures/parts'
import { whoDoes } from '../measures/who'
import type { PartPrice } from '../study/economics'
import type { Package } from '../study/measures'
import type { Study } from '../study/study'
import { changeOf, figuresOfYear, savedOf, type YearFigures } from '../year/figures'
import type { YearResult } from '../year/result'
import { type Appraisal, appraised, netCost, yearSaved } from './appraisal'
import { type Brought, broughtBy } from './brought'

/** What a measure takes, in the house as the measures before it in its package leave it. */
export interface MeasureDetails {
  /** What it costs, grants not taken off; null as long as any of it is unknown. */
  costMoney: PartPrice | null
  parts: Part[]
  checks: Check[]
  /** Whose work it is. */
  who: string
}

export interface MeasureSaving extends MeasureDetails {
  id: string
  name: string
  /** What it saves a year by itself; in all three less is positive. */
  alone: YearFigures
  /** What it saves at its place: after the measures before it. These add up to what the package saves. */
  inOrder: YearFigures
  /** What the package would save less without it. */
  lastIn: YearFigures
}

export interface PackageResult {
  id: string
  name: string
  result: YearResult
  /** Against the household as it was found, and against doing nothing: as it is set. */
  difference: YearFigures
  againstSet: YearFigures
  measures: MeasureSaving[]
  /** What the measures would save if single savings added up, and what they do save, money a year over what is set. */
  sumOfSingles: number
  together: number
  /** What all of it costs, grants not taken off; null as long as nobody has asked for a part of it. */
  costMoney: PartPrice | null
  /** What it is worth over the years, against as set; null as long as a part of it is not priced. */
  appraisal: Appraisal | null
}

export interface Comparison {
  asFound: YearResult
  asSet: { result: YearResult; difference: YearFigures } | null
  packages: PackageResult[]
}

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

/** What a package costs, money; null as long as any of it is unknown. */
export const costOfPackage = (details: readonly MeasureDetails[]): PartPrice | null =>
  costsTogether(details.map((d) => d.costMoney))

/** What a package costs the household, grants taken off; null as long as any of it is unknown. */
export const netCostOf = (study: Study, pack: Package): PartPrice | null =>
  netCost(
    pack.measures,
    detailsOf(study, pack).map((d) => d.costMoney),
  )

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
  return {
    asFound: found,
    asSet: set && { result: set, difference: changeOf(figuresOfYear(found), figuresOfYear(set)) },
    packages: packages.map((pack, p) => {
      const result = year(packageKey(pack.id))
      const whole = figuresOfYear(result)
      const start = figuresOfYear(base)
      const several = pack.measures.length > 1
      const at = (key: string) => figuresOfYear(year(key))
      const upTo = (count: number) => (count === 0 ? start : several ? at(firstKey(pack, count)) : whole)
      const measures = pack.measures.map((m, i) => ({
        id: m.id,
        name: m.name,
        alone: savedOf(start, several ? at(singleKey(pack.id, m.id)) : whole),
        inOrder: savedOf(upTo(i), upTo(i + 1)),
        lastIn: savedOf(several ? at(lastKey(pack.id, m.id)) : start, whole),
        ...details[p][i],
      }))
      return {
        id: pack.id,
        name: pack.name,
        result,
        difference: changeOf(figuresOfYear(found), figuresOfYear(result)),
        againstSet: changeOf(figuresOfYear(base), figuresOfYear(result)),
        measures,
        sumOfSingles: measures.reduce((s, m) => s + m.alone.cost, 0),
        together: start.cost - whole.cost,
        costMoney: costOfPackage(details[p]),
        appraisal: appraised(
          study,
          pack.measures,
          details[p].map((d) => d.costMoney),
          yearSaved(base, result),
        ),
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
