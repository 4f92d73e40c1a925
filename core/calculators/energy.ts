import { likelyPeriod, RUNS_H } from '../heaters/run-hours'
import { CALORIFIC } from '../money/calorific'
import { meteredShare } from '../money/gas-meter'
import { z } from '../schema/zod'
import { BTU_H_PER_KW, GAL_L } from '../units/quantities'
import { flowAtRise, heatPerLitre, waterPower } from '../water/power'
import { defineCalculator, needsAbove, SumRefusal } from './calculator'
import { FIELDS, input } from './fields'

const KW = { quantity: 'power', decimals: 2 } as const
/** Cold main taken where nobody says, °C. */
const USUAL_INLET_C = 10

export const waterPowerSum = defineCalculator({
  name: 'water-power',
  title: 'Heat output from flow',
  about: 'Output from flow and temperature rise, and the input it needs.',
  source: 'flow × ρ(inlet) × c(mean) × rise; input = heat / efficiency',
  input: input(['flowLMin', 'inletC', 'outletC'], ['efficiency']),
  results: {
    waterKw: { label: 'Output', ...KW },
    waterBtuH: { label: 'The same', unit: 'Btu/h', decimals: 0 },
    inputKw: { label: 'Input power', ...KW },
  },
  example: { flowLMin: 9, inletC: 11, outletC: 48, efficiency: 0.88 },
  work: ({ flowLMin, inletC, outletC, efficiency }) => {
    if (inletC > outletC) throw new SumRefusal('inletC', 'must not be above the outlet temperature')
    const waterKw = waterPower(flowLMin, inletC, outletC)
    const inputKw = efficiency === undefined ? null : waterKw / efficiency
    return {
      out: { waterKw, waterBtuH: waterKw * BTU_H_PER_KW, inputKw },
      steps: [
        {
          label: 'Heat capacity of the water',
          formula: 'ρ(inlet) × c(mean)',
          value: heatPerLitre(inletC, outletC),
          quantity: 'volumetricHeat',
          decimals: 4,
        },
        { label: 'Output', formula: 'flow / 60 × ρ × c × rise', value: waterKw, ...KW },
        ...(inputKw === null ? [] : [{ label: 'Input power', formula: 'output / efficiency', value: inputKw, ...KW }]),
      ],
      notes: inputKw === null ? ['This is heat output. Enter the efficiency to get the input.'] : [],
    }
  },
})

export const meterRate = defineCalculator({
  name: 'meter-rate',
  title: 'Heater input from meter',
  about: 'Heater input from a meter reading with all other loads off.',
  source: 'amount × calorific value × 3600 / seconds',
  input: z.strictObject({
    fuel: z.enum(['gas-m3', 'gas-ft3', 'electricity-kwh', 'electricity-pulses']),
    amount: FIELDS.amount,
    seconds: FIELDS.seconds,
    calorificKwh: FIELDS.calorificKwh.optional(),
    pulsesPerKwh: FIELDS.pulsesPerKwh.optional(),
    altitudeM: FIELDS.altitudeM.optional(),
    gasC: FIELDS.gasC.optional(),
    gaugeMbar: FIELDS.gaugeMbar.optional(),
  }),
  results: { inputKw: { label: 'Input', ...KW } },
  example: { fuel: 'gas-m3', amount: 0.09, seconds: 120 },
  work: ({ fuel, amount, seconds, calorificKwh, pulsesPerKwh, altitudeM, gasC, gaugeMbar }) => {
    if (fuel === 'electricity-pulses' && pulsesPerKwh === undefined)
      throw new SumRefusal('pulsesPerKwh', 'is needed for pulses; marked on the meter')
    const gas = fuel === 'gas-m3' || fuel === 'gas-ft3'
    const perUnit = gas
      ? (calorificKwh ?? CALORIFIC[fuel === 'gas-m3' ? 'natural gas, m³' : 'natural gas, ft³'])
      : fuel === 'electricity-pulses'
        ? 1 / pulsesPerKwh!
        : 1
    // Without any of the three the meter is taken to count what is billed.
    const corrected = gas && (altitudeM !== undefined || gasC !== undefined || gaugeMbar !== undefined)
    const billed = corrected ? meteredShare(altitudeM ?? 0, gasC, gaugeMbar) : 1
    const kwh = amount * billed * perUnit
    const inputKw = (kwh * 3600) / seconds
    return {
      out: { inputKw },
      steps: [
        ...(corrected
          ? [
              {
                label: 'Volume conversion factor',
                formula: '(air pressure at altitude + gas pressure) / 1013 mbar × 288 K / gas temperature',
                value: billed,
                decimals: 3,
              } as const,
            ]
          : []),
        {
          label: 'Energy',
          formula: corrected ? 'amount × conversion factor × calorific value' : 'amount × calorific value',
          value: kwh,
          unit: 'kWh',
          decimals: 3,
        },
        { label: 'Input', formula: 'energy × 3600 / seconds', value: inputKw, ...KW },
      ],
      notes: gas
        ? [
            calorificKwh === undefined
              ? 'Usual gross calorific value; the supplier’s is on the bill.'
              : 'Gross calorific value as entered.',
            ...(corrected
              ? []
              : [
                  'Gas pressure and temperature not corrected: at high altitude a metered unit is well below a billed one.',
                ]),
          ]
        : [],
    }
  },
})

export const runningCost = defineCalculator({
  name: 'running-cost',
  title: 'Running cost',
  about: 'Cost per hour, day and year of a constant load.',
  source: 'power × hours × price',
  input: input(['inputKw', 'priceKwh', 'hoursPerDay']),
  results: {
    perHour: { label: 'Per hour', unit: 'money', decimals: 3 },
    perDay: { label: 'Per day', unit: 'money', decimals: 2 },
    perYear: { label: 'Per year', unit: 'money', decimals: 2 },
  },
  example: { inputKw: 1.2, priceKwh: 0.3, hoursPerDay: 5 },
  work: ({ inputKw, priceKwh, hoursPerDay }) => {
    const perHour = inputKw * priceKwh
    const perDay = perHour * hoursPerDay
    return {
      out: { perHour, perDay, perYear: perDay * 365 },
      steps: [
        { label: 'Per hour', formula: 'input × price', value: perHour, unit: 'money', decimals: 3 },
        { label: 'Per day', formula: 'per hour × hours a day', value: perDay, unit: 'money', decimals: 2 },
        { label: 'Per year', formula: 'per day × 365', value: perDay * 365, unit: 'money', decimals: 2 },
      ],
      notes: [
        'Upper bound, not an estimate, where a thermostat switches the load: hours allowed by a timer are not hours on. The annual simulation counts those.',
      ],
    }
  },
})

export const moneyHours = defineCalculator({
  name: 'money-hours',
  title: 'Run hours from a cost',
  about: 'Hours a day that a stated cost would take, and whether it is meant per month or per year.',
  source: 'hours = cost / (price × input × days)',
  input: input(['costMoney', 'priceKwh', 'inputKw']),
  results: {
    hoursIfYear: { label: 'If it is the cost of a year', unit: 'h/day', decimals: 2 },
    hoursIfMonth: { label: 'If it is the cost of a month', unit: 'h/day', decimals: 2 },
    kwh: { label: 'Energy', quantity: 'energy' },
    likely: { label: 'Likely period' },
  },
  example: { costMoney: 48, priceKwh: 0.3, inputKw: 3 },
  work: ({ costMoney, priceKwh, inputKw }) => {
    needsAbove('priceKwh', priceKwh, 0, 'nothing')
    const kwh = costMoney / priceKwh
    const hours = (days: number) => kwh / inputKw / days
    const [hoursIfYear, hoursIfMonth] = [hours(365), hours(365 / 12)]
    const likely = likelyPeriod(hoursIfYear, hoursIfMonth)
    return {
      out: { hoursIfYear, hoursIfMonth, kwh, likely },
      steps: [
        { label: 'Energy', formula: 'cost / price', value: kwh, quantity: 'energy' },
        { label: 'Hours in all', formula: 'energy / input', value: kwh / inputKw, unit: 'h', decimals: 0 },
        { label: 'A day, of a year', formula: 'hours / 365', value: hoursIfYear, unit: 'h/day', decimals: 2 },
        { label: 'A day, of a month', formula: 'hours / 30.4', value: hoursIfMonth, unit: 'h/day', decimals: 2 },
      ],
      notes: [
        `A hot water heater usually runs ${RUNS_H.least} to ${RUNS_H.most} h a day at full input; compare with the annual simulation of this household.`,
        ...(likely === 'ask' ? ['Both, or neither, are believable: ask for the period.'] : []),
      ],
    }
  },
})

export const pumpPower = defineCalculator({
  name: 'pump-power',
  title: 'Pump power and cost',
  about: 'Pump power from clamp-meter readings, and its annual cost.',
  source: 'V × A × power factor',
  input: input(['volts', 'amps', 'hoursPerDay', 'priceKwh'], ['powerFactor']),
  results: {
    watts: { label: 'Draws', quantity: 'watts' },
    kwhYear: { label: 'Per year', quantity: 'energy' },
    costYear: { label: 'Annual cost', unit: 'money', decimals: 2 },
  },
  example: { volts: 230, amps: 0.2, powerFactor: 0.6, hoursPerDay: 17.5, priceKwh: 0.3 },
  work: ({ volts, amps, powerFactor, hoursPerDay, priceKwh }) => {
    const watts = volts * amps * (powerFactor ?? 1)
    const kwhYear = (watts * hoursPerDay * 365) / 1000
    return {
      out: { watts, kwhYear, costYear: kwhYear * priceKwh },
      steps: [
        {
          label: 'Draws',
          formula: powerFactor === undefined ? 'volts × amps, no power factor' : 'volts × amps × power factor',
          value: watts,
          quantity: 'watts',
        },
        { label: 'Per year', formula: 'watts × hours a day × 365 / 1000', value: kwhYear, quantity: 'energy' },
        { label: 'Annual cost', formula: 'kWh × price', value: kwhYear * priceKwh, unit: 'money', decimals: 2 },
      ],
      notes:
        powerFactor === undefined
          ? ['Without power factor this is volt-amperes, an upper bound: small pumps take about half.']
          : [],
    }
  },
})

export const flowAtRiseSum = defineCalculator({
  name: 'flow-at-rise',
  title: 'Flow at a given output',
  about: 'Maximum flow of a heater at a temperature rise.',
  source: 'P / (ρ c rise)',
  input: input(['powerKw', 'riseK'], ['inletC']),
  results: { flowLMin: { label: 'Flow', quantity: 'flow' }, flowGpm: { label: 'The same', unit: 'gpm', decimals: 2 } },
  example: { powerKw: 24, riseK: 35, inletC: 8 },
  work: ({ powerKw, riseK, inletC = USUAL_INLET_C }) => {
    if (inletC + riseK > 100) throw new SumRefusal('riseK', 'must not heat the inlet water to boiling')
    const flowLMin = flowAtRise(powerKw, inletC, riseK)
    return {
      out: { flowLMin, flowGpm: flowLMin / GAL_L },
      steps: [
        {
          label: 'Flow',
          formula: 'power × 60 / (ρ(inlet) × c(mean) × rise)',
          value: flowLMin,
          quantity: 'flow',
          decimals: 2,
        },
      ],
      notes: ['Use the mid-winter inlet, not the mean.'],
    }
  },
})

export const heaterSize = defineCalculator({
  name: 'heater-size',
  title: 'Output for simultaneous draw-offs',
  about: 'Hot flow and output required from an instantaneous water heater.',
  source: 'Mixer balance of each draw-off; P = flow × ρc × rise; I = P/V or P/(√3 V)',
  input: z.strictObject({
    draws: z
      .array(z.strictObject({ flowLMin: FIELDS.flowLMin, tempC: FIELDS.tempC, count: z.int().min(1).max(50) }))
      .min(1)
      .max(20),
    inletC: FIELDS.inletC,
    setpointC: FIELDS.setpointC,
    volts: FIELDS.volts.optional(),
    phases: z.union([z.literal(1), z.literal(3)]).optional(),
  }),
  results: {
    hotFlowLMin: { label: 'Hot flow', quantity: 'flow' },
    powerKw: { label: 'Output', ...KW },
    amps: { label: 'Current, if electric', unit: 'A', decimals: 1 },
  },
  example: { draws: [{ flowLMin: 9, tempC: 39, count: 2 }], inletC: 7, setpointC: 50, volts: 400, phases: 3 },
  work: ({ draws, inletC, setpointC, volts, phases = 1 }) => {
    needsAbove('setpointC', setpointC, inletC, 'the inlet')
    draws.forEach((d, i) => {
      if (d.tempC > setpointC) throw new SumRefusal(`draws.${i}.tempC`, 'must not be above the setpoint')
    })
    const hotFlowLMin = draws.reduce(
      (s, d) => s + d.count * d.flowLMin * (Math.max(0, d.tempC - inletC) / (setpointC - inletC)),
      0,
    )
    const powerKw = waterPower(hotFlowLMin, inletC, setpointC)
    const amps = volts === undefined ? null : (powerKw * 1000) / (volts * Math.sqrt(phases))
    return {
      out: { hotFlowLMin, powerKw, amps },
      steps: [
        {
          label: 'Hot flow',
          formula: 'sum of number × flow × (required − inlet) / (setpoint − inlet)',
          value: hotFlowLMin,
          quantity: 'flow',
        },
        { label: 'Power', formula: 'hot flow × ρc × (setpoint − inlet)', value: powerKw, ...KW },
        ...(amps === null
          ? []
          : [
              {
                label: 'Current',
                formula: phases === 3 ? 'power / (√3 × volts)' : 'power / volts',
                value: amps,
                unit: 'A',
                decimals: 1,
              },
            ]),
      ],
      notes: ['Use the mid-winter inlet. Electrical work is for a registered installer.'],
    }
  },
})
