import { everyMonth } from '../calendar/year'
import { type Carrier, CARRIERS } from '../money/carriers'

type Doc = Record<string, unknown>
const object = (x: unknown): Doc => (typeof x === 'object' && x !== null ? (x as Doc) : {})
/** Its parts; what is none is an empty one, which the schema then names. */
const list = (x: unknown): Doc[] => (Array.isArray(x) ? x.map(object) : [])
const each = (x: unknown, change: (value: Doc) => Doc): Doc =>
  Object.fromEntries(Object.entries(object(x)).map(([key, value]) => [key, change(object(value))]))

/** Version 1 had no answers to what a survey looks for, readings without kinds, and list positions in its origins. */
function from1(doc: Doc): Doc {
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
function from2(doc: Doc): Doc {
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

/** Prices that a household began with then, money and kg of carbon dioxide per kWh. */
const TARIFF_3: Record<Carrier, [price: number, co2KgKwh: number]> = {
  'natural-gas': [0.11, 0.183],
  propane: [0.14, 0.214],
  'heating-oil': [0.11, 0.25],
  electricity: [0.3, 0.25],
  'wood-logs': [0.06, 0.03],
  pellets: [0.08, 0.03],
  'district-heat': [0.12, 0.15],
}

function tariff3(carrier: Carrier): Doc {
  const [price, co2KgKwh] = TARIFF_3[carrier]
  return {
    unit: 'kwh',
    kwhPerUnit: 1,
    price,
    bands: [],
    standingPerYear: 0,
    exportPerKwh: null,
    co2KgKwh,
    source: '',
    asOf: null,
  }
}

/** Heaters that burn something and have an output of their own. */
const BURNERS = ['boiler-coil', 'instant-gas', 'gas-store']

/**
 * Version 3 knew no overrun, pilots on instantaneous heaters, altitude, control of a heat pump's element or unit of energy.
 * What it did not say is taken as it was reckoned then: no overrun, no pilot, outputs at this height.
 */
function from3(doc: Doc): Doc {
  const plant = object(doc.plant)
  const people = object(doc.people)
  const prices = object(doc.prices)
  const heating = object(object(doc.site).heating)
  const carriers = object(prices.carriers)
  const origins = object(doc.origins)
  const { wantedC: _gone, ...draws } = object(people.draws)
  const unpriced =
    typeof heating.carrier === 'string' &&
    (CARRIERS as readonly string[]).includes(heating.carrier) &&
    !carriers[heating.carrier]
  const heater = (h: Doc): Doc => ({
    ...h,
    ...(BURNERS.includes(String(h.kind)) ? { outputHolds: 'at this height' } : {}),
    ...(h.kind === 'boiler-coil' ? { primary: { ...object(h.primary), bandK: 5, overrunS: 0 } } : {}),
    ...(h.kind === 'instant-gas' ? { exchanger: 'direct', pilotW: 0 } : {}),
    ...(h.kind === 'heat-pump' ? { backup: { by: 'top of store', belowK: 15 } } : {}),
    ...(object(h.efficiency).kind === 'condensing' ? { efficiency: { kind: 'condensing', shift: 0 } } : {}),
  })
  return {
    ...doc,
    version: 4,
    energyIn: 'kwh',
    people: object(people.draws).kind === 'standard' ? { ...people, draws } : people,
    plant: {
      heaters: list(plant.heaters).map(heater),
      // It was one question; a "no" did not say which of the two is missing.
      store: plant.store ? { ...object(plant.store), reliefPiped: object(plant.store).reliefValve ?? null } : null,
    },
    prices: unpriced
      ? { ...prices, carriers: { ...carriers, [heating.carrier as string]: tariff3(heating.carrier as Carrier) } }
      : prices,
    origins: unpriced ? { ...origins, [`prices.carriers.${String(heating.carrier)}.price`]: 'assumed' } : origins,
  }
}

/** Heaters that a thermostat holds, and of them those that heat water as it runs. */
const HELD_4 = ['boiler-coil', 'gas-store', 'element', 'heat-pump', 'under-sink']
const RUNNING_4 = ['instant-gas', 'instant-electric', 'district-heat']
/** Most characters of a note. */
const NOTE_4 = 4000

/** What could be read of a supply while its other half was not: kept in words. */
function supply4(h: Doc): Doc {
  if (!('supplyAmps' in h) && !('volts' in h)) return h
  const { supplyAmps, volts, ...rest } = h
  if (supplyAmps !== null && volts !== null) return { ...rest, supply: { amps: supplyAmps, volts } }
  const said =
    typeof supplyAmps === 'number'
      ? `Supply allows ${supplyAmps} A; its voltage was not read.`
      : typeof volts === 'number'
        ? `Supply of ${volts} V; what it allows was not read.`
        : ''
  const note = [rest.note, said].filter(Boolean).join(' ')
  return { ...rest, supply: null, note: note.length > NOTE_4 ? rest.note : note }
}

/** Where what was written down in two fields of version 4 stands in one. */
const MOVED_4: readonly [RegExp, string][] = [
  [/^(plant\.heaters\.[^.]+)\.(?:supplyAmps|volts)$/, '$1.supply'],
  [/^(plant\.heaters\.[^.]+)\.(?:plateInputKw|plateOn)$/, '$1.plate'],
  [/^plant\.store\.(?:mixingValve|mixesToC)$/, 'plant.store.mixing'],
  [/^pipes\.loop\.(?:returnHeight|bypass.*)$/, 'pipes.loop.returns'],
]

/**
 * Version 4 could say what cannot be: a valve that is not there and what it mixes to, half a supply, a height for a return
 * that is none, a thermostat on the sun, keep-hot on a store.
 */
function from4(doc: Doc): Doc {
  const plant = object(doc.plant)
  const pipes = object(doc.pipes)
  const controls = object(doc.controls)
  const heaters = list(plant.heaters)
  const kindOf = new Map(heaters.map((h) => [h.id, String(h.kind)]))
  const isHeld = (id: unknown) => !kindOf.has(id) || [...HELD_4, ...RUNNING_4].includes(kindOf.get(id)!)
  const controlled = (c: unknown) =>
    c
      ? {
          ...object(c),
          heaters: Object.fromEntries(
            Object.entries(object(object(c).heaters))
              .filter(([id]) => isHeld(id))
              .map(([id, control]) => {
                const { keepHot, ...held } = object(control)
                return [id, RUNNING_4.includes(kindOf.get(id) ?? '') ? { ...held, keepHot } : held]
              }),
          ),
        }
      : c
  const heater = (h: Doc): Doc => {
    const { plateInputKw, plateOn, ...rest } = supply4(h)
    return { ...rest, plate: typeof plateInputKw === 'number' ? { inputKw: plateInputKw, on: plateOn } : null }
  }
  const { mixingValve, mixesToC, ...store } = object(plant.store)
  const mixes = typeof mixesToC === 'number' || mixingValve === true
  const mixing = mixes ? { mixesToC: mixesToC ?? null } : mixingValve === false ? 'none' : 'not looked'
  const { returnHeight, bypass, ...loop } = object(pipes.loop)
  const returns = bypass
    ? { by: 'cold line', closesAtC: object(bypass).closesAtC }
    : { by: 'own pipe', height: returnHeight }
  return {
    ...doc,
    version: 5,
    plant: { ...plant, heaters: heaters.map(heater), store: plant.store ? { ...store, mixing } : plant.store },
    pipes: { ...pipes, loop: pipes.loop ? { ...loop, returns } : pipes.loop },
    controls: { ...controls, found: controlled(controls.found), set: controlled(controls.set) },
    packages: list(doc.packages).map((p) => ({
      ...p,
      // What was proposed for a thermostat that is not there changed nothing.
      measures: list(p.measures).filter((m) => !('heaterId' in m) || isHeld(m.heaterId)),
    })),
    origins: Object.fromEntries(
      Object.entries(object(doc.origins))
        .filter(([path]) => !path.startsWith('controls.found.heaters.') || isHeld(path.split('.')[3]))
        .map(([path, origin]) => [MOVED_4.reduce((at, [from, to]) => at.replace(from, to), path), origin]),
    ),
  }
}

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
function from5(doc: Doc): Doc {
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

/** Version 6 knew no heat exchanger in the drain, no prices of parts, no largest inlet, and nobody who came late. */
function from6(doc: Doc): Doc {
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

/** Version 7 asked less of relief, discharge and a fire's pipes, and knew no maker's curve, papers, least bore or end of a visit. */
function from7(doc: Doc): Doc {
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

/** What brings a document of a version to the next; the last one is the version now. */
const STEPS: Record<number, (doc: Doc) => Doc> = {
  1: from1,
  2: from2,
  3: from3,
  4: from4,
  5: from5,
  6: from6,
  7: from7,
}

/** Whether a version can be brought to the one in use. */
export const canMigrate = (version: unknown): version is number =>
  typeof version === 'number' && Object.hasOwn(STEPS, version)

/** Brings an older document up to date. What is wrong with it is found when the result is checked. */
export function migrate(doc: Doc): Doc {
  let at = doc
  while (canMigrate(at.version)) at = STEPS[at.version](at)
  return at
}
