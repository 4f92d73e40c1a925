import { pointOfUseOf } from '../study/heater-kinds'
import type { Study } from '../study/study'
import { mainsByMonth } from '../water/mains'
import { tapOf, warmUpVolumeTo } from './lookups'
import { supplyC } from './supply'
import { usesADay } from './uses-a-day'

/** Share of what stands in the pipes that is cold when somebody waits, on the mean of a day: uses come in bunches. */
const COLD_SHARE = 0.85

/**
 * Hot water that the routine draws in a day of a month, L, guests and absences left out: each habit's mean amount times
 * its hot share, and for those who wait what runs off. Taps with a small store of their own do not count. Good to about
 * 15 %: the engine, which follows every draw, is not asked, so that a reading can be judged at once.
 */
export function hotLitresADay(study: Study, month: number): number {
  const coldC = mainsByMonth(study.site)[month]
  const hotC = supplyC(study)
  const { people } = study
  return people.uses.reduce((sum, h) => {
    const tap = tapOf(study, h.tapId)
    if (pointOfUseOf(study.plant.heaters, tap.id)) return sum
    const { times, litres } = usesADay(h, tap, people)
    const share = tap.mixes ? Math.min(1, Math.max(0, (h.requiredC - coldC) / (hotC - coldC))) : 1
    return sum + times * (litres * share + (h.waits ? COLD_SHARE * warmUpVolumeTo(study, tap) : 0))
  }, 0)
}
