import { warmUpLossS } from '../recovery/drain-recovery'
import type { Recovery } from '../study/pipes'
import type { Study } from '../study/study'
import { usesADay } from './uses-a-day'

/** What a heat recovery unit gives less in a mean draw because that warms its wall first. */
export interface WarmUp {
  /** Mean length of the draws that run through it, by the routine, min. */
  minutes: number
  /** Seconds of full recovery that are lost, and their share of the draw. */
  lostS: number
  share: number
}

/** The same of a unit in its household; null where nobody draws through it. */
export function warmUpOf({ people, pipes }: Study, { tapIds, warmUpS }: Recovery): WarmUp | null {
  const draws = people.uses
    .filter((u) => tapIds.includes(u.tapId))
    .map((u) => {
      const tap = pipes.taps.find((t) => t.id === u.tapId)!
      const { times, litres } = usesADay(u, tap, people)
      return { times, minutes: litres / tap.flowLMin }
    })
  const times = draws.reduce((s, d) => s + d.times, 0)
  const minutes = draws.reduce((s, d) => s + d.times * d.minutes, 0) / times
  if (times <= 0 || minutes <= 0) return null
  const lostS = warmUpLossS(warmUpS, minutes * 60)
  return { minutes, lostS, share: lostS / (minutes * 60) }
}
