import { DAY_S, DAYS } from '../calendar/year'
import type { Study } from '../study/study'
import { House } from './house'
import { resultOf, type YearResult } from './result'

export interface SimulateOptions {
  /** Called after each month with the share of the year that is done, 0 to 1. */
  onProgress?: (share: number) => void
  /** Work after which it gives up; see work.ts. */
  mostWork?: number
}

/**
 * One year of a household, as its study stands.
 *
 * Pure and deterministic: the same study gives the same bytes in a worker, on the server and on the command line.
 * The study must have passed `readStudy`.
 * @throws YearRefused when the year would take too long, or a figure of it is not a number
 */
export function simulate(study: Study, options: SimulateOptions = {}): YearResult {
  const home = new House(study, options.mostWork)
  for (let month = 1; month <= 12; month++) {
    home.runUntil((DAYS * DAY_S * month) / 12)
    options.onProgress?.(month / 12)
  }
  home.closeMonth()
  return resultOf(home)
}
