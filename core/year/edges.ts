import { MINUTES_A_DAY } from '../calendar/clock'
import { edges } from '../calendar/week'
import { priceEdges } from '../money/tariff'
import { CIRCULATION, SPACE_HEATING } from '../study/commanded'
import type { Commanded } from '../study/controllers'
import type { HeaterControl } from '../study/controls'
import { controlsOf } from '../study/in-force'
import { LOOP_MODE_TAKES } from '../study/loop-modes'
import type { Study } from '../study/study'
import { aheadThroughYear, inWeek } from './controls/clock'

/** Minutes of the week, by the controller's clock, at which something of a heater switches. */
const edgesOf = ({ schedule, pasteurisation }: HeaterControl): number[] => [
  ...(schedule ? edges(schedule) : []),
  ...(pasteurisation ? [pasteurisation.weekday * MINUTES_A_DAY + pasteurisation.atMin] : []),
]

/** Minutes of the week at which anything set by the clock changes (midnights among them), ascending. */
export function weeklyEdges(study: Study): number[] {
  const { heaters, loop, heating } = controlsOf(study)
  /** Its edges by the clock people live by, at each amount by which its own is ahead. */
  const of = (thing: Commanded, own: number[]) =>
    aheadThroughYear(study, thing).flatMap((ahead) => own.map((m) => m - ahead))
  const marks = [
    ...Array.from({ length: 7 }, (_, d) => d * MINUTES_A_DAY),
    ...Object.entries(heaters).flatMap(([id, control]) => of(id, edgesOf(control))),
    ...(LOOP_MODE_TAKES[loop.mode].schedule ? of(CIRCULATION, edges(loop.schedule)) : []),
    ...(heating.heaterId !== null && heating.schedule ? of(SPACE_HEATING, edges(heating.schedule)) : []),
    ...priceEdges(study.prices.carriers),
  ]
  return [...new Set(marks.map(inWeek))].sort((a, b) => a - b)
}
