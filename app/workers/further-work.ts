import type { Finding } from '~~/core/findings/finding'
import { broughtBy, findings } from '~~/core/findings/findings'
import { applyAll } from '~~/core/measures/apply'
import { fit } from '~~/core/readings/fit'
import type { Study } from '~~/core/study/study'
import type { YearResult } from '~~/core/year/result'
import { traceDay } from '~~/core/year/trace'

/** What is worked out once the first figures stand. */
export const furtherWork = {
  fit,
  day: traceDay,
  /** What stands out of a household, with its year or without. */
  points: (study: Study, year: YearResult | null): Finding[] => findings(study, year),
  /** Dangers and faults that a package would bring. */
  brought: (study: Study, packageId: string, now: YearResult | null, then: YearResult): Finding[] => {
    const pack = study.packages.find((p) => p.id === packageId)!
    return broughtBy(findings(study, now), findings(applyAll(study, pack.measures), then))
  },
}
