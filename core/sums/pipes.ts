import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre, frontPerMetre, wallHeatPerMetre } from '../pipes/contents'
import { coolDownHours, pipeLoss } from '../pipes/loss'
import { SAFETY } from '../safety/limits'
import { z } from '../schema/zod'
import { density, specificHeat } from '../water/properties'
import { FIELDS, input, InsulationInput, PipeInput, sized } from './fields'
import { defineSum, needsAbove } from './sum'

const LITRES = { quantity: 'volume', decimals: 2 } as const

export const pipeContent = defineSum({
  name: 'pipe-content',
  title: 'What a pipe holds',
  about: 'Litres in a run, the heat its wall takes, and the hot water that must enter before it runs warm.',
  source: 'Bore and wall of the standard sizes; front = contents × (1 + C wall / C water)',
  input: PipeInput,
  results: {
    volumeL: { label: 'Contents', ...LITRES },
    wallKjPerK: { label: 'Heat of the wall for each kelvin', quantity: 'heatCapacity', decimals: 2 },
    frontL: { label: 'Hot water to fill it', ...LITRES },
  },
  example: { material: 'copper-en', size: '22', lengthM: 12 },
  work: ({ material, size, lengthM }) => {
    const pipe = pipeOf(material, size)
    const perMetre = contentsPerMetre(pipe)
    const volumeL = perMetre * lengthM
    const wallKjPerK = wallHeatPerMetre(pipe) * lengthM
    const frontL = frontPerMetre(pipe) * lengthM
    return {
      out: { volumeL, wallKjPerK, frontL },
      steps: [
        {
          label: 'Bore',
          formula: 'outer diameter − 2 × wall',
          value: pipe.innerM * 1000,
          quantity: 'thickness',
          decimals: 2,
        },
        {
          label: 'Contents along the pipe',
          formula: 'π/4 × bore²',
          value: perMetre,
          quantity: 'pipeContent',
          decimals: 4,
        },
        { label: 'Contents', formula: 'contents of a metre × length', value: volumeL, ...LITRES },
        {
          label: 'Heat of the wall',
          formula: 'metal × density × specific heat × length',
          value: wallKjPerK,
          quantity: 'heatCapacity',
          decimals: 2,
        },
        {
          label: 'Hot water to fill it',
          formula: 'contents + heat of the wall / heat of a litre',
          value: frontL,
          ...LITRES,
        },
      ],
      notes: [],
    }
  },
})

export const pipeLossSum = defineSum({
  name: 'pipe-loss',
  title: 'What a pipe loses',
  about: 'Heat lost by a metre in still air, bare or insulated, and how fast it cools.',
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
    lossWM: { label: 'Loss along the pipe', quantity: 'pipeLoss', decimals: 1 },
    uWMK: { label: 'The same for each kelvin', quantity: 'pipeLossRate', decimals: 3 },
    tauH: { label: 'Cools by 63 % in', unit: 'h', decimals: 2 },
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
          formula: 'where wall and insulation pass on what the air and radiation take',
          value: loss.surfaceC,
          quantity: 'temperature',
        },
        {
          label: 'Loss along the pipe for each degree',
          formula: '1 / (wall + insulation + outer film)',
          value: loss.uWMK,
          quantity: 'pipeLossRate',
          decimals: 3,
        },
        {
          label: 'Loss along the pipe',
          formula: 'loss for each kelvin × difference',
          value: loss.lossWM,
          quantity: 'pipeLoss',
          decimals: 1,
        },
        {
          label: 'Cools by 63 % in',
          formula: 'heat held by water and wall / loss for each kelvin',
          value: tauH,
          unit: 'h',
          decimals: 2,
        },
      ],
      notes: ['In still air; in the ground or a slab take it as an upper bound.'],
    }
  },
})

export const tapWait = defineSum({
  name: 'tap-wait',
  title: 'Wait at a tap',
  about: 'Litres that stand in the runs to a tap, and the seconds until it runs hot.',
  source: 'Plug flow; each front heats its wall; the heater’s delay comes on top',
  input: z.strictObject({
    runs: z.array(PipeInput).min(1).max(60),
    flowLMin: FIELDS.flowLMin,
    heaterDelayS: FIELDS.heaterDelayS.optional(),
  }),
  results: {
    contentL: { label: 'Stands in the runs', ...LITRES },
    runOffL: { label: 'Runs off', ...LITRES },
    waitS: { label: 'Wait', quantity: 'seconds' },
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
    const frontL = sum((r) => frontPerMetre(pipeOf(r.material, r.size)) * r.lengthM)
    const waitS = (frontL / flowLMin) * 60 + heaterDelayS
    const runOffL = (flowLMin * waitS) / 60
    return {
      out: { contentL, runOffL, waitS },
      steps: [
        { label: 'Stands in the runs', formula: 'sum of contents', value: contentL, ...LITRES },
        {
          label: 'Hot water to fill them',
          formula: 'sum of contents × (1 + C wall / C water)',
          value: frontL,
          ...LITRES,
        },
        {
          label: 'Wait',
          formula: 'hot water to fill them / flow + delay of the heater',
          value: waitS,
          quantity: 'seconds',
        },
        { label: 'Runs off', formula: 'flow × wait', value: runOffL, ...LITRES },
      ],
      notes: ['From cold. A run still warm from the draw before waits less.'],
    }
  },
})

export const cupLength = defineSum({
  name: 'cup-length',
  title: 'How far a cup reaches',
  about: 'The longest run that holds no more than a chosen volume.',
  source: 'Contents of a metre of pipe',
  input: sized(z.strictObject({ material: FIELDS.material, size: FIELDS.size, volumeL: FIELDS.volumeL })),
  results: { lengthM: { label: 'Longest run', quantity: 'length', decimals: 2 } },
  example: { material: 'pex-en', size: '16x2', volumeL: 0.25 },
  work: ({ material, size, volumeL }) => {
    const perMetre = contentsPerMetre(pipeOf(material, size))
    const lengthM = volumeL / perMetre
    return {
      out: { lengthM },
      steps: [
        {
          label: 'Contents along the pipe',
          formula: 'π/4 × bore²',
          value: perMetre,
          quantity: 'pipeContent',
          decimals: 4,
        },
        {
          label: 'Longest run',
          formula: 'volume / contents of a metre',
          value: lengthM,
          quantity: 'length',
          decimals: 2,
        },
      ],
      notes: [],
    }
  },
})

export const loopLoss = defineSum({
  name: 'loop-loss',
  title: 'What a loop loses',
  about: 'Return temperature and yearly heat of a pumped loop.',
  source: 'T − Tₐ falls along the loop as exp(−U′L/ṁc)',
  input: input(['uWMK', 'lengthM', 'supplyC', 'ambientC', 'pumpLMin'], ['hoursPerDay']),
  results: {
    returnC: { label: 'Comes back at', quantity: 'temperature', decimals: 2 },
    lossW: { label: 'Loses while it runs', quantity: 'watts' },
    kwhYear: { label: 'In a year', quantity: 'energy' },
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
        { label: 'Carried by the flow', formula: 'flow × ρ × c', value: carriedWK, quantity: 'lossRate' },
        {
          label: 'Lost for each kelvin',
          formula: 'loss of a metre for each kelvin × length',
          value: uWMK * lengthM,
          quantity: 'lossRate',
        },
        {
          label: 'Comes back at',
          formula: 'air + (leaves at − air) × exp(−lost / carried)',
          value: returnC,
          quantity: 'temperature',
          decimals: 2,
        },
        {
          label: 'Loses while it runs',
          formula: 'carried × (leaves at − comes back at)',
          value: lossW,
          quantity: 'watts',
        },
        { label: 'In a year', formula: 'loss × hours a day × 365', value: kwhYear, quantity: 'energy' },
      ],
      notes:
        returnC < SAFETY.loopReturn.value
          ? ['A return this cool lets bacteria grow in the loop. Follow the local code.']
          : [],
    }
  },
})

export const wasteYear = defineSum({
  name: 'waste-year',
  title: 'Run off in a year',
  about: 'Litres run off while waiting, and what their water and heat cost.',
  source: 'Litres × (hot − cold) × ρc / efficiency',
  input: input(['litresPerWait', 'waitsPerDay', 'waterPriceM3', 'hotC', 'coldC', 'efficiency', 'priceKwh']),
  results: {
    litresYear: { label: 'Run off in a year', quantity: 'bigVolume' },
    waterCostYear: { label: 'Its water', unit: 'money', decimals: 2 },
    heatCostYear: { label: 'Its heat', unit: 'money', decimals: 2 },
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
          label: 'Run off in a year',
          formula: 'litres a wait × waits a day × 365',
          value: litresYear,
          quantity: 'bigVolume',
        },
        { label: 'Its water', formula: 'litres × price of water', value: waterCostYear, unit: 'money', decimals: 2 },
        {
          label: 'Heat that follows it',
          formula: 'litres × ρc × (hot − cold)',
          value: kwh,
          quantity: 'energy',
          decimals: 1,
        },
        {
          label: 'Its heat',
          formula: 'heat / efficiency × price of a kWh',
          value: heatCostYear,
          unit: 'money',
          decimals: 2,
        },
      ],
      notes: ['The heat is what then stands and cools in the runs: as much hot water follows as has run off.'],
    }
  },
})
