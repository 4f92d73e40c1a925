import { pumpPower } from '../calculators/energy'
import { FIELDS, input } from '../calculators/fields'
import { dayOf } from '../household/lookups'
import { loopAir, loopUa } from '../household/loop'
import { loopFlowByCurve } from '../household/loop-flow'
import { SAFETY } from '../safety/limits'
import { z } from '../schema/zod'
import type { Loop } from '../study/pipes'
import type { Study } from '../study/study'
import { density, specificHeat } from '../water/properties'
import { defineReading, impossible, type Judgement } from './reading-kind'
import { differenceK, STEADINESS, TAKEN_WITH } from './taken-with'
import { workedBy } from './worked-by'

/** How well the flow of a loop is known by where it comes from, share of it: a meter or scale of the pump, or its curve. */
const FLOW_SHARE = { read: 0.05, curve: 0.3 } as const

/** Two pipe thermometers, one on the flow and one on the return, K, while nobody has said which. */
const PIPES_K = 1

interface LoopTemperatures {
  supplyC: number
  returnC: number
  ambientC: number
}

/** Heat that a litre a minute carries for each kelvin, W/K. */
const carriedAt = (supplyC: number) => (density(supplyC) * specificHeat(supplyC)) / 60

/** Mean excess of a loop over the air, by how far it has cooled, in heat capacity flows. */
const coolings = ({ supplyC, returnC, ambientC }: LoopTemperatures) =>
  Math.log((supplyC - ambientC) / (returnC - ambientC))

/** Said of a return that is too cool, whatever is known of the flow. */
const coolReturn = (returnC: number): string[] =>
  returnC < SAFETY.loopReturn.value
    ? ['Secondary return in the growth range or below its limit. Follow the local code.']
    : []

/** A flow that its two temperatures need for the loss its pipes have: an estimate, which rests on that loss. */
function estimatedFlow(study: Study, loop: Loop, at: LoopTemperatures): Judgement {
  const uaWK = loopUa(study)
  const flowLMin = uaWK / (coolings(at) * carriedAt(at.supplyC))
  const measured = loop.measuredUaWK !== null
  return {
    worked: {
      out: { estimateLMin: flowLMin, lossW: flowLMin * carriedAt(at.supplyC) * (at.supplyC - at.returnC) },
      steps: [
        {
          label: 'Heat loss coefficient (UA)',
          formula: measured ? 'as measured before' : 'calculated from its pipes',
          value: uaWK,
          quantity: 'lossRate',
        },
        {
          label: 'Flow, estimated',
          formula: 'UA / (ρ × c × ln((flow − air) / (return − air)))',
          value: flowLMin,
          quantity: 'flow',
        },
      ],
      notes: [
        `Estimate: it rests on the ${measured ? 'measured' : 'calculated'} loss, and says nothing of that loss.`,
        ...coolReturn(at.returnC),
      ],
    },
    results: {
      estimateLMin: { label: 'Pump flow rate, estimated', quantity: 'flow' },
      lossW: { label: 'Loses', quantity: 'watts' },
    },
    verdict: null,
    offers: [
      {
        path: 'pipes.loop.pumpLMin',
        label: 'Pump flow rate, estimated',
        value: Math.round(flowLMin * 100) / 100,
        origin: 'assumed',
      },
    ],
  }
}

export const loop = defineReading({
  kind: 'loop',
  title: 'Circulation flow and return',
  how: 'Pump running for 30 min, no draw-off: pipe thermometers on flow and return. Pump flow rate as read, or its curve; without either it is estimated.',
  section: 'loop',
  needs: ['thermometer'],
  at: null,
  input: z.strictObject({
    supplyC: FIELDS.supplyC,
    returnC: FIELDS.returnC,
    pumpLMin: FIELDS.pumpLMin.optional(),
    pumpHeadM: FIELDS.pumpHeadM.optional(),
    pumpMostLMin: FIELDS.pumpMostLMin.optional(),
    ambientC: FIELDS.ambientC.optional(),
    ...STEADINESS,
    ...TAKEN_WITH,
  }),
  begin: {},
  possible: (study) => study.pipes.loop !== null,
  judge: (
    study,
    reading,
    { supplyC, returnC, pumpLMin, pumpHeadM, pumpMostLMin, ambientC: readC, ...taken },
  ): Judgement => {
    const { loop } = study.pipes
    const ambientC = readC ?? loopAir(study, dayOf(reading.takenAt).month)
    const at = { supplyC, returnC, ambientC }
    const wrong =
      returnC > supplyC
        ? 'Return must not be above flow.'
        : returnC <= ambientC
          ? 'Return must be above the surrounding air.'
          : null
    if (wrong) return impossible(wrong)
    const byCurve = pumpLMin === undefined && pumpHeadM !== undefined && pumpMostLMin !== undefined
    if (pumpLMin === undefined && !byCurve)
      return returnC === supplyC
        ? impossible('Flow and return are equal: the flow cannot be estimated. Enter it as read.')
        : estimatedFlow(study, loop!, at)
    const flowLMin = pumpLMin ?? loopFlowByCurve(study, loop!, pumpHeadM!, pumpMostLMin!)
    const carriedWK = flowLMin * carriedAt(supplyC)
    const lossW = carriedWK * (supplyC - returnC)
    const uaWK = carriedWK * coolings(at)
    const modelled = loopUa(study)
    const dropK = differenceK(taken, reading, PIPES_K)
    return {
      worked: {
        out: { lossW, uaWK },
        steps: [
          ...(byCurve
            ? [
                {
                  label: 'Pump flow rate, estimated',
                  formula: 'where most head × (1 − (flow / most flow)²) meets the friction of the pipes',
                  value: flowLMin,
                  quantity: 'flow',
                } as const,
              ]
            : []),
          { label: 'Heat capacity flow', formula: 'flow × ρ × c', value: carriedWK, quantity: 'lossRate' },
          { label: 'Loses', formula: 'heat capacity flow × (flow − return)', value: lossW, quantity: 'watts' },
          {
            label: 'Surrounding air',
            formula: readC === undefined ? 'mean of the pipe locations, weighted by loss' : 'as read',
            value: ambientC,
            quantity: 'temperature',
          },
          {
            label: 'Heat loss coefficient (UA)',
            formula: 'heat capacity flow × ln((flow − air) / (return − air))',
            value: uaWK,
            quantity: 'lossRate',
          },
        ],
        notes: [
          ...(byCurve
            ? ['Flow by the pump’s curve is an estimate: check and balancing valves are not counted, so it is less.']
            : []),
          ...coolReturn(returnC),
        ],
      },
      results: {
        lossW: { label: 'Loses', quantity: 'watts' },
        uaWK: { label: 'Heat loss coefficient (UA)', quantity: 'lossRate' },
      },
      verdict: {
        figure: { label: 'Circulation heat loss coefficient (UA)', quantity: 'lossRate' },
        measured: uaWK,
        modelled,
        uncertainty: uaWK * (FLOW_SHARE[byCurve ? 'curve' : 'read'] + dropK / Math.max(dropK, supplyC - returnC)),
        likely:
          uaWK > modelled
            ? ['more uninsulated pipe than entered', 'longer than entered', 'a branch circulates too']
            : ['pump flow lower than read', 'better insulated than entered'],
      },
      // A flow that is only estimated corrects no loss.
      offers: byCurve
        ? [
            {
              path: 'pipes.loop.pumpLMin',
              label: 'Pump flow rate, estimated',
              value: Math.round(flowLMin * 100) / 100,
              origin: 'assumed',
            },
          ]
        : [
            {
              path: 'pipes.loop.measuredUaWK',
              label: 'Circulation loss, measured',
              value: Math.round(uaWK * 100) / 100,
            },
          ],
    }
  },
})

export const pump = defineReading({
  kind: 'pump',
  title: 'Circulation pump power',
  how: 'Clamp meter on one conductor; power factor from a wattmeter if available.',
  section: 'loop',
  needs: ['clamp meter'],
  at: null,
  input: input(['volts', 'amps'], ['powerFactor']),
  begin: {},
  possible: (study) => study.pipes.loop !== null,
  judge: (study, _reading, values) => {
    const worked = workedBy(pumpPower, { ...values, hoursPerDay: 24, priceKwh: 0 })
    const watts = worked.out.watts as number
    const { powerFactor } = values
    return {
      worked: { out: { watts }, steps: worked.steps.slice(0, 1), notes: worked.notes },
      results: { watts: { label: 'Draws', quantity: 'watts' } },
      verdict: {
        figure: { label: 'Circulation pump power', quantity: 'watts' },
        measured: watts,
        modelled: study.pipes.loop!.pumpW,
        uncertainty: 2 + watts * (powerFactor === undefined ? 0.5 : 0.05),
        likely: powerFactor === undefined ? ['volt-amperes read as watts'] : ['pump on another speed'],
      },
      // Without a power factor it is an upper bound and corrects nothing.
      offers:
        powerFactor !== undefined
          ? [{ path: 'pipes.loop.pumpW', label: 'Pump power', value: Math.round(watts * 10) / 10 }]
          : [],
    }
  },
})
