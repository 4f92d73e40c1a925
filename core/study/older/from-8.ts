import { type Doc, list, object } from './doc'

/** Kinds that burn something, in version 8. */
const BURNS_8 = ['boiler-coil', 'gas-store', 'instant-gas', 'wood-coil', 'reservoir']

/**
 * Version 8 asked nothing of flue, air, alarm, frost and valves at taps, nor of what cools a pumped fire without power, nor
 * whom a discharge can hit and who looks at it; the element of a heat pump heated from the foot of its coil, and what was
 * written under Set was always what was set.
 */
export function from8(doc: Doc): Doc {
  const plant = object(doc.plant)
  const controls = object(doc.controls)
  const heater = (h: Doc): Doc => ({
    ...h,
    ...(BURNS_8.includes(String(h.kind))
      ? { combustion: { flue: 'not looked', airOpen: null, extractor: null, alarm: null, servicedOn: null } }
      : {}),
    ...(h.kind === 'wood-coil'
      ? { circuit: { ...object(h.circuit), failSafe: { by: 'not looked', testedBy: '', testedOn: null } } }
      : {}),
    ...(h.kind === 'heat-pump' ? { backupHeight: object(h.coil).bottom } : {}),
    ...(h.kind === 'solar' ? { sensorHeight: null } : {}),
  })
  const store = (s: Doc): Doc => ({ ...s, discharge: { ...object(s.discharge), covered: null, watchedBy: '' } })
  const withStore = (d: Doc): Doc => (d.store ? { ...d, store: store(object(d.store)) } : d)
  return {
    ...doc,
    version: 9,
    site: { ...object(doc.site), frostGuard: 'not looked', networks: { gas: null, heat: null } },
    pipes: {
      ...object(doc.pipes),
      taps: list(object(doc.pipes).taps).map((t) => ({ ...t, guard: 'not looked' })),
    },
    controls: {
      writes: 'set',
      by: '',
      ...controls,
      changes: list(controls.changes).map((c) => ({ ...c, as: 'set', by: '', why: '' })),
    },
    plant: withStore({ ...plant, heaters: list(plant.heaters).map(heater) }),
    packages: list(doc.packages).map((p) => ({
      ...p,
      measures: list(p.measures).map((m) =>
        m.kind === 'heat-source' ? withStore({ ...m, heater: heater(object(m.heater)) }) : m,
      ),
    })),
  }
}
