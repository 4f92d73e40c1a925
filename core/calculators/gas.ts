import { CARRIER_NAMES } from '../money/carriers'
import { gasPipeCapacity, gasPipeDrop, PIPED_GAS_NAMES, PIPED_GASES } from '../pipes/gas-pipe'
import { z } from '../schema/zod'
import { defineCalculator } from './calculator'
import { FIELDS } from './fields'

const KW = { quantity: 'power', decimals: 1 } as const

export const gasPipe = defineCalculator({
  name: 'gas-pipe',
  title: 'Gas pipe capacity',
  about: 'Pressure drop of a gas pipe at an input, and the input it carries within the usual drop.',
  source: `Renouard, low pressure: Δp = 23 200 d L Q^1.82 / D^4.82; ${PIPED_GAS_NAMES.map(
    (g) => `${CARRIER_NAMES[g].toLowerCase()} d ${PIPED_GASES[g].relativeDensity}`,
  ).join(', ')}. Local code`,
  input: z.strictObject({
    gas: z.enum(PIPED_GAS_NAMES),
    inputKw: FIELDS.inputKw,
    lengthM: FIELDS.lengthM,
    innerMm: FIELDS.innerMm,
    fittingsEquivalentM: FIELDS.fittingsEquivalentM.optional(),
  }),
  results: {
    dropMbar: { label: 'Pressure drop', quantity: 'gasPressure', decimals: 2 },
    carriesKw: { label: 'Carries', ...KW },
  },
  example: { gas: 'natural-gas', inputKw: 31, lengthM: 9, innerMm: 20, fittingsEquivalentM: 2 },
  work: ({ gas, inputKw, lengthM, innerMm, fittingsEquivalentM = 0 }) => {
    const { kwhM3, mostDropMbar } = PIPED_GASES[gas]
    const pipe = { lengthM: lengthM + fittingsEquivalentM, boreMm: innerMm }
    const dropMbar = gasPipeDrop(gas, pipe, inputKw)
    const carriesKw = gasPipeCapacity(gas, pipe)
    return {
      out: { dropMbar, carriesKw },
      steps: [
        { label: 'Gas flow', formula: 'input / calorific value', value: inputKw / kwhM3, unit: 'm³/h', decimals: 2 },
        { label: 'Length with fittings', formula: 'length + fittings', value: pipe.lengthM, quantity: 'length' },
        {
          label: 'Pressure drop',
          formula: '23 200 × d × L × Q^1.82 / D^4.82',
          value: dropMbar,
          quantity: 'gasPressure',
          decimals: 2,
        },
        {
          label: 'Usual drop',
          formula: CARRIER_NAMES[gas].toLowerCase(),
          value: mostDropMbar,
          quantity: 'gasPressure',
          decimals: 1,
        },
      ],
      notes: [
        dropMbar > mostDropMbar
          ? 'Above the usual drop: a larger bore or a shorter way.'
          : 'Within the usual drop. Count every appliance on the pipe.',
        'Gas work is for a registered installer; the local code sets the drop and the table.',
      ],
    }
  },
})
