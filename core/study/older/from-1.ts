import { type Doc, list, object } from './doc'

/** Version 1 had no answers to what a survey looks for, readings without kinds, and list positions in its origins. */
export function from1(doc: Doc): Doc {
  const plant = object(doc.plant)
  const pipes = object(doc.pipes)
  const heaters = list(plant.heaters)
  const byId = (path: string) =>
    path.replace(/^plant\.heaters\.(\d+)/, (whole, i: string) =>
      heaters[Number(i)] ? `plant.heaters.${String(heaters[Number(i)].id)}` : whole,
    )
  return {
    ...doc,
    version: 2,
    site: { ...object(doc.site), metered: null, backflowGuard: null, pressureReducer: null, expansionVessel: null },
    plant: {
      ...plant,
      heaters: heaters.map((h) => ({
        ...h,
        plateInputKw: null,
        settingsReviewed: null,
        ...(h.kind === 'element' ? { supplyAmps: null, volts: null } : {}),
      })),
      store: plant.store
        ? { ...object(plant.store), mixingValve: null, reliefValve: null, valveBeforeRelief: null }
        : null,
    },
    pipes: { ...pipes, loop: pipes.loop ? { ...object(pipes.loop), measuredUaWK: null } : null },
    readings: list(doc.readings).map((r) => ({
      id: r.id,
      takenAt: r.takenAt,
      kind: 'note',
      sum: null,
      where: r.where,
      values: r.values,
      note: [r.what, r.note].filter(Boolean).join(': '),
      photo: null,
      adopted: null,
    })),
    origins: Object.fromEntries(Object.entries(object(doc.origins)).map(([path, origin]) => [byId(path), origin])),
  }
}
