import { type Doc, list, object } from './doc'
import { RUNNING_4 } from './from-4'

/** Version 6 knew no heat exchanger in the drain, no prices of parts, no largest inlet, and nobody who came late. */
export function from6(doc: Doc): Doc {
  const plant = object(doc.plant)
  return {
    ...doc,
    version: 7,
    site: { ...object(doc.site), leastAirC: null, electricMain: null, gasLineKw: null },
    people: {
      ...object(doc.people),
      habits: list(object(doc.people).habits).map((h) => ({ ...h, unattendedS: 0 })),
    },
    pipes: {
      ...object(doc.pipes),
      taps: list(object(doc.pipes).taps).map((t) => ({ ...t, stopsWhenWarm: false })),
      recovery: null,
    },
    plant: {
      ...plant,
      heaters: list(plant.heaters).map((h) => (RUNNING_4.includes(String(h.kind)) ? { ...h, mostInletC: null } : h)),
    },
    packages: list(doc.packages).map((p) => ({
      ...p,
      measures: list(p.measures).map((m) => ({ ...m, partPrices: {} })),
    })),
  }
}
