import { supplyOf } from '../controls/supply'
import { z } from 'zod'
import { runFrontL } from '../pipes/network'
import { FIELDS, input } from '../sums/fields'
import { bucketFlow } from '../sums/taps'
import { SETPOINT_C } from '../controls/controls'
import { dayOf, frontTo, heaterDelayS, runsTo, steadyAtTap, tapOf } from './model'
import { defineReading } from './reading-kind'
import { workedBy } from './worked-by'

/** A stopwatch in the hand, s; a flow by bucket, share; a tap thermometer, K. */
const WATCH_S = 1.5
const FLOW_SHARE = 0.05
const THERMOMETER_K = 1.5

export const bucket = defineReading({
  kind: 'bucket',
  title: 'Flow of a tap',
  how: 'Fill a known volume against the watch, the tap open as it is used.',
  at: 'tap',
  input: z.strictObject({ volumeL: FIELDS.volumeL, seconds: FIELDS.seconds, water: z.enum(['mixed', 'hot', 'cold']), taps: z.enum(['alone', 'together']) }),
  begin: { volumeL: 5, seconds: 40, water: 'mixed', taps: 'alone' },
  possible: () => true,
  judge: (study, reading, { volumeL, seconds, water, taps }) => {
    const tap = tapOf(study, reading.where)
    const worked = workedBy(bucketFlow, { volumeL, seconds })
    const flowLMin = worked.out.flowLMin as number
    const asUsed = taps === 'alone' && water === (tap.mixes ? 'mixed' : 'hot')
    return {
      worked,
      results: bucketFlow.results,
      verdict: asUsed
        ? {
            figure: { label: `Flow of ${tap.name}`, quantity: 'flow' },
            measured: flowLMin,
            modelled: tap.flowLMin,
            uncertainty: tap.flowLMin * (FLOW_SHARE + WATCH_S / seconds),
            likely: ['the tap was opened further or less than it is used', 'a strainer or a shower head is blocked'],
          }
        : null,
      offers: asUsed ? [{ path: `pipes.taps.${tap.id}.flowLMin`, label: `Flow of ${tap.name}`, value: Math.min(60, Math.max(0.5, flowLMin)) }] : [],
    }
  },
})

export const timeToHot = defineReading({
  kind: 'time-to-hot',
  title: 'Time to hot',
  how: 'Pipes cold, hot tap full open: seconds until it reaches what you call hot.',
  at: 'tap',
  input: input(['seconds', 'flowLMin', 'hotC']),
  begin: { seconds: 40, flowLMin: 6, hotC: 40 },
  possible: () => true,
  judge: (study, reading, { seconds, flowLMin }) => {
    const tap = tapOf(study, reading.where)
    const delayS = heaterDelayS(study)
    const measured = (flowLMin / 60) * Math.max(0, seconds - delayS)
    const modelled = frontTo(study, tap)
    const last = runsTo(study, tap).at(-1)!
    const rest = modelled - runFrontL(last)
    const perMetre = runFrontL({ ...last, lengthM: 1 })
    const lengthM = (measured - rest) / perMetre
    return {
      worked: {
        out: { runOffL: (flowLMin * seconds) / 60, frontL: measured },
        steps: [
          { label: 'Ran off', formula: 'flow × seconds', value: (flowLMin * seconds) / 60, quantity: 'volume', decimals: 2 },
          { label: 'Of it in the pipes', formula: 'flow × (seconds − delay of the heater)', value: measured, quantity: 'volume', decimals: 2 },
          { label: 'By the study', formula: 'sum of contents × (1 + C wall / C water)', value: modelled, quantity: 'volume', decimals: 2 },
        ],
        notes: [],
      },
      results: { runOffL: { label: 'Ran off', quantity: 'volume', decimals: 2 }, frontL: { label: 'Of it in the pipes', quantity: 'volume', decimals: 2 } },
      verdict: {
        figure: { label: `Hot water to fill the runs to ${tap.name}`, quantity: 'volume', decimals: 2 },
        measured,
        modelled,
        uncertainty: modelled * FLOW_SHARE * 2 + (flowLMin / 60) * WATCH_S,
        likely:
          measured > modelled
            ? ['a run is longer or wider than it was written down', 'cold water is mixed in on the way']
            : [study.pipes.loop ? 'the loop kept part of the way warm' : 'the pipes were still warm from a draw before', 'a run is shorter or narrower than it was written down'],
      },
      offers: lengthM > 0.1 && lengthM < 500 ? [{ path: `pipes.runs.${last.id}.lengthM`, label: `Length of “${last.name}”, so that the contents agree`, value: Math.round(lengthM * 100) / 100 }] : [],
    }
  },
})

export const tapTemperature = defineReading({
  kind: 'tap-temperature',
  title: 'Hot water at a tap',
  how: 'Hot only, run until steady, thermometer in the stream.',
  at: 'tap',
  input: z.strictObject({ hotC: FIELDS.hotC, where: z.enum(['near', 'far']) }),
  begin: { hotC: 55, where: 'far' },
  possible: () => true,
  judge: (study, reading, { hotC, where }) => {
    const tap = tapOf(study, reading.where)
    const { heaterId, setpointC } = supplyOf(study)
    const modelled = steadyAtTap(study, tap, setpointC, dayOf(reading.takenAt).month)
    const supply = Math.round((setpointC + hotC - modelled) * 10) / 10
    return {
      worked: {
        out: { hotC },
        steps: [
          { label: 'Lost on the way', formula: 'along each run T − air falls as exp(−U′L/ṁc)', value: setpointC - modelled, quantity: 'rise' },
          { label: 'Leaves the plant at', formula: 'read at the tap + lost on the way', value: supply, quantity: 'temperature' },
        ],
        notes: hotC > 49 ? ['Hot enough to scald: is there a mixing valve, and are there children or old people in the house?'] : [],
      },
      results: { hotC: { label: `At ${tap.name}`, quantity: 'temperature' } },
      verdict: {
        figure: { label: `Steady hot water at ${tap.name}`, quantity: 'temperature' },
        measured: hotC,
        modelled,
        uncertainty: THERMOMETER_K + 1,
        likely:
          hotC < modelled
            ? ['the dial stands lower than it says', 'cold water crosses over at a mixer', 'the store was half drawn']
            : ['the dial stands higher than it says', 'the store was just heated'],
      },
      offers: where === 'near' && supply >= SETPOINT_C.low && supply <= SETPOINT_C.high ? [{ path: `controls.found.heaters.${heaterId}.setpointC`, label: 'Setpoint as found, as it really is', value: supply }] : [],
    }
  },
})

export const droop = defineReading({
  kind: 'droop',
  title: 'Two taps together',
  how: 'Read one tap alone, open another, read again.',
  at: 'tap',
  input: input(['aloneC', 'togetherC']),
  begin: { aloneC: 48, togetherC: 44 },
  possible: () => true,
  judge: (study, _reading, { aloneC, togetherC }) => ({
    worked: {
      out: { droopK: aloneC - togetherC },
      steps: [{ label: 'Droop', formula: 'alone − together', value: aloneC - togetherC, quantity: 'rise' }],
      notes: aloneC - togetherC > 3 ? [study.plant.store ? 'More than a shower forgives: look for a narrow run or a pressure drop.' : 'More than a shower forgives: the two ask more than the heater lifts.'] : [],
    },
    results: { droopK: { label: 'Droop', quantity: 'rise' } },
    verdict: null,
    offers: [],
  }),
})
