import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre, wallHeatPerMetre, warmUpVolumePerMetre } from '../pipes/contents'
import { coolDownHours, pipeLoss } from '../pipes/loss'
import { SAFETY } from '../safety/limits'
import { z } from '../schema/zod'
import { density, specificHeat } from '../water/properties'
import { defineCalculator, needsAbove } from './calculator'
import { FIELDS, input, InsulationInput, PipeInput, sized } from './fields'

const LITRES = { quantity: 'volume', decimals: 2 } as const

export const pipeContent = defineCalculator({
  name: 'pipe-content',
  title: 'Pipe volume',
  about: 'Volume of a run, heat capacity of its wall, and hot water needed to warm it.',
  source: 'Bore and wall of standard sizes; warm-up volume = pipe volume × (1 + C wall / C water)',
  input: PipeInput,
  results: {
    volumeL: { label: 'Pipe volume', ...LITRES },
    wallKjPerK: { label: 'Heat capacity of the wall', quantity: 'heatCapacity', decimals: 2 },
    warmUpVolumeL: { label: 'Warm-up volume', ...LITRES },
  },
  example: { material: 'copper-en', size: '22', lengthM: 12 },
  work: ({ material, size, lengthM }) => {
    const pipe = pipeOf(material, size)
    const perMetre = contentsPerMetre(pipe)
    const volumeL = perMetre * lengthM
    const wallKjPerK = wallHeatPerMetre(pipe) * lengthM
    const warmUpVolumeL = warmUpVolumePerMetre(pipe) * lengthM
    return {
      out: { volumeL, wallKjPerK, warmUpVolumeL },
      steps: [
        {
          label: 'Bore',
          formula: 'outer diameter − 2 × wall',
          value: pipe.innerM * 1000,
          quantity: 'thickness',
          decimals: 2,
        },
        {
          label: 'Volume per length',
          formula: 'π/4 × bore²',
          value: perMetre,
          quantity: 'pipeContent',
          decimals: 4,
        },
        { label: 'Pipe volume', formula: 'volume per length × length', value: volumeL, ...LITRES },
        {
          label: 'Heat capacity of the wall',
          formula: 'metal × density × specific heat × length',
          value: wallKjPerK,
          quantity: 'heatCapacity',
          decimals: 2,
        },
        {
          label: 'Warm-up volume',
          formula: 'pipe volume + heat capacity of the wall / (ρ × c)',
          value: warmUpVolumeL,
          ...LITRES,
        },
      ],
      notes: [],
    }
  },
})

export const pipeLossSum = defineCalculator({
  name: 'pipe-loss',
  title: 'Pipe heat loss',
  about: 'Heat loss in still air, bare or insulated, and cooling time.',
  source: 'Conduction, Churchill & Chu 1975 and radiation, iterated on the surface temperature',
  input: sized(
    z.strictObject({
      material: FIELDS.material,
      size: FIELDS.size,
      waterC: FIELDS.waterC,
      ambientC: FIELDS.ambientC,
      insulation: InsulationInput.optional(),
    }),
  ),
  results: {
    lossWM: { label: 'Heat loss per length', quantity: 'pipeLoss', decimals: 1 },
    uWMK: { label: 'Linear heat loss coefficient', quantity: 'pipeLossRate', decimals: 3 },
    tauH: { label: 'Cools by 63% in', unit: 'h', decimals: 2 },
    surfaceC: { label: 'Surface', quantity: 'temperature' },
  },
  example: {
    material: 'copper-en',
    size: '22',
    waterC: 60,
    ambientC: 20,
    insulation: { lambdaWMK: 0.04, thicknessMm: 9 },
  },
  work: ({ material, size, waterC, ambientC, insulation }) => {
    const pipe = pipeOf(material, size)
    const loss = pipeLoss(pipe, waterC, ambientC, insulation)
    const tauH = coolDownHours(pipe, loss.uWMK)
    return {
      out: { lossWM: loss.lossWM, uWMK: loss.uWMK, tauH, surfaceC: loss.surfaceC },
      steps: [
        { label: 'Difference', formula: 'water − air', value: waterC - ambientC, quantity: 'rise' },
        {
          label: 'Surface',
          formula: 'balance of conduction with convection and radiation',
          value: loss.surfaceC,
          quantity: 'temperature',
        },
        {
          label: 'Linear heat loss coefficient',
          formula: '1 / (wall + insulation + outer film)',
          value: loss.uWMK,
          quantity: 'pipeLossRate',
          decimals: 3,
        },
        {
          label: 'Heat loss per length',
          formula: 'linear coefficient × difference',
          value: loss.lossWM,
          quantity: 'pipeLoss',
          decimals: 1,
        },
        {
          label: 'Cools by 63% in',
          formula: 'heat capacity of water and wall / linear coefficient',
          value: tauH,
          unit: 'h',
          decimals: 2,
        },
      ],
      notes: ['In still air; for buried or in-slab pipe an upper bound.'],
    }
  },
})

export const tapWait = defineCalculator({
  name: 'tap-wait',
  title: 'Time to tap',
  about: 'Pipe volume to an outlet, and time until hot.',
  source: 'Plug flow with wall heating, plus start-up delay',
  input: z.strictObject({
    runs: z.array(PipeInput).min(1).max(60),
    flowLMin: FIELDS.flowLMin,
    heaterDelayS: FIELDS.heaterDelayS.optional(),
  }),
  results: {
    contentL: { label: 'Pipe volume', ...LITRES },
    toWasteL: { label: 'Draw-off to waste', ...LITRES },
    waitS: { label: 'Time to tap', quantity: 'seconds' },
  },
  example: {
    runs: [
      { material: 'copper-en', size: '22', lengthM: 8 },
      { material: 'copper-en', size: '15', lengthM: 4 },
    ],
    flowLMin: 6,
    heaterDelayS: 7,
  },
  work: ({ runs, flowLMin, heaterDelayS = 0 }) => {
    const sum = (of: (r: (typeof runs)[number]) => number) => runs.reduce((s, r) => s + of(r), 0)
    const contentL = sum((r) => contentsPerMetre(pipeOf(r.material, r.size)) * r.lengthM)
    const warmUpVolumeL = sum((r) => warmUpVolumePerMetre(pipeOf(r.material, r.size)) * r.lengthM)
    const waitS = (warmUpVolumeL / flowLMin) * 60 + heaterDelayS
    const toWasteL = (flowLMin * waitS) / 60
    return {
      out: { contentL, toWasteL, waitS },
      steps: [
        { label: 'Pipe volume', formula: 'sum of pipe volumes', value: contentL, ...LITRES },
        {
          label: 'Warm-up volume',
          formula: 'sum of pipe volumes × (1 + C wall / C water)',
          value: warmUpVolumeL,
          ...LITRES,
        },
        {
          label: 'Time to tap',
          formula: 'warm-up volume / flow + start-up delay',
          value: waitS,
          quantity: 'seconds',
        },
        { label: 'Draw-off to waste', formula: 'flow × time to tap', value: toWasteL, ...LITRES },
      ],
      notes: ['From cold. Less for pipes still warm from a previous draw-off.'],
    }
  },
})

export const cupLength = defineCalculator({
  name: 'cup-length',
  title: 'Maximum run for a volume',
  about: 'Longest run within a chosen pipe volume.',
  source: 'Volume per length',
  input: sized(z.strictObject({ material: FIELDS.material, size: FIELDS.size, volumeL: FIELDS.volumeL })),
  results: { lengthM: { label: 'Maximum length', quantity: 'length', decimals: 2 } },
  example: { material: 'pex-en', size: '16x2', volumeL: 0.25 },
  work: ({ material, size, volumeL }) => {
    const perMetre = contentsPerMetre(pipeOf(material, size))
    const lengthM = volumeL / perMetre
    return {
      out: { lengthM },
      steps: [
        {
          label: 'Volume per length',
          formula: 'π/4 × bore²',
          value: perMetre,
          quantity: 'pipeContent',
          decimals: 4,
        },
        {
          label: 'Maximum length',
          formula: 'volume / volume per length',
          value: lengthM,
          quantity: 'length',
          decimals: 2,
        },
      ],
      notes: [],
    }
  },
})

export const loopLoss = defineCalculator({
  name: 'loop-loss',
  title: 'Circulation loss',
  about: 'Return temperature and annual loss of a pumped circulation.',
  source: 'T − Tₐ falls along the circulation as exp(−U′L/ṁc)',
  input: input(['uWMK', 'lengthM', 'supplyC', 'ambientC', 'pumpLMin'], ['hoursPerDay']),
  results: {
    returnC: { label: 'Return temperature', quantity: 'temperature', decimals: 2 },
    lossW: { label: 'Loss while running', quantity: 'watts' },
    kwhYear: { label: 'Per year', quantity: 'energy' },
  },
  example: { uWMK: 0.25, lengthM: 36, supplyC: 58, ambientC: 18, pumpLMin: 4, hoursPerDay: 12 },
  work: ({ uWMK, lengthM, supplyC, ambientC, pumpLMin, hoursPerDay = 24 }) => {
    const carriedWK = (pumpLMin / 60) * (density(supplyC) / 1000) * specificHeat(supplyC) * 1000
    const returnC = ambientC + (supplyC - ambientC) * Math.exp((-uWMK * lengthM) / carriedWK)
    const lossW = carriedWK * (supplyC - returnC)
    const kwhYear = (lossW * hoursPerDay * 365) / 1000
    return {
      out: { returnC, lossW, kwhYear },
      steps: [
        { label: 'Heat capacity flow', formula: 'flow × ρ × c', value: carriedWK, quantity: 'lossRate' },
        {
          label: 'Heat loss coefficient (UA)',
          formula: 'linear coefficient × length',
          value: uWMK * lengthM,
          quantity: 'lossRate',
        },
        {
          label: 'Return temperature',
          formula: 'air + (flow − air) × exp(−UA / heat capacity flow)',
          value: returnC,
          quantity: 'temperature',
          decimals: 2,
        },
        {
          label: 'Loss while running',
          formula: 'heat capacity flow × (flow − return)',
          value: lossW,
          quantity: 'watts',
        },
        { label: 'Per year', formula: 'loss × hours a day × 365', value: kwhYear, quantity: 'energy' },
      ],
      notes:
        returnC < SAFETY.loopReturn.value
          ? ['Secondary return in the growth range or below its limit. Follow the local code.']
          : [],
    }
  },
})

export const wasteYear = defineCalculator({
  name: 'waste-year',
  title: 'Annual draw-off to waste',
  about: 'Volume drawn off to waste, and its water and heat cost.',
  source: 'Litres × (hot − cold) × ρc / efficiency',
  input: input(['litresPerWait', 'waitsPerDay', 'waterPriceM3', 'hotC', 'coldC', 'efficiency', 'priceKwh']),
  results: {
    litresYear: { label: 'Annual draw-off to waste', quantity: 'bigVolume' },
    waterCostYear: { label: 'Water cost', unit: 'money', decimals: 2 },
    heatCostYear: { label: 'Heat cost', unit: 'money', decimals: 2 },
  },
  example: { litresPerWait: 3, waitsPerDay: 6, waterPriceM3: 4, hotC: 50, coldC: 11, efficiency: 0.85, priceKwh: 0.12 },
  work: ({ litresPerWait, waitsPerDay, waterPriceM3, hotC, coldC, efficiency, priceKwh }) => {
    needsAbove('hotC', hotC, coldC, 'the cold water')
    const litresYear = litresPerWait * waitsPerDay * 365
    const waterCostYear = (litresYear / 1000) * waterPriceM3
    const kwh = (litresYear * (density(coldC) / 1000) * specificHeat((hotC + coldC) / 2) * (hotC - coldC)) / 3600
    const heatCostYear = (kwh / efficiency) * priceKwh
    return {
      out: { litresYear, waterCostYear, heatCostYear },
      steps: [
        {
          label: 'Annual draw-off to waste',
          formula: 'volume per use × uses per day × 365',
          value: litresYear,
          quantity: 'bigVolume',
        },
        { label: 'Water cost', formula: 'volume × price of water', value: waterCostYear, unit: 'money', decimals: 2 },
        {
          label: 'Heat',
          formula: 'volume × ρc × (hot − cold)',
          value: kwh,
          quantity: 'energy',
          decimals: 1,
        },
        {
          label: 'Heat cost',
          formula: 'heat / efficiency × price per kWh',
          value: heatCostYear,
          unit: 'money',
          decimals: 2,
        },
      ],
      notes: ['The heat is that of the hot water left to cool in the pipes, equal in volume.'],
    }
  },
})
