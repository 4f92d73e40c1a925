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
  'pv-element': (h) => h.storeLimitC,
  'heat-pump': (h) => (h.backupKw > 0 ? SAFETY.cutOut.value : HEAT_PUMP_LIMIT_C),
}

/** A hot run against growth goes at most so far above its temperature, K. */
export const HOT_RUN_ABOVE_K = 2

/** The highest that a thermostat is set to at any time: as always, by hand, at the holiday level, or for a hot run, °C. */
export const highestSetting = ({ setpointC, holidayC, overrides, pasteurisation }: HeaterControl): number =>
  Math.max(
    setpointC,
    holidayC ?? -Infinity,
    pasteurisation ? pasteurisation.toC + HOT_RUN_ABOVE_K : -Infinity,
    ...overrides.map((o) => o.setpointC),
  )

/**
 * Hottest water that a heater can make, °C: what its physics or its safety cut-out ends, whatever its thermostat says. A
 * fire that is never lit makes none: null.
 */
export function hottestOf(heater: Heater, control: HeaterControl | undefined): number | null {
  switch (HEATERS[heater.kind].hottest) {
    case 'setpoint':
      return control ? highestSetting(control) : null
    case 'cut-out':
      return SAFETY.cutOut.value
    case 'fire':
      return (heater as HeaterOf<KindEndedBy<'fire'>>).firings.length > 0 ? COIL_LIMIT_C : null
    case 'own figure':
      return (OWN_LIMIT[heater.kind as KindEndedBy<'own figure'>] as (heater: Heater) => number)(heater)
  }
}
