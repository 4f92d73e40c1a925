import { shareAtAltitude } from '../heaters/burner'
import type { Heater } from '../study/plant'

/** A heater as it burns at a height: what its plate says of sea level is less there; what holds there stays. */
export function atAltitude<H extends Heater>(heater: H, altitudeM: number): H {
  if (!('outputHolds' in heater) || heater.outputHolds === 'at this height') return heater
  const share = shareAtAltitude(altitudeM)
  const least = 'minOutputKw' in heater ? { minOutputKw: heater.minOutputKw * share } : {}
  return { ...heater, ...least, outputKw: heater.outputKw * share }
}
