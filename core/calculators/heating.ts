import { cyclesAbove, GAINS_K, gapOf, heatTaken, lossByArea, lossPerKByUse, WIDE_GAP } from '../heaters/house-heat'
import { RADIATOR_EXPONENT, radiatorShare } from '../heaters/radiator'
import { defineCalculator, needsAbove } from './calculator'
import { input } from './fields'

const KW = { quantity: 'power', decimals: 2 } as const

export const radiatorOutput = defineCalculator({
  name: 'radiator-output',
  title: 'Radiator output at a flow temperature',
  about: 'What radiators of a rated output give at the flow and return of this house, against the heat the room needs.',
  source: 'EN 442: output ∝ (logarithmic mean excess)^n, n 1.3 for panels; rated at 75/65/20 °C',
  input: input(['ratedOutputKw', 'supplyC', 'returnC', 'roomC'], ['exponent', 'roomNeedsKw']),
  results: {
    share: { label: 'Of its rated output', unit: '%', decimals: 0 },
    outputKw: { label: 'Gives', ...KW },
    overKw: { label: 'More than the room needs', ...KW },
  },
  example: { ratedOutputKw: 1.6, supplyC: 55, returnC: 45, roomC: 20, exponent: RADIATOR_EXPONENT, roomNeedsKw: 0.7 },
  work: ({ ratedOutputKw, supplyC, returnC, roomC, exponent = RADIATOR_EXPONENT, roomNeedsKw }) => {
    needsAbove('returnC', returnC, roomC, 'the room')
    needsAbove('supplyC', supplyC, returnC, 'the return')
    const share = radiatorShare(supplyC, returnC, roomC, exponent)
    const outputKw = ratedOutputKw * share
    const overKw = roomNeedsKw === undefined ? null : outputKw - roomNeedsKw
    return {
      out: { share: 100 * share, outputKw, overKw },
      steps: [
        {
          label: 'Of its rated output',
          formula: '(mean excess / rated mean excess)^n',
          value: 100 * share,
          unit: '%',
          decimals: 1,
        },
        { label: 'Gives', formula: 'rated output × that', value: outputKw, ...KW },
      ],
      notes: [
        ...(overKw === null
          ? []
          : [
              overKw >= 0
                ? 'The room stays warm at this flow temperature: lower it step by step until the room just stays warm.'
                : 'Too little on such a day: a higher flow temperature, a larger radiator, or less loss.',
            ]),
        'A radiator behind furniture or a cover gives less than it is rated for.',
      ],
    }
  },
})

export const heatLoss = defineCalculator({
  name: 'heat-loss',
  title: 'House heat loss by two methods',
  about: 'Heat loss on the coldest day by floor area and by what heating used in a year, with the gap between them.',
  source: `By area: loss per floor area of the building’s age, ±${WIDE_GAP}%. By use: energy × efficiency / (degree days × 24 h) × (room − design)`,
  input: input(['floorM2', 'lossWM2', 'heatingKwhYear', 'efficiency', 'degreeDays', 'roomC', 'designC']),
  results: {
    byAreaKw: { label: 'By floor area', ...KW },
    byUseKw: { label: 'By energy used', ...KW },
    gap: { label: 'By use over by area', unit: '%', decimals: 0 },
  },
  example: {
    floorM2: 110,
    lossWM2: 70,
    heatingKwhYear: 12_000,
    efficiency: 0.9,
    degreeDays: 2500,
    roomC: 20,
    designC: -10,
  },
  work: ({ floorM2, lossWM2, heatingKwhYear, efficiency, degreeDays, roomC, designC }) => {
    needsAbove('roomC', roomC, designC, 'the design outdoor temperature')
    const byAreaKw = lossByArea(floorM2, lossWM2)
    const kwPerK = lossPerKByUse(heatingKwhYear, efficiency, degreeDays)
    const byUseKw = kwPerK * (roomC - designC)
    const gap = gapOf(byUseKw, byAreaKw)
    return {
      out: { byAreaKw, byUseKw, gap },
      steps: [
        { label: 'By floor area', formula: 'floor area × loss per area', value: byAreaKw, ...KW },
        {
          label: 'Loss for each kelvin',
          formula: 'energy × efficiency / (degree days × 24 h)',
          value: 1000 * kwPerK,
          quantity: 'lossRate',
          decimals: 0,
        },
        {
          label: 'By energy used',
          formula: 'loss per kelvin × (room − design outdoor temperature)',
          value: byUseKw,
          ...KW,
        },
      ],
      notes: [
        Math.abs(gap) > WIDE_GAP
          ? 'The two lie far apart: hot water or cooking in the energy, rooms left cold, or a wrong age of the building. Find out before anything is sized.'
          : 'The two agree as well as either is known.',
        'This is the house, not an appliance: hot water is sized apart.',
      ],
    }
  },
})
export const modulation = defineCalculator({
  name: 'modulation',
  title: 'Modulation floor of a boiler',
  about: 'Share of the time a boiler burns on a day, and the outdoor temperature from which it goes on and off.',
  source: `Heat ∝ room − ${GAINS_K} K of gains − outdoor; below the least output it burns for heat / least output of the time`,
  input: input(['lossKw', 'designC', 'roomC', 'leastKw', 'outdoorC']),
  results: {
    lossNowKw: { label: 'Heat taken on that day', ...KW },
    onShare: { label: 'Burns', unit: '% of the time', decimals: 0 },
    cyclesFromC: { label: 'Goes on and off above', quantity: 'temperature' },
  },
  example: { lossKw: 6, designC: -10, roomC: 20, leastKw: 3, outdoorC: 10 },
  work: ({ lossKw, designC, roomC, leastKw, outdoorC }) => {
    needsAbove('roomC', roomC, designC, 'the design outdoor temperature')
    const perK = lossKw / (roomC - designC)
    const lossNowKw = heatTaken(perK, roomC, outdoorC)
    const onShare = leastKw === 0 ? (lossNowKw > 0 ? 1 : 0) : Math.min(1, lossNowKw / leastKw)
    const cyclesFromC = cyclesAbove(perK, roomC, leastKw)
    return {
      out: { lossNowKw, onShare: 100 * onShare, cyclesFromC },
      steps: [
        {
          label: 'Heat taken on that day',
          formula: 'loss × (room − gains − outdoor) / (room − design)',
          value: lossNowKw,
          ...KW,
        },
        { label: 'Burns', formula: 'heat / least output, at most 1', value: 100 * onShare, unit: '%', decimals: 0 },
        {
          label: 'Goes on and off above',
          formula: 'room − gains − least output / loss per kelvin',
          value: cyclesFromC,
          quantity: 'temperature',
        },
      ],
      notes: [
        onShare < 1
          ? 'It goes on and off on such a day: a limit of its output does not help, a lower least output or a buffer does.'
          : 'It burns through and modulates on such a day.',
        'Set the output limit for heating to the loss, not to what the plate allows; hot water keeps its own.',
      ],
    }
  },
})
