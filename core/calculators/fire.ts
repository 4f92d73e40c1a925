import { pressureDrop } from '../pipes/friction'
import { flowAtRise, heatPerLitre } from '../water/power'
import { defineCalculator, needsAbove, SumRefusal } from './calculator'
import { input } from './fields'

/** Water of a pumped stove stays this far below boiling, °C: what a pump that stops leaves has still to go somewhere. */
const HOTTEST_PUMPED_C = 85
/** Above this copper is worn away and is heard, m/s. */
const FASTEST_MS = 1
/** Pascals of a metre of water. */
const PA_PER_M = 9806.65

export const stovePump = defineCalculator({
  name: 'stove-pump',
  title: 'Boiler stove pump',
  about: 'Flow and head required to transfer a stove’s heat to a cylinder.',
  source: 'Flow = kW / (ρ c ΔT); head by Darcy–Weisbach with 64/Re or Blasius',
  input: input(['powerKw', 'riseK', 'returnC', 'lengthM', 'innerMm', 'fittingsEquivalentM']),
  results: {
    flowLMin: { label: 'Flow', quantity: 'flow' },
    headM: { label: 'Pump head', quantity: 'length', decimals: 2 },
    speedMS: { label: 'Velocity in the pipe', quantity: 'speed', decimals: 2 },
    flowC: { label: 'Flow temperature', quantity: 'temperature' },
    verdict: { label: 'Result' },
  },
  example: { powerKw: 8, riseK: 10, returnC: 55, lengthM: 12, innerMm: 26.2, fittingsEquivalentM: 8 },
  work: ({ powerKw, riseK, returnC, lengthM, innerMm, fittingsEquivalentM }) => {
    if (returnC + riseK > 100) throw new SumRefusal('riseK', 'must keep the flow temperature below boiling')
    const flowLMin = flowAtRise(powerKw, returnC, riseK)
    const innerM = innerMm / 1000
    const meanC = returnC + riseK / 2
    const dropPa = pressureDrop(flowLMin, lengthM + fittingsEquivalentM, innerM, meanC)
    const headM = dropPa / PA_PER_M
    const speedMS = flowLMin / 60_000 / ((Math.PI / 4) * innerM ** 2)
    const flowC = returnC + riseK
    const verdict =
      flowC > HOTTEST_PUMPED_C
        ? 'too hot: increase flow'
        : speedMS > FASTEST_MS
          ? 'velocity too high: larger pipe'
          : 'works'
    return {
      out: { flowLMin, headM, speedMS, flowC, verdict },
      steps: [
        { label: 'Flow', formula: 'power / (ρ c × rise)', value: flowLMin, quantity: 'flow' },
        {
          label: 'Velocity in the pipe',
          formula: 'flow / (π/4 × bore²)',
          value: speedMS,
          quantity: 'speed',
          decimals: 2,
        },
        {
          label: 'Friction',
          formula: 'f × (length + fittings) / bore × ρ v² / 2',
          value: dropPa,
          quantity: 'smallPressure',
          decimals: 0,
        },
        { label: 'Head', formula: 'friction / (ρ g)', value: headM, quantity: 'length', decimals: 2 },
      ],
      notes: [
        'Coil, return-temperature valve and flow meter not included: add the manufacturers’ values.',
        'The stove keeps burning on power failure: its heat leak must work without a pump, and relief must discharge to a safe place. Work on it is for a registered installer.',
      ],
    }
  },
})

export const fireIntoStore = defineCalculator({
  name: 'fire-into-store',
  title: 'Stove output to cylinder',
  about: 'Output of a boiler stove from the heating rate of its cylinder, and occupants served.',
  source: 'P = V ρ c ΔT / t, plus loss meanwhile; occupants by their daily volume',
  input: input(
    ['volumeL', 'fromC', 'toC', 'minutes', 'hoursPerDay', 'personL', 'coldC', 'targetC'],
    ['uaWK', 'ambientC'],
  ),
  results: {
    powerKw: { label: 'Output', quantity: 'power' },
    kwhDay: { label: 'Per day', unit: 'kWh', decimals: 1 },
    persons: { label: 'Serves', unit: 'persons', decimals: 1 },
  },
  example: {
    volumeL: 200,
    fromC: 35,
    toC: 47,
    minutes: 60,
    hoursPerDay: 6,
    personL: 40,
    coldC: 8,
    targetC: 40,
    uaWK: 2,
    ambientC: 18,
  },
  work: ({ volumeL, fromC, toC, minutes, hoursPerDay, personL, coldC, targetC, uaWK, ambientC }) => {
    needsAbove('toC', toC, fromC, 'the start')
    needsAbove('targetC', targetC, coldC, 'the cold water')
    const meanC = (fromC + toC) / 2
    const storedKw = (volumeL * heatPerLitre(fromC, toC) * (toC - fromC)) / (minutes * 60)
    const lostKw = uaWK === undefined || ambientC === undefined ? 0 : (uaWK * (meanC - ambientC)) / 1000
    const powerKw = storedKw + lostKw
    const kwhDay = powerKw * hoursPerDay
    const personKwh = (personL * heatPerLitre(coldC, targetC) * (targetC - coldC)) / 3600
    const persons = kwhDay / personKwh
    return {
      out: { powerKw, kwhDay, persons },
      steps: [
        { label: 'Stored', formula: 'volume × ρ c × rise / time', value: storedKw, quantity: 'power' },
        { label: 'Loss meanwhile', formula: 'UA × (mean of the cylinder − air)', value: lostKw, quantity: 'power' },
        { label: 'Per day', formula: 'output × hours of firing', value: kwhDay, unit: 'kWh', decimals: 1 },
        {
          label: 'Heat per occupant',
          formula: 'volume per day × ρ c × (required − cold)',
          value: personKwh,
          unit: 'kWh',
          decimals: 2,
        },
      ],
      notes: [
        'No draw-off during the test. Pipe losses and days without firing are not included.',
        ...(uaWK === undefined || ambientC === undefined
          ? ['Cylinder loss during the test not known and not included: actual output is higher.']
          : []),
      ],
    }
  },
})
