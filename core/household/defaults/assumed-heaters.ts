import type { Efficiency } from '../../heaters/efficiency'
import { type HeaterKind, HEATERS } from '../../heaters/kinds'
import { KWH_PER_THERM } from '../../money/calorific'
import { type Carrier, CO2_KG_KWH } from '../../money/carriers'
import { roughlyIn } from '../../money/tariff'
import { defaultFunctions, type HeaterControl } from '../../study/controls'
import { type HeaterOf, isCollector, isFireOnStore } from '../../study/heater-kinds'
import type { Backup, Heater } from '../../study/plant'
import type { Tariff } from '../../study/prices'
import type { Store } from '../../study/store'
import { KJ_PER_LITRE_K } from '../../water/properties'
import {
  combustionNotChecked,
  failSafeNotChecked,
  heaterNotChecked,
  pipeworkNotChecked,
  storeNotChecked,
} from './not-checked'
import { plainTariff } from './plain-tariff'

type Begin<K extends HeaterKind> = Omit<
  HeaterOf<K>,
  'id' | 'place' | 'tapId' | keyof ReturnType<typeof heaterNotChecked>
>

/**
 * Lost at each start, Wh: before it lights the fan sweeps about 0.4 m³ of air through an exchanger some 35 K warmer;
 * 0.4 m³ × 1.2 kJ/(m³K) × 35 K is 4.7 Wh. 3 to 5 are usual.
 */
const START_LOSS_WH = 4

const supply = { supply: null }
const store = { sensorHeight: null }
const fire = {
  ...combustionNotChecked(),
  carrier: 'wood-logs' as const,
  waterKw: 3,
  efficiency: 0.65,
  firings: [{ days: [true, true, true, true, true, true, true], atMin: 17 * 60, hours: 4, kg: 9 }],
}

/** What a heater of a kind is taken to be until somebody has looked. */
const ASSUMED: { [K in HeaterKind]: Begin<K> } = {
  'boiler-coil': {
    ...store,
    ...combustionNotChecked(),
    minAirC: null,
    kind: 'boiler-coil',
    name: 'Boiler',
    carrier: 'natural-gas',
    outputKw: 18,
    minOutputKw: 5,
    outputHolds: 'at sea level',
    efficiency: { kind: 'condensing', shift: 0 },
    startLossWh: START_LOSS_WH,
    startDelayS: 8,
    standbyW: 4,
    coil: { bottom: 0.08, top: 0.5, uaWK: 600 },
    primary: { litres: 6, uaWK: 2, flowLMin: 15, flowMaxC: 78, pumpW: 40, restartDifferentialK: 5, overrunS: 120 },
  },
  'gas-store': {
    ...store,
    ...combustionNotChecked(),
    minAirC: null,
    kind: 'gas-store',
    name: 'Gas burner',
    carrier: 'natural-gas',
    outputKw: 8,
    outputHolds: 'at sea level',
    efficiency: { kind: 'fixed', share: 0.78 },
    pilotW: 100,
    startLossWh: 0,
    standbyW: 0,
  },
  element: { ...store, ...supply, kind: 'element', name: 'Immersion heater', powerKw: 2.4, height: 0.1 },
  'heat-pump': {
    ...store,
    kind: 'heat-pump',
    name: 'Heat pump',
    outputKw: 1.6,
    backupKw: 1.5,
    backupHeight: 0.5,
    air: 'where it stands',
    minOperatingAirC: -5,
    coil: { bottom: 0.05, top: 0.6 },
    backup: { by: 'top of store', belowK: 15 },
    standbyW: 3,
  },
  solar: {
    kind: 'solar',
    name: 'Collectors',
    areaM2: 4,
    eta0: 0.78,
    a1: 3.6,
    a2: 0.014,
    iamB0: 0.1,
    tiltDeg: 40,
    azimuthDeg: 0,
    coil: { bottom: 0.05, top: 0.4, uaWK: 400 },
    flowLMin: 3,
    pumpW: 30,
    storeLimitC: 85,
    sensorHeight: null,
  },
  'pv-element': {
    kind: 'pv-element',
    name: 'Immersion heater on PV surplus',
    powerKw: 3,
    height: 0.1,
    storeLimitC: 75,
    pvKwp: 4,
    tiltDeg: 35,
    azimuthDeg: 0,
    performance: 0.8,
    houseKwhDay: 9,
  },
  'wood-coil': {
    ...fire,
    kind: 'wood-coil',
    name: 'Boiler stove',
    coil: { bottom: 0.4, top: 0.9 },
    circuit: {
      pump: null,
      heightM: 1.5,
      lengthM: 6,
      horizontalM: 2,
      boreMm: 26.2,
      fittingsM: 4,
      portsApartM: 0.3,
      ...failSafeNotChecked(),
    },
    way: pipeworkNotChecked(),
  },
  'instant-gas': {
    ...combustionNotChecked(),
    minAirC: null,
    kind: 'instant-gas',
    name: 'Instantaneous water heater',
    carrier: 'natural-gas',
    outputKw: 22,
    minOutputKw: 6,
    outputHolds: 'at sea level',
    exchanger: 'direct',
    minActivationFlowLMin: 2.5,
    pilotW: 0,
    efficiency: { kind: 'fixed', share: 0.82 },
    startLossWh: START_LOSS_WH,
    startDelayS: 7,
    standbyW: 2,
    contentL: 0.8,
    contentUaWK: 1.2,
    units: 1,
    unitsShare: 'in turn',
    maxInletC: null,
    makerFlow: [],
  },
  'instant-electric': {
    ...supply,
    minAirC: null,
    kind: 'instant-electric',
    name: 'Instantaneous electric water heater',
    outputKw: 18,
    phases: 3,
    minActivationFlowLMin: 2,
    startDelayS: 1,
    standbyW: 1,
    contentL: 0.4,
    contentUaWK: 0.5,
    units: 1,
    unitsShare: 'in turn',
    maxInletC: null,
    makerFlow: [],
  },
  'district-heat': {
    kind: 'district-heat',
    name: 'Heat exchanger',
    outputKw: 35,
    minActivationFlowLMin: 0.5,
    startDelayS: 6,
    standbyW: 3,
    contentL: 1,
    contentUaWK: 1.5,
    units: 1,
    unitsShare: 'in turn',
    maxInletC: null,
    makerFlow: [],
  },
  'under-sink': {
    ...supply,
    kind: 'under-sink',
    name: 'Cylinder under the sink',
    litres: 10,
    uaWK: 0.35,
    powerKw: 2,
    feed: 'cold',
  },
  'tap-electric': {
    ...supply,
    kind: 'tap-electric',
    name: 'Instantaneous point-of-use heater',
    powerKw: 6,
    phases: 1,
    minActivationFlowLMin: 1.5,
    startDelayS: 1,
    standbyW: 1,
    contentL: 0.2,
    contentUaWK: 0.3,
    maxInletC: null,
    feed: 'cold',
  },
  reservoir: { ...fire, kind: 'reservoir', name: 'Reservoir on the stove', litres: 30, uaWK: 3, waterKw: 1 },
}

const copied = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T

/**
 * What an evening’s fire may warm a store by that a thermostat keeps hot already, K, and the litres of store for each
 * square metre of collector: usual design.
 */
const FIRE_WARMS_K = 25
const LITRES_PER_M2 = 75
/** Heat of a litre for each kelvin, kWh. */
const KWH_PER_LITRE_K = KJ_PER_LITRE_K / 3600

/**
 * What is sized to the store it heats, so that it neither boils it nor leaves it cold; as it stands where there is
 * none.
 */
function sizedTo(heater: Heater, litres: number | null): Heater {
  if (litres === null) return heater
  if (isCollector(heater))
    return { ...heater, areaM2: Math.min(100, Math.max(0.5, Math.round((litres / LITRES_PER_M2) * 2) / 2)) }
  if (!isFireOnStore(heater)) return heater
  const hours = heater.firings.reduce((s, f) => Math.max(s, f.hours), 1)
  return {
    ...heater,
    waterKw: Math.min(40, Math.max(0.2, Math.round(((litres * KWH_PER_LITRE_K * FIRE_WARMS_K) / hours) * 10) / 10)),
  }
}

/** A heater of a kind as it is assumed, sized to a store; one that stands at a tap stands at that one. */
export const assumedHeater = (
  kind: HeaterKind,
  id: string,
  place: Heater['place'],
  tapId: string,
  storeL: number | null,
): Heater =>
  sizedTo(
    copied({
      ...ASSUMED[kind],
      ...heaterNotChecked(),
      id,
      place,
      ...(HEATERS[kind].heats === 'tap' ? { tapId } : {}),
    }) as Heater,
    storeL,
  )

/** Contents of a store nobody has looked at, L. */
export const ASSUMED_STORE_L = 150

/** Loss of a store with a flue through it, W/K: 4 to 6 are usual, whatever its insulation. */
export const FLUE_STORE_UA = 5

/** A store as it is assumed, for what heats it. */
export const assumedStore = (place: Store['place'], kind: HeaterKind): Store => ({
  name: 'Cylinder',
  place,
  litres: ASSUMED_STORE_L,
  heightM: 1.2,
  loss: HEATERS[kind].flueInStore ? { kind: 'ua', uaWK: FLUE_STORE_UA } : { kind: 'label', label: 'C' },
  sensorHeight: 0.45,
  inletMix: 0.05,
  ...storeNotChecked(),
})

/** What a heater of a kind is set to, to begin with. */
export const defaultControl = (kind: HeaterKind): HeaterControl => ({
  ...HEATERS[kind].begins,
  schedule: null,
  ...defaultFunctions(),
  ...(HEATERS[kind].heats === 'instantaneous' ? { keepHot: false } : {}),
})

/** Gas by the therm to begin with. */
const THERM_PRICE = 1.5
/**
 * Prices to begin with, euros per kWh as the carrier is counted, and carbon dioxide, kg per kWh: to be replaced by
 * those of the bill.
 */
const DEFAULT_TARIFF: Record<Carrier, [perKwh: number, co2KgKwh: number]> = {
  'natural-gas': [0.11, CO2_KG_KWH['natural-gas']],
  propane: [0.14, CO2_KG_KWH.propane],
  'heating-oil': [0.11, CO2_KG_KWH['heating-oil']],
  electricity: [0.3, 0.25],
  'wood-logs': [0.06, 0.03],
  pellets: [0.08, 0.03],
  'district-heat': [0.12, 0.15],
}

/** A price to begin with; in US units gas is billed by the therm. */
export function assumedTariff(carrier: Carrier, units: 'metric' | 'us' = 'metric', currency = 'EUR'): Tariff {
  const [perKwh, co2KgKwh] = DEFAULT_TARIFF[carrier]
  const tariff = plainTariff(roughlyIn(currency, perKwh), co2KgKwh)
  return units === 'us' && carrier === 'natural-gas'
    ? { ...tariff, unit: 'therm', kwhPerUnit: KWH_PER_THERM, price: roughlyIn(currency, THERM_PRICE) }
    : tariff
}

/** An efficiency of a kind to begin with: the curve of the fuel, or what an older appliance does. */
export const assumedEfficiency = (kind: Efficiency['kind']): Efficiency =>
  kind === 'condensing' ? { kind, shift: 0 } : { kind, share: 0.82 }

const BACKUP: { [B in Backup['by']]: Extract<Backup, { by: B }> } = {
  'top of store': { by: 'top of store', belowK: 15 },
  'recovery time': { by: 'recovery time', hours: 8 },
  'boost only': { by: 'boost only' },
}

/** A pump between a fire and its store, to begin with: L/min and W. */
export const ASSUMED_FIRE_PUMP = { flowLMin: 4, watts: 20 } as const

/** A control of a heat pump's element to begin with. */
export const assumedBackup = (by: Backup['by']): Backup => BACKUP[by]
