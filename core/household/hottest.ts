import { COIL_LIMIT_C } from '../heaters/fire'
import { HEAT_PUMP_LIMIT_C } from '../heaters/heat-pump'
import { HEATERS, type KindEndedBy } from '../heaters/kinds'
import { SAFETY } from '../safety/limits'
import type { HeaterControl } from '../study/controls'
import type { HeaterOf } from '../study/heater-kinds'
import type { Heater } from '../study/plant'

/** The figure of its own that ends how hot the water of a kind gets, °C. */
const OWN_LIMIT: { [K in KindEndedBy<'own figure'>]: (heater: HeaterOf<K>) => number } = {
  'boiler-coil': (h) => h.primary.flowMaxC,
  solar: (h) => h.storeLimitC,
  'heat-pump': (h) => (h.backupKw > 0 ? SAFETY.cutOut.value : HEAT_PUMP_LIMIT_C),
}

/**
 * Hottest water that a heater can make, °C: what its physics or its safety cut-out ends, whatever its thermostat says. A
 * fire that is never lit makes none: null.
 */
export function hottestOf(heater: Heater, control: HeaterControl | undefined): number | null {
  switch (HEATERS[heater.kind].hottest) {
    case 'setpoint':
      return control?.setpointC ?? null
    case 'cut-out':
      return SAFETY.cutOut.value
    case 'fire':
      return (heater as HeaterOf<KindEndedBy<'fire'>>).firings.length > 0 ? COIL_LIMIT_C : null
    case 'own figure':
      return (OWN_LIMIT[heater.kind as KindEndedBy<'own figure'>] as (heater: Heater) => number)(heater)
  }
}
