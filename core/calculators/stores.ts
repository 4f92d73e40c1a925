import { gravityFlow } from '../heaters/thermosiphon'
import { BELOW_RELIEF_BAR } from '../safety/relief'
import { z } from '../schema/zod'
import { standingUa, TEST_RISE_K, wrapped } from '../stores/standing-loss'
import { density, specificHeat } from '../water/properties'
import { defineCalculator, needsAbove, SumRefusal } from './calculator'
import { FIELDS, input, InsulationInput } from './fields'

/** Water of a store that a gravity circuit may reach, °C: beyond it, steam and relief. */
const HOTTEST_GRAVITY_C = 85

export const storeLoss = defineCalculator({
  name: 'store-loss',
  title: 'Cylinder standing loss',
  about: 'Standing loss from a test figure, without and with a jacket.',
  source: 'UA = loss / 24 h / test difference; a jacket adds d/λ in series over the covered share',
  input: z.strictObject({
    lossKwhDay: FIELDS.lossKwhDay,
    testRiseK: FIELDS.testRiseK.optional(),
    storeC: FIELDS.storeC,
    ambientC: FIELDS.ambientC,
    jacket: InsulationInput.extend({ areaM2: FIELDS.areaM2, coveredShare: FIELDS.coveredShare.optional() }).optional(),
  }),
  results: {
    uaWK: { label: 'Heat loss coefficient (UA)', quantity: 'lossRate' },
    kwhDay: { label: 'Per day', unit: 'kWh', decimals: 2 },
    kwhYear: { label: 'Per year', quantity: 'energy' },
  },
  example: {
    lossKwhDay: 2.1,
    testRiseK: 45,
    storeC: 60,
    ambientC: 15,
    jacket: { lambdaWMK: 0.04, thicknessMm: 80, areaM2: 2.2 },
  },
  work: ({ lossKwhDay, testRiseK = TEST_RISE_K, storeC, ambientC, jacket }) => {
    if (storeC < ambientC) throw new SumRefusal('storeC', 'must not be below the surrounding air')
    const bare = standingUa({ kind: 'test', kwhDay: lossKwhDay, riseK: testRiseK }, 0)
    const uaWK = jacket ? wrapped(bare, { ...jacket, share: jacket.coveredShare ?? 1 }) : bare
    const kwhDay = (uaWK * (storeC - ambientC) * 24) / 1000
    return {
      out: { uaWK, kwhDay, kwhYear: kwhDay * 365 },
      steps: [
        {
          label: 'UA from the test',
          formula: 'loss in 24 h × 1000 / 24 / test temperature difference',
          value: bare,
          quantity: 'lossRate',
        },
        ...(jacket
          ? [
              {
                label: 'UA with the jacket',
                formula: 'uncovered UA + 1 / (1/covered UA + thickness / (λ × area))',
                value: uaWK,
                quantity: 'lossRate',
              } as const,
            ]
          : []),
        {
          label: 'Per day',
          formula: 'UA × (cylinder − air) × 24 h',
          value: kwhDay,
          unit: 'kWh',
          decimals: 2,
        },
        { label: 'Per year', formula: 'per day × 365', value: kwhDay * 365, quantity: 'energy' },
      ],
      notes: jacket
        ? ['Keep controls, valves, draught hood and the top of a gas storage water heater clear of the jacket.']
        : [],
    }
  },
})

export const reheat = defineCalculator({
  name: 'reheat',
  title: 'Reheat time',
  about: 'Time for a heater to heat a cylinder from one temperature to another.',
  source: 'V ρ c ΔT / P',
  input: input(['volumeL', 'powerKw', 'fromC', 'toC']),
  results: { minutes: { label: 'Takes', unit: 'min', decimals: 0 }, kwh: { label: 'Heat', unit: 'kWh', decimals: 2 } },
  example: { volumeL: 200, powerKw: 3, fromC: 12, toC: 60 },
  work: ({ volumeL, powerKw, fromC, toC }) => {
    needsAbove('toC', toC, fromC, 'the start')
    const kwh = (volumeL * (density(fromC) / 1000) * specificHeat((fromC + toC) / 2) * (toC - fromC)) / 3600
    const minutes = (kwh / powerKw) * 60
    return {
      out: { minutes, kwh },
      steps: [
        { label: 'Heat', formula: 'volume × ρ × c × (to − from)', value: kwh, unit: 'kWh', decimals: 2 },
        { label: 'Takes', formula: 'heat / power × 60', value: minutes, unit: 'min', decimals: 0 },
      ],
      notes: ['Standing loss during reheat not included.'],
    }
  },
})

export const drawOff = defineCalculator({
  name: 'draw-off',
  title: 'Usable mixed water',
  about: 'Mixed water from one full cylinder.',
  source: 'Volume × usable share × (cylinder − cold) / (required − cold)',
  input: input(['volumeL', 'storeC', 'coldC', 'targetC', 'usableShare']),
  results: { mixedL: { label: 'Mixed water', quantity: 'volume', decimals: 0 } },
  example: { volumeL: 150, storeC: 60, coldC: 10, targetC: 40, usableShare: 0.8 },
  work: ({ volumeL, storeC, coldC, targetC, usableShare }) => {
    needsAbove('targetC', targetC, coldC, 'the cold water')
    if (targetC > storeC) throw new SumRefusal('targetC', 'must not be above the cylinder temperature')
    const hotL = volumeL * usableShare
    const mixedL = (hotL * (storeC - coldC)) / (targetC - coldC)
    return {
      out: { mixedL },
      steps: [
        { label: 'Usable hot water', formula: 'volume × usable share', value: hotL, quantity: 'volume', decimals: 0 },
        {
          label: 'Mixed water',
          formula: 'usable × (cylinder − cold) / (required − cold)',
          value: mixedL,
          quantity: 'volume',
          decimals: 0,
        },
      ],
      notes: [],
    }
  },
})

const ATMOSPHERE_BAR = 1.013

export const expansionVessel = defineCalculator({
  name: 'expansion-vessel',
  title: 'Expansion vessel',
  about: 'Expansion volume of heated water in a closed system, and vessel size.',
  source: 'V (ρ cold/ρ hot − 1); vessel by Boyle from its charge to just below relief',
  input: input(['volumeL', 'fromC', 'toC', 'pressureBar', 'reliefBar']),
  results: {
    grownL: { label: 'Expansion volume', quantity: 'volume', decimals: 1 },
    vesselL: { label: 'Minimum vessel volume', quantity: 'volume', decimals: 1 },
  },
  example: { volumeL: 200, fromC: 10, toC: 60, pressureBar: 3, reliefBar: 6 },
  work: ({ volumeL, fromC, toC, pressureBar, reliefBar }) => {
    needsAbove('toC', toC, fromC, 'the start')
    needsAbove(
      'reliefBar',
      reliefBar,
      pressureBar + BELOW_RELIEF_BAR,
      'the supply pressure with a margin for expansion',
    )
    const grownL = volumeL * (density(fromC) / density(toC) - 1)
    const fullBar = reliefBar - BELOW_RELIEF_BAR + ATMOSPHERE_BAR
    const share = (fullBar - (pressureBar + ATMOSPHERE_BAR)) / fullBar
    const vesselL = grownL / share
    return {
      out: { grownL, vesselL },
      steps: [
        {
          label: 'Expansion volume',
          formula: 'volume × (ρ cold / ρ hot − 1)',
          value: grownL,
          quantity: 'volume',
          decimals: 1,
        },
        { label: 'Usable share of the vessel', formula: '(full − charge) / full, absolute', value: share },
        {
          label: 'Vessel volume',
          formula: 'expansion volume / usable share',
          value: vesselL,
          quantity: 'volume',
          decimals: 1,
        },
      ],
      notes: [
        'Set the vessel charge to the reduced supply pressure before filling. It does not replace the relief valve, which must be tested yearly.',
      ],
    }
  },
})

export const thermosiphon = defineCalculator({
  name: 'thermosiphon',
  title: 'Gravity circulation',
  about: 'Gravity circulation between stove and cylinder, and flow temperature.',
  source: 'g h Δρ = f (L/D) ρv²/2 with 64/Re or Blasius',
  input: input(['heightM', 'lengthM', 'innerMm', 'fittingsEquivalentM', 'powerKw', 'returnC']),
  results: {
    flowLMin: { label: 'Flow', quantity: 'flow', decimals: 2 },
    riseK: { label: 'Rise', quantity: 'rise' },
    drivePa: { label: 'Drive', quantity: 'smallPressure', decimals: 0 },
    verdict: { label: 'Result' },
  },
  example: { heightM: 1.5, lengthM: 6, innerMm: 26.2, fittingsEquivalentM: 4, powerKw: 3, returnC: 45 },
  work: (circuit) => {
    const { flowLMin, riseK, drivePa } = gravityFlow(circuit)
    const flowC = circuit.returnC + riseK
    const horizontalM = Math.max(0, circuit.lengthM / 2 - circuit.heightM)
    const byRule = circuit.heightM >= horizontalM / 2
    const tooHot = flowC > HOTTEST_GRAVITY_C
    return {
      out: { flowLMin, riseK, drivePa, verdict: tooHot ? 'fail: too hot' : 'works' },
      steps: [
        {
          label: 'Drive',
          formula: 'g × height × (ρ cold − ρ hot)',
          value: drivePa,
          quantity: 'smallPressure',
          decimals: 0,
        },
        { label: 'Flow', formula: 'balance of drive and friction', value: flowLMin, quantity: 'flow', decimals: 2 },
        { label: 'Rise', formula: 'power / (flow × ρc)', value: riseK, quantity: 'rise' },
        { label: 'Flow temperature', formula: 'return + rise', value: flowC, quantity: 'temperature' },
      ],
      notes: [
        `Rule of thumb, 1 vertical to 2 horizontal: ${byRule ? 'met' : 'not met'}.`,
        'Cylinder level with or above the stove. Never run a coil dry; never heat a closed vessel; pipe relief to a safe place.',
      ],
    }
  },
})
