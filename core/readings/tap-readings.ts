import { atAltitude } from '../household/at-altitude'
import { carriedC, supplyOf } from '../household/supply'
import { mixesTo } from '../household/supply'
import { dayOf, heaterDelayS, mainsOn, steadyAtTap, tapOf } from '../household/ways'
import { SAFETY } from '../safety/limits'
import { z } from '../schema/zod'
import { runningOf } from '../study/heater-kinds'
import { FIELDS, input } from '../sums/fields'
import { bucketFlow } from '../sums/taps'
import { KJ_PER_LITRE_K } from '../water/properties'
import { frontPast, hotFront, lengthOffer } from './hot-front'
import { defineReading, impossible, type Judgement } from './reading-kind'
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
  input: z.strictObject({
    volumeL: FIELDS.volumeL,
    seconds: FIELDS.seconds,
    water: z.enum(['mixed', 'hot', 'cold']),
    taps: z.enum(['alone', 'together']),
  }),
  begin: { water: 'mixed', taps: 'alone' },
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
      offers: asUsed
        ? [
            {
              path: `pipes.taps.${tap.id}.flowLMin`,
              label: `Flow of ${tap.name}`,
              value: Math.min(60, Math.max(0.5, flowLMin)),
            },
          ]
        : [],
    }
  },
})

export const timeToHot = defineReading({
  kind: 'time-to-hot',
  title: 'Time to hot',
  how: 'Pipes cold, hot tap full open: seconds until it reaches what you call hot.',
  at: 'tap',
  input: input(['seconds', 'flowLMin', 'hotC']),
  begin: { hotC: 40 },
  possible: () => true,
  judge: (study, reading, { seconds, flowLMin, hotC }) => {
    const tap = tapOf(study, reading.where)
    const delayS = heaterDelayS(study)
    const measured = (flowLMin / 60) * Math.max(0, seconds - delayS)
    const front = hotFront(study, tap, reading.takenAt, { hotC, flowLMin })
    const past = (warm: boolean) => frontPast(study, tap, reading.takenAt, { hotC, flowLMin }, warm)
    const shown = front ? [front] : [past(true), past(false)]
    const { steadyC } = shown[0]
    if (shown.every((f) => f.coldC >= hotC)) return impossible('What you call hot is no warmer than the pipes lie.')
    const never = steadyC <= hotC
    return {
      worked: {
        out: { runOffL: (flowLMin * seconds) / 60, frontL: measured },
        steps: [
          {
            label: 'Ran off',
            formula: 'flow × seconds',
            value: (flowLMin * seconds) / 60,
            quantity: 'volume',
            decimals: 2,
          },
          {
            label: 'Of it in the pipes',
            formula: 'flow × (seconds − delay of the heater)',
            value: measured,
            quantity: 'volume',
            decimals: 2,
          },
          ...(never
            ? []
            : shown.map(
                (f) =>
                  ({
                    label: front ? 'By the study' : `By the study, loop ${f.pastLoop ? 'warm' : 'cold'}`,
                    formula: `${f.pastLoop ? 'past the loop: ' : ''}contents × (1 + C wall / C water), and how far the front spreads at what you call hot`,
                    value: f.hotL,
                    quantity: 'volume',
                    decimals: 2,
                  }) as const,
              )),
        ],
        notes: front
          ? front.pastLoop
            ? ['The loop was due to be warm at that hour: only what lies past it is counted as cold.']
            : []
          : [
              'Whether the loop was warm hangs on whether it was asked for: read it again with the loop cold for hours.',
            ],
      },
      results: {
        runOffL: { label: 'Ran off', quantity: 'volume', decimals: 2 },
        frontL: { label: 'Of it in the pipes', quantity: 'volume', decimals: 2 },
      },
      verdict: never
        ? {
            figure: { label: `Hottest water at ${tap.name}`, quantity: 'temperature' },
            measured: hotC,
            modelled: steadyC,
            uncertainty: THERMOMETER_K,
            likely: ['the dial stands higher than it says', 'the store was just heated'],
          }
        : front && {
            figure: { label: `Hot water to fill the runs to ${tap.name}`, quantity: 'volume', decimals: 2 },
            measured,
            modelled: front.hotL,
            uncertainty: front.hotL * FLOW_SHARE * 2 + (flowLMin / 60) * WATCH_S,
            likely:
              measured > front.hotL
                ? ['a run is longer or wider than it was written down', 'cold water is mixed in on the way']
                : [
                    study.pipes.loop && !front.pastLoop
                      ? 'the loop kept part of the way warm'
                      : 'the pipes were still warm from a draw before',
                    'a run is shorter or narrower than it was written down',
                  ],
          },
      offers: front && !never ? lengthOffer(front, measured) : [],
    }
  },
})

export const tapTemperature = defineReading({
  kind: 'tap-temperature',
  title: 'Hot water at a tap',
  how: 'Hot only, run until steady, thermometer in the stream.',
  at: 'tap',
  input: z.strictObject({ hotC: FIELDS.hotC, where: z.enum(['near', 'far']) }),
  begin: { where: 'far' },
  possible: () => true,
  judge: (study, reading, { hotC, where }) => {
    const tap = tapOf(study, reading.where)
    const { heaterId } = supplyOf(study)
    const leavesC = carriedC(study)
    const modelled = steadyAtTap(study, tap, leavesC, dayOf(reading.takenAt).month)
    const supply = Math.round((leavesC + hotC - modelled) * 10) / 10
    // Behind a mixing valve a tap says nothing of the thermostat.
    const mixed = mixesTo(study.plant.store) !== null
    return {
      worked: {
        out: { hotC },
        steps: [
          {
            label: 'Lost on the way',
            formula: 'along each run T − air falls as exp(−U′L/ṁc)',
            value: leavesC - modelled,
            quantity: 'rise',
          },
          {
            label: 'Leaves the plant at',
            formula: 'read at the tap + lost on the way',
            value: supply,
            quantity: 'temperature',
          },
        ],
        notes:
          hotC > SAFETY.scalds.value
            ? ['Hot enough to scald: is there a mixing valve, and are there children or old people in the house?']
            : [],
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
      offers:
        !mixed && where === 'near'
          ? [
              {
                path: `controls.found.heaters.${heaterId}.setpointC`,
                label: 'Setpoint as found, as it really is',
                value: supply,
              },
            ]
          : [],
    }
  },
})

/** Two thermometers, or one read twice, K. */
const DROOP_K = 2

export const droop = defineReading({
  kind: 'droop',
  title: 'Two taps together',
  how: 'Read the hot water of one tap alone, open the other as it is used, read the first again.',
  at: 'tap',
  input: z.strictObject({ otherTap: FIELDS.otherTap, aloneC: FIELDS.aloneC, togetherC: FIELDS.togetherC }),
  begin: {},
  possible: (study) => study.pipes.taps.length > 1,
  judge: (study, reading, { otherTap, aloneC, togetherC }): Judgement => {
    const [first, second] = [tapOf(study, reading.where), study.pipes.taps.find((t) => t.id === otherTap)]
    if (!second || second.id === first.id) return impossible('Two different taps are wanted: choose the other one.')
    const heater = runningOf(study.plant.heaters)
    const coldC = mainsOn(study, reading.takenAt)
    const flowLMin = first.flowLMin + second.flowLMin
    const power = heater ? atAltitude(heater, study.site.altitudeM).outputKw : null
    const modelled = power === null ? null : Math.min(aloneC, coldC + (power * 60) / (flowLMin * KJ_PER_LITRE_K))
    const droopK = aloneC - togetherC
    return {
      worked: {
        out: { droopK },
        steps: [
          { label: 'Droop', formula: 'alone − together', value: droopK, quantity: 'rise' },
          ...(modelled === null
            ? []
            : [
                {
                  label: 'The heater can make',
                  formula: 'cold main + output / (both flows × heat of a litre), at most what one gets alone',
                  value: modelled,
                  quantity: 'temperature',
                } as const,
              ]),
        ],
        notes:
          droopK > DROOP_K + 1
            ? [
                heater
                  ? 'More than a shower forgives: the two ask more than the heater lifts.'
                  : 'More than a shower forgives: look for a narrow run or a pressure drop.',
              ]
            : [],
      },
      results: { droopK: { label: `Droop at ${first.name} with ${second.name}`, quantity: 'rise' } },
      verdict:
        modelled === null
          ? null
          : {
              figure: { label: `${first.name} with ${second.name} open`, quantity: 'temperature' },
              measured: togetherC,
              modelled,
              uncertainty: DROOP_K + 1,
              likely:
                togetherC < modelled
                  ? [
                      'it gives less than its plate: scale, gas pressure, height',
                      'the flows are larger than was written down',
                    ]
                  : ['one of the two was not full open', 'it gives more than was written down'],
            },
      offers: [],
    }
  },
})
