import { checksOf } from '../../core/checks/catalogue'
import type { Check } from '../../core/checks/check'
import type { Study } from '../../core/study/study'
import { findingsOf } from '../../core/views/findings'
import type { YearResult } from '../../core/year/result'

/** Checks of a household that do not pass. */
export const open = (study: Study, year: YearResult | null = null): Check[] =>
  checksOf(study, year).filter((c) => c.level !== 'pass')

/** Names of the checks that do not pass, and of what has caused them. */
export const ids = (study: Study, year: YearResult | null = null): string[] => [
  ...new Set(open(study, year).flatMap((c) => [c.id, c.cause.id])),
]

export const findings = (study: Study, year: YearResult | null = null) => findingsOf(checksOf(study, year))
