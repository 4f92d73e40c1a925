import { dayNumber } from '../calendar/year'
import { atRisk, burnsInS, scaldLimitOf } from '../household/at-risk'
import { hottestAtPlant, ordinaryHottest } from '../household/hottest-water'
import { lastDayThere } from '../household/last-day'
import { mixesTo } from '../household/supply'
import { SAFETY } from '../safety/limits'
import { burnTime, scaldSeconds } from '../safety/scald'
import { hasSetpoint, isFedHot, isPointOfUse } from '../study/heater-kinds'
import type { MixingValve } from '../study/mixing'
import type { Tap } from '../study/pipes'
import type { Heater } from '../study/plant'
import type { Level, Rule, Told, Visit } from './check'

/** Taps that nobody puts a hand under. */
export const NO_HANDS = new Set(['machine'])
/** Water that gets hotter by less than this burns as it did, K. */
const NOTICED_K = 2
/** A figure this close to a limit keeps it, K. */
const KEEPS_K = 0.05

/** What heats the water of a tap alone, filled from the cold main; or null: the plant does. */
const ownHeater = ({ study }: Visit, tap: Tap): Heater | null =>
  study.plant.heaters.find((h) => isPointOfUse(h) && h.tapId === tap.id && !isFedHot(h)) ?? null

/**
 * Hottest water that comes at a tap, °C: of its year; where it drew none, of the taps that share its plant; while no year is
 * known, what heaters are set to and fires make, mixed down where a valve is known to.
 */
function hottestAt(visit: Visit, tap: Tap): number {
  const { study, year } = visit
  const own = ownHeater(visit, tap)
  const drawn = year?.taps.find((t) => t.id === tap.id)?.hottestC ?? null
  if (drawn !== null) return drawn
  if (own) return ordinaryHottest(study, own)
  const others = (year?.taps ?? []).flatMap((t) => {
    const other = study.pipes.taps.find((o) => o.id === t.id)
    return other && !ownHeater(visit, other) && t.hottestC !== null ? [t.hottestC] : []
  })
  return others.length ? Math.max(...others) : Math.min(hottestAtPlant(study), mixesTo(study.plant.store) ?? Infinity)
}

/** What is known of a valve that should guard a tap: nothing, that it is not there, or what it lets through. */
const isUnknown = (valve: MixingValve) =>
  valve === 'not checked' || (typeof valve === 'object' && valve.mixesToC === null)
const letsThrough = (valve: MixingValve) => (typeof valve === 'object' ? (valve.mixesToC ?? Infinity) : Infinity)

/** How water of a temperature stands: within the limit, above it, or so hot that nobody draws back in time. */
function levelOf({ study }: Visit, comesC: number): Level {
  if (comesC <= scaldLimitOf(study).value + KEEPS_K) return 'pass'
  return burnsInS(study, comesC) < SAFETY.burnsAtOnce.value ? 'fail' : 'marginal'
}

function valveText(valve: MixingValve, at: string, write: Visit['write']): string {
  if (valve === 'not checked') return `${at}: not checked`
  if (valve === 'none') return `${at}: none`
  return `${at}: ${valve.mixesToC === null ? 'setting not checked' : `set to ${write.temperature(valve.mixesToC)}`}`
}

/** Burns at each tap, by the hottest water of its year, whatever heats it and whatever valve is known to mix it down. */
const scaldAtTaps: Rule = (visit) => {
  const { study, write } = visit
  const { store, heaters } = study.plant
  const limit = scaldLimitOf(study)
  const risk = atRisk(study)
  return study.pipes.taps
    .filter((tap) => !NO_HANDS.has(tap.kind))
    .map((tap): Told => {
      const own = ownHeater(visit, tap)
      const central: MixingValve = own || !store ? 'none' : store.mixing
      const comesC = Math.min(hottestAt(visit, tap), letsThrough(tap.guard))
      const asItIs = levelOf(visit, comesC)
      const unknown = isUnknown(central) || isUnknown(tap.guard)
      const level: Level = asItIs === 'fail' && unknown ? 'not checked' : asItIs
      const { adultS, childS } = scaldSeconds(comesC)
      const valves = [
        ...(own || !store ? [] : [valveText(central, 'Thermostatic mixing valve at the cylinder', write)]),
        valveText(tap.guard, 'Thermostatic mixing valve at the outlet', write),
      ].join('. ')
      return {
        id: `scald-${tap.id}`,
        subject: { kind: 'tap', id: tap.id },
        concern: 'harm',
        level,
        title: `Scald risk at ${tap.name}`,
        cause: own
          ? { id: `scald-${own.id}`, title: `Scald risk from ${own.name}` }
          : {
              id: 'scald',
              title:
                level === 'not checked' ? 'Scald risk at outlets, mixing valve not checked' : 'Scald risk at outlets',
            },
        sentence: `Maximum ${write.temperature(comesC)} at ${tap.name}: deep burn in ${burnTime(adultS)} (adult), ${burnTime(childS)} (child). Limit ${write.temperature(limit.value)}${risk.length ? `, vulnerable: ${risk.map((p) => p.name).join(', ')}` : ', adults only'}.${level === 'pass' ? '' : ` ${valves}.`}`,
        figures: {
          hottestC: { value: comesC, quantity: 'temperature', worse: { when: 'more', by: NOTICED_K } },
          limitC: { value: limit.value, quantity: 'temperature' },
          adultS: { value: adultS, unit: 's' },
          childS: { value: childS, unit: 's' },
        },
        source: `${limit.source}, maximum water temperature of the year`,
        remedy:
          level === 'not checked'
            ? 'Check for a thermostatic mixing valve at cylinder and outlet, measure its outlet temperature, and enter it as its setting.'
            : store && !own
              ? `Fit a thermostatic mixing valve at the cylinder or at the outlet, set to ${write.temperature(limit.value)} or less.`
              : `Set the heater to ${write.temperature(limit.value)} or less, or fit a thermostatic mixing valve at the outlet.`,
        settledBy: 'tap-temperature',
        asks:
          level === 'not checked' ? (isUnknown(central) ? 'plant.store.mixing' : `pipes.taps.${tap.id}.guard`) : null,
        board: own ? [own.id] : heaters.filter((h) => !isPointOfUse(h)).map((h) => h.id),
      }
    })
}

/** What sun and fires make at their hottest, which no setpoint ends. */
const uncontrolledHeat: Rule = ({ study, write }) => {
  const valve = mixesTo(study.plant.store)
  const limit = scaldLimitOf(study)
  return study.plant.heaters
    .filter((h) => !isPointOfUse(h) && !hasSetpoint(h))
    .flatMap((h): Told[] => {
      const hottestC = ordinaryHottest(study, h)
      if (hottestC <= limit.value) return []
      const comesC = Math.min(hottestC, valve ?? Infinity)
      return [
        {
          id: `wild-${h.id}`,
          subject: { kind: 'heater', id: h.id },
          // What comes at the taps is judged there; this says why no setpoint mends it.
          concern: 'record',
          level: comesC <= limit.value ? 'pass' : 'marginal',
          title: `Uncontrolled heat source: ${h.name}`,
          cause: { id: 'scald', title: 'Scald risk at outlets' },
          sentence: `${h.name} can reach ${write.temperature(hottestC)} at any setpoint; ${valve === null ? 'no thermostatic mixing valve with a known setting' : `mixed to ${write.temperature(comesC)} at the cylinder`}.`,
          figures: {
            hottestC: { value: hottestC, quantity: 'temperature' },
            comesC: { value: comesC, quantity: 'temperature' },
          },
          source: 'Physical or built-in limit of the heater',
          remedy: `Fit a thermostatic mixing valve at the cylinder, set to ${write.temperature(limit.value)} or less.`,
          board: 'all',
        },
      ]
    })
}

/** Days for which a test of a mixing valve stands. */
const YEARLY_DAYS = 366
/** A valve that makes hot water bearable has to be known to work. */
const mixingTested: Rule = ({ study, write }): Told[] => {
  const { store } = study.plant
  const hottestC = hottestAtPlant(study)
  const there = lastDayThere(study)
  const limitC = scaldLimitOf(study).value
  const valves = [
    ...(store
      ? [{ id: 'mixing-tested', subject: { kind: 'store', id: null } as const, valve: store.mixing, at: store.name }]
      : []),
    ...study.pipes.taps.map((t) => ({
      id: `mixing-tested-${t.id}`,
      subject: { kind: 'tap', id: t.id } as const,
      valve: t.guard,
      at: t.name,
    })),
  ]
  return valves.flatMap(({ id, subject, valve, at }): Told[] => {
    if (typeof valve !== 'object' || hottestC <= limitC) return []
    const { testedOn } = valve
    if (testedOn && there && dayNumber(there) - dayNumber(testedOn) <= YEARLY_DAYS) return []
    const known = !testedOn
      ? 'No test recorded.'
      : `Last test ${testedOn}${there ? '' : '; date of the visit not entered'}.`
    return [
      {
        id,
        subject,
        concern: 'record',
        level: 'not checked',
        title: testedOn && there ? 'TMV annual test overdue' : 'TMV annual test not recorded',
        cause: { id: 'mixing-tested', title: 'TMV annual test' },
        sentence: `Without the valve at ${at}, outlets reach ${write.temperature(hottestC)}. ${known}`,
        figures: { hottestC: { value: hottestC, quantity: 'temperature' } },
        source: 'Manufacturers require an annual test',
        remedy:
          'Measure its outlet temperature, then close its cold inlet: hot flow must stop at once. Record the date, and the date of the visit under As found.',
      },
    ]
  })
}

export const SCALD_CHECKS = { scaldAtTaps, uncontrolledHeat, mixingTested }
