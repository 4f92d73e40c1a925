import { everyDay } from '../controls/week'
import type { HeaterControl } from '../controls/controls'
import { CARRIERS, type Carrier } from '../money/carriers'
import type { Tariff } from '../money/prices'
import { carrierOf, type Heater } from './plant'
import type { Loop } from './pipes'
import type { Study } from './study'

/** Changes to a plant that touch more than one part of the study. Each takes a sound study and gives a sound one. */

type Kind = Heater['kind']

/** What a heater of a kind is taken to be until somebody has looked. */
const ASSUMED: { [K in Kind]: Omit<Extract<Heater, { kind: K }>, 'id' | 'place'> } = {
  'boiler-coil': {
    kind: 'boiler-coil', name: 'Boiler', plateInputKw: null, settingsReviewed: null, carrier: 'natural-gas', outputKw: 18, leastOutputKw: 5,
    efficiency: { kind: 'condensing' }, purgeWh: 25, startLagS: 8, standbyW: 4,
    coil: { bottom: 0.08, top: 0.5, uaWK: 600 }, primary: { litres: 6, uaWK: 2, flowLMin: 15, flowMaxC: 78, pumpW: 40 },
  },
  'instant-gas': {
    kind: 'instant-gas', name: 'Instantaneous heater', plateInputKw: null, settingsReviewed: null, carrier: 'natural-gas', outputKw: 22, leastOutputKw: 6, leastFlowLMin: 2.5,
    efficiency: { kind: 'fixed', share: 0.82 }, purgeWh: 12, startLagS: 7, standbyW: 2, contentL: 0.8, contentUaWK: 1.2,
  },
  'gas-store': {
    kind: 'gas-store', name: 'Gas burner', plateInputKw: null, settingsReviewed: null, carrier: 'natural-gas', outputKw: 8,
    efficiency: { kind: 'fixed', share: 0.78 }, pilotW: 100, purgeWh: 0, standbyW: 0,
  },
  element: { kind: 'element', name: 'Element', plateInputKw: null, settingsReviewed: null, powerKw: 2.4, height: 0.1, supplyAmps: null, volts: null },
}

/** Setpoint to begin with: a store is kept hot, an instantaneous heater only as warm as is used. */
const beginControl = (kind: Kind): HeaterControl => ({ setpointC: kind === 'instant-gas' ? 50 : 60, hysteresisK: kind === 'instant-gas' ? 2 : 5, windows: null })

/** Prices to begin with, money per kWh: to be replaced by those of the bill. */
const BEGIN_TARIFF: Record<Carrier, Pick<Tariff, 'perKwh' | 'co2KgKwh'>> = {
  'natural-gas': { perKwh: 0.11, co2KgKwh: 0.2 },
  propane: { perKwh: 0.14, co2KgKwh: 0.24 },
  'heating-oil': { perKwh: 0.11, co2KgKwh: 0.27 },
  electricity: { perKwh: 0.3, co2KgKwh: 0.25 },
}

/** Every carrier that is burned has a price, an assumed one where there was none. */
export function withPrices(study: Study): Study {
  const needed: Carrier[] = ['electricity', ...study.plant.heaters.map(carrierOf)]
  const missing = CARRIERS.filter((c) => needed.includes(c) && !study.prices.carriers[c])
  if (!missing.length) return study
  const added = Object.fromEntries(missing.map((c) => [c, { ...BEGIN_TARIFF[c], bands: [], standingPerYear: 0, source: '' }]))
  return {
    ...study,
    prices: { ...study.prices, carriers: { ...study.prices.carriers, ...added } },
    origins: { ...study.origins, ...Object.fromEntries(missing.map((c) => [`prices.carriers.${c}.perKwh`, 'assumed' as const])) },
  }
}

const freeId = (taken: readonly string[], stem: string) => {
  if (!taken.includes(stem)) return stem
  for (let n = 2; ; n++) if (!taken.includes(`${stem}-${n}`)) return `${stem}-${n}`
}

/** Puts a list of heaters in place: controls for each, no measure or origin for those that are gone. */
function withHeaters(study: Study, heaters: Heater[]): Study {
  const ids = new Set(heaters.map((h) => h.id))
  const controlsFor = (c: Study['controls']['found']) => ({
    ...c,
    heaters: Object.fromEntries(heaters.map((h) => [h.id, c.heaters[h.id] ?? beginControl(h.kind)])),
  })
  return withPrices({
    ...study,
    plant: { ...study.plant, heaters },
    controls: { found: controlsFor(study.controls.found), set: study.controls.set && controlsFor(study.controls.set) },
    packages: study.packages.map((p) => ({ ...p, measures: p.measures.filter((m) => !('heaterId' in m) || ids.has(m.heaterId)) })),
    readings: study.readings,
    origins: Object.fromEntries(Object.entries(study.origins).filter(([path]) => !path.startsWith('plant.heaters.') || ids.has(path.split('.')[2]))),
  })
}

const STORE: NonNullable<Study['plant']['store']> = {
  name: 'Store', place: 'heated', litres: 150, heightM: 1.2, loss: { kind: 'label', label: 'C' }, sensorHeight: 0.45, inletMix: 0.05, mixingValve: null, reliefValve: null, valveBeforeRelief: null,
}

/**
 * The plant with a heater of another kind in a place: it keeps its name's place, not its figures. An instantaneous heater
 * stands alone and without a store; any other needs a store and gets one.
 */
export function changeHeaterKind(study: Study, id: string, kind: Kind): Study {
  const old = study.plant.heaters.find((h) => h.id === id)
  if (!old || old.kind === kind) return study
  const { [id]: _gone, ...others } = study.controls.found.heaters
  const cleared: Study = { ...study, controls: { found: { ...study.controls.found, heaters: others }, set: null } }
  const heater = { ...structuredCopy(ASSUMED[kind]), id, place: old.place } as Heater
  if (kind === 'instant-gas') return { ...withHeaters(cleared, [heater]), plant: { heaters: [heater], store: null } }
  const list = study.plant.heaters.map((h) => (h.id === id ? heater : h)).filter((h) => h.kind !== 'instant-gas')
  const next = withHeaters(cleared, list)
  return study.plant.store ? next : { ...next, plant: { ...next.plant, store: structuredCopy({ ...STORE, place: old.place }) }, origins: { ...next.origins, 'plant.store.loss': 'assumed' } }
}

/** A second, third … heater of the store, last in priority. Does nothing without a store. */
export function addHeater(study: Study, kind: Exclude<Kind, 'instant-gas'>): Study {
  if (!study.plant.store) return study
  const id = freeId(study.plant.heaters.map((h) => h.id), kind)
  return withHeaters(study, [...study.plant.heaters, { ...structuredCopy(ASSUMED[kind]), id, place: study.plant.store.place } as Heater])
}

/** The plant without a heater; the last one stays. */
export function removeHeater(study: Study, id: string): Study {
  if (study.plant.heaters.length < 2) return study
  return withHeaters(study, study.plant.heaters.filter((h) => h.id !== id))
}

/** A heater one place earlier in the order of priority. */
export function raiseHeater(study: Study, id: string): Study {
  const i = study.plant.heaters.findIndex((h) => h.id === id)
  if (i < 1) return study
  const heaters = [...study.plant.heaters]
  heaters.splice(i - 1, 2, heaters[i], heaters[i - 1])
  return { ...study, plant: { ...study.plant, heaters } }
}

/** A pumped loop that turns at the end of the first trunk, with a return of its own; its pump rests until it is set. */
export function addLoop(study: Study): Study {
  if (study.pipes.loop) return study
  const trunk = study.pipes.runs.find((r) => r.from === null)!
  const loop: Loop = {
    turnsAt: trunk.id,
    back: { material: trunk.material, size: trunk.size, lengthM: trunk.lengthM, place: trunk.place, insulation: trunk.insulation, reachable: trunk.reachable },
    pumpLMin: 3, pumpW: 25, returnHeight: 0.6, measuredUaWK: null,
  }
  return { ...study, pipes: { ...study.pipes, loop }, origins: { ...study.origins, 'pipes.loop.pumpLMin': 'assumed', 'pipes.loop.pumpW': 'assumed' } }
}

/** The pipes without their loop: its pump is off, and what was proposed for it is gone. */
export function removeLoop(study: Study): Study {
  const off = (c: Study['controls']['found']) => ({ ...c, loop: { mode: 'off' as const, windows: everyDay() } })
  return {
    ...study,
    pipes: { ...study.pipes, loop: null },
    controls: { found: off(study.controls.found), set: study.controls.set && off(study.controls.set) },
    packages: study.packages.map((p) => ({
      ...p,
      measures: p.measures.filter((m) => m.kind !== 'loop-mode' && m.kind !== 'loop-windows').map((m) => (m.kind === 'insulate-runs' ? { ...m, loopReturn: false } : m)),
    })),
    origins: Object.fromEntries(Object.entries(study.origins).filter(([path]) => !path.startsWith('pipes.loop.'))),
  }
}

/** A copy of plain data. */
function structuredCopy<T>(x: T): T {
  return JSON.parse(JSON.stringify(x)) as T
}
