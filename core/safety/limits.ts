import type { Quantity } from '../units/quantities'

/** A limit that is kept for somebody's safety: what it is called, its figure, what that is counted in, and who says so. */
export interface Limit<V = number> {
  readonly name: string
  readonly value: V
  readonly quantity: Quantity | 'days' | 'number'
  readonly source: string
}
/** What lies between two figures. */
export interface Range {
  readonly low: number
  readonly high: number
}

const LEGIONELLA = 'Legionella growth and reduction against temperature; local code'

/** Every limit that Bagno judges safety by. Local codes go before them. */
export const SAFETY = {
  scalds: {
    name: 'Scald limit at outlets',
    value: 49,
    quantity: 'temperature',
    source: 'The limit that codes most often set; seconds to a deep burn against temperature',
  },
  scaldsAtRisk: {
    name: 'Scald limit at outlets, vulnerable occupants',
    value: 46,
    quantity: 'temperature',
    source: 'Codes set a lower limit for vulnerable occupants; seconds to a deep burn against temperature',
  },
  burnsAtOnce: {
    name: 'Burn time without reaction, s',
    value: 10,
    quantity: 'number',
    source: 'Seconds to a deep burn against temperature; reaction time',
  },
  grows: {
    name: 'Growth range of legionella',
    value: { low: 20, high: 45 },
    quantity: 'temperature',
    source: LEGIONELLA,
  },
  tepid: {
    name: 'Rapid growth of legionella',
    value: { low: 25, high: 45 },
    quantity: 'temperature',
    source: LEGIONELLA,
  },
  livesOn: { name: 'Legionella survives in a cylinder below', value: 50, quantity: 'temperature', source: LEGIONELLA },
  storedHot: { name: 'Stored hot from', value: 60, quantity: 'temperature', source: LEGIONELLA },
  loopReturn: {
    name: 'Secondary return limit',
    value: 50,
    quantity: 'temperature',
    source: 'Minimum return of a circulation; local code',
  },
  coolReturn: {
    name: 'Pump run time with return below the limit, maximum fraction',
    value: 0.1,
    quantity: 'number',
    source: 'Practice',
  },
  requiredWeeklyLogReduction: {
    name: 'Minimum weekly log reduction at draw-off level',
    value: 1,
    quantity: 'number',
    source: LEGIONELLA,
  },
  still: { name: 'Stagnant run: unused for more than', value: 7, quantity: 'days', source: 'Flush weekly; local code' },
  pressure: {
    name: 'Usual static pressure',
    value: { low: 1, high: 5.5 },
    quantity: 'pressure',
    source: 'Usual limits of fittings; manufacturers’ instructions',
  },
  cutOut: {
    name: 'Safety cut-out of a burner or immersion heater',
    value: 88,
    quantity: 'temperature',
    source: 'Manufacturers’ usual setting',
  },
} as const satisfies Record<string, Limit | Limit<Range>>
