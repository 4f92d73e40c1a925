import { MINUTES_A_DAY } from '../calendar/clock'
import { edges } from '../calendar/week'
import { WEEK_MIN } from '../calendar/year'
import { priceEdges } from '../money/tariff'
import { controlsOf, type Study } from '../study/study'

/** Minutes of the week at which anything set by the clock changes (midnights among them), ascending. */
export function weeklyEdges(study: Study): number[] {
  const controls = controlsOf(study)
  const marks = [
    ...Array.from({ length: 7 }, (_, d) => d * MINUTES_A_DAY),
    ...Object.values(controls.heaters).flatMap((h) => (h.windows ? edges(h.windows) : [])),
    ...(controls.loop.mode === 'clock' ? edges(controls.loop.windows) : []),
    ...priceEdges(study.prices.carriers),
  ]
  return [...new Set(marks.map((m) => m % WEEK_MIN))].sort((a, b) => a - b)
}
