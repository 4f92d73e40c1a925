import type { Study } from '../study/study'

/** A station of the survey at which figures are still assumed, and how many. */
export interface FirstStep {
  station: 'main' | 'heater' | 'store' | 'loop' | 'runs' | 'taps' | 'people' | 'prices'
  assumed: number
}

/** Where on the water a figure of the study is entered; the first that fits. */
const STATIONS: readonly [RegExp, FirstStep['station']][] = [
  // What an appliance needs of the house is asked beside it.
  [/^site\.(?!electricMain|gasLineKw|designAirC|frostGuard|networks|heaterPlace)/, 'main'],
  [/^(plant\.heaters|controls|site)\./, 'heater'],
  [/^plant\.store/, 'store'],
  [/^pipes\.loop/, 'loop'],
  [/^pipes\.runs/, 'runs'],
  [/^pipes\.taps/, 'taps'],
  [/^people\./, 'people'],
  [/^prices\./, 'prices'],
]

/** The station at which a field of the study is entered; undefined where it is at none. */
export const stationOf = (path: string): FirstStep['station'] | undefined => STATIONS.find(([of]) => of.test(path))?.[1]

/** What nobody has looked at yet, in the order of the water: each station with figures that are only assumed. */
export function firstSteps(study: Study): FirstStep[] {
  const counts = new Map<FirstStep['station'], number>()
  for (const [path, origin] of Object.entries(study.origins)) {
    if (origin !== 'assumed') continue
    const station = stationOf(path)
    if (station) counts.set(station, (counts.get(station) ?? 0) + 1)
  }
  return STATIONS.flatMap(([, station]) => (counts.has(station) ? [{ station, assumed: counts.get(station)! }] : []))
}
