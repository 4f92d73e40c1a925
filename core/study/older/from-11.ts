import { type Doc, list, object } from './doc'

/** Heaters that may stand outdoors, whose least air nobody was asked. */
const OUTDOORS = ['boiler-coil', 'instant-gas', 'gas-store', 'instant-electric']

const heater = (h: unknown): unknown => {
  const at = object(h)
  return {
    ...at,
    ...(OUTDOORS.includes(String(at.kind)) ? { minAirC: null } : {}),
    ...(at.combustion ? { combustion: { ...object(at.combustion), vent: 'not checked' } } : {}),
  }
}
const store = (s: unknown): unknown => (s ? { ...object(s), connections: { heatTraps: null, inlet: null } } : s)
const recovery = (r: unknown): unknown => (r ? { ...object(r), inspectedOn: null } : r)
const drain = (d: unknown): unknown => (d ? { ...object(d), toShowerM: null } : d)

const prices = (all: unknown): Doc =>
  Object.fromEntries(
    Object.entries(object(all)).map(([key, money]) => [key, { low: money, likely: money, high: money }]),
  )

const measure = (was: Doc): Doc => {
  const m: Doc = { ...was, partPrices: prices(was.partPrices) }
  if (m.kind === 'heat-source') return { ...m, heater: heater(m.heater), store: store(m.store) }
  return m.kind === 'drain-recovery' ? { ...m, recovery: recovery(m.recovery) } : m
}

/**
 * Version 11 asked nothing of what a store is connected by, of cooled months, of a drain unit's upkeep, of what a flue is made
 * of, of the gas pipe, and of whose the figures of the main are; it had no step cards.
 */
export const from11 = (doc: Doc): Doc => {
  const plant = object(doc.plant)
  const pipes = object(doc.pipes)
  return {
    ...doc,
    version: 12,
    cards: [],
    controls: { ...object(doc.controls), readBack: [] },
    site: {
      ...object(doc.site),
      cooling: null,
      gasPipe: { lengthM: null, boreMm: null, otherKw: null },
      sources: { mains: null, hardness: null },
    },
    plant: { ...plant, heaters: list(plant.heaters).map(heater), store: store(plant.store) },
    pipes: { ...pipes, drain: drain(pipes.drain), recovery: recovery(pipes.recovery) },
    packages: list(doc.packages).map((p) => ({ ...p, measures: list(p.measures).map(measure) })),
  }
}
