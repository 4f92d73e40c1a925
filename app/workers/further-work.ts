import { checksOf } from '~~/core/checks/catalogue'
import type { Check } from '~~/core/checks/check'
import type { Wrap } from '~~/core/household/engineer/defaults'
import { fit } from '~~/core/readings/fit'
import { type SampleYears, sampleYears, samplingOf } from '~~/core/scenarios/ranges'
import type { Measure } from '~~/core/study/measures'
import type { Study } from '~~/core/study/study'
import { type Candidate, candidatesFor, type Tried, tried } from '~~/core/views/advice'
import { comparedInFull, type FullComparison, type Judged, judgedPackage } from '~~/core/views/compare'
import { refusalsOf } from '~~/core/views/order-of-work'
import type { YearResult } from '~~/core/year/result'
import { traceDay } from '~~/core/year/trace'

/** What is worked out once the first figures stand. */
export const furtherWork = {
  fit,
  day: traceDay,
  /** A household judged, with its year or without, and the checks that something is worth trying for. */
  checks: (study: Study, year: YearResult | null): { checks: Check[]; tries: string[] } => {
    const checks = checksOf(study, year)
    return { checks, tries: year ? [...new Set(candidatesFor(study, checks).map((c) => c.check))] : [] }
  },
  /** What is worth trying for what stands out. */
  candidates: (study: Study, checks: readonly Check[], wrap: Wrap): Candidate[] => candidatesFor(study, checks, wrap),
  /** One of them by the year that was simulated with it. */
  tried: (_study: Study, year: YearResult, checks: readonly Check[], candidate: Candidate, then: YearResult): Tried =>
    tried({ year, checks }, candidate, then),
  /** A household as it may really be: the years of one sample of its doubts, as it stands and with a package. */
  sampled: (study: Study, packageId: string | null, samples: number, seed: number, i: number): SampleYears | null =>
    sampleYears(study, study.packages.find((p) => p.id === packageId) ?? null, samplingOf(study, samples, seed), i),
  /** What is against measures, by the year with them. */
  refusals: (
    study: Study,
    measures: readonly Measure[],
    now: YearResult,
    then: YearResult,
    worseComfort: boolean,
  ): string[] => refusalsOf(study, measures, now, then, worseComfort),
  /** Every package against the household as found and as set, each judged. */
  comparison: (study: Study, years: [string, YearResult][]): FullComparison => comparedInFull(study, new Map(years)),
  /** What a package would make worse, and the limits that it keeps. */
  judged: (study: Study, packageId: string, now: YearResult | null, then: YearResult): Judged =>
    judgedPackage(
      study,
      study.packages.find((p) => p.id === packageId)!,
      checksOf(study, now),
      then,
    ),
}
