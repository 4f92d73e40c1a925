import { EFFICIENCY } from '../heaters/efficiency'
import { z } from '../schema/zod'
import { combustion } from './combustion'
import { AirC, between, DataSource, Id, Name, Note, Share, Twelve, YesNoUnknown } from './fields'
import { FireCircuit, Firings } from './fire'
import { BurnerFuel, FireFuel } from './fuels'
import { PlaceField } from './site'
import { StoreField } from './store'

const EfficiencyField = z.discriminatedUnion('kind', [
  /** By the curve of its fuel, moved by what was measured at this house. */
  z.strictObject({ kind: z.literal('condensing'), shift: between(-0.3, 0.1) }),
  z.strictObject({ kind: z.literal('fixed'), share: between(EFFICIENCY.low, EFFICIENCY.high) }),
])

/** What is known of a function that a heater may have. */
export const FUNCTION_STATES = ['not checked', 'not there', 'as it came', 'gone through'] as const
const FunctionState = z.enum(FUNCTION_STATES)
export const HEATER_FUNCTIONS = {
  keepHot: 'Keep-hot',
  boost: 'Boost',
  lock: 'Lock above a temperature',
  holiday: 'Holiday setpoint',
} as const

/** Air around a thing as somebody measured it, °C at all times; null: what is usual where it stands. */
const around = { ambientC: AirC.nullable() }

const named = {
  id: Id,
  name: Name,
  place: PlaceField,
  ...around,
  /** Months it is used in, January first. */
  months: Twelve(z.boolean()),
  /** Input on its plate, kW, and the calorific value that counts it; null: not read. Everything else here is output. */
  plate: z.strictObject({ inputKw: between(0.3, 400), on: z.enum(['gross', 'net']) }).nullable(),
  /** Whether anybody has gone through its settings since it left the factory. */
  settingsReviewed: YesNoUnknown,
  functions: z.strictObject({
    keepHot: FunctionState,
    boost: FunctionState,
    lock: FunctionState,
    holiday: FunctionState,
  }),
  /** Whose its output, curve, efficiency and limits are. */
  dataSource: DataSource,
  /** Flue, supply and whatever else was seen. */
  note: Note,
}

/** Coldest air that it may stand in outdoors, °C; null: not read. */
const outdoors = { minAirC: AirC.nullable() }

/** Height of its own sensor in the store; null: the store's sensor. */
const ownSensor = { sensorHeight: Share.nullable() }
/** What its supply allows, A, and its voltage; null: not looked. */
const Supply = z.strictObject({ amps: between(1, 200), volts: between(100, 480) })
export type Supply = z.infer<typeof Supply>
const supplied = { supply: Supply.nullable() }

/** Fuel burned at each start before any heat is made use of, Wh. */
const PurgeWh = between(0, 500)
const StartLagS = between(0, 120)
/** Electricity of electronics, at all times, W. */
const StandbyW = between(0, 200)
const OutputKw = between(1, 200)
const LeastOutputKw = between(0, 200)
/** Most points of a maker's curve. */
export const MOST_CURVE_POINTS = 12
/** Where the output holds: at sea level, so that height takes some of it, or here, by the plate or by measurement. */
export const OUTPUT_HOLDS = ['at sea level', 'at this height'] as const
const outputHolds = { outputHolds: z.enum(OUTPUT_HOLDS) }
/** A flame that burns at all times, W. */
const PilotW = between(0, 500)

/** A boiler that heats the store through a coil. */
export const BoilerCoil = z.strictObject({
  ...named,
  ...outdoors,
  ...combustion,
  ...ownSensor,
  ...outputHolds,
  kind: z.literal('boiler-coil'),
  carrier: BurnerFuel,
  /** Output, not input, kW. */
  outputKw: OutputKw,
  minOutputKw: LeastOutputKw,
  efficiency: EfficiencyField,
  startLossWh: PurgeWh,
  startDelayS: StartLagS,
  standbyW: StandbyW,
  coil: z.strictObject({ bottom: Share, top: Share, uaWK: between(20, 10_000) }),
  /** The circuit between boiler and coil. */
  primary: z.strictObject({
    litres: between(0.5, 100),
    uaWK: between(0, 50),
    flowLMin: between(1, 100),
    flowMaxC: between(40, 95),
    pumpW: between(0, 500),
    /** At the limit of its flow the burner goes out when it must, and lights again this far below, K. */
    restartDifferentialK: between(1, 30),
    /** The pump runs on after a charge, s: what the circuit holds goes to the store instead of the air. */
    overrunS: between(0, 1800),
  }),
})

const ActivationFlow = between(0, 20)
const ExchangerL = between(0.1, 20)
const ExchangerUa = between(0, 20)
const MaxInletC = between(10, 90).nullable()
const Phases = z.union([z.literal(1), z.literal(3)])

export const UNITS_SHARE = ['in turn', 'together'] as const
/** What everything that heats water as it runs has. */
const running = {
  ...named,
  outputKw: OutputKw,
  /** Does not fire below this flow, L/min. */
  minActivationFlowLMin: ActivationFlow,
  startDelayS: StartLagS,
  standbyW: StandbyW,
  /** Water in its exchanger, L, and what that loses, W/K. */
  contentL: ExchangerL,
  contentUaWK: ExchangerUa,
  /** How many of it stand side by side on the same pipes, and whether one after the other lights or all share the flow. */
  units: z.int().min(1).max(8),
  unitsShare: z.enum(UNITS_SHARE),
  /** Warmest water it accepts at its inlet, °C; null: not read. */
  maxInletC: MaxInletC,
  /** What its maker says it gives at each rise, as read off a table or a curve; none: nobody has read it. */
  makerFlow: z.array(z.strictObject({ riseK: between(2, 90), lMin: between(0.3, 100) })).max(MOST_CURVE_POINTS),
}

/**
 * How an instantaneous heater puts heat into the water: the water itself runs through the burner's exchanger, or heating
 * water does and a plate exchanger hands its heat on.
 */
const EXCHANGERS = ['direct', 'plate'] as const

/** Heats the water as it runs; nothing is stored. */
export const InstantGas = z.strictObject({
  ...running,
  ...outdoors,
  ...combustion,
  ...outputHolds,
  exchanger: z.enum(EXCHANGERS),
  pilotW: PilotW,
  kind: z.literal('instant-gas'),
  carrier: BurnerFuel,
  minOutputKw: LeastOutputKw,
  efficiency: EfficiencyField,
  startLossWh: PurgeWh,
})

/** The same by electricity. */
const InstantElectric = z.strictObject({
  ...running,
  ...outdoors,
  ...supplied,
  kind: z.literal('instant-electric'),
  phases: Phases,
})

/** A plate exchanger between a heat network and the taps. */
const DistrictHeat = z.strictObject({ ...running, kind: z.literal('district-heat') })

/** A burner under a store with its flue through it. The store's loss includes the flue's. */
export const GasStoreBurner = z.strictObject({
  ...named,
  ...outdoors,
  ...combustion,
  ...ownSensor,
  ...outputHolds,
  kind: z.literal('gas-store'),
  carrier: BurnerFuel,
  outputKw: OutputKw,
  efficiency: EfficiencyField,
  pilotW: PilotW,
  startLossWh: PurgeWh,
  standbyW: StandbyW,
})

/** An electric element in the store. */
export const Element = z.strictObject({
  ...named,
  ...ownSensor,
  ...supplied,
  kind: z.literal('element'),
  powerKw: between(0.3, 40),
  height: Share,
})

/** When the element of a heat pump helps besides the cold and what is too hot for the heat pump. */
const Backup = z.discriminatedUnion('by', [
  /** When the top of the store is this far below the setpoint, K: what can be drawn runs out. */
  z.strictObject({ by: z.literal('top of store'), belowK: between(2, 40) }),
  /** When the heat pump alone would take longer than this to the setpoint, h. */
  z.strictObject({ by: z.literal('recovery time'), hours: between(0.5, 24) }),
  /** Only when somebody presses a button. */
  z.strictObject({ by: z.literal('boost only') }),
])
export type Backup = z.infer<typeof Backup>
export const BACKUPS = ['top of store', 'recovery time', 'boost only'] as const satisfies readonly Backup['by'][]

/** A heat pump whose condenser lies round or in the store. */
export const HeatPump = z.strictObject({
  ...named,
  ...ownSensor,
  kind: z.literal('heat-pump'),
  /** Heat given to the water, kW. */
  outputKw: between(0.3, 40),
  /** An element that helps, kW; 0: none. Its height in the store. */
  backupKw: between(0, 20),
  backupHeight: Share,
  /** Air it takes its heat from. */
  air: z.enum(['where it stands', 'outdoors']),
  /** Below this air only the element works, °C. */
  minOperatingAirC: between(-30, 20),
  coil: z.strictObject({ bottom: Share, top: Share }),
  backup: Backup,
  standbyW: StandbyW,
})

/** An element that takes what photovoltaics make and the house does not use; the grid gives it nothing. */
export const PvElement = z.strictObject({
  ...named,
  kind: z.literal('pv-element'),
  powerKw: between(0.3, 40),
  height: Share,
  /** The store is loaded no hotter than this, °C. */
  storeLimitC: between(50, 95),
  pvKwp: between(0.1, 100),
  tiltDeg: between(0, 90),
  /** Off the direction of the noon sun, towards the west, degrees. */
  azimuthDeg: between(-180, 180),
  /** What arrives of what the modules would make at 25 °C: heat, wires, inverter. */
  performance: between(0.3, 1),
  /** What the house uses besides, kWh a day. */
  houseKwhDay: between(0, 200),
})

/** Collectors on the roof that heat the store through a coil. */
const SolarCollector = z.strictObject({
  ...named,
  kind: z.literal('solar'),
  areaM2: between(0.5, 100),
  /** Optical efficiency, and loss in W/(m²K) and W/(m²K²), for the area given. */
  eta0: between(0.3, 0.95),
  a1: between(0, 15),
  a2: between(0, 0.2),
  /** Incidence angle modifier b₀: 1 − b₀ (1/cos θ − 1). */
  iamB0: between(0, 0.5),
  tiltDeg: between(0, 90),
  /** Off the direction of the noon sun, towards the west, degrees. */
  azimuthDeg: between(-180, 180),
  coil: z.strictObject({ bottom: Share, top: Share, uaWK: between(20, 10_000) }),
  flowLMin: between(0.3, 60),
  pumpW: between(0, 300),
  /** The store is loaded no hotter than this, °C. */
  storeLimitC: between(50, 95),
  /** Height of the sensor that its controller reads in the store; null: the middle of its coil. */
  sensorHeight: Share.nullable(),
})

/** What every fire has: heat into water while it burns, and of what the fuel holds, the share put down to hot water. */
const fired = {
  ...combustion,
  carrier: FireFuel,
  waterKw: between(0.2, 40),
  efficiency: between(0.2, 1),
  firings: Firings,
}

/** A coil or a jacket in a fire. */
const WoodCoil = z.strictObject({
  ...named,
  ...fired,
  kind: z.literal('wood-coil'),
  circuit: FireCircuit,
  /** The way of the water: the hot pipe rises all the way; something on it can be shut; it is filled, vented and open. */
  way: z.strictObject({ rises: YesNoUnknown, canBeShut: YesNoUnknown, filled: YesNoUnknown }),
  /** Where its heat enters the store. */
  coil: z.strictObject({ bottom: Share, top: Share }),
})

/** Filled from the cold main, or from the hot run so that it bridges the wait. */
const Feed = z.enum(['cold', 'hot'])
/** What stands at one tap only. */
const atTap = { tapId: Id, litres: between(1, 200), uaWK: between(0, 20) }

/** A small electric store under a sink. */
const UnderSink = z.strictObject({
  ...named,
  ...atTap,
  ...supplied,
  kind: z.literal('under-sink'),
  powerKw: between(0.3, 20),
  feed: Feed,
})

/** Heats the water of one tap as it runs. */
const TapElectric = z.strictObject({
  ...named,
  ...supplied,
  kind: z.literal('tap-electric'),
  tapId: Id,
  powerKw: between(0.3, 40),
  phases: Phases,
  minActivationFlowLMin: ActivationFlow,
  startDelayS: StartLagS,
  standbyW: StandbyW,
  contentL: ExchangerL,
  contentUaWK: ExchangerUa,
  maxInletC: MaxInletC,
  feed: Feed,
})

/** A vessel on or in a stove that is filled and emptied at its own tap. */
export const Reservoir = z.strictObject({ ...named, ...atTap, ...fired, kind: z.literal('reservoir') })

export const Heater = z.discriminatedUnion('kind', [
  BoilerCoil,
  InstantGas,
  GasStoreBurner,
  Element,
  InstantElectric,
  DistrictHeat,
  HeatPump,
  SolarCollector,
  PvElement,
  WoodCoil,
  UnderSink,
  TapElectric,
  Reservoir,
])
export type Heater = z.infer<typeof Heater>

/** Most heaters a plant has. */
export const MOST_HEATERS = 8

export const Plant = z.strictObject({
  /** In order of priority. */
  heaters: z.array(Heater).min(1, 'at least one heater').max(MOST_HEATERS),
  store: StoreField.nullable(),
})
export type Plant = z.infer<typeof Plant>
