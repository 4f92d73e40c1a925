import { CONNECTIONS, drainRecovery } from '../recovery/drain-recovery'
import { SAFETY } from '../safety/limits'
import { scaldSeconds } from '../safety/scald'
import { z } from '../schema/zod'
import { GAL_L } from '../units/quantities'
import { defineCalculator, needsAbove, SumRefusal } from './calculator'
import { FIELDS, input } from './fields'

export const bucketFlow = defineCalculator({
  name: 'bucket-flow',
  title: 'Flow by bucket and stopwatch',
  about: 'Outlet flow from a volume and a time.',
  source: 'Volume over time',
  input: input(['volumeL', 'seconds']),
  results: { flowLMin: { label: 'Flow', quantity: 'flow' }, flowGpm: { label: 'The same', unit: 'gpm', decimals: 2 } },
  example: { volumeL: 5, seconds: 38 },
  work: ({ volumeL, seconds }) => {
    const flowLMin = (volumeL / seconds) * 60
    return {
      out: { flowLMin, flowGpm: flowLMin / GAL_L },
      steps: [{ label: 'Flow', formula: 'volume / seconds × 60', value: flowLMin, quantity: 'flow' }],
      notes: [],
    }
  },
})

export const mix = defineCalculator({
  name: 'mix',
  title: 'Mixing hot and cold',
  about: 'Hot share of a mixed flow.',
  source: 'Heat balance of the mixer',
  input: input(['hotC', 'coldC', 'targetC', 'flowLMin']),
  results: {
    hotShare: { label: 'Share of hot water', decimals: 3 },
    hotLMin: { label: 'Hot', quantity: 'flow' },
    coldLMin: { label: 'Cold', quantity: 'flow' },
  },
  example: { hotC: 60, coldC: 10, targetC: 39, flowLMin: 9 },
  work: ({ hotC, coldC, targetC, flowLMin }) => {
    needsAbove('hotC', hotC, coldC, 'the cold water')
    if (targetC > hotC) throw new SumRefusal('targetC', 'must not be above the hot water')
    if (targetC < coldC) throw new SumRefusal('targetC', 'must not be below the cold water')
    const hotShare = (targetC - coldC) / (hotC - coldC)
    return {
      out: { hotShare, hotLMin: flowLMin * hotShare, coldLMin: flowLMin * (1 - hotShare) },
      steps: [
        { label: 'Share of hot water', formula: '(required − cold) / (hot − cold)', value: hotShare, decimals: 3 },
        { label: 'Hot', formula: 'flow × share', value: flowLMin * hotShare, quantity: 'flow' },
        { label: 'Cold', formula: 'flow × (1 − share)', value: flowLMin * (1 - hotShare), quantity: 'flow' },
      ],
      notes: [],
    }
  },
})

export const scald = defineCalculator({
  name: 'scald',
  title: 'Time to deep burn',
  about: 'Contact time to a deep burn at a water temperature.',
  source: 'Time against temperature, logarithm interpolated; children about a quarter',
  input: input(['tempC']),
  results: {
    adultS: { label: 'Adult', quantity: 'seconds', decimals: 1 },
    childS: { label: 'Child, or thin skin', quantity: 'seconds', decimals: 1 },
  },
  example: { tempC: 57 },
  work: ({ tempC }) => {
    const { adultS, childS } = scaldSeconds(tempC)
    return {
      out: { adultS, childS },
      steps: [
        {
          label: 'Adult',
          formula: 'logarithmic interpolation of the table',
          value: adultS,
          quantity: 'seconds',
          decimals: 1,
        },
        { label: 'Child', formula: 'a quarter of the adult time', value: childS, quantity: 'seconds', decimals: 1 },
      ],
      notes: [
        tempC > SAFETY.scalds.value
          ? 'Scald risk: fit a thermostatic mixing valve, and follow the local code.'
          : 'Long, but not unlimited: keep a child’s bath at skin temperature.',
      ],
    }
  },
})

export const drainRecoverySum = defineCalculator({
  name: 'drain-recovery',
  title: 'Waste water heat recovery',
  about: 'Share of a shower’s heat saved by waste water heat recovery, by connection.',
  source: 'Counterflow effectiveness; UA ∝ flow^0.35; mixer balance',
  input: z.strictObject({
    connection: z.enum(CONNECTIONS),
    effectiveness: FIELDS.effectiveness,
    ratedFlowLMin: FIELDS.ratedFlowLMin,
    showerFlowLMin: FIELDS.showerFlowLMin,
    showerC: FIELDS.showerC,
    drainC: FIELDS.drainC,
    hotC: FIELDS.hotC,
    coldC: FIELDS.coldC,
  }),
  results: {
    preheatC: { label: 'Preheated to', quantity: 'temperature' },
    hotShare: { label: 'Share of hot water at the mixer', decimals: 3 },
    savedShare: { label: 'Share of the heat saved', decimals: 3 },
  },
  example: {
    connection: 'A',
    effectiveness: 0.5,
    ratedFlowLMin: 10,
    showerFlowLMin: 10,
    showerC: 40,
    drainC: 36,
    hotC: 55,
    coldC: 10,
  },
  work: ({ connection, effectiveness, ratedFlowLMin, ...shower }) => {
    needsAbove('drainC', shower.drainC, shower.coldC, 'the cold water')
    if (shower.drainC > shower.showerC) throw new SumRefusal('drainC', 'must not be above the shower temperature')
    needsAbove('hotC', shower.hotC, shower.showerC, 'the shower')
    const r = drainRecovery(connection, { effectiveness, ratedFlowLMin }, shower)
    return {
      out: { preheatC: r.preheatC, hotShare: r.hotShare, savedShare: r.savedShare },
      steps: [
        {
          label: 'Hot share without it',
          formula: '(shower − cold) / (hot − cold)',
          value: (shower.showerC - shower.coldC) / (shower.hotC - shower.coldC),
          decimals: 3,
        },
        {
          label: 'Preheated to',
          formula: 'cold + effectiveness at this flow × (drain − cold)',
          value: r.preheatC,
          quantity: 'temperature',
        },
        {
          label: 'Hot share with it',
          formula:
            connection === 'C'
              ? 'unchanged: only the heater receives preheated water'
              : '(shower − cold side) / (hot − cold side)',
          value: r.hotShare,
          decimals: 3,
        },
        {
          label: 'Share of the heat saved',
          formula: 'heat saved / heat of the shower',
          value: r.savedShare,
          decimals: 3,
        },
      ],
      notes: ['Only draw-offs that drain while they run: showers, not baths.'],
    }
  },
})
