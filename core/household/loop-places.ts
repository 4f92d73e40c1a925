import type { LOOP_PLACES } from '../study/pipes'

/** Where a pump or a sensor of the circulation can be, as it is said. */
export const LOOP_PLACE_NAMES: Record<(typeof LOOP_PLACES)[number], string> = {
  'at the plant': 'at the heater',
  'at the far tap': 'at the furthest outlet',
  'on the return': 'on the return',
  'not there': 'none',
  'not checked': 'not checked',
}
