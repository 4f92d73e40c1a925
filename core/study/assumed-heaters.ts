import type { HeaterControl } from '../controls/controls'
import { plainTariff, type Tariff } from '../money/prices'
import { CO2_KG_KWH, type Carrier } from '../money/carriers'
import type { Heater, HeaterKind, HeaterOf, Store } from './plant'
import { unlookedHeater, unlookedStore } from './unlooked'

type Begin<K extends HeaterKind> = Omit<HeaterOf<K>, 'id' | 'place' | 'tapId' | keyof ReturnType<typeof unlookedHeater>>

/**
 * Lost at each start, Wh: the fan sweeps some 30 L of air a second for 10 to 20 s through an exchanger 30 to 40 K warmer
 * than it (0.3 to 0.6 m³ × 1.2 kJ/(m³K) × 35 K is 4 to 7 Wh of which the start gives part back).
 */
const PURGE_WH = 4

const supply = { supplyAmps: null, volts: null }
const store = { sensorHeight: null }
const fire = { carrier: 'wood-logs' as const, waterKw: 3, efficiency: 0.65, firings: [{ days: [true, true, true, true, true, true, true], atMin: 17 * 60, hours: 4, kg: 9 }] }

/** What a heater of a kind is taken to be until somebody has looked. */
const ASSUMED: { [K in HeaterKind]: Begin<K> } = {
  'boiler-coil': {
    ...store, kind: 'boiler-coil', name: 'Boiler', carrier: 'natural-gas', outputKw: 18, leastOutputKw: 5, outputHolds: 'at sea level', efficiency: { kind: 'condensing', shift: 0 },
    purgeWh: PURGE_WH, startLagS: 8, standbyW: 4, coil: { bottom: 0.08, top: 0.5, uaWK: 600 },
    primary: { litres: 6, uaWK: 2, flowLMin: 15, flowMaxC: 78, pumpW: 40, bandK: 5, overrunS: 120 },
  },
  'gas-store': { ...store, kind: 'gas-store', name: 'Gas burner', carrier: 'natural-gas', outputKw: 8, outputHolds: 'at sea level', efficiency: { kind: 'fixed', share: 0.78 }, pilotW: 100, purgeWh: 0, standbyW: 0 },
  element: { ...store, ...supply, kind: 'element', name: 'Element', powerKw: 2.4, height: 0.1 },
  'heat-pump': { ...store, kind: 'heat-pump', name: 'Heat pump', outputKw: 1.6, backupKw: 1.5, air: 'where it stands', leastAirC: -5, coil: { bottom: 0.05, top: 0.6 }, backup: { by: 'top of store', belowK: 15 }, standbyW: 3 },
  solar: {
    kind: 'solar', name: 'Collectors', areaM2: 4, optical: 0.78, lossLinear: 3.6, lossSquare: 0.014, incidence: 0.1, tiltDeg: 40, azimuthDeg: 0,
    coil: { bottom: 0.05, top: 0.4, uaWK: 400 }, flowLMin: 3, pumpW: 30, storeLimitC: 85,
  },
  'wood-coil': {
    ...fire, kind: 'wood-coil', name: 'Coil in the fire', coil: { bottom: 0.4, top: 0.9 },
    circuit: { pump: null, heightM: 1.5, lengthM: 6, horizontalM: 2, boreMm: 26.2, fittingsM: 4, portsApartM: 0.3 },
  },
  'instant-gas': {
    kind: 'instant-gas', name: 'Instantaneous heater', carrier: 'natural-gas', outputKw: 22, leastOutputKw: 6, outputHolds: 'at sea level', exchanger: 'direct', leastFlowLMin: 2.5, pilotW: 0,
    efficiency: { kind: 'fixed', share: 0.82 }, purgeWh: PURGE_WH, startLagS: 7, standbyW: 2, contentL: 0.8, contentUaWK: 1.2,
  },
  'instant-electric': { ...supply, kind: 'instant-electric', name: 'Instantaneous electric heater', outputKw: 18, phases: 3, leastFlowLMin: 2, startLagS: 1, standbyW: 1, contentL: 0.4, contentUaWK: 0.5 },
  'district-heat': { kind: 'district-heat', name: 'Heat exchanger', outputKw: 35, leastFlowLMin: 0.5, startLagS: 6, standbyW: 3, contentL: 1, contentUaWK: 1.5 },
  'under-sink': { ...supply, kind: 'under-sink', name: 'Store under the sink', litres: 10, uaWK: 0.35, powerKw: 2, feed: 'cold' },
  reservoir: { ...fire, kind: 'reservoir', name: 'Reservoir on the stove', litres: 30, uaWK: 3, waterKw: 1 },
}

const copied = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T

/** A heater of a kind as it is assumed; one that stands at a tap stands at that one. */
export const assumedHeater = (kind: HeaterKind, id: string, place: Heater['place'], tapId: string): Heater =>
  copied({ ...ASSUMED[kind], ...unlookedHeater(), id, place, ...(kind === 'under-sink' || kind === 'reservoir' ? { tapId } : {}) }) as Heater

/** A store as it is assumed. */
export const assumedStore = (place: Store['place']): Store => ({
  name: 'Store', place, litres: 150, heightM: 1.2, loss: { kind: 'label', label: 'C' }, sensorHeight: 0.45, inletMix: 0.05, ...unlookedStore(),
})

/** Setpoint to begin with: a store is kept hot, what heats as it runs only as warm as is used. */
export function beginControl(kind: HeaterKind): HeaterControl {
  const runs = kind === 'instant-gas' || kind === 'instant-electric' || kind === 'district-heat'
  return { setpointC: runs ? 50 : kind === 'heat-pump' ? 55 : 60, hysteresisK: runs ? 2 : 5, windows: null, keepHot: false }
}

/** Prices to begin with, money per kWh as the carrier is counted, and carbon dioxide, kg per kWh: to be replaced by those of the bill. */
const BEGIN_TARIFF: Record<Carrier, [perKwh: number, co2KgKwh: number]> = {
  'natural-gas': [0.11, CO2_KG_KWH['natural-gas']],
  propane: [0.14, CO2_KG_KWH.propane],
  'heating-oil': [0.11, CO2_KG_KWH['heating-oil']],
  electricity: [0.3, 0.25],
  'wood-logs': [0.06, 0.03],
  pellets: [0.08, 0.03],
  'district-heat': [0.12, 0.15],
}

export const assumedTariff = (carrier: Carrier): Tariff => plainTariff(...BEGIN_TARIFF[carrier])
