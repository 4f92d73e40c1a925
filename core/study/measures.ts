import { z } from '../schema/zod'
import { LoopMode, SetpointC } from './controls'
import { between, Id, Name } from './fields'
import { InsulationField } from './pipes'
import { Week } from './week'

const common = {
  id: Id,
  name: Name,
  /** What it costs to do, money; null when nobody has asked. */
  costMoney: between(0, 1_000_000).nullable(),
}

/** A change to the household, as data. What each does is in `apply`. */
export const Measure = z.discriminatedUnion('kind', [
  z.strictObject({
    ...common,
    kind: z.literal('insulate-runs'),
    runIds: z.array(Id).max(200),
    /** Insulate the loop's return as well. */
    loopReturn: z.boolean(),
    insulation: InsulationField,
  }),
  z.strictObject({ ...common, kind: z.literal('setpoint'), heaterId: Id, setpointC: SetpointC }),
  z.strictObject({ ...common, kind: z.literal('heater-windows'), heaterId: Id, windows: Week.nullable() }),
  z.strictObject({ ...common, kind: z.literal('loop-mode'), mode: LoopMode }),
  z.strictObject({ ...common, kind: z.literal('loop-windows'), windows: Week }),
  z.strictObject({ ...common, kind: z.literal('tap-flow'), tapId: Id, flowLMin: between(0.5, 60) }),
])
export type Measure = z.infer<typeof Measure>

export const Package = z.strictObject({
  id: Id,
  name: Name,
  measures: z.array(Measure).max(40),
})
export type Package = z.infer<typeof Package>
