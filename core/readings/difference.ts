import { FIELDS } from '../calculators/fields'
import { tapOf } from '../household/lookups'
import { METER_SHARE, WATCH_S } from '../instruments/by-hand'
import { z } from '../schema/zod'
import { percentText } from '../units/percent'
import { defineReading, type Judgement } from './reading-kind'

export const difference = defineReading({
  kind: 'difference',
  title: 'Flow of one outlet, by difference',
  how: 'Close all that can be closed. Time the meter with the rest running, then with this outlet open too, as in use.',
  section: 'taps',
  needs: ['meter', 'watch'],
  at: 'tap',
  input: z.strictObject({
    othersL: FIELDS.othersL,
    othersS: FIELDS.othersS,
    volumeL: FIELDS.volumeL,
    seconds: FIELDS.seconds,
    water: z.enum(['mixed', 'hot', 'cold']),
  }),
  begin: { water: 'mixed' },
  possible: () => true,
  judge: (study, reading, { othersL, othersS, volumeL, seconds, water }): Judgement => {
    const tap = tapOf(study, reading.where)
    const [others, all] = [(othersL / othersS) * 60, (volumeL / seconds) * 60]
    const flowLMin = all - others
    const within = Math.hypot(others * (METER_SHARE + WATCH_S / othersS), all * (METER_SHARE + WATCH_S / seconds))
    const told = flowLMin > within
    const asUsed = told && water === (tap.mixes ? 'mixed' : 'hot')
    return {
      worked: {
        out: { flowLMin: told ? flowLMin : null, withinLMin: within },
        steps: [
          { label: 'The rest alone', formula: 'volume without it / time', value: others, quantity: 'flow' },
          { label: 'With it', formula: 'volume / time', value: all, quantity: 'flow' },
          { label: 'This outlet', formula: 'with it − the rest alone', value: flowLMin, quantity: 'flow' },
          {
            label: 'Give or take',
            formula: `each flow × (${percentText(METER_SHARE)} of the meter + ${WATCH_S} s / its time), as the root of the sum of squares`,
            value: within,
            quantity: 'flow',
          },
        ],
        notes: told
          ? []
          : ['The two flows cannot be told apart: close more of the rest, or time the meter for longer.'],
      },
      results: {
        flowLMin: { label: 'Flow', quantity: 'flow' },
        withinLMin: { label: 'Give or take', quantity: 'flow' },
      },
      verdict: asUsed
        ? {
            figure: { label: `Flow of ${tap.name}`, quantity: 'flow' },
            measured: flowLMin,
            modelled: tap.flowLMin,
            uncertainty: within,
            likely: ['outlet opened differently from normal use', 'the rest did not run evenly'],
          }
        : null,
      offers: asUsed
        ? [
            {
              path: `pipes.taps.${tap.id}.flowLMin`,
              label: `Flow of ${tap.name}`,
              value: Math.round(flowLMin * 100) / 100,
            },
          ]
        : [],
    }
  },
})
