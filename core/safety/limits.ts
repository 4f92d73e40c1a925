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

const LEGIONELLA = 'Growth and kill of legionella against temperature; local code'

/** Every limit that Bagno judges safety by. Local codes go before them. */
export const SAFETY = {
  scalds: {
    name: 'Water at a tap that scalds within minutes, above',
    value: 49,
    quantity: 'temperature',
    source: 'The limit that codes most often set; seconds to a deep burn against temperature',
  },
  scaldsAtRisk: {
    name: 'The same where children, the old or people who feel less heat live',
    value: 46,
    quantity: 'temperature',
    source: 'Codes set a lower limit at the taps of people at risk; seconds to a deep burn against temperature',
  },
  burnsAtOnce: {
    name: 'Nobody draws back in time from water that burns within, s',
    value: 10,
    quantity: 'number',
    source: 'Seconds to a deep burn against temperature; reaction and a closed room',
  },
  grows: {
    name: 'Legionella grow, between',
    value: { low: 20, high: 45 },
    quantity: 'temperature',
    source: LEGIONELLA,
  },
  tepid: {
    name: 'Legionella multiply noticeably, between',
    value: { low: 25, high: 45 },
    quantity: 'temperature',
    source: LEGIONELLA,
  },
  livesOn: { name: 'A store lets legionella live on, below', value: 50, quantity: 'temperature', source: LEGIONELLA },
  storedHot: { name: 'A store counts as stored hot, from', value: 60, quantity: 'temperature', source: LEGIONELLA },
  loopReturn: {
    name: 'A loop comes back safe, from',
    value: 50,
    quantity: 'temperature',
    source: 'Least return of a loop; local code',
  },
  coolReturn: {
    name: 'A loop that comes back cooler for more of its running than this is worth a word, share',
    value: 0.1,
    quantity: 'number',
    source: 'Practice',
  },
  killsAWeek: {
    name: 'Tenfold kills a week that what is drawn from a store should reach',
    value: 1,
    quantity: 'number',
    source: LEGIONELLA,
  },
  still: { name: 'A run counts as standing after', value: 7, quantity: 'days', source: 'Flush weekly; local code' },
  pressure: {
    name: 'Domestic fittings and heaters are at home, between',
    value: { low: 1, high: 5.5 },
    quantity: 'pressure',
    source: 'Usual limits of fittings; their makers say',
  },
  cutOut: {
    name: 'The safety cut-out of a burner or an element ends its heat, at',
    value: 88,
    quantity: 'temperature',
    source: 'Makers set it between about 80 and 95 °C',
  },
} as const satisfies Record<string, Limit | Limit<Range>>
