import { type Doc, list, object } from './doc'

/** Heaters that may stand outdoors, whose least air nobody was asked. */
const OUTDOORS = ['boiler-coil', 'instant-gas', 'gas-store', 'instant-electric']

const heater = (h: unknown): unknown => {
  const at = object(h)
  return OUTDOORS.includes(String(at.kind)) ? { ...at, minAirC: null } : at
}
const store = (s: unknown): unknown => (s ? { ...object(s), connections: { heatTraps: null, inlet: null } } : s)
const recovery = (r: unknown): unknown => (r ? { ...object(r), inspectedOn: null } : r)
const drain = (d: unknown): unknown => (d ? { ...object(d), toShowerM: null } : d)

const measure = (m: Doc): Doc => {
  if (m.kind === 'heat-source') return { ...m, heater: heater(m.heater), store: store(m.store) }
  return m.kind === 'drain-recovery' ? { ...m, recovery: recovery(m.recovery) } : m
}

/** Version 11 asked nothing of what a store is connected by, of cooled months, and of a drain unit's upkeep. */
export const from11 = (doc: Doc): Doc => {
  const plant = object(doc.plant)
  const pipes = object(doc.pipes)
  return {
    ...doc,
    version: 12,
    site: { ...object(doc.site), cooling: null },
    plant: { ...plant, heaters: list(plant.heaters).map(heater), store: store(plant.store) },
    pipes: { ...pipes, drain: drain(pipes.drain), recovery: recovery(pipes.recovery) },
    packages: list(doc.packages).map((p) => ({ ...p, measures: list(p.measures).map(measure) })),
  }
}
