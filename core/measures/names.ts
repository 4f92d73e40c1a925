import { HEATER_KINDS, HEATERS } from '../heaters/kinds'
import type { MeasureKind } from '../study/measures'

/** What each kind of measure is called when one is added, in the order they are offered, and where in the house it is done. */
export const MEASURES: Record<MeasureKind, { name: string; at: string; finds: string }> = {
  'insulate-runs': { name: 'Insulate pipes', at: 'Pipes', finds: 'foam wrap lagging insulation first metres' },
  jacket: { name: 'Jacket for the store', at: 'Store', finds: 'blanket tank insulation standing loss' },
  setpoint: { name: 'Change the setpoint', at: 'Heater', finds: 'temperature lower dial' },
  'heater-windows': { name: 'Heater timer', at: 'Heater', finds: 'clock windows hours' },
  'heater-control': {
    name: 'All controls of a heater',
    at: 'Heater',
    finds: 'boost holiday hot run cheapest price keep-hot',
  },
  'loop-mode': { name: 'Change the loop’s mode', at: 'Loop', finds: 'pump circulation on demand off' },
  'loop-windows': { name: 'Loop windows', at: 'Loop', finds: 'pump clock timer circulation' },
  'tap-flow': { name: 'Reduce the flow of a tap', at: 'Taps', finds: 'shower head aerator low flow saving' },
  'stop-when-warm': {
    name: 'Stop the flow when it is warm',
    at: 'Taps',
    finds: 'shower trickle valve unattended device',
  },
  'mend-drip': { name: 'Mend a tap that drips', at: 'Taps', finds: 'leak washer cartridge drop' },
  'shorter-draws': { name: 'Shorter draws', at: 'People', finds: 'shower minutes habit less' },
  'bath-to-shower': { name: 'Shower instead of bath', at: 'People', finds: 'bath habit' },
  repipe: { name: 'Lay a run anew', at: 'Pipes', finds: 'repipe smaller bore shorter size' },
  'own-run': { name: 'Own run for a tap', at: 'Pipes', finds: 'twig manifold direct branch' },
  'move-heater': {
    name: 'Move heater and store',
    at: 'Heater',
    finds: 'nearer closer relocate place distance shorter',
  },
  'drain-recovery': { name: 'Recover heat from the drain', at: 'Drain', finds: 'drain water heat exchanger waste' },
  'heat-source': {
    name: 'Another heat source',
    at: 'Heater',
    finds: `replace add ${HEATER_KINDS.map((k) => HEATERS[k].name.toLowerCase()).join(' ')}`,
  },
}
