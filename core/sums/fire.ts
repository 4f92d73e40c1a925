import { pressureDrop } from '../pipes/friction'
import { flowAtRise, heatPerLitre } from '../water/power'
import { input } from './fields'
import { defineSum, needsAbove, SumRefusal } from './sum'

/** Water of a pumped stove stays this far below boiling, °C: what a pump that stops leaves has still to go somewhere. */
const HOTTEST_PUMPED_C = 85
/** Above this copper is worn away and is heard, m/s. */
const FASTEST_MS = 1
/** Pascals of a metre of water. */
const PA_PER_M = 9806.65

export const stovePump = defineSum({
  name: 'stove-pump',
  title: 'Pump of a boiler stove',
  about: 'Flow and head that a pump needs to carry a fire’s heat into a store.',
  source: 'Flow = kW / (ρ c ΔT); head by Darcy–Weisbach with 64/Re or Blasius',
  input: input(['powerKw', 'riseK', 'returnC', 'lengthM', 'innerMm', 'fittingsEquivalentM']),
  results: {
    flowLMin: { label: 'Flow', quantity: 'flow' },
    headM: { label: 'Head of the pump', unit: 'm', decimals: 2 },
    speedMS: { label: 'Speed in the pipe', unit: 'm/s', decimals: 2 },
    flowC: { label: 'Leaves the fire at', quantity: 'temperature' },
    verdict: { label: 'Verdict' },
  },
  example: { powerKw: 8, riseK: 10, returnC: 55, lengthM: 12, innerMm: 26.2, fittingsEquivalentM: 8 },
  work: ({ powerKw, riseK, returnC, lengthM, innerMm, fittingsEquivalentM }) => {
    if (returnC + riseK > 100)
      throw new SumRefusal('riseK', `must leave the water below 100 °C: at most ${100 - returnC} K`)
    const flowLMin = flowAtRise(powerKw, returnC, riseK)
    const innerM = innerMm / 1000
    const meanC = returnC + riseK / 2
    const dropPa = pressureDrop(flowLMin, lengthM + fittingsEquivalentM, innerM, meanC)
    const headM = dropPa / PA_PER_M
    const speedMS = flowLMin / 60_000 / ((Math.PI / 4) * innerM ** 2)
    const flowC = returnC + riseK
    const verdict =
      flowC > HOTTEST_PUMPED_C ? 'too hot: more flow' : speedMS > FASTEST_MS ? 'too fast: a wider pipe' : 'works'
    return {
      out: { flowLMin, headM, speedMS, flowC, verdict },
      steps: [
        { label: 'Flow', formula: 'power / (ρ c × rise)', value: flowLMin, quantity: 'flow' },
        {
          label: 'Speed in the pipe',
          formula: 'flow / (π/4 × bore²)',
          value: speedMS,
          unit: 'm/s',
          decimals: 2,
        },
        {
          label: 'Friction',
          formula: 'f × (length + fittings) / bore × ρ v² / 2',
          value: dropPa,
          quantity: 'smallPressure',
          decimals: 0,
        },
        { label: 'Head', formula: 'friction / (ρ g)', value: headM, unit: 'm', decimals: 2 },
      ],
      notes: [
        'Coil, valve that keeps the return warm, and flow meter are not in it: add what their makers say.',
        'A fire goes on when the power fails and the pump stops: what takes its heat then has to work without a pump, and relief must be open to a safe place. Work on it is for the licensed.',
      ],
    }
  },
})

export const fireIntoStore = defineSum({
  name: 'fire-into-store',
  title: 'What a fire puts into a store',
  about: 'Power of a coil, jacket or boiler stove from how fast its store warms, and whom it serves.',
  source: 'P = V ρ c ΔT / t, with what the store lost meanwhile; persons by their litres a day',
  input: input(
    ['volumeL', 'fromC', 'toC', 'minutes', 'hoursPerDay', 'personL', 'coldC', 'targetC'],
    ['uaWK', 'ambientC'],
  ),
  results: {
    powerKw: { label: 'Into the water', quantity: 'power' },
    kwhDay: { label: 'A day', unit: 'kWh', decimals: 1 },
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
    needsAbove('toC', toC, fromC, 'where it started')
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
        { label: 'Lost meanwhile', formula: 'UA × (mean of the store − air)', value: lostKw, quantity: 'power' },
        { label: 'A day', formula: 'power × hours of fire', value: kwhDay, unit: 'kWh', decimals: 1 },
        {
          label: 'A person takes',
          formula: 'litres a day × ρ c × (wanted − cold)',
          value: personKwh,
          unit: 'kWh',
          decimals: 2,
        },
      ],
      notes: [
        'Nothing may be drawn while it is read. What the pipes to the taps lose is not in it; nights and days without a fire are not either.',
        ...(uaWK === undefined || ambientC === undefined
          ? ['What the store lost meanwhile is not known and not in it: the fire gives more than this.']
          : []),
      ],
    }
  },
})
