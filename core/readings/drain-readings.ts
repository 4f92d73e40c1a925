import type { Step } from '../calculators/calculator'
import { FIELDS } from '../calculators/fields'
import { warmUpOf } from '../household/warm-up'
import { z } from '../schema/zod'
import type { Recovery } from '../study/pipes'
import type { Study } from '../study/study'
import { waterPower } from '../water/power'
import { defineReading, impossible, type Judgement } from './reading-kind'
import { differenceK, STEADINESS, TAKEN_WITH } from './taken-with'
import { mainsOffer } from './water-readings'

/** Flows of the two sides that differ by less count as equal. */
const EQUAL_FLOWS = 0.15
/** Three temperatures make an effectiveness: what their errors come to together, in those of one difference. */
const TOGETHER = Math.SQRT2

/** What the unit gives less because each shower warms its wall first. */
function warmingSteps(study: Study, recovery: Recovery): Step[] {
  const warming = warmUpOf(study, recovery)
  if (!warming || warming.lostS === 0) return []
  return [
    {
      label: 'Lost while the unit warms up',
      formula: `warm-up time × (1 − e^(−t / warm-up time)) of a mean draw of ${warming.minutes.toFixed(1)} min`,
      value: warming.lostS,
      quantity: 'seconds',
    },
    {
      label: 'Share of the draw lost so',
      formula: 'seconds lost / length of the draw',
      value: 100 * warming.share,
      unit: '%',
      decimals: 0,
    },
  ]
}

/** The four temperatures, and the flows where they were read, °C and L/min. */
interface FourTemperatures {
  coldC: number
  preheatC: number
  drainC: number
  drainOutC: number
  coldLMin?: number
  drainLMin?: number
}

/** What the flows make of the temperatures: heat taken and given, kW, and what of the shower's heat comes back. */
function powers(
  { coldC, preheatC, drainC, drainOutC, coldLMin, drainLMin }: FourTemperatures,
  recovery: Recovery | null,
): { gotKw: number | null; steps: Step[]; notes: string[] } {
  const gotKw = coldLMin === undefined ? null : waterPower(coldLMin, coldC, preheatC)
  const gaveKw = drainLMin === undefined ? null : -waterPower(drainLMin, drainC, drainOutC)
  const showerKw = drainLMin === undefined ? 0 : waterPower(drainLMin, coldC, drainC + (recovery?.dropK ?? 0))
  const power = (label: string, formula: string, kw: number | null): Step[] =>
    kw === null ? [] : [{ label, formula, value: kw, quantity: 'power' }]
  return {
    gotKw,
    steps: [
      ...power('Recovered', 'cold flow / 60 × ρ × c × (preheated − cold)', gotKw),
      ...power('Given by the drain', 'drain flow / 60 × ρ × c × (drain in − drain out)', gaveKw),
      ...(gotKw === null || showerKw <= 0
        ? []
        : [
            {
              label: 'Share of the shower’s heat',
              formula: 'recovered / (drain flow × ρ × c × (drain in + drop − cold))',
              value: (100 * gotKw) / showerKw,
              unit: '%',
              decimals: 0,
            },
          ]),
    ],
    notes:
      gotKw !== null && gaveKw !== null && Math.abs(gotKw - gaveKw) > EQUAL_FLOWS * Math.max(gotKw, gaveKw)
        ? ['Heat taken and heat given differ: one flow or one temperature is wrong.']
        : [],
  }
}

export const drain = defineReading({
  kind: 'drain',
  title: 'Waste water heat recovery, four temperatures',
  how: 'Shower at steady flow: cold in and out of the unit, drain in and out.',
  section: 'drain',
  needs: ['thermometer'],
  at: null,
  input: z.strictObject({
    coldC: FIELDS.coldC,
    preheatC: FIELDS.preheatC,
    drainC: FIELDS.drainC,
    drainOutC: FIELDS.drainOutC,
    coldLMin: FIELDS.coldLMin.optional(),
    drainLMin: FIELDS.drainLMin.optional(),
    ...STEADINESS,
    ...TAKEN_WITH,
  }),
  begin: {},
  possible: () => true,
  judge: (study, reading, { coldC, preheatC, drainC, drainOutC, coldLMin, drainLMin, ...taken }): Judgement => {
    const wrong =
      preheatC < coldC || drainOutC > drainC || preheatC > drainC
        ? 'Heat must flow from drain to cold water: check the four values.'
        : null
    if (wrong || drainC <= coldC) return impossible(wrong ?? 'Drain must be warmer than the cold water.')
    const effectiveness = (preheatC - coldC) / (drainC - coldC)
    const flows = (drainC - drainOutC) / Math.max(0.01, preheatC - coldC)
    const within = (TOGETHER * differenceK(taken, reading)) / (drainC - coldC)
    const { recovery } = study.pipes
    // Rated at equal flows: what was read with others says nothing of it.
    const rated = recovery && Math.abs(flows - 1) < EQUAL_FLOWS ? recovery : null
    const { gotKw, steps, notes } = powers({ coldC, preheatC, drainC, drainOutC, coldLMin, drainLMin }, recovery)
    return {
      worked: {
        out: { effectiveness, within, flows, gotKw },
        steps: [
          {
            label: 'Effectiveness of the cold side',
            formula: '(preheated − cold) / (drain − cold)',
            value: effectiveness,
            decimals: 3,
          },
          {
            label: 'Cold flow / drain flow',
            formula: '(drain in − drain out) / (preheated − cold)',
            value: flows,
            decimals: 2,
          },
          ...steps,
          ...(recovery === null ? [] : warmingSteps(study, recovery)),
        ],
        notes: [
          ...(flows > 1 + EQUAL_FLOWS
            ? ['Drain gives more heat than the cold water takes: uneven film or thermometer error.']
            : []),
          ...notes,
          ...(study.pipes.recovery && !rated
            ? ['Flows of the two sides differ: the rated effectiveness holds at equal flows and is not corrected.']
            : []),
        ],
      },
      results: {
        effectiveness: { label: 'Effectiveness of the cold side', decimals: 3 },
        within: { label: 'Give or take', decimals: 3 },
        flows: { label: 'Cold flow / drain flow', decimals: 2 },
        gotKw: { label: 'Recovered', quantity: 'power' },
      },
      verdict: rated && {
        figure: { label: 'Effectiveness of the heat recovery unit', decimals: 3 },
        measured: effectiveness,
        modelled: rated.effectiveness,
        uncertainty: within,
        likely:
          effectiveness < rated.effectiveness
            ? ['film does not run all round: pipe not plumb', 'fouled inside', 'not yet steady']
            : ['drain read below the unit’s top', 'thermometers differ'],
      },
      // The cold water that came into the unit is the main's.
      offers: [
        mainsOffer(study, reading.takenAt, coldC),
        ...(rated
          ? [
              {
                path: 'pipes.recovery.effectiveness',
                label: 'Effectiveness of the heat recovery unit',
                value: Math.round(effectiveness * 1000) / 1000,
              },
            ]
          : []),
      ],
    }
  },
})
