import { FIELDS, input } from '../calculators/fields'
import { hotLitresADay } from '../household/hot-litres'
import { dayOf, mainsOn } from '../household/lookups'
import { SAFETY } from '../safety/limits'
import { z } from '../schema/zod'
import { displayOf } from '../study/display-of'
import type { Study } from '../study/study'
import { HARD_MG_L, SCALES_C } from '../water/hardness'
import { mainsByMonth } from '../water/mains'
import { defineReading, type Offer } from './reading-kind'
import { STEADINESS, TAKEN_WITH, thermometerK } from './taken-with'

/** One day against its neighbours, with a thermometer in the stream, K. */
const MAINS_K = 1
/** What a sealed pressure gauge on a tap is good to, bar. */
const GAUGE_BAR = 0.2

/** The months of the main moved so that they pass through a reading of a day. */
export function mainsOffer(study: Study, takenAt: string, coldC: number): Offer {
  const off = coldC - mainsOn(study, takenAt)
  const monthlyC = mainsByMonth(study.site).map((c) => Math.round(Math.min(99, Math.max(0, c + off)) * 10) / 10)
  return {
    path: 'site.mains',
    label: 'Cold main: shift the year to match this reading',
    value: { kind: 'monthly', monthlyC },
  }
}

export const mains = defineReading({
  kind: 'mains',
  title: 'Cold main, temperature',
  how: 'Run the cold outlet nearest the main until steady, then read.',
  section: 'main',
  needs: ['thermometer'],
  at: null,
  input: input(['coldC']).extend({ ...STEADINESS, ...TAKEN_WITH }),
  begin: {},
  possible: () => true,
  judge: (study, reading, { coldC, ...taken }) => {
    const modelled = mainsOn(study, reading.takenAt)
    return {
      worked: { out: { coldC }, steps: [], notes: [] },
      results: { coldC: { label: 'Cold main', quantity: 'temperature' } },
      verdict: {
        figure: { label: 'Cold main on this day', quantity: 'temperature' },
        measured: coldC,
        modelled,
        uncertainty: Math.max(MAINS_K, thermometerK(taken, reading, MAINS_K)),
        likely: ['shallow main, or pipe through a warm space', 'not run long enough'],
      },
      offers: [mainsOffer(study, reading.takenAt, coldC)],
    }
  },
})

export const pressure = defineReading({
  kind: 'pressure',
  title: 'Pressure at the main',
  how: 'Gauge on a cold outlet, all outlets shut.',
  section: 'main',
  needs: ['pressure gauge'],
  at: null,
  input: input(['pressureBar']),
  begin: {},
  possible: () => true,
  judge: (study, _reading, { pressureBar }) => ({
    worked: {
      out: { pressureBar },
      steps: [],
      notes:
        pressureBar > SAFETY.pressure.value.high
          ? ['Too high for most fittings: pressure-reducing valve required.']
          : pressureBar < SAFETY.pressure.value.low
            ? ['Low: instantaneous heaters and mixers may not work.']
            : [],
    },
    results: { pressureBar: { label: 'Pressure', quantity: 'pressure' } },
    verdict:
      study.site.pressureBar === null
        ? null
        : {
            figure: { label: 'Pressure', quantity: 'pressure' },
            measured: pressureBar,
            modelled: study.site.pressureBar,
            uncertainty: GAUGE_BAR,
            likely: ['supply pressure varies over the day'],
          },
    offers: [{ path: 'site.pressureBar', label: 'Pressure in the study', value: pressureBar }],
  }),
})

export const hardness = defineReading({
  kind: 'hardness',
  title: 'Hardness of the water',
  how: 'Test strip, or the supplier’s figure, as calcium carbonate.',
  section: 'main',
  needs: ['test strip'],
  at: null,
  input: input(['hardnessMgL']),
  begin: {},
  possible: () => true,
  judge: (study, _reading, { hardnessMgL }) => ({
    worked: {
      out: { hardnessMgL },
      steps: [],
      notes:
        hardnessMgL > HARD_MG_L
          ? [
              `Hard: scale forms quickly above ${displayOf(study).temperature(SCALES_C)}. Have heater and immersion heaters inspected more often.`,
            ]
          : [],
    },
    results: { hardnessMgL: { label: 'Hardness', quantity: 'hardness' } },
    verdict: null,
    offers: [{ path: 'site.hardnessMgL', label: 'Hardness in the study', value: hardnessMgL }],
  }),
})

/** The routine's mean against a week or two of one household. */
const ROUTINE_SHARE = 0.2
/** How far a meter may correct the routine. */
const FACTOR = { low: 0.2, high: 5 } as const

export const hotLitres = defineReading({
  kind: 'hot-litres',
  title: 'Hot water use over several days',
  how: 'Meter on the cold feed of heater or cylinder, two readings several days apart.',
  section: 'people',
  needs: ['meter'],
  at: null,
  input: z.strictObject({ volumeL: FIELDS.volumeL, days: z.number().min(1).max(400) }),
  begin: {},
  possible: (study) => study.people.draws.kind === 'routine' && study.people.uses.length > 0,
  judge: (study, reading, { volumeL, days }) => {
    const measured = volumeL / days
    const modelled = hotLitresADay(study, dayOf(reading.takenAt).month)
    const factor = Math.round(((study.people.volumeFactor * measured) / modelled) * 1000) / 1000
    return {
      worked: {
        out: { perDayL: measured },
        steps: [
          { label: 'Hot water per day', formula: 'litres / days', value: measured, quantity: 'volume', decimals: 0 },
          {
            label: 'From the usage profile',
            formula: 'Σ uses per day × volume × hot share, plus draw-off to waste',
            value: modelled,
            quantity: 'volume',
            decimals: 0,
          },
        ],
        notes: days < 5 ? ['A few days are not representative: measure for a week or more.'] : [],
      },
      results: { perDayL: { label: 'Hot water per day', quantity: 'volume', decimals: 0 } },
      verdict: {
        figure: { label: 'Hot water per day', quantity: 'volume', decimals: 0 },
        measured,
        modelled,
        uncertainty: ROUTINE_SHARE * modelled,
        likely:
          measured > modelled
            ? ['longer showers than reported', 'guests', 'a dripping outlet or a crossover']
            : ['occupants absent', 'shorter showers than reported'],
      },
      offers:
        factor >= FACTOR.low && factor <= FACTOR.high
          ? [{ path: 'people.volumeFactor', label: 'Volume correction factor', value: factor }]
          : [],
    }
  },
})
