import { gravityFlow } from '../heaters/thermosiphon'
import { z } from '../schema/zod'
import { standingUa, TEST_RISE_K, wrapped } from '../stores/standing-loss'
import { density, specificHeat } from '../water/properties'
import { FIELDS, input, InsulationInput } from './fields'
import { defineSum, needsAbove, SumRefusal } from './sum'

/** Water of a store that a gravity circuit may reach, °C: beyond it, steam and relief. */
const HOTTEST_GRAVITY_C = 85

export const storeLoss = defineSum({
  name: 'store-loss',
  title: 'What a store loses standing',
  about: 'Standing loss from a test figure, and what a jacket leaves of it.',
  source: 'UA = loss / 24 h / test difference; a jacket adds d/λ in series over the share it covers',
  input: z.strictObject({
    lossKwhDay: FIELDS.lossKwhDay,
    testRiseK: FIELDS.testRiseK.optional(),
    storeC: FIELDS.storeC,
    ambientC: FIELDS.ambientC,
    jacket: InsulationInput.extend({ areaM2: FIELDS.areaM2, coveredShare: FIELDS.coveredShare.optional() }).optional(),
  }),
  results: {
    uaWK: { label: 'Loss for each kelvin', quantity: 'lossRate' },
    kwhDay: { label: 'A day', unit: 'kWh', decimals: 2 },
    kwhYear: { label: 'A year', quantity: 'energy' },
  },
  example: {
    lossKwhDay: 2.1,
    testRiseK: 45,
    storeC: 60,
    ambientC: 15,
    jacket: { lambdaWMK: 0.04, thicknessMm: 80, areaM2: 2.2 },
  },
  work: ({ lossKwhDay, testRiseK = TEST_RISE_K, storeC, ambientC, jacket }) => {
    if (storeC < ambientC) throw new SumRefusal('storeC', `must not be below the air, ${ambientC} °C`)
    const bare = standingUa({ kind: 'test', kwhDay: lossKwhDay, riseK: testRiseK }, 0)
    const uaWK = jacket ? wrapped(bare, { ...jacket, share: jacket.coveredShare ?? 1 }) : bare
    const kwhDay = (uaWK * (storeC - ambientC) * 24) / 1000
    return {
      out: { uaWK, kwhDay, kwhYear: kwhDay * 365 },
      steps: [
        {
          label: 'From the test',
          formula: 'loss in 24 h × 1000 / 24 / difference in the test',
          value: bare,
          quantity: 'lossRate',
        },
        ...(jacket
          ? [
              {
                label: 'With the jacket',
                formula: 'what is not covered + 1 / (1/covered UA + thickness / (λ × area))',
                value: uaWK,
                quantity: 'lossRate',
              } as const,
            ]
          : []),
        {
          label: 'A day',
          formula: 'loss for each kelvin × (store − air) × 24 h',
          value: kwhDay,
          unit: 'kWh',
          decimals: 2,
        },
        { label: 'A year', formula: 'a day × 365', value: kwhDay * 365, quantity: 'energy' },
      ],
      notes: jacket ? ['Leave controls, valves, draught hood and the top of a gas store clear of the jacket.'] : [],
    }
  },
})

export const reheat = defineSum({
  name: 'reheat',
  title: 'Time to heat up',
  about: 'Minutes a heater needs to bring a store from one temperature to another.',
  source: 'V ρ c ΔT / P',
  input: input(['volumeL', 'powerKw', 'fromC', 'toC']),
  results: { minutes: { label: 'Takes', unit: 'min', decimals: 0 }, kwh: { label: 'Heat', unit: 'kWh', decimals: 2 } },
  example: { volumeL: 200, powerKw: 3, fromC: 12, toC: 60 },
  work: ({ volumeL, powerKw, fromC, toC }) => {
    needsAbove('toC', toC, fromC, 'where it starts')
    const kwh = (volumeL * (density(fromC) / 1000) * specificHeat((fromC + toC) / 2) * (toC - fromC)) / 3600
    const minutes = (kwh / powerKw) * 60
    return {
      out: { minutes, kwh },
      steps: [
        { label: 'Heat', formula: 'volume × ρ × c × (to − from)', value: kwh, unit: 'kWh', decimals: 2 },
        { label: 'Takes', formula: 'heat / power × 60', value: minutes, unit: 'min', decimals: 0 },
      ],
      notes: ['Standing loss meanwhile is left out.'],
    }
  },
})

export const drawOff = defineSum({
  name: 'draw-off',
  title: 'How much a store gives',
  about: 'Litres of mixed water from one full store.',
  source: 'Volume × usable share × (store − cold) / (wanted − cold)',
  input: input(['volumeL', 'storeC', 'coldC', 'targetC', 'usableShare']),
  results: { mixedL: { label: 'Mixed water', quantity: 'volume', decimals: 0 } },
  example: { volumeL: 150, storeC: 60, coldC: 10, targetC: 40, usableShare: 0.8 },
  work: ({ volumeL, storeC, coldC, targetC, usableShare }) => {
    needsAbove('targetC', targetC, coldC, 'the cold water')
    if (targetC > storeC) throw new SumRefusal('targetC', `must not be hotter than the store, ${storeC} °C`)
    const hotL = volumeL * usableShare
    const mixedL = (hotL * (storeC - coldC)) / (targetC - coldC)
    return {
      out: { mixedL },
      steps: [
        { label: 'Usable hot water', formula: 'volume × usable share', value: hotL, quantity: 'volume', decimals: 0 },
        {
          label: 'Mixed water',
          formula: 'usable × (store − cold) / (wanted − cold)',
          value: mixedL,
          quantity: 'volume',
          decimals: 0,
        },
      ],
      notes: [],
    }
  },
})

/** Above its opening a relief valve lets go before the vessel is full: the vessel is reckoned with a little less, bar. */
const BELOW_RELIEF_BAR = 0.5
const ATMOSPHERE_BAR = 1.013

export const expansionVessel = defineSum({
  name: 'expansion-vessel',
  title: 'Expansion vessel of a store',
  about: 'Litres that heated water grows by in a closed system, and the vessel that takes them.',
  source: 'V (ρ cold/ρ hot − 1); vessel by Boyle from its charge to half a bar below relief',
  input: input(['volumeL', 'fromC', 'toC', 'pressureBar', 'reliefBar']),
  results: {
    grownL: { label: 'Grows by', quantity: 'volume', decimals: 1 },
    vesselL: { label: 'Vessel of at least', quantity: 'volume', decimals: 1 },
  },
  example: { volumeL: 200, fromC: 10, toC: 60, pressureBar: 3, reliefBar: 6 },
  work: ({ volumeL, fromC, toC, pressureBar, reliefBar }) => {
    needsAbove('toC', toC, fromC, 'where it starts')
    needsAbove('reliefBar', reliefBar, pressureBar + BELOW_RELIEF_BAR, 'the main and half a bar')
    const grownL = volumeL * (density(fromC) / density(toC) - 1)
    const fullBar = reliefBar - BELOW_RELIEF_BAR + ATMOSPHERE_BAR
    const share = (fullBar - (pressureBar + ATMOSPHERE_BAR)) / fullBar
    const vesselL = grownL / share
    return {
      out: { grownL, vesselL },
      steps: [
        { label: 'Grows by', formula: 'volume × (ρ cold / ρ hot − 1)', value: grownL, quantity: 'volume', decimals: 1 },
        { label: 'Share of the vessel that fills', formula: '(full − charge) / full, absolute', value: share },
        { label: 'Vessel', formula: 'growth / share', value: vesselL, quantity: 'volume', decimals: 1 },
      ],
      notes: [
        'Charge the vessel to the pressure of the main behind its reducer before it is filled. It does not stand in for a relief valve, which opens once a year to be seen to work.',
      ],
    }
  },
})

export const thermosiphon = defineSum({
  name: 'thermosiphon',
  title: 'Gravity circulation',
  about: 'Whether a fire heats a store without a pump, and how hot the water leaves it.',
  source: 'g h Δρ = f (L/D) ρv²/2 with 64/Re or Blasius',
  input: input(['heightM', 'lengthM', 'innerMm', 'fittingsEquivalentM', 'powerKw', 'returnC']),
  results: {
    flowLMin: { label: 'Flow', quantity: 'flow', decimals: 2 },
    riseK: { label: 'Rise', quantity: 'rise' },
    drivePa: { label: 'Drive', quantity: 'smallPressure', decimals: 0 },
    verdict: { label: 'Verdict' },
  },
  example: { heightM: 1.5, lengthM: 6, innerMm: 26.2, fittingsEquivalentM: 4, powerKw: 3, returnC: 45 },
  work: (circuit) => {
    const { flowLMin, riseK, drivePa } = gravityFlow(circuit)
    const flowC = circuit.returnC + riseK
    const horizontalM = Math.max(0, circuit.lengthM / 2 - circuit.heightM)
    const byRule = circuit.heightM >= horizontalM / 2
    const tooHot = flowC > HOTTEST_GRAVITY_C
    return {
      out: { flowLMin, riseK, drivePa, verdict: tooHot ? 'refuse: too hot' : 'works' },
      steps: [
        {
          label: 'Drive',
          formula: 'g × height × (ρ cold − ρ hot)',
          value: drivePa,
          quantity: 'smallPressure',
          decimals: 0,
        },
        { label: 'Flow', formula: 'where friction takes up the drive', value: flowLMin, quantity: 'flow', decimals: 2 },
        { label: 'Rise', formula: 'power / (flow × ρc)', value: riseK, quantity: 'rise' },
        { label: 'Leaves the fire at', formula: 'return + rise', value: flowC, quantity: 'temperature' },
      ],
      notes: [
        `By the trade’s rule of one vertical for each two horizontal: ${byRule ? 'holds' : 'does not hold'} (${circuit.heightM} m up, about ${Math.round(horizontalM * 10) / 10} m along).`,
        'The store stands at or above the fire. Never a dry coil, never a closed vessel; relief piped to a safe place.',
      ],
    }
  },
})
