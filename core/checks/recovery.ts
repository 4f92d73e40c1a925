import { dayNumber } from '../calendar/year'
import { hotFlow, leastWantedAt, mainsOnWarmest } from '../household/hot-flow'
import { lastDayThere } from '../household/last-day'
import { warmestPreheated } from '../household/preheated'
import { supplyOf } from '../household/supply'
import { UPRIGHT_M } from '../measures/begin'
import { type InstantaneousHeater, instantaneousOf } from '../study/heater-kinds'
import type { MeasureOf } from '../study/measures'
import type { Recovery } from '../study/pipes'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { KJ_PER_LITRE_K } from '../water/properties'
import type { Rule, Told } from './check'
import { one } from './one'
import { inletLevel } from './supply-limits'

/** A drain unit is looked at once in so many days. */
const INSPECTION_DAYS = 400

/** When somebody last looked at a drain unit that is there. */
const inspection: Rule = ({ study }) => {
  const { recovery } = study.pipes
  if (!recovery) return []
  const there = lastDayThere(study)
  const { inspectedOn } = recovery
  const overdue = inspectedOn !== null && there !== null && dayNumber(there) - dayNumber(inspectedOn) > INSPECTION_DAYS
  return [
    {
      id: 'recovery-inspection',
      concern: 'fault',
      subject: { kind: 'supply', id: null },
      level: inspectedOn === null || there === null ? 'not checked' : overdue ? 'fail' : 'pass',
      title: overdue ? 'Inspection of the heat recovery unit overdue' : 'Inspection of the heat recovery unit',
      sentence:
        inspectedOn === null
          ? 'Not checked.'
          : `Last inspection on ${inspectedOn}${there === null ? '; date of the visit not entered' : ''}.`,
      source: 'Practice: once a year, for limescale and hair; data sheet',
      remedy: 'Inspect it for limescale and hair, clean it, and enter the date with the unit.',
      asks: 'pipes.recovery.inspectedOn',
    },
  ]
}

export const RECOVERY_CHECKS = { inspection }

/** Hours of work that fitting a drain unit takes, as assumed until a plumber has seen it. */
const FIT_HOURS = { upright: { open: 4, shut: 12 }, flat: { open: 6, shut: 16 } } as const

/** Whether a drain unit can be got at, and the work that it takes. */
function reach(mount: Recovery['mount'], access: boolean | null): Told[] {
  const { open, shut } = FIT_HOURS[mount]
  const opening = mount === 'upright' ? 'a wall or a shaft' : 'the tray or the floor'
  if (access === null)
    return [
      one('access', 'not checked', 'Access for cutting in not checked.'),
      one(
        'time',
        'not checked',
        `Assumed: ${open} h of work if accessible, ${shut} h if ${opening} is opened and made good.`,
      ),
    ]
  const better = 'to be confirmed on site by a plumber'
  return access
    ? [
        one('access', 'pass', 'Accessible for cutting in and service.'),
        one('time', 'pass', `Assumed: ${open} h of work, nothing to open; ${better}.`),
      ]
    : [
        one('access', 'fail', 'Not accessible for service.'),
        one('time', 'pass', `Assumed: ${shut} h of work, ${opening} opened and made good; ${better}.`),
      ]
}

/** What a drain unit has to find: taps that drain while they fill, a stack, a way to it, a heater that takes warm water. */
export function recoveryChecks(study: Study, { recovery }: MeasureOf<'drain-recovery'>, write: Display): Told[] {
  const { drain, taps } = study.pipes
  const gives = recovery.tapIds.filter((id) => taps.find((t) => t.id === id)!.drains)
  const served = instantaneousOf(study.plant.heaters)
  return [
    one(
      'drains',
      gives.length ? 'pass' : 'fail',
      gives.length
        ? `Recovers heat from: ${gives.map((id) => taps.find((t) => t.id === id)!.name).join(', ')}. Baths and basins that fill give none.`
        : 'No outlet drains while it runs: no saving.',
    ),
    ...(recovery.mount === 'upright'
      ? [
          one(
            'height',
            drain === null ? 'not checked' : drain.stackHeightM >= UPRIGHT_M ? 'pass' : 'fail',
            drain === null
              ? 'Drain not checked: a vertical unit needs a vertical stack.'
              : `Vertical stack ${write.figure('length', drain.stackHeightM)}; a vertical unit needs ${write.figure('length', UPRIGHT_M)}, mounted plumb.`,
          ),
        ]
      : []),
    ...reach(recovery.mount, drain?.access ?? null),
    one(
      'way-round',
      'pass',
      'Cold in at the bottom, preheated out at the top, counterflow to the drain. Inspect yearly for limescale and hair.',
    ),
    ...(drain === null || recovery.mount !== 'upright'
      ? []
      : [
          one(
            'diameter',
            drain.diameterMm < UNIT_BORES_MM.low || drain.diameterMm > UNIT_BORES_MM.high ? 'fail' : 'pass',
            `Stack diameter ${write.figure('thickness', drain.diameterMm)}; vertical units fit ${write.figure('thickness', UNIT_BORES_MM.low)} to ${write.figure('thickness', UNIT_BORES_MM.high)}.`,
          ),
        ]),
    ...(recovery.connection === 'B' || !served ? [] : onPreheated(study, served, recovery, write)),
  ]
}

/** Stacks that upright units are made for, mm. */
const UNIT_BORES_MM = { low: 48, high: 160 } as const

/** Whether what heats as it runs takes warm water, and turns far enough down on it. */
function onPreheated(study: Study, served: InstantaneousHeater, recovery: Recovery, write: Display): Told[] {
  const warmsToC = warmestPreheated(study, recovery)
  return [
    one(
      'inlet',
      inletLevel(served.maxInletC, warmsToC),
      served.maxInletC === null
        ? `Maximum inlet temperature of ${served.name} not checked.`
        : `${served.name}: maximum inlet ${write.temperature(served.maxInletC)}; preheated water up to ${write.temperature(warmsToC)}.`,
    ),
    ...('minOutputKw' in served && served.minOutputKw > 0 ? [leastLoad(study, served, warmsToC, write)] : []),
  ]
}

/** Least output of a burner against the smallest shower on preheated water. */
function leastLoad(
  study: Study,
  served: InstantaneousHeater & { minOutputKw: number },
  inletC: number,
  write: Display,
): Told {
  const { setpointC } = supplyOf(study)
  const loads = study.pipes.taps
    .filter((t) => study.people.uses.some((h) => h.tapId === t.id))
    .map((t) => {
      const hotLMin = hotFlow(t, leastWantedAt(study, t.id), mainsOnWarmest(study), setpointC)
      return (hotLMin / 60) * KJ_PER_LITRE_K * Math.max(0, setpointC - inletC)
    })
  const least = loads.length ? Math.min(...loads) : 0
  return one(
    'least-load',
    least < served.minOutputKw ? 'marginal' : 'pass',
    `With water at ${write.temperature(inletC)} the smallest use takes ${write.figure('power', least)}; ${served.name} cycles below ${write.figure('power', served.minOutputKw)}.`,
  )
}
