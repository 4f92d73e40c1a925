import { coldestMonth } from '../calendar/year'
import type { HeaterOf } from '../study/heater-kinds'
import type { Study } from '../study/study'
import { mainsByMonth } from '../water/mains'
import { heatPerLitre } from '../water/power'
import { airAround } from './air-around'
import { tapOf } from './lookups'
import { usesADay } from './uses-a-day'

/** What a reservoir gives on a winter's day, and what is drawn at its tap, both in litres at the temperature wanted there. */
export interface ReservoirDay {
  makesL: number
  usesL: number
  requiredC: number
}

/**
 * Fire into its water on the mean day of its diary, less what it loses at the temperature wanted, over ρ c × rise from the
 * coldest month's main; against the routine at its tap, guests and absences left out. null where nobody draws from it.
 */
export function reservoirDay(study: Study, heater: HeaterOf<'reservoir'>): ReservoirDay | null {
  const tap = tapOf(study, heater.tapId)
  const uses = study.people.uses.filter((h) => h.tapId === tap.id)
  if (uses.length === 0) return null
  const month = coldestMonth(study.site.monthlyAirC)
  const coldC = mainsByMonth(study.site)[month]
  const requiredC = Math.max(coldC + 1, ...uses.map((h) => h.requiredC))
  const usesL = uses.reduce((sum, h) => {
    const { times, litres } = usesADay(h, tap, study.people)
    return sum + (times * litres * Math.max(0, h.requiredC - coldC)) / (requiredC - coldC)
  }, 0)
  const hours = heater.firings.reduce((s, f) => s + (f.hours * f.days.filter(Boolean).length) / 7, 0)
  const lostKwh = (24 * heater.uaWK * Math.max(0, requiredC - airAround(heater, month, study.site.monthlyAirC))) / 1000
  const keptKwh = Math.max(0, heater.waterKw * hours - lostKwh)
  return { makesL: (keptKwh * 3600) / (heatPerLitre(coldC, requiredC) * (requiredC - coldC)), usesL, requiredC }
}
