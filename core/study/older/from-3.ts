import { type Carrier, CARRIERS } from '../../money/carriers'
import { type Doc, list, object } from './doc'

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
export function from3(doc: Doc): Doc {
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
