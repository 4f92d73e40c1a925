import type { Study } from '../study/study'
import { usesADay } from './uses-a-day'

/** Mean length of a draw at some outlets that drain while they run, by the routine, min; null where nobody draws there. */
export function showerMinutes({ people, pipes }: Study, tapIds: readonly string[]): number | null {
  const [minutes, times] = people.uses
    .filter((u) => tapIds.includes(u.tapId))
    .map((u) => {
      const tap = pipes.taps.find((t) => t.id === u.tapId)!
      const a = usesADay(u, tap, people)
      return [(a.times * a.litres) / tap.flowLMin, a.times]
    })
    .reduce(([m, n], [a, b]) => [m + a, n + b], [0, 0])
  return times > 0 ? minutes / times : null
}
