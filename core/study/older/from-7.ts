import { type Doc, list, object } from './doc'
import { RUNNING_4 } from './from-4'

/** Version 7 asked less of relief, discharge and a fire's pipes, and knew no maker's curve, papers, least bore or end of a visit. */
export function from7(doc: Doc): Doc {
  const plant = object(doc.plant)
  const heater = (h: Doc): Doc => ({
    ...h,
    papers: null,
    ...(RUNNING_4.includes(String(h.kind)) ? { makerFlow: [] } : {}),
    ...(h.kind === 'wood-coil' ? { way: { rises: null, canBeShut: null, filled: null } } : {}),
  })
  const store = (s: unknown): unknown => {
    if (!s) return s
    const old = object(s)
    return {
      ...old,
      papers: null,
      mixing: typeof old.mixing === 'object' ? { ...object(old.mixing), testedOn: null } : old.mixing,
      reliefAtTop: null,
      discharge: { fullSize: null, falls: null, endSeen: null, drained: null },
    }
  }
  const recovery = (r: unknown): unknown => (r ? { ...object(r), papers: null } : r)
  return {
    ...doc,
    version: 8,
    finishedOn: null,
    site: { ...object(doc.site), heaterPlace: { flue: null, condensate: null, socket: null } },
    controls: { ...object(doc.controls), changes: [] },
    pipes: {
      ...object(doc.pipes),
      energyLimitKwh: null,
      leastBoreMm: null,
      recovery: recovery(object(doc.pipes).recovery),
      taps: list(object(doc.pipes).taps).map((t) => ({ ...t, dripLH: null })),
    },
    plant: { ...plant, heaters: list(plant.heaters).map(heater), store: store(plant.store) },
    packages: list(doc.packages).map((p) => ({
      ...p,
      measures: list(p.measures).map((m) =>
        m.kind === 'heat-source'
          ? { ...m, heater: heater(object(m.heater)), store: store(m.store) }
          : m.kind === 'drain-recovery'
            ? { ...m, recovery: recovery(m.recovery) }
            : m,
      ),
    })),
  }
}
