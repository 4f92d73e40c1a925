import { SAFETY } from '../safety/limits'
import { burnTime, scaldSeconds } from '../safety/scald'
import { isOnStore } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Display } from '../units/display'

/** What is said beside a setpoint that can do harm; empty for one that cannot. */
export function setpointCaution(heater: Heater, setpointC: number, write: Display): string {
  if (setpointC < SAFETY.livesOn.value && isOnStore(heater))
    return `Below ${write.temperature(SAFETY.livesOn.value)} a store lets legionella live: it wants a hot run on a fixed day. Follow the local code.`
  if (setpointC <= SAFETY.scalds.value) return ''
  const { adultS, childS } = scaldSeconds(setpointC)
  return `At the tap this burns an adult in ${burnTime(adultS)} and a child in ${burnTime(childS)}, unless it is mixed down.`
}
