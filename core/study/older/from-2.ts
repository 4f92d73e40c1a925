import { everyMonth } from '../../calendar/year'
import { type Doc, each, list, object } from './doc'

/** What a length of pipe and a heater say when nobody has looked at what version 3 asks. */
const PIPE_2 = { joints: 'not looked', fittings: { bends: 0, tees: 0, valves: 0 } }
const HEATER_2 = {
  months: everyMonth(true),
  plateOn: 'gross',
  functions: { keepHot: 'not looked', boost: 'not looked', lock: 'not looked', holiday: 'not looked' },
  note: '',
}
/** Sun on the level to begin with, kWh/m² a day: a temperate place inland. It moves nothing without a collector. */
const SUN_2 = [0.9, 1.7, 2.9, 4.2, 5.2, 5.7, 5.6, 4.8, 3.4, 2.0, 1.1, 0.7]

/** Version 2 knew four heaters, prices by the kWh, and loops with a return of their own. */
export function from2(doc: Doc): Doc {
  const plant = object(doc.plant)
  const pipes = object(doc.pipes)
  const people = object(doc.people)
  const prices = object(doc.prices)
  const controls = object(doc.controls)
  const controlled = (c: unknown) =>
    c ? { ...object(c), heaters: each(object(c).heaters, (h) => ({ ...h, keepHot: false })) } : c
  const { waterPerM3, sewerPerM3, ...otherPrices } = prices
  return {
    ...doc,
    version: 3,
    site: { ...object(doc.site), latitudeDeg: 47, monthlySunKwhM2: SUN_2 },
    people: { ...people, guests: [], volumeFactor: 1 },
    plant: {
      heaters: list(plant.heaters).map((h) => ({
        ...h,
        ...HEATER_2,
        ...(h.kind === 'instant-gas' ? {} : { sensorHeight: null }),
      })),
      store: plant.store ? { ...object(plant.store), mixesToC: null, reliefC: 95 } : null,
    },
    pipes: {
      runs: list(pipes.runs).map((r) => ({ ...r, ...PIPE_2 })),
      taps: list(pipes.taps).map((t) => ({ ...t, leastHotC: null, saidContentL: null })),
      loop: pipes.loop
        ? {
            ...object(pipes.loop),
            back: { ...object(object(pipes.loop).back), ...PIPE_2 },
            bypass: null,
            pumpAt: 'not looked',
            sensorAt: 'not looked',
          }
        : null,
      wasteLimitL: null,
      drain: null,
    },
    controls: { found: controlled(controls.found), foundOn: null, set: controlled(controls.set), setOn: null },
    prices: {
      ...otherPrices,
      carriers: each(prices.carriers, ({ perKwh, bands, ...tariff }) => ({
        ...tariff,
        unit: 'kwh',
        kwhPerUnit: 1,
        price: perKwh,
        bands: list(bands).map((b) => ({ name: b.name, price: b.perKwh, week: b.week, months: everyMonth(true) })),
        exportPerKwh: null,
        asOf: null,
      })),
      water: { unit: 'm3', price: waterPerM3, sewer: sewerPerM3, source: '', asOf: null },
    },
    origins: Object.fromEntries(
      Object.entries(object(doc.origins)).map(([path, origin]) => [
        path.replace(/^(prices\.carriers\..*)\.perKwh$/, '$1.price'),
        origin,
      ]),
    ),
  }
}
