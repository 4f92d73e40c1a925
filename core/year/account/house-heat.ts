import type { Display } from '../../units/display'
import type { Energy } from '../result'

/** What is lost by keeping water ready and by what cools in pipes, kWh: all of it warms the air around something. */
export const lostToAirKwh = ({ storeKwh, loopKwh, deadLegKwh, primaryKwh }: Energy): number =>
  storeKwh + loopKwh + deadLegKwh + primaryKwh

/** How much of the losses came to heated rooms while they were heated, in a sentence; it depends on where things stand. */
export function houseHeatSentence(energy: Energy, credited: boolean, write: Display): string {
  const lost = lostToAirKwh(energy)
  const share = lost > 0 ? Math.round((100 * energy.houseHeatKwh) / lost) : 0
  return `Of ${write.energy(lost)} lost around cylinder, circulation and pipes, ${write.energy(energy.houseHeatKwh)} (${share}%) went to heated spaces in the heating season; ${credited ? 'credited in the cost' : 'not credited in the cost'}.`
}
