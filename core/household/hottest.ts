import { COIL_LIMIT_C } from '../heaters/fire'
import { HEAT_PUMP_LIMIT_C } from '../heaters/heat-pump'
import { CUT_OUT_C } from '../safety/cut-out'
import type { Controls } from '../study/controls'
import type { Heater } from '../study/plant'

/**
 * Hottest water that a heater can make, °C: what its physics or its safety cut-out ends, whatever its thermostat says. A
 * fire that is never lit makes none: null.
 */
export function hottestOf(heater: Heater, control: Controls['heaters'][string]): number | null {
  switch (heater.kind) {
    case 'boiler-coil':
      return heater.primary.flowMaxC
    case 'solar':
      return heater.storeLimitC
    case 'wood-coil':
    case 'reservoir':
      return heater.firings.length > 0 ? COIL_LIMIT_C : null
    case 'heat-pump':
      return heater.backupKw > 0 ? CUT_OUT_C : HEAT_PUMP_LIMIT_C
    case 'element':
    case 'under-sink':
    case 'gas-store':
      return CUT_OUT_C
    case 'instant-gas':
    case 'instant-electric':
    case 'district-heat':
      return control.setpointC
  }
}
