import { coldestMonth, yearMean } from '../calendar/year'
import { placeTemperature } from '../climate/places'
import type { Study } from '../study/study'
import { KJ_PER_LITRE_K } from '../water/properties'
import { runsTo } from './lookups'
import { runUa, runWarmUpVolumeL } from './runs'

/** How water that stands at the turn of a loop cools: its time constant, s, and the air around it, °C. */
interface AtRest {
  tauS: number
  airC: number
}

/** The run before the turn, in the coldest month; null without a loop. Source: T − air falls as exp(−t/τ), τ = heat held / U′. */
function turnAtRest(study: Study, waterC: number): AtRest | null {
  const { loop } = study.pipes
  if (!loop) return null
  const run = runsTo(study, { runId: loop.returnConnectionRunId }).at(-1)!
  const { monthlyAirC } = study.site
  const uaWK = runUa(run, waterC, monthlyAirC, 'cools')
  return {
    tauS: (runWarmUpVolumeL(run) * KJ_PER_LITRE_K * 1000) / uaWK,
    airC: placeTemperature(run.place, coldestMonth(monthlyAirC), monthlyAirC),
  }
}

/**
 * Minutes in which water at rest at the turn of the loop falls from one temperature to another in the coldest month, °C;
 * Infinity where the air is no cooler, null without a loop.
 */
export function cooldownMinutes(study: Study, fromC: number, toC: number): number | null {
  const rest = turnAtRest(study, fromC)
  if (!rest) return null
  return rest.airC >= toC ? Infinity : (rest.tauS / 60) * Math.log((fromC - rest.airC) / (toC - rest.airC))
}

/** How far it falls in so many minutes, K; null without a loop. */
export function cooldownDropK(study: Study, fromC: number, minutes: number): number | null {
  const rest = turnAtRest(study, fromC)
  return rest && Math.max(0, fromC - rest.airC) * (1 - Math.exp((-minutes * 60) / rest.tauS))
}

/** What comes first out of a tap whose pipes stood for long: water as warm as the rooms they lie in, °C on the year's mean. */
export function stagnantC(study: Study, runId: string): number {
  const { place } = runsTo(study, { runId }).at(-1)!
  const { monthlyAirC } = study.site
  return yearMean(monthlyAirC.map((_, m) => placeTemperature(place, m, monthlyAirC)))
}
