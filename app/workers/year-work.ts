import type { Finding } from '~~/core/findings/finding'
import { broughtBy, findings } from '~~/core/findings/findings'
import { applyAll } from '~~/core/measures/apply'
import { fit } from '~~/core/readings/fit'
import type { Study } from '~~/core/study/study'
import type { YearResult } from '~~/core/year/result'
import { simulate } from '~~/core/year/simulate'
import { traceDay } from '~~/core/year/trace'

const read = (text: string) => JSON.parse(text) as Study

/** What is worked out away from the page. Studies come as text: it is cheaper than cloning Vue's proxies. */
export const yearWork = {
  year: (text: string) => simulate(read(text)),
  fit: (text: string) => fit(read(text)),
  day: (text: string, day: number) => traceDay(read(text), day),
  /** What stands out of a household, with its year or without. */
  points: (text: string, year: YearResult | null): Finding[] => findings(read(text), year),
  /** Dangers and faults that a package would bring. */
  brought: (text: string, packageId: string, now: YearResult | null, then: YearResult): Finding[] => {
    const study = read(text)
    const pack = study.packages.find((p) => p.id === packageId)!
    return broughtBy(findings(study, now), findings(applyAll(study, pack.measures), then))
  },
}
export type YearWork = typeof yearWork
