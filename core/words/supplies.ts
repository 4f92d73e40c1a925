import type { Term } from './term'

/** Safety fittings, water, and prices. */
export const SUPPLIES_TERMS = {
  relief: {
    metric: 'T&P valve',
    help: 'Opens at its set temperature or pressure.',
    also: ['relief valve', 'safety valve', 'PRV safety', 'temperature and pressure relief valve'],
    at: 'store',
  },
  discharge: {
    metric: 'discharge pipe and tundish',
    us: 'discharge pipe and air gap',
    help: 'Carries the discharge visibly to a safe place.',
    also: ['overflow', 'drip pipe'],
    at: 'store',
  },
  tmv: {
    metric: 'thermostatic mixing valve',
    help: 'Blends hot and cold to a set temperature.',
    also: ['TMV', 'tempering valve', 'blending valve', 'anti-scald'],
    at: 'store',
  },
  expansion: {
    metric: 'expansion vessel',
    us: 'expansion tank',
    help: 'Takes up the expansion of heated water.',
    also: ['pressure vessel'],
    at: 'main',
  },
  backflow: {
    metric: 'backflow preventer',
    help: 'Stops heated water flowing back to the main.',
    also: ['check valve', 'non-return valve', 'backflow device'],
    at: 'main',
  },
  prv: {
    metric: 'pressure-reducing valve',
    help: 'Holds supply pressure below a set value.',
    also: ['PRV', 'pressure reducer'],
    at: 'main',
  },
  isolating: {
    metric: 'isolating valve',
    us: 'shut-off valve',
    help: 'Isolates a section for maintenance.',
    also: ['stopcock', 'ball valve', 'service valve'],
    at: 'store',
  },
  coldMain: {
    metric: 'cold main',
    us: 'cold water supply',
    help: 'Water supply to the house.',
    also: ['mains', 'rising main', 'inlet temperature', 'ground water'],
    at: 'main',
  },
  hardness: {
    metric: 'hardness',
    help: 'Calcium carbonate in the water; scale forms above it.',
    also: ['limescale', 'scale'],
    at: 'main',
  },
  tariff: {
    metric: 'tariff band',
    us: 'time-of-use period',
    help: 'Price by time of day, week or season, as on the bill.',
    also: ['price', 'rate', 'bill', 'unit price'],
    at: 'prices',
  },
  standingCharge: {
    metric: 'standing charge',
    us: 'fixed charge',
    help: 'Paid by the day, whatever is used.',
    also: ['daily charge', 'service charge'],
    at: 'prices',
  },
  exportPrice: {
    metric: 'export price',
    us: 'export credit',
    help: 'Paid for electricity given back.',
    also: ['feed-in', 'net metering'],
    at: 'prices',
  },
} as const satisfies Record<string, Term>
