import { FIELDS, input } from '../calculators/fields'
import { dayNumber } from '../calendar/year'
import { FLOW_STEP_K, flowTemperature } from '../heaters/flow-temperature'
import { z } from '../schema/zod'
import { displayOf } from '../study/display-of'
import { CIRCUITS, FLOW_C } from '../study/heating'
import { controlsOf } from '../study/in-force'
import type { Reading } from '../study/readings'
import type { Study } from '../study/study'
import { heatSourceOf } from '../year/heating/heating-year'
import { defineReading, type Offer } from './reading-kind'
import { TAKEN_WITH } from './taken-with'

/** A clock that gains or loses less than this a month holds its time, min. */
const DRIFT_MIN = 1
const DAYS_A_MONTH = 365 / 12
const daysBetween = (a: Reading, b: Reading) => dayNumber(b.takenAt.slice(0, 10)) - dayNumber(a.takenAt.slice(0, 10))

/** Minutes a month that a clock gains since it was read before; null where it never was, or on the same day. */
function drift(study: Study, reading: Reading, aheadMin: number): { perMonth: number; since: string } | null {
  const before = study.readings
    .filter(
      (r) => r.kind === 'clock' && r.where === reading.where && r.id !== reading.id && r.takenAt < reading.takenAt,
    )
    .sort((a, b) => a.takenAt.localeCompare(b.takenAt))
    .at(-1)
  const was = Number(before?.values.aheadMin)
  const days = before ? daysBetween(before, reading) : 0
  if (!before || Number.isNaN(was) || days < 1) return null
  return { perMonth: ((aheadMin - was) / days) * DAYS_A_MONTH, since: before.takenAt.slice(0, 10) }
}

export const clock = defineReading({
  kind: 'clock',
  title: 'Controller clock',
  how: 'Clock of the controller against the right time, before it is set.',
  section: 'heater',
  needs: ['watch'],
  at: 'controller',
  varies: true,
  input: input(['aheadMin']),
  begin: {},
  possible: (study) => study.controllers.length > 0,
  judge: (study, reading, { aheadMin }) => {
    const moved = drift(study, reading, aheadMin)
    return {
      worked: {
        out: { aheadMin },
        steps: [],
        notes: moved
          ? [
              Math.abs(moved.perMonth) < DRIFT_MIN
                ? `Holds its time since ${moved.since}.`
                : `${moved.perMonth > 0 ? 'Gains' : 'Loses'} ${Math.abs(moved.perMonth).toFixed(1)} min a month since ${moved.since}, if it was not set in between. Weak battery or a drifting clock: check it at each visit.`,
            ]
          : ['Read again at the next visit: the difference is its drift.'],
      },
      results: { aheadMin: { label: 'Clock offset (+ = fast)', unit: 'min', decimals: 0 } },
      verdict: {
        figure: { label: 'Clock offset (+ = fast)', unit: 'min', decimals: 0 },
        measured: aheadMin,
        modelled: controlsOf(study).clocks[reading.where ?? '']?.aheadMin ?? 0,
        uncertainty: 1,
        likely: ['summer time not set', 'set by hand', 'weak battery'],
      },
      offers: [],
    }
  },
})

const CIRCUIT_BAR = 0.1
/** What a cold heating circuit is filled to where its maker says nothing, bar. Source: usual practice, to two storeys. */
export const COLD_BAR = { low: 1, high: 1.5 } as const

export const circuit = defineReading({
  kind: 'circuit',
  title: 'Circuit pressure',
  how: 'Gauge of the heating or solid-fuel circuit; cold means not fired for some hours.',
  section: 'heater',
  needs: ['display'],
  at: null,
  input: z.strictObject({ circuit: z.enum(CIRCUITS), gauge: z.enum(['cold', 'hot']), pressureBar: FIELDS.pressureBar }),
  begin: { circuit: 'heating', gauge: 'cold' },
  possible: (study) => study.heating !== null && CIRCUITS.some((c) => study.heating!.circuits[c]),
  judge: (study, _reading, { circuit: of, gauge, pressureBar }) => {
    const bands = study.heating!.circuits[of]
    const key = gauge === 'cold' ? 'coldBar' : 'hotBar'
    const was = bands?.[key] ?? null
    const offers: Offer[] = bands
      ? [
          {
            path: `heating.circuits.${of}.${key}`,
            label: `Pressure of the ${of} circuit, ${gauge}`,
            value: pressureBar,
          },
        ]
      : []
    return {
      worked: { out: { pressureBar }, steps: [], notes: [] },
      results: {
        pressureBar: {
          label: `${of === 'heating' ? 'Heating' : 'Solid-fuel'} circuit, ${gauge}`,
          quantity: 'pressure',
        },
      },
      verdict:
        was === null
          ? null
          : {
              figure: { label: 'Circuit pressure', quantity: 'pressure' },
              measured: pressureBar,
              modelled: was,
              uncertainty: CIRCUIT_BAR,
              likely:
                pressureBar < was
                  ? ['leak or weeping valve', 'radiators bled', 'expansion vessel flat']
                  : ['filled since', 'filling valve passing'],
            },
      offers,
    }
  },
})

/** A flow is as it should be within this, K. */
const FLOW_WITHIN_K = 3

export const flowLog = defineReading({
  kind: 'flow-log',
  title: 'Heating flow temperature and comfort',
  how: 'Flow and return at the appliance, outdoor temperature, and how the rooms felt.',
  section: 'heater',
  needs: ['thermometer'],
  at: null,
  varies: true,
  input: z.strictObject({
    outdoorC: FIELDS.outdoorC,
    supplyC: z.number().min(FLOW_C.low).max(FLOW_C.high),
    returnC: FIELDS.returnC.optional(),
    feels: z.enum(['too cold', 'right', 'too warm']),
    ...TAKEN_WITH,
  }),
  begin: { feels: 'right' },
  possible: (study) => study.heating !== null,
  judge: (study, _reading, { outdoorC, supplyC, returnC, feels }) => {
    const write = displayOf(study)
    const set = controlsOf(study).heating.flow
    const source = heatSourceOf(study)
    return {
      worked: {
        out: { supplyC },
        steps:
          returnC !== undefined && source.byReturn
            ? [
                {
                  label: 'Efficiency at this return, gross',
                  formula: 'curve of the fuel at the return',
                  value: 100 * source.at(returnC),
                  unit: '%',
                  decimals: 1,
                },
              ]
            : [],
        notes: [
          feels === 'right'
            ? `Comfortable: lower the flow by ${write.figure('rise', FLOW_STEP_K)}, and log again on a day as cold.`
            : feels === 'too cold'
              ? 'Too cold: back to the last that was comfortable; look for the one room that lacks, and for covered radiators.'
              : 'Too warm: lower the flow before any radiator valve.',
        ],
      },
      results: { supplyC: { label: 'Flow temperature', quantity: 'temperature' } },
      verdict: set && {
        figure: { label: 'Flow temperature', quantity: 'temperature' },
        measured: supplyC,
        modelled: flowTemperature(set, outdoorC, study.heating!.roomC),
        uncertainty: FLOW_WITHIN_K,
        likely: ['hot water was being heated', 'outdoor sensor in the sun', 'another setting than was read'],
      },
      offers: [],
    }
  },
})

export const flowDial = defineReading({
  kind: 'flow-dial',
  title: 'Heating dial calibration mark',
  how: 'Position of the heating dial in divisions, and the flow pipe once it holds steady.',
  section: 'heater',
  needs: ['thermometer'],
  at: null,
  varies: true,
  input: z.strictObject({
    division: FIELDS.division,
    supplyC: z.number().min(FLOW_C.low).max(FLOW_C.high),
    ...TAKEN_WITH,
  }),
  begin: {},
  possible: (study) => study.heating !== null,
  judge: (_study, _reading, { division, supplyC }) => ({
    worked: {
      out: { division, supplyC },
      steps: [],
      notes: ['Where an outdoor sensor or a room control is fitted, the same dial may set a slope or a limit instead.'],
    },
    results: { division: { label: 'Dial', decimals: 1 }, supplyC: { label: 'Gives', quantity: 'temperature' } },
    verdict: null,
    offers: [],
  }),
})
