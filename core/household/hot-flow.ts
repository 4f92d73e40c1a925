import type { Tap } from '../study/pipes'
import type { Study } from '../study/study'
import { mainsThroughYear } from '../water/mains'

/** What is asked of a tap where nobody has said, °C: a shower. */
const USUAL_WANTED_C = 38

/** The cold main on the warmest day of the year, °C: least hot water is asked for then. */
export const mainsOnWarmest = (study: Study): number => Math.max(...mainsThroughYear(study.site))

/** The coolest that anybody asks of a tap, °C. */
export function leastWantedAt({ people }: Study, tapId: string): number {
  const wanted = people.uses.filter((h) => h.tapId === tapId).map((h) => h.requiredC)
  return wanted.length ? Math.min(...wanted) : USUAL_WANTED_C
}

/**
 * Hot water that a tap asks for, L/min: its flow times the hot share of the mix, (wanted − cold) / (hot − cold), kept between
 * none and all. @param coldC at the mixer, °C; @param hotC what arrives hot, °C
 */
export function hotFlow(tap: Pick<Tap, 'flowLMin' | 'mixes'>, requiredC: number, coldC: number, hotC: number): number {
  if (!tap.mixes) return tap.flowLMin
  if (hotC <= coldC) return tap.flowLMin
  return tap.flowLMin * Math.max(0, Math.min(1, (requiredC - coldC) / (hotC - coldC)))
}
