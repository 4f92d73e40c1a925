import { z } from 'zod'
import { Carrier } from '../money/carriers'
import { LABEL_CLASSES } from '../stores/standing-loss'
import { Id, Looked, Name, Share, between } from './fields'
import { PlaceField } from './site'

const EfficiencyField = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('condensing') }),
  z.strictObject({ kind: z.literal('fixed'), share: between(0.2, 1) }),
])

const named = {
  id: Id,
  name: Name,
  place: PlaceField,
  /** Input on its plate, gross, kW; null: not read. Everything else here is output. */
  plateInputKw: between(0.3, 400).nullable(),
  /** Whether anybody has gone through its settings since it left the factory. */
  settingsReviewed: Looked,
}

/** Fuel burned at each start before any heat is made use of, Wh. */
const PurgeWh = between(0, 500)
const StartLagS = between(0, 120)
/** Electricity of electronics, at all times, W. */
const StandbyW = between(0, 200)

/** A boiler that heats the store through a coil. */
export const BoilerCoil = z.strictObject({
  ...named,
  kind: z.literal('boiler-coil'),
  carrier: Carrier,
  /** Output, not input, kW. */
  outputKw: between(1, 200),
  leastOutputKw: between(0, 200),
  efficiency: EfficiencyField,
  purgeWh: PurgeWh,
  startLagS: StartLagS,
  standbyW: StandbyW,
  coil: z.strictObject({ bottom: Share, top: Share, uaWK: between(20, 10_000) }),
  /** The circuit between boiler and coil. */
  primary: z.strictObject({
    litres: between(0.5, 100),
    uaWK: between(0, 50),
    flowLMin: between(1, 100),
    flowMaxC: between(40, 95),
    pumpW: between(0, 500),
  }),
})

/** Heats the water as it runs; nothing is stored. */
export const InstantGas = z.strictObject({
  ...named,
  kind: z.literal('instant-gas'),
  carrier: Carrier,
  outputKw: between(1, 200),
  leastOutputKw: between(0, 200),
  /** Does not fire below this flow, L/min. */
  leastFlowLMin: between(0, 20),
  efficiency: EfficiencyField,
  purgeWh: PurgeWh,
  startLagS: StartLagS,
  standbyW: StandbyW,
  /** Water in its exchanger, L, and what that loses, W/K. */
  contentL: between(0.1, 20),
  contentUaWK: between(0, 20),
})

/** A burner under a store with its flue through it. The store's loss includes the flue's. */
export const GasStoreBurner = z.strictObject({
  ...named,
  kind: z.literal('gas-store'),
  carrier: Carrier,
  outputKw: between(1, 200),
  efficiency: EfficiencyField,
  pilotW: between(0, 500),
  purgeWh: PurgeWh,
  standbyW: StandbyW,
})

/** An electric element in the store. */
export const Element = z.strictObject({
  ...named,
  kind: z.literal('element'),
  powerKw: between(0.3, 40),
  height: Share,
  /** What its supply allows, A, and its voltage; null: not looked. */
  supplyAmps: between(1, 200).nullable(),
  volts: between(100, 480).nullable(),
})

export const Heater = z.discriminatedUnion('kind', [BoilerCoil, InstantGas, GasStoreBurner, Element])
export type Heater = z.infer<typeof Heater>
export type HeaterOf<K extends Heater['kind']> = Extract<Heater, { kind: K }>

/** What a heater is called in a sentence. */
export const HEATER_KINDS: Record<Heater['kind'], string> = {
  'boiler-coil': 'Boiler with coil',
  'instant-gas': 'Instantaneous gas heater',
  'gas-store': 'Gas store burner',
  element: 'Electric element',
}

/** Carrier that a heater burns or draws. */
export function carrierOf(heater: Heater): Carrier {
  return heater.kind === 'element' ? 'electricity' : heater.carrier
}

/** Electricity that a heater takes besides, W at all times. */
export function standbyOf(heater: Heater): number {
  return heater.kind === 'element' ? 0 : heater.standbyW
}

export const StoreField = z.strictObject({
  name: Name,
  place: PlaceField,
  litres: between(5, 5000),
  heightM: between(0.2, 5),
  loss: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('ua'), uaWK: between(0, 100) }),
    z.strictObject({ kind: z.literal('test'), kwhDay: between(0, 50), riseK: between(10, 80) }),
    z.strictObject({ kind: z.literal('label'), label: z.enum(LABEL_CLASSES) }),
  ]),
  /** Height of the thermostat's sensor. */
  sensorHeight: Share,
  /** Share of the store that entering cold water stirs. */
  inletMix: between(0, 0.3),
  /** A mixing valve guards the taps. */
  mixingValve: Looked,
  /** A relief valve is there, and its discharge is piped to a safe place. */
  reliefValve: Looked,
  /** Something can be shut between store and relief valve. */
  valveBeforeRelief: Looked,
})

export const Plant = z.strictObject({
  /** In order of priority. */
  heaters: z.array(Heater).min(1, 'at least one heater').max(6),
  store: StoreField.nullable(),
})
export type Plant = z.infer<typeof Plant>
