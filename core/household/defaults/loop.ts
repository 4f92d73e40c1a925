import type { Returns } from '../../study/pipes'

/** Where a return usually enters a store, 0 bottom to 1 top. */
const RETURN_HEIGHT = 0.6
/** Where the valves between hot and cold usually close, °C. */
const BYPASS_CLOSES_C = 38

/** A way for a loop's water to come back, to begin with. */
export const defaultReturns = (by: Returns['by']): Returns =>
  by === 'own pipe' ? { by, height: RETURN_HEIGHT } : { by, closesAtC: BYPASS_CLOSES_C }

/** What a loop begins as beside the pipe it comes back by: flow L/min and power W, assumed until read. */
export const DEFAULT_LOOP = {
  pumpLMin: 3,
  pumpW: 25,
  measuredUaWK: null,
  pumpAt: 'at the plant',
  sensorAt: 'not checked',
  pumpIs: 'not checked',
  returnValve: 'not checked',
} as const
