import { z } from '../schema/zod'
import { between, Id } from './fields'
import { Week } from './week'

/** How a loop's pump is run. */
export const LOOP_MODES = ['off', 'always', 'clock'] as const
export const LoopMode = z.enum(LOOP_MODES)
export type LoopMode = z.infer<typeof LoopMode>

/** Limits of a hot-water setpoint, °C. */
export const SETPOINT_C = { low: 30, high: 85 } as const
export const SetpointC = between(SETPOINT_C.low, SETPOINT_C.high)

export const HeaterControl = z.strictObject({
  setpointC: SetpointC,
  /** The thermostat calls this far below the setpoint, K. */
  hysteresisK: between(0.5, 20),
  /** When the heater may heat; null: at all times. */
  windows: Week.nullable(),
  /** Its exchanger is kept warm at all times: what heats water as it runs has this, and nothing else. */
  keepHot: z.boolean().optional(),
})
export type HeaterControl = z.infer<typeof HeaterControl>

const LoopControl = z.strictObject({
  mode: LoopMode,
  /** When the pump runs in mode "clock". */
  windows: Week,
})
type LoopControl = z.infer<typeof LoopControl>

/** What the controller on the wall can hold: its step, its periods a day, and which days may differ. */
export const Grid = z.strictObject({
  stepMin: z.union([z.literal(1), z.literal(5), z.literal(10), z.literal(15), z.literal(30), z.literal(60)]),
  periodsPerDay: z.int().min(1).max(12),
  days: z.enum(['same', 'work-sat-sun', 'each']),
})
export type Grid = z.infer<typeof Grid>

/** Everything that is set on the visit: one entry for each heater with a thermostat, and the loop. */
export const Controls = z.strictObject({
  heaters: z.record(Id, HeaterControl),
  loop: LoopControl,
  grid: Grid,
})
export type Controls = z.infer<typeof Controls>
