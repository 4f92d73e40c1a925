import { z } from 'zod'
import { FIELDS, input } from '../sums/fields'
import { meterRate, waterPowerSum } from '../sums/energy'
import { efficiencyAt } from '../heaters/efficiency'
import { carrierOf, efficiencyOf, outputOf } from '../study/plant'
import { heaterOf } from './model'
import { defineReading } from './reading-kind'
import { workedBy } from './worked-by'

/** Efficiencies and outputs that a heater of the study may have. */
const EFFICIENCY = { low: 0.2, high: 1 }
/** A heater's display is good to about this share of the heat. */
const DISPLAY_SHARE = 0.06
/** An efficiency from display and meter together, share of it. */
const METERED_SHARE = 0.05
/** Return at which a condensing appliance is compared while it heats water, °C. */
const USUAL_RETURN_C = 45

export const heaterDisplay = defineReading({
  kind: 'heater-display',
  title: 'Heater: in, out and flow',
  how: 'Off the display or with thermometers, at a steady draw that makes it give all it has.',
  at: 'heater',
  input: input(['inletC', 'outletC', 'flowLMin'], ['efficiency']),
  begin: { inletC: 11, outletC: 48, flowLMin: 9 },
  possible: () => true,
  judge: (study, reading, values) => {
    const heater = heaterOf(study, reading.where)
    const worked = workedBy(waterPowerSum, values)
    const kw = worked.out.waterKw as number | undefined
    const output = outputOf(heater)
    const rated = output?.kw ?? 0
    const path = `plant.heaters.${heater.id}.${output?.field}`
    return {
      worked,
      results: waterPowerSum.results,
      verdict:
        kw === undefined || !output
          ? null
          : {
              figure: { label: `Power of ${heater.name}`, quantity: 'power' },
              measured: kw,
              modelled: rated,
              uncertainty: rated * DISPLAY_SHARE,
              likely: kw < rated ? ['it was modulating: the draw did not ask for all of it', 'scale on the exchanger', 'the rating is input, not output'] : ['the rating is that of heating, not of hot water', 'the flow on the display is off'],
            },
      offers: output && kw !== undefined && kw >= 1 && kw <= 200 ? [{ path, label: `Output of ${heater.name}`, value: Math.round(kw * 10) / 10 }] : [],
    }
  },
})

export const meter = defineReading({
  kind: 'meter',
  title: 'Clocked meter',
  how: 'Everything else off: what the meter runs in a time, with the heater at a steady draw.',
  at: 'heater',
  input: z.strictObject({
    fuel: z.enum(['gas-m3', 'gas-ft3', 'electricity-kwh', 'electricity-pulses']),
    amount: FIELDS.amount,
    seconds: FIELDS.seconds,
    calorificKwh: FIELDS.calorificKwh.optional(),
    pulsesPerKwh: FIELDS.pulsesPerKwh.optional(),
    powerKw: FIELDS.powerKw.optional(),
  }),
  begin: { fuel: 'gas-m3', amount: 0.09, seconds: 120 },
  possible: () => true,
  judge: (study, reading, { powerKw, ...clocked }) => {
    const heater = heaterOf(study, reading.where)
    const base = workedBy(meterRate, clocked)
    const inputKw = base.out.inputKw as number | undefined
    const efficiency = inputKw !== undefined && powerKw !== undefined ? powerKw / inputKw : null
    const known = efficiencyOf(heater)
    const burns = known !== null
    const worked = {
      out: { ...base.out, efficiency },
      steps: [...base.steps, ...(efficiency === null ? [] : [{ label: 'Efficiency', formula: 'power into the water / input', value: efficiency, decimals: 3 } as const])],
      notes: [...base.notes, ...(efficiency !== null && efficiency > EFFICIENCY.high ? ['More out than in: one of the two readings is wrong, or the calorific value is.'] : [])],
    }
    const plate = heater.plateInputKw
    return {
      worked,
      results: { ...meterRate.results, efficiency: { label: 'Efficiency', decimals: 3 } },
      verdict: efficiency !== null && known
        ? {
            figure: { label: `Efficiency of ${heater.name}`, decimals: 3 },
            measured: efficiency,
            modelled: efficiencyAt(known, USUAL_RETURN_C, carrierOf(heater)),
            uncertainty: METERED_SHARE * efficiency,
            likely: efficiency < efficiencyAt(known, USUAL_RETURN_C, carrierOf(heater)) ? ['scale or soot on the exchanger', 'something else ran on the same meter'] : ['the flow on the display is off', 'the gas is richer than was taken'],
          }
        : inputKw !== undefined && plate !== null
          ? { figure: { label: 'Input', quantity: 'power' }, measured: inputKw, modelled: plate, uncertainty: plate * 0.08, likely: ['it was modulating', 'something else ran on the same meter', 'the plate gives input on net calorific value'] }
          : null,
      offers: [
        ...(efficiency !== null && burns && efficiency >= EFFICIENCY.low && efficiency <= EFFICIENCY.high
          ? [{ path: `plant.heaters.${heater.id}.efficiency`, label: `Efficiency of ${heater.name}, as measured`, value: { kind: 'fixed', share: Math.round(efficiency * 1000) / 1000 } }]
          : []),
      ],
    }
  },
})

export const dial = defineReading({
  kind: 'dial',
  title: 'Mark on a dial',
  how: 'Where the dial stands, in divisions, and the hot water at the nearest tap after the thermostat has called and rested.',
  at: 'heater',
  input: z.strictObject({ division: FIELDS.division, hotC: FIELDS.hotC }),
  begin: { division: 3, hotC: 55 },
  possible: () => true,
  judge: (_study, _reading, { division, hotC }) => ({
    worked: { out: { division, hotC }, steps: [], notes: ['Two marks or more make a scale: see the dial under Measure. Letters and marks stay unverified until read.'] },
    results: { division: { label: 'Dial', decimals: 1 }, hotC: { label: 'Gives', quantity: 'temperature' } },
    verdict: null,
    offers: [],
  }),
})
