import { MATERIALS, pipeOf, sizesOf } from '../pipes/catalogue'
import { CONNECTIONS } from '../recovery/drain-recovery'
import { z } from '../schema/zod'
import { between, DataSource, Day, Id, Name, Share, YesNoUnknown } from './fields'
import { MixingValve } from './mixing'
import { PlaceField } from './site'

export const InsulationField = z.strictObject({
  lambdaWMK: between(0.01, 0.2),
  thicknessMm: between(0, 200),
})

/** How a pipe is joined. */
export const JOINTS = [
  'not checked',
  'soldered',
  'press',
  'compression',
  'push-fit',
  'welded plastic',
  'threaded',
] as const
const Count = z.int().min(0).max(100)

export const LengthOfPipe = z.strictObject({
  material: z.enum(MATERIALS),
  size: z.string(),
  lengthM: between(0.1, 500),
  place: PlaceField,
  insulation: InsulationField.nullable(),
  /** Whether it can be got at, to insulate it. */
  reachable: z.boolean(),
  joints: z.enum(JOINTS),
  fittings: z.strictObject({ bends: Count, tees: Count, valves: Count }),
})

/** Says which sizes a material comes in when the given one is not among them. */
function checkSize(pipe: { material: (typeof MATERIALS)[number]; size: string }): string | null {
  try {
    pipeOf(pipe.material, pipe.size)
    return null
  } catch {
    return `"${pipe.size}" is not made in ${pipe.material}; it comes in ${sizesOf(pipe.material).join(', ')}`
  }
}

/** A pipe whose size must be one of those its material is made in. */
export const withSize = <T extends z.ZodType<{ material: (typeof MATERIALS)[number]; size: string }>>(shape: T): T =>
  shape.superRefine((pipe, ctx) => {
    const wrong = checkSize(pipe)
    if (wrong) ctx.addIssue({ code: 'custom', path: ['size'], message: wrong })
  })

/** A length of pipe between two joints; runs make a tree from the plant to the taps. */
export const Run = withSize(
  LengthOfPipe.extend({
    id: Id,
    name: Name,
    /** The run it leaves from; null: the plant. */
    from: Id.nullable(),
  }),
)
export type Run = z.infer<typeof Run>

export const Tap = z.strictObject({
  id: Id,
  name: Name,
  /** The run it ends. */
  runId: Id,
  kind: z.enum(['shower', 'bath', 'basin', 'kitchen', 'machine', 'other']),
  /** Flow when open, L/min, as used. */
  flowLMin: between(0.5, 60),
  /** Mixes cold water in; otherwise only hot water comes. */
  mixes: z.boolean(),
  /** Drains while it fills (a shower does, a bath does not). */
  drains: z.boolean(),
  /** Least hot water it needs before it mixes, °C (a mixer shower, a dish sink); null: whatever comes. */
  minHotInletC: between(30, 75).nullable(),
  /** Litres in the pipe to it as somebody wrote or said them; null: nobody did. */
  saidContentL: between(0.05, 100).nullable(),
  /** A device cuts the flow to a trickle once the water is warm, until somebody is there. */
  stopsWhenWarm: z.boolean(),
  /** A mixing valve at the tap itself, that guards it alone. */
  guard: MixingValve,
  /** Hot water from it is drunk or cooked with; null: not asked. */
  drunk: YesNoUnknown,
  /** Hot water that drips from it, L/h; null: nobody has looked. */
  dripLH: between(0, 30).nullable(),
})
export type Tap = z.infer<typeof Tap>

/** Where things of a loop may sit. */
export const LOOP_PLACES = ['at the plant', 'at the far tap', 'on the return', 'not there', 'not checked'] as const

/** Two questions of an appliance's set-up: where the pump is, and how its internal valve stands. */
export const PUMP_IS = ['not checked', 'external', 'built into the appliance'] as const
export const RETURN_VALVE = ['not checked', 'none', 'set for circulation', 'set for no circulation'] as const

/** How a loop's water comes back. */
const Returns = z.discriminatedUnion('by', [
  /** By a pipe of its own, into the store at a height, 0 bottom to 1 top. */
  z.strictObject({ by: z.literal('own pipe'), height: Share }),
  /** Through the cold line: a thermostatic valve between hot and cold at the far tap, which closes at a temperature, °C. */
  z.strictObject({ by: z.literal('cold line'), closesAtC: between(25, 55) }),
])
export type Returns = z.infer<typeof Returns>

/** A pumped loop: out through the runs down to one of them, back to the plant by a return of its own or through the cold line. */
export const Loop = z.strictObject({
  /** The run at whose end the return leaves. */
  returnConnectionRunId: Id,
  /** What carries the water back, as a pipe. */
  back: withSize(LengthOfPipe),
  returns: Returns,
  pumpAt: z.enum(LOOP_PLACES),
  sensorAt: z.enum(LOOP_PLACES),
  /** Whether the pump came with the appliance, and how the valve stands that sends its water round. */
  pumpIs: z.enum(PUMP_IS),
  returnValve: z.enum(RETURN_VALVE),
  pumpLMin: between(0.2, 30),
  pumpW: between(0, 500),
  /** Loss of the whole loop as measured, W/K; null: computed from its pipes. */
  measuredUaWK: between(0.1, 500).nullable(),
})
export type Loop = z.infer<typeof Loop>

/** What a drain-water heat exchanger would find. */
export const Drain = z.strictObject({
  /** Upright pipe below the lowest of those taps that can be got at, m; its diameter, mm. */
  stackHeightM: between(0, 20),
  diameterMm: between(30, 200),
  /** From the stack to the cold main, and to the heater, along the way a pipe would take, m. */
  toMainM: between(0, 60),
  toHeaterM: between(0, 60),
  /** To the cold feed of the shower's mixer; null: not looked. */
  toShowerM: between(0, 60).nullable(),
  tapIds: z.array(Id).max(60),
  /** Whether it can be cut into and got at afterwards. */
  access: YesNoUnknown,
})
export type Drain = z.infer<typeof Drain>

/** How a drain-water heat exchanger hangs: in a stack that falls upright, or lying under a tray. */
export const MOUNTS = ['upright', 'flat'] as const

/** A drain-water heat exchanger that is there. */
export const Recovery = z.strictObject({
  connection: z.enum(CONNECTIONS),
  mount: z.enum(MOUNTS),
  /** Effectiveness at equal flows, and that flow, as it is rated or was measured. */
  effectiveness: between(0.05, 0.85),
  ratedFlowLMin: between(2, 40),
  /** Time in which its wall has warmed to two thirds, s. */
  warmUpS: between(0, 300),
  /** The water that reaches it is cooler than what leaves the tap by this, K. */
  dropK: between(0, 10),
  /** Whose its effectiveness and rated flow are. */
  dataSource: DataSource,
  /** Last time that somebody looked at it for limescale and hair. */
  inspectedOn: Day.nullable(),
  /** Taps that drain through it; of them only those that drain while they fill give it heat. */
  tapIds: z.array(Id).min(1, 'at least one outlet').max(60),
})
export type Recovery = z.infer<typeof Recovery>

export const Pipes = z.strictObject({
  runs: z.array(Run).min(1, 'at least one run').max(200),
  taps: z.array(Tap).min(1, 'at least one outlet').max(60),
  loop: Loop.nullable(),
  /** Litres somebody is ready to run off before it is warm: a mark on every run; null: none chosen. */
  deadLegLimitL: between(0.1, 20).nullable(),
  /** Most energy that may be bought in a year while the litres are kept, kWh; null: none chosen. */
  energyLimitKwh: between(1, 1_000_000).nullable(),
  /** Smallest bore that the local code allows for a run, mm; null: nobody has looked it up. */
  minBoreMm: between(4, 60).nullable(),
  /** The drain, for heat recovery; null: not looked. */
  drain: Drain.nullable(),
  /** A drain-water heat exchanger that is there; null: none. */
  recovery: Recovery.nullable(),
})
export type Pipes = z.infer<typeof Pipes>
