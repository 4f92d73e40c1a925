import type { Step } from '../calculators/calculator'
import { FIELDS, input } from '../calculators/fields'
import { bucketFlow } from '../calculators/taps'
import { atAltitude } from '../household/at-altitude'
import { dayOf, heaterDelayS, mainsOn, runsTo, steadyAtTap, tapOf } from '../household/lookups'
import { runUa } from '../household/runs'
import { supplyC, supplyOf } from '../household/supply'
import { mixesTo } from '../household/supply'
import { BUCKET_SHARE, WATCH_S } from '../instruments/by-hand'
import { SAFETY } from '../safety/limits'
import { z } from '../schema/zod'
import { instantaneousOf } from '../study/heater-kinds'
import type { Tap } from '../study/pipes'
import type { Study } from '../study/study'
import { KJ_PER_LITRE_K } from '../water/properties'
import { frontPast, hotFront, lengthOffer } from './hot-front'
import { defineReading, impossible, type Judgement } from './reading-kind'
import { settlesS, STEADINESS, TAKEN_WITH, thermometerK } from './taken-with'
import { workedBy } from './worked-by'

export const bucket = defineReading({
  kind: 'bucket',
  title: 'Flow of an outlet',
  how: 'Time the filling of a known volume, outlet opened as in use.',
  section: 'taps',
  needs: ['bucket', 'watch'],
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
            uncertainty: tap.flowLMin * (BUCKET_SHARE + WATCH_S / seconds),
            likely: ['outlet opened differently from normal use', 'blocked strainer or shower head'],
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
  title: 'Time to tap',
  how: 'Pipes cold, hot outlet full open: seconds to the hot threshold.',
  section: 'taps',
  needs: ['watch', 'bucket'],
  at: 'tap',
  input: input(['seconds', 'flowLMin', 'hotC']).extend(TAKEN_WITH),
  begin: { hotC: 40 },
  possible: () => true,
  judge: (study, reading, { seconds, flowLMin, hotC, ...taken }) => {
    const tap = tapOf(study, reading.where)
    const delayS = heaterDelayS(study)
    const measured = (flowLMin / 60) * Math.max(0, seconds - delayS)
    const front = hotFront(study, tap, reading.takenAt, { hotC, flowLMin })
    const past = (warm: boolean) => frontPast(study, tap, reading.takenAt, { hotC, flowLMin }, warm)
    const shown = front ? [front] : [past(true), past(false)]
    const { steadyC } = shown[0]
    if (shown.every((f) => f.coldC >= hotC)) return impossible('Hot threshold must be above the pipe surroundings.')
    const never = steadyC <= hotC
    return {
      worked: {
        out: { toWasteL: (flowLMin * seconds) / 60, warmUpVolumeL: measured },
        steps: [
          {
            label: 'Draw-off to waste',
            formula: 'flow × seconds',
            value: (flowLMin * seconds) / 60,
            quantity: 'volume',
            decimals: 2,
          },
          {
            label: 'Of which pipe volume',
            formula: 'flow × (seconds − start-up delay)',
            value: measured,
            quantity: 'volume',
            decimals: 2,
          },
          ...(never
            ? []
            : shown.map(
                (f) =>
                  ({
                    label: front ? 'Calculated' : `Calculated, circulation ${f.pastLoop ? 'warm' : 'cold'}`,
                    formula: `${f.pastLoop ? 'beyond the circulation: ' : ''}pipe volume × (1 + C wall / C water), with the spread at the hot threshold`,
                    value: f.hotL,
                    quantity: 'volume',
                    decimals: 2,
                  }) as const,
              )),
        ],
        notes: front
          ? front.pastLoop
            ? ['Circulation scheduled hot at that time: only pipe beyond it counts as cold.']
            : []
          : ['State of the circulation unknown in this mode: measure again after hours without use.'],
      },
      results: {
        toWasteL: { label: 'Draw-off to waste', quantity: 'volume', decimals: 2 },
        warmUpVolumeL: { label: 'Of which pipe volume', quantity: 'volume', decimals: 2 },
      },
      verdict: never
        ? {
            figure: { label: `Maximum temperature at ${tap.name}`, quantity: 'temperature' },
            measured: hotC,
            modelled: steadyC,
            uncertainty: thermometerK(taken, reading),
            likely: ['thermostat above its marking', 'the cylinder had just reheated'],
          }
        : front && {
            figure: { label: `Warm-up volume to ${tap.name}`, quantity: 'volume', decimals: 2 },
            measured,
            modelled: front.hotL,
            uncertainty: front.hotL * BUCKET_SHARE * 2 + (flowLMin / 60) * (WATCH_S + settlesS(taken)),
            likely:
              measured > front.hotL
                ? ['a run is longer or larger than entered', 'cold crossover']
                : [
                    study.pipes.loop && !front.pastLoop
                      ? 'circulation kept part of the pipe warm'
                      : 'pipes still warm from a previous draw-off',
                    'a run is shorter or smaller than entered',
                  ],
          },
      offers: front && !never ? lengthOffer(front, measured) : [],
    }
  },
})

/** A steady thermostat holds its water within this, K. */
const HELD_K = 1
const HOTTER = 'Hotter than the setpoint: a passing value, or the dial is off. Measure again once it holds steady.'

/**
 * What the pipes to an outlet take while it runs: what a bill counts is heat bought, this is heat lost. With the air beside
 * them it is theirs on any day: a coefficient, held against the one of the pipes as entered.
 */
function lostOnTheWay(
  study: Study,
  tap: Tap,
  { leavesC, hotC, flowLMin, ambientC }: { leavesC: number; hotC: number; flowLMin: number; ambientC?: number },
): Step[] {
  const carriedWK = (flowLMin * KJ_PER_LITRE_K * 1000) / 60
  return [
    {
      label: 'Lost on the way at this flow',
      formula: 'flow × ρ × c × (setpoint − temperature at the outlet)',
      value: carriedWK * Math.max(0, leavesC - hotC),
      quantity: 'watts',
    },
    ...(ambientC === undefined || hotC <= ambientC || leavesC <= hotC
      ? []
      : [
          {
            label: 'Heat loss coefficient of the pipes to it',
            formula: 'flow × ρ × c × ln((setpoint − air) / (temperature at the outlet − air))',
            value: carriedWK * Math.log((leavesC - ambientC) / (hotC - ambientC)),
            quantity: 'lossRate',
          } as const,
          {
            label: 'Calculated',
            formula: 'U′ × length of each run',
            value: runsTo(study, tap).reduce((s, r) => s + runUa(r, leavesC, study.site.monthlyAirC), 0),
            quantity: 'lossRate',
          } as const,
        ]),
  ]
}

export const tapTemperature = defineReading({
  kind: 'tap-temperature',
  title: 'Hot water temperature at an outlet',
  how: 'Hot only, run until steady, thermometer in the stream.',
  section: 'taps',
  needs: ['thermometer'],
  at: 'tap',
  input: z.strictObject({
    hotC: FIELDS.hotC,
    where: z.enum(['near', 'far']),
    flowLMin: FIELDS.flowLMin.optional(),
    ambientC: FIELDS.ambientC.optional(),
    ...STEADINESS,
    ...TAKEN_WITH,
  }),
  begin: { where: 'far' },
  possible: () => true,
  judge: (study, reading, { hotC, where, flowLMin, ambientC, ...taken }) => {
    const tap = tapOf(study, reading.where)
    const { heaterId } = supplyOf(study)
    const leavesC = supplyC(study)
    const modelled = steadyAtTap(study, tap, leavesC, dayOf(reading.takenAt).month)
    const supply = Math.round((leavesC + hotC - modelled) * 10) / 10
    // Behind a mixing valve a tap says nothing of the thermostat.
    const mixed = mixesTo(study.plant.store) !== null
    const within = HELD_K + thermometerK(taken, reading)
    return {
      worked: {
        out: { hotC },
        steps: [
          {
            label: 'Pipe temperature drop',
            formula: 'along each run T − air falls as exp(−U′L/ṁc)',
            value: leavesC - modelled,
            quantity: 'rise',
          },
          {
            label: 'Supply temperature',
            formula: 'temperature at the outlet + pipe temperature drop',
            value: supply,
            quantity: 'temperature',
          },
          ...(flowLMin === undefined || mixed ? [] : lostOnTheWay(study, tap, { leavesC, hotC, flowLMin, ambientC })),
        ],
        notes: [
          ...(hotC > SAFETY.scalds.value ? ['Scald risk: check for a mixing valve and vulnerable occupants.'] : []),
          ...(!mixed && hotC > leavesC + within ? [HOTTER] : []),
        ],
      },
      results: { hotC: { label: `At ${tap.name}`, quantity: 'temperature' } },
      verdict: {
        figure: { label: `Steady hot water at ${tap.name}`, quantity: 'temperature' },
        measured: hotC,
        modelled,
        uncertainty: within,
        likely:
          hotC < modelled
            ? ['thermostat below its marking', 'cold crossover at a mixer', 'cylinder partly discharged']
            : ['thermostat above its marking', 'the cylinder had just reheated'],
      },
      offers:
        !mixed && where === 'near'
          ? [
              {
                path: `controls.found.heaters.${heaterId}.setpointC`,
                label: 'Setpoint as found, actual',
                value: supply,
              },
            ]
          : [],
    }
  },
})

/** What two thermometers, or one read twice, may be apart, and what the heater may be off its output by, K. */
const DROOP_K = 2

export const droop = defineReading({
  kind: 'droop',
  title: 'Two outlets at once',
  how: 'Measure the hot water of one outlet alone, open the other as in use, measure the first again.',
  section: 'taps',
  needs: ['thermometer'],
  at: 'tap',
  input: z.strictObject({
    otherTap: FIELDS.otherTap,
    aloneC: FIELDS.aloneC,
    togetherC: FIELDS.togetherC,
    ...TAKEN_WITH,
  }),
  begin: {},
  possible: (study) => study.pipes.taps.length > 1,
  judge: (study, reading, { otherTap, aloneC, togetherC, ...taken }): Judgement => {
    const [first, second] = [tapOf(study, reading.where), study.pipes.taps.find((t) => t.id === otherTap)]
    if (!second || second.id === first.id) return impossible('Choose two different outlets.')
    const heater = instantaneousOf(study.plant.heaters)
    const coldC = mainsOn(study, reading.takenAt)
    const flowLMin = first.flowLMin + second.flowLMin
    const power = heater ? atAltitude(heater, study.site.altitudeM).outputKw : null
    const modelled = power === null ? null : Math.min(aloneC, coldC + (power * 60) / (flowLMin * KJ_PER_LITRE_K))
    const droopK = aloneC - togetherC
    return {
      worked: {
        out: { droopK },
        steps: [
          { label: 'Temperature drop', formula: 'alone − together', value: droopK, quantity: 'rise' },
          ...(modelled === null
            ? []
            : [
                {
                  label: 'Available temperature',
                  formula: 'cold main + output / (total flow × ρ × c), at most the single-outlet value',
                  value: modelled,
                  quantity: 'temperature',
                } as const,
              ]),
        ],
        notes:
          droopK > DROOP_K + 1
            ? [
                heater
                  ? 'Too much for a shower: demand exceeds heater output.'
                  : 'Too much for a shower: check for a narrow run or pressure drop.',
              ]
            : [],
      },
      results: { droopK: { label: `Temperature drop at ${first.name} with ${second.name}`, quantity: 'rise' } },
      verdict:
        modelled === null
          ? null
          : {
              figure: { label: `${first.name} with ${second.name} open`, quantity: 'temperature' },
              measured: togetherC,
              modelled,
              uncertainty: 1 + thermometerK(taken, reading, DROOP_K),
              likely:
                togetherC < modelled
                  ? ['output below rating: scale, gas pressure, altitude', 'flows larger than entered']
                  : ['one outlet not fully open', 'output above the entered value'],
            },
      offers: [],
    }
  },
})
