import { type Doc, each, list, object } from './doc'
import { RUNNING_4 } from './from-4'

/** Settings of loops and of heaters' functions as they begin when nobody has set them. */
const LOOP_5 = {
  targetC: 45,
  differentialK: 5,
  sampled: { everyMin: 20, testS: 30 },
  demand: { by: 'button', leadS: 30, runOnS: 180, missedShare: 0.1 },
  learned: { weeks: 4, threshold: 0.5 },
  trace: { wPerM: 9 },
}
const HEATER_5 = { holidayC: null, disinfection: null, overrides: [], prices: 'any', timerBy: 'not looked' }

/** Version 5 knew three ways of a loop, no functions of a heater but keep-hot, and no clock but the right one. */
export function from5(doc: Doc): Doc {
  const plant = object(doc.plant)
  const controls = object(doc.controls)
  const controlled = (c: unknown) =>
    c
      ? {
          ...object(c),
          heaters: each(object(c).heaters, (h) => ({ ...h, ...HEATER_5 })),
          loop: { ...object(object(c).loop), ...LOOP_5 },
          heating: { heaterId: null, windows: null, hotWaterFirst: true },
          clock: { aheadMin: 0, summerTime: 'follows' },
        }
      : c
  return {
    ...doc,
    version: 6,
    numbers: 'not said',
    site: { ...object(doc.site), summerTime: 'none' },
    plant: {
      ...plant,
      heaters: list(plant.heaters).map((h) => ({
        ...h,
        ambientC: null,
        ...(RUNNING_4.includes(String(h.kind)) ? { units: 1, unitsShare: 'in turn' } : {}),
      })),
      store: plant.store ? { ...object(plant.store), ambientC: null } : plant.store,
    },
    controls: { ...controls, found: controlled(controls.found), set: controlled(controls.set), reasons: [] },
  }
}
