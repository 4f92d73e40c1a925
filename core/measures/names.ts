import { HEATER_KINDS, HEATERS } from '../heaters/kinds'
import type { MeasureKind } from '../study/measures'

/** What each kind of measure is called when one is added, in the order they are offered, and where in the house it is done. */
export const MEASURES: Record<MeasureKind, { name: string; at: string; finds: string }> = {
  'insulate-runs': { name: 'Insulate pipes', at: 'Pipes', finds: 'foam wrap lagging insulation first metres' },
  jacket: { name: 'Jacket for the cylinder', at: 'Cylinder', finds: 'blanket tank insulation standing loss' },
  'store-connections': {
    name: 'Heat traps and cold inlet',
    at: 'Cylinder',
    finds: 'connections siphon trap first metres insulation standing loss',
  },
  setpoint: { name: 'Change the setpoint', at: 'Heater', finds: 'temperature lower dial' },
  'heater-schedule': { name: 'Hot water schedule', at: 'Heater', finds: 'clock windows hours schedule timer' },
  'heater-control': {
    name: 'All controls of a heater',
    at: 'Heater',
    finds: 'boost holiday disinfection cheapest price keep-hot off-peak',
  },
  'loop-mode': {
    name: 'Change the circulation mode',
    at: 'Circulation',
    finds: 'pump loop on demand off recirculation',
  },
  'loop-schedule': {
    name: 'Circulation schedule',
    at: 'Circulation',
    finds: 'pump clock timer loop recirculation windows',
  },
  'lay-loop': {
    name: 'Lay a circulation',
    at: 'Circulation',
    finds: 'new loop return pipe pump recirculation time to tap wait',
  },
  'tap-flow': { name: 'Reduce outlet flow', at: 'Outlets', finds: 'shower head aerator low flow saving' },
  'stop-when-warm': {
    name: 'Thermostatic shut-off valve',
    at: 'Outlets',
    finds: 'shower trickle valve unattended device',
  },
  'mend-drip': { name: 'Repair dripping outlet', at: 'Outlets', finds: 'leak washer cartridge drop' },
  'shorter-draws': { name: 'Shorter draw-offs', at: 'People', finds: 'shower minutes use less' },
  'bath-to-shower': { name: 'Shower instead of bath', at: 'People', finds: 'bath use' },
  repipe: { name: 'Replace pipe run', at: 'Pipes', finds: 'repipe smaller bore shorter size' },
  'own-run': { name: 'Dedicated pipe run', at: 'Pipes', finds: 'twig manifold direct branch home run' },
  'move-heater': {
    name: 'Move heater and cylinder',
    at: 'Heater',
    finds: 'nearer closer relocate place distance shorter',
  },
  'drain-recovery': { name: 'Waste water heat recovery', at: 'Drain', finds: 'drain water heat exchanger waste' },
  'heat-source': {
    name: 'Heat source, replacement or additional',
    at: 'Heater',
    finds: `replace add ${HEATER_KINDS.map((k) => HEATERS[k].name.toLowerCase()).join(' ')}`,
  },
}
