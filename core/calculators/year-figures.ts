import { DAYS } from '../calendar/year'
import { z } from '../schema/zod'
import { percentText } from '../units/percent'
import { defineCalculator, needsAbove, SumRefusal } from './calculator'
import { input } from './fields'

/** Test days that a label counts as a year. Source: EU 812/2013, annual consumption = 0.6 × 366 × that of a day. */
const LABEL_DAYS = 0.6 * 366
/** Most useful heat for a kWh taken: by flame or element, and with heat from air or sun. */
const MOST_USEFUL = { 'bought-heat': 1, 'heat-from-air': 5 } as const

export const labelYear = defineCalculator({
  name: 'label-year',
  title: 'Running cost from an energy label',
  about:
    'Annual energy on a heater’s label, converted from the tapping profile to this household’s use and price, and held against what it pays now.',
  source:
    'EU 812/2013: a label’s year is 0.6 × 366 of its test days; useful of such a day in EU 814/2013: S 2.1, M 5.845, L 11.655, XL 19.07 kWh',
  input: input(['labelKwhYear', 'labelDayKwh', 'usefulKwhYear', 'priceKwh'], ['nowCostYear']).extend({
    heatsBy: z.enum(['bought-heat', 'heat-from-air']),
  }),
  results: {
    share: { label: 'Seasonal efficiency or SPF', decimals: 3 },
    kwhYear: { label: 'Per year here', quantity: 'energy' },
    costYear: { label: 'Annual cost', unit: 'money', decimals: 2 },
    lessYear: { label: 'Less than now', unit: 'money', decimals: 2 },
  },
  example: {
    heatsBy: 'heat-from-air',
    labelKwhYear: 560,
    labelDayKwh: 5.845,
    usefulKwhYear: 1900,
    priceKwh: 0.31,
    nowCostYear: 640,
  },
  work: ({ heatsBy, labelKwhYear, labelDayKwh, usefulKwhYear, priceKwh, nowCostYear }) => {
    const share = (labelDayKwh * LABEL_DAYS) / labelKwhYear
    const most = MOST_USEFUL[heatsBy]
    if (share > most)
      throw new SumRefusal(
        'labelKwhYear',
        `must be at least ${((labelDayKwh * LABEL_DAYS) / most).toFixed(0)} kWh for this tapping profile: ${heatsBy === 'bought-heat' ? 'burners and immersion heaters have an efficiency up to 1' : `heat pumps have a COP up to ${MOST_USEFUL[heatsBy]}`}`,
      )
    const kwhYear = usefulKwhYear / share
    const costYear = kwhYear * priceKwh
    const lessYear = nowCostYear === undefined ? null : nowCostYear - costYear
    return {
      out: { share, kwhYear, costYear, lessYear },
      steps: [
        {
          label: 'Seasonal efficiency or SPF',
          formula: 'useful a day × 0.6 × 366 / energy on the label',
          value: share,
          decimals: 3,
        },
        {
          label: 'Per year here',
          formula: 'useful heat here / seasonal efficiency',
          value: kwhYear,
          quantity: 'energy',
        },
        { label: 'Annual cost', formula: 'kWh × price', value: costYear, unit: 'money', decimals: 2 },
        ...(lessYear === null
          ? []
          : [
              {
                label: 'Less than now',
                formula: 'energy cost now − annual cost',
                value: lessYear,
                unit: 'money',
                decimals: 2,
              } as const,
            ]),
      ],
      notes: [
        'A label applies to one climate, temperature and tapping profile, and counts the cylinder’s loss but no pipes: simulate the heater in this house before ordering.',
        ...(share > 1 ? ['More useful heat than purchased energy: the rest is ambient or solar heat.'] : []),
      ],
    }
  },
})

/** How well the useful heat of a household is known where nobody has metered it, share of it. */
const USEFUL_SHARE = 0.2

/** A bill with less heat in it than this share of the use is of another time or another meter. */
const USEFUL_LEAST = 0.5

export const billLoss = defineCalculator({
  name: 'bill-loss',
  title: 'Losses by the bill and by temperatures',
  about: 'What a bill without space heating leaves for losses, held against the losses measured or calculated as heat.',
  source: `loss = billed energy × efficiency / days − useful heat a day; useful heat good to ${percentText(USEFUL_SHARE, 0)} unless metered`,
  input: input(['billKwh', 'billDays', 'efficiency', 'usefulKwhYear', 'lossW']),
  results: {
    byBillW: { label: 'Losses by the bill', quantity: 'watts' },
    withinW: { label: 'Give or take', quantity: 'watts' },
    apartW: { label: 'By the bill − by temperatures', quantity: 'watts' },
  },
  example: { billKwh: 640, billDays: 61, efficiency: 0.86, usefulKwhYear: 1900, lossW: 140 },
  work: ({ billKwh, billDays, efficiency, usefulKwhYear, lossW }) => {
    const heatKwhDay = (billKwh * efficiency) / billDays
    const usefulKwhDay = usefulKwhYear / DAYS
    needsAbove('billKwh', heatKwhDay, USEFUL_LEAST * usefulKwhDay, 'half of the useful heat of that time')
    const watts = (kwhDay: number) => (kwhDay * 1000) / 24
    const byBillW = watts(heatKwhDay - usefulKwhDay)
    const withinW = watts(USEFUL_SHARE * usefulKwhDay)
    const apartW = byBillW - lossW
    return {
      out: { byBillW, withinW, apartW },
      steps: [
        {
          label: 'Heat from the bill',
          formula: 'billed energy × efficiency / days',
          value: heatKwhDay,
          unit: 'kWh/day',
          decimals: 2,
        },
        {
          label: 'Useful of it',
          formula: 'useful heat a year / 365',
          value: usefulKwhDay,
          unit: 'kWh/day',
          decimals: 2,
        },
        { label: 'Losses by the bill', formula: '(heat − useful) / 24 h', value: byBillW, quantity: 'watts' },
        { label: 'Losses by temperatures', formula: 'as measured or calculated', value: lossW, quantity: 'watts' },
        {
          label: 'Give or take',
          formula: `${percentText(USEFUL_SHARE, 0)} of the useful heat / 24 h`,
          value: withinW,
          quantity: 'watts',
        },
      ],
      notes: [
        'Only for a period without space heating, between two readings of the meter, not estimates.',
        Math.abs(apartW) <= withinW
          ? 'The two agree within what is known of the use.'
          : apartW > 0
            ? 'The bill holds more than use and losses explain: more is drawn or lost than entered (drips, gravity circulation, a pump left on), the efficiency is lower, or something else is on the meter.'
            : 'The bill holds less than use and losses need: less is drawn than entered, the house stood empty, or the losses are lower than measured.',
      ],
    }
  },
})
