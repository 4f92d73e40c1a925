import { meterRate, waterPowerSum } from '../calculators/energy'
import { FIELDS } from '../calculators/fields'
import { EFFICIENCY, type Efficiency, efficiencyAt } from '../heaters/efficiency'
import { heaterOf } from '../household/lookups'
import { BUCKET_SHARE, WATCH_S } from '../instruments/by-hand'
import type { Carrier } from '../money/carriers'
import { z } from '../schema/zod'
import { carrierOf, efficiencyOf, outputOf } from '../study/heater-kinds'
import type { Reading } from '../study/readings'
import type { Study } from '../study/study'
import { percentText } from '../units/percent'
import { defineReading } from './reading-kind'
import { differenceK, isPassing, STEADINESS, TAKEN_WITH } from './taken-with'
import { workedBy } from './worked-by'

/** A heater's display is good to about this share of the heat, most of it of the flow. */
const DISPLAY_SHARE = 0.06
/** An efficiency from display and meter together, share of it. */
const METERED_SHARE = 0.05
/** Return at which a condensing appliance is compared while it heats water, °C. */
const USUAL_RETURN_C = 45

/** Flow caught in a bucket, L/min; null where none was. */
const caughtLMin = ({ bucketL, bucketS }: { bucketL?: number; bucketS?: number }): number | null =>
  bucketL === undefined || bucketS === undefined ? null : (bucketL / bucketS) * 60

export const heaterDisplay = defineReading({
  kind: 'heater-display',
  title: 'Heater: in, out and flow',
  how: 'From the display or with thermometers, at steady draw-off. Only full output shows the capacity.',
  section: 'heater',
  needs: ['display'],
  at: 'heater',
  input: z.strictObject({
    inletC: FIELDS.inletC,
    outletC: FIELDS.outletC,
    flowLMin: FIELDS.flowLMin,
    efficiency: FIELDS.efficiency.optional(),
    gave: z.enum(['all it has', 'what was asked']).optional(),
    bucketL: FIELDS.bucketL.optional(),
    bucketS: FIELDS.bucketS.optional(),
    ...STEADINESS,
    ...TAKEN_WITH,
  }),
  begin: {},
  possible: () => true,
  judge: (study, reading, { gave, bucketL, bucketS, inletC, outletC, flowLMin: shownLMin, efficiency, ...taken }) => {
    const heater = heaterOf(study, reading.where)
    const caught = caughtLMin({ bucketL, bucketS })
    const flowLMin = caught ?? shownLMin
    const work = workedBy(waterPowerSum, {
      inletC,
      outletC,
      flowLMin,
      ...(efficiency === undefined ? {} : { efficiency }),
    })
    const flowShare = caught === null ? DISPLAY_SHARE : BUCKET_SHARE + WATCH_S / bucketS!
    const within = Math.hypot(flowShare, differenceK(taken, reading) / Math.max(1, outletC - inletC))
    const apart = caught === null ? 0 : shownLMin / caught - 1
    const worked = {
      ...work,
      steps: [
        ...(caught === null
          ? []
          : [
              { label: 'Flow by bucket', formula: 'caught / time', value: caught, quantity: 'flow' } as const,
              {
                label: 'Display against bucket',
                formula: 'display / bucket − 1',
                value: 100 * apart,
                unit: '%',
              } as const,
            ]),
        ...work.steps,
      ],
      notes: [
        ...(caught === null
          ? []
          : [
              Math.abs(apart) > DISPLAY_SHARE + flowShare
                ? `Display reads ${percentText(Math.abs(apart), 0)} ${apart > 0 ? 'above' : 'below'} the bucket: worked with the bucket’s flow. Check that no other outlet ran.`
                : 'Display and bucket agree: worked with the bucket’s flow.',
            ]),
        ...work.notes,
      ],
    }
    const kw = worked.out.waterKw as number | undefined
    const output = outputOf(heater)
    const rated = output?.kw ?? 0
    const path = `plant.heaters.${heater.id}.${output?.field}`
    return {
      worked,
      results: waterPowerSum.results,
      verdict:
        kw === undefined || !output || (gave !== 'all it has' && kw < rated)
          ? null
          : {
              figure: { label: `Output of ${heater.name}`, quantity: 'power' },
              measured: kw,
              modelled: rated,
              uncertainty: rated * within,
              likely:
                kw < rated
                  ? ['it was at part load', 'scale on the heat exchanger', 'the rating is input, not output']
                  : ['the rating is for space heating, not hot water', 'the displayed flow is wrong'],
            },
      // What one draw took is no output: it must have been all there was.
      offers:
        gave === 'all it has' && output && kw !== undefined
          ? [{ path, label: `Output of ${heater.name}`, value: Math.round(kw * 10) / 10 }]
          : [],
    }
  },
})

/** Power that the display of the same heater showed last before a reading, on the same day, kW. */
function powerFromLog(study: Study, reading: Reading): number | undefined {
  const shown = study.readings
    .filter(
      (r) =>
        r.kind === 'heater-display' &&
        !isPassing(r) &&
        r.where === reading.where &&
        r.takenAt.slice(0, 10) === reading.takenAt.slice(0, 10) &&
        r.id !== reading.id,
    )
    .at(-1)
  if (!shown) return undefined
  const { inletC, outletC, flowLMin } = shown.values
  const caught = caughtLMin(shown.values)
  return workedBy(waterPowerSum, { inletC, outletC, flowLMin: caught ?? flowLMin }).out.waterKw as number | undefined
}

/** An efficiency that agrees with a measured one: a curve stays a curve and is moved, a fixed one becomes it. */
function asMeasured(known: Efficiency, measured: number, carrier: Carrier): Efficiency {
  if (known.kind === 'fixed') return { kind: 'fixed', share: Math.round(measured * 1000) / 1000 }
  return {
    kind: 'condensing',
    shift: Math.round((known.shift + measured - efficiencyAt(known, USUAL_RETURN_C, carrier)) * 1000) / 1000,
  }
}

export const meter = defineReading({
  kind: 'meter',
  title: 'Heater input from meter',
  how: 'All other loads off: meter volume over a time, with the heater at steady draw-off.',
  section: 'heater',
  needs: ['meter', 'watch'],
  at: 'heater',
  input: z.strictObject({
    fuel: z.enum(['gas-m3', 'gas-ft3', 'electricity-kwh', 'electricity-pulses']),
    amount: FIELDS.amount,
    seconds: FIELDS.seconds,
    calorificKwh: FIELDS.calorificKwh.optional(),
    pulsesPerKwh: FIELDS.pulsesPerKwh.optional(),
    gasC: FIELDS.gasC.optional(),
    gaugeMbar: FIELDS.gaugeMbar.optional(),
    powerKw: FIELDS.powerKw.optional(),
  }),
  begin: { fuel: 'gas-m3' },
  possible: () => true,
  judge: (study, reading, { powerKw: typed, ...clocked }) => {
    const heater = heaterOf(study, reading.where)
    const powerKw = typed ?? powerFromLog(study, reading)
    const gas = clocked.fuel === 'gas-m3' || clocked.fuel === 'gas-ft3'
    const base = workedBy(meterRate, gas ? { altitudeM: study.site.altitudeM, ...clocked } : clocked)
    const inputKw = base.out.inputKw as number | undefined
    const efficiency = inputKw !== undefined && powerKw !== undefined ? powerKw / inputKw : null
    const known = efficiencyOf(heater)
    const worked = {
      out: { ...base.out, efficiency },
      steps: [
        ...base.steps,
        ...(efficiency === null
          ? []
          : [
              { label: 'Efficiency', formula: 'power into the water / input', value: efficiency, decimals: 3 } as const,
            ]),
      ],
      notes: [
        ...base.notes,
        ...(typed === undefined && powerKw !== undefined
          ? ['Output is taken from the heater reading in the log.']
          : []),
        ...(efficiency !== null && efficiency > EFFICIENCY.high
          ? ['Output above input: one reading or the calorific value is wrong.']
          : []),
      ],
    }
    const plate = heater.plate?.inputKw ?? null
    return {
      worked,
      results: { ...meterRate.results, efficiency: { label: 'Efficiency', decimals: 3 } },
      verdict:
        efficiency !== null && known
          ? {
              figure: { label: `Efficiency of ${heater.name}`, decimals: 3 },
              measured: efficiency,
              modelled: efficiencyAt(known, USUAL_RETURN_C, carrierOf(heater)),
              uncertainty: METERED_SHARE * efficiency,
              likely:
                efficiency < efficiencyAt(known, USUAL_RETURN_C, carrierOf(heater))
                  ? ['scale or soot on the heat exchanger', 'another load on the same meter']
                  : ['the displayed flow is wrong', 'calorific value higher than assumed'],
            }
          : inputKw !== undefined && plate !== null
            ? {
                figure: { label: 'Input', quantity: 'power' },
                measured: inputKw,
                modelled: plate,
                uncertainty: plate * 0.08,
                likely: [
                  'it was at part load',
                  'another load on the same meter',
                  'the rated input is on net calorific value',
                ],
              }
            : null,
      offers: [
        ...(efficiency !== null && known
          ? [
              {
                path: `plant.heaters.${heater.id}.efficiency`,
                label: `Efficiency of ${heater.name}, as measured`,
                value: asMeasured(known, efficiency, carrierOf(heater)),
              },
            ]
          : []),
      ],
    }
  },
})

export const dial = defineReading({
  kind: 'dial',
  title: 'Dial calibration mark',
  how: 'Dial position in divisions, and hot water at the nearest outlet after the thermostat has called and stopped.',
  section: 'heater',
  needs: ['thermometer'],
  at: 'heater',
  varies: true,
  input: z.strictObject({ division: FIELDS.division, hotC: FIELDS.hotC }),
  begin: {},
  possible: () => true,
  judge: (_study, _reading, { division, hotC }) => ({
    worked: {
      out: { division, hotC },
      steps: [],
      notes: [
        'At least 2 marks make a scale: see the dial under Readings. Letters and marks are unverified until measured.',
      ],
    },
    results: { division: { label: 'Dial', decimals: 1 }, hotC: { label: 'Gives', quantity: 'temperature' } },
    verdict: null,
    offers: [],
  }),
})
