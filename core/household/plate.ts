import { efficiencyAt } from '../heaters/efficiency'
import { NET_OVER_GROSS } from '../money/carriers'
import { carrierOf, efficiencyOf } from '../study/heater-kinds'
import type { Heater } from '../study/plant'

/** Return water at which a plate's output is reckoned, °C. */
const PLATE_RETURN_C = 40

/**
 * Output that the input on a plate makes, kW: input on gross value × efficiency; null where no plate was read or nothing burns.
 * @example 24 kW on net value, natural gas, condensing: 24 / 0.9 × 0.935 = 24.9
 */
export function outputFromPlate(heater: Heater): number | null {
  const efficiency = efficiencyOf(heater)
  if (!heater.plate || !efficiency || !('outputKw' in heater)) return null
  const overGross = heater.plate.on === 'net' ? (NET_OVER_GROSS[carrierOf(heater)] ?? 1) : 1
  return (
    Math.round((heater.plate.inputKw / overGross) * efficiencyAt(efficiency, PLATE_RETURN_C, carrierOf(heater)) * 10) /
    10
  )
}
