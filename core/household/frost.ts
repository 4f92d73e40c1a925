import { coldestMonth, yearMean } from '../calendar/year'
import { type Place, placeTemperature } from '../climate/places'
import type { Run } from '../study/pipes'
import type { Study } from '../study/study'
import { KJ_PER_LITRE_K } from '../water/properties'
import { mainsOnColdest } from './lookups'
import { runUa, runWarmUpVolumeL } from './runs'

/** Water freezes, °C. */
const FREEZES_C = 0
/** Where frost gets in: heated rooms, the ground at pipe depth and slabs keep it out. */
const COLD_PLACES: readonly Place[] = ['outdoors', 'loft', 'cellar']
/** Nights are colder than the mean of their month by as much as this where nobody has asked, K. */
const NIGHT_BELOW_MEAN_K = 15

/**
 * The coldest air of a place, °C: as placeTemperature makes it of the air outdoors, with the coldest that was entered in the
 * place of the month's mean.
 */
function coldestAround(place: Place, designAirC: number, monthlyAirC: readonly number[]): number {
  const month = coldestMonth(monthlyAirC)
  const at = monthlyAirC.map((c, m) => (m === month ? Math.min(designAirC, c) : c))
  const mean = yearMean(monthlyAirC)
  // A spell of frost moves the coldest month, not the year's mean that a cellar leans on.
  if (place === 'cellar') return mean + 2 + 0.4 * (at[month] - mean)
  return placeTemperature(place, month, at)
}

/** Whether frost can come to a place: by the coldest air that was asked, or as far as the months allow. */
export function frostAt(study: Study, place: Place): { coldestC: number; asked: boolean } | null {
  if (!COLD_PLACES.includes(place)) return null
  const { designAirC, monthlyAirC } = study.site
  const byMonth = monthlyAirC[coldestMonth(monthlyAirC)]
  const coldestC = coldestAround(place, designAirC ?? byMonth - NIGHT_BELOW_MEAN_K, monthlyAirC)
  return coldestC <= FREEZES_C ? { coldestC, asked: designAirC !== null } : null
}

/**
 * Hours until water that stands in a pipe begins to freeze: it cools by exp(−t/τ) from the coldest main to nought, τ = heat of
 * water and wall / U′. Infinity where the air is no colder. Ice that has begun gives hours more; nobody should count on them.
 */
export function hoursUntilIce(
  run: Pick<Run, 'material' | 'size' | 'lengthM' | 'place' | 'insulation'>,
  study: Study,
  airC: number,
): number {
  if (airC >= FREEZES_C) return Infinity
  const beginC = Math.max(FREEZES_C, mainsOnColdest(study))
  const uaWK = runUa(run, beginC, study.site.monthlyAirC, 'cools')
  const tauS = (runWarmUpVolumeL(run) * KJ_PER_LITRE_K * 1000) / uaWK
  return (tauS / 3600) * Math.log((beginC - airC) / (FREEZES_C - airC))
}
