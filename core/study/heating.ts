import { z } from '../schema/zod'
import { between, Day, Id, Name, YesNoUnknown } from './fields'

/** Limits of a heating flow temperature, °C. */
export const FLOW_C = { low: 20, high: 90 } as const
export const FlowC = between(FLOW_C.low, FLOW_C.high)

/** How the flow temperature of the radiators is set. */
export const FlowSetting = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('fixed'), flowC: FlowC }),
  /** One in the cold and one in mild weather, changed by hand below an outdoor temperature. */
  z.strictObject({ by: z.literal('season'), coldC: FlowC, mildC: FlowC, belowC: between(-20, 20) }),
  /** Outdoor curve: room + shift + slope × (room − outdoor), no higher than its stop. */
  z.strictObject({ by: z.literal('curve'), slope: between(0.1, 4), shiftK: between(-20, 40), mostC: FlowC }),
])
export type FlowSetting = z.infer<typeof FlowSetting>
export const FLOW_BY = ['fixed', 'season', 'curve'] as const satisfies readonly FlowSetting['by'][]

/** What stands at a radiator, and whether the number on it was ever held against a thermometer. */
export const RADIATOR_VALVES = ['not checked', 'none', 'by hand', 'thermostatic'] as const

export const Radiator = z.strictObject({
  id: Id,
  /** The room it heats. */
  name: Name,
  /** Output at 75/65/20 °C, kW; null: not read. */
  ratedKw: between(0.05, 20).nullable(),
  /** What the room loses on the coldest day, kW; null: not known. */
  lossKw: between(0.02, 20).nullable(),
  valve: z.enum(RADIATOR_VALVES),
  /** Number or sign its valve is set to, and the room temperature that was measured with it, °C. */
  mark: z.string().max(20),
  measuredC: between(5, 35).nullable(),
  /** Nothing stands before it or hangs over it. */
  clear: YesNoUnknown,
})
export type Radiator = z.infer<typeof Radiator>
export const MOST_RADIATORS = 40

/** A circuit under pressure: cold and hot as its gauge shows it, the levels of its maker, and who closed the filling. */
export const PressureCircuit = z.strictObject({
  coldBar: between(0, 6).nullable(),
  hotBar: between(0, 6).nullable(),
  /** It warns below this, and locks out below that; its relief valve opens, bar; null: not read. */
  warnBar: between(0, 3).nullable(),
  lockoutBar: between(0, 3).nullable(),
  reliefBar: between(0.5, 10).nullable(),
  readOn: Day.nullable(),
  /** The filling is shut again, and who shut it. */
  fillingShut: YesNoUnknown,
  shutBy: z.string().max(120),
})
export type PressureCircuit = z.infer<typeof PressureCircuit>

export const CIRCUITS = ['heating', 'solid fuel'] as const

/** A flow temperature that is lowered (or raised) step by step, with a word of the household on each before the next. */
export const FlowSteps = z.strictObject({
  begins: Day,
  fromC: FlowC,
  toC: FlowC,
  /** Each step, K, and how many days it is lived with. */
  byK: between(1, 10),
  everyDays: z.int().min(1).max(60),
})
export type FlowSteps = z.infer<typeof FlowSteps>

/** The heating side of the household: what the house loses, what its radiators give, and its circuits. */
export const HouseHeating = z.strictObject({
  /** Room temperature that is wanted by day, °C. */
  roomC: between(10, 28),
  /** Two ways to the heat loss: by floor area, and by the energy that heating used in a year; and one that was calculated. */
  loss: z.strictObject({
    floorM2: between(10, 2000).nullable(),
    wM2: between(5, 300).nullable(),
    usedKwh: between(100, 500_000).nullable(),
    statedKw: between(0.2, 200).nullable(),
  }),
  radiators: z.array(Radiator).max(MOST_RADIATORS),
  /** All radiators together where the rooms are not listed, kW at 75/65/20 °C. */
  totalRatedKw: between(0.2, 500).nullable(),
  exponent: between(1, 1.6),
  /** Least and most output for heating, kW; null: as the heater that heats hot water too says, or not known. */
  leastKw: between(0, 100).nullable(),
  mostKw: between(0.5, 500).nullable(),
  /** Water in the heating circuit, L; null: usual for its radiators. */
  circuitL: between(5, 3000).nullable(),
  /** Room whose temperature the room control feels: a radiator's id; null: not recorded. */
  sensorIn: Id.nullable(),
  circuits: z.strictObject({ heating: PressureCircuit.nullable(), 'solid fuel': PressureCircuit.nullable() }),
  /** The flow as it is tried step by step; null: it is not. */
  steps: FlowSteps.nullable(),
})
export type HouseHeating = z.infer<typeof HouseHeating>

/** A circuit of which nothing has been read. */
export const circuitNotRead = (): PressureCircuit => ({
  coldBar: null,
  hotBar: null,
  warnBar: null,
  lockoutBar: null,
  reliefBar: null,
  readOn: null,
  fillingShut: null,
  shutBy: '',
})

/** The heating side as it begins: nothing is known but the room temperature people want and the usual exponent. */
export const heatingNotChecked = (exponent: number): HouseHeating => ({
  roomC: 20,
  loss: { floorM2: null, wM2: null, usedKwh: null, statedKw: null },
  radiators: [],
  totalRatedKw: null,
  exponent,
  leastKw: null,
  mostKw: null,
  circuitL: null,
  sensorIn: null,
  circuits: { heating: null, 'solid fuel': null },
  steps: null,
})
