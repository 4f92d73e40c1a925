import { DAYS_IN_MONTH } from '../calendar/year'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import type { YearResult } from '../year/result'

/** Longer than this on a day and rooms are felt to cool, min. */
export const LONG_PAUSE_MIN = 90

/** Minutes that radiators pause for hot water on the mean day with heating; null where they never do. */
export function heatingPauseMin(study: Study, year: YearResult): number | null {
  const { heaterId, hotWaterFirst } = controlsOf(study).heating
  const days = DAYS_IN_MONTH.reduce((sum, n, m) => sum + (study.site.heatingMonths[m] ? n : 0), 0)
  return heaterId !== null && hotWaterFirst && days > 0 && year.heatingLostHours > 0
    ? Math.max(1, Math.round((60 * year.heatingLostHours) / days))
    : null
}
