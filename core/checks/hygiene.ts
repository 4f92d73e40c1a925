import { emptyDays } from '../household/empty-days'
import { ordinaryHottest } from '../household/hottest-water'
import { bypassOf } from '../household/loop'
import { storeSetpoint, supplyOf } from '../household/supply'
import { logKillPerHour } from '../safety/legionella'
import { SAFETY } from '../safety/limits'
import { hasSetpoint, instantaneousOf, isOnStore, isPointOfUse, storesWater } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import { MOST_KILLS } from '../year/account/hygiene'
import type { Level, Rule, Told, Visit } from './check'

/** Hours a week of tepid water at the draw-off level that are worth a word, and days at rest that are no holiday. */
const TEPID_HOURS = 6
const LONG_STILL_DAYS = 28
/** Cool return for this share of the pump's running is as good as none. */
const HARDLY_SHARE = 0.01

const growthRange = (write: Visit['write']) =>
  `${write.temperature(SAFETY.tepid.value.low)} to ${write.temperature(SAFETY.tepid.value.high)}`
const minutesText = (minutes: number) =>
  minutes < 90 ? `${minutes < 10 ? minutes.toFixed(1) : Math.round(minutes)} min` : `${(minutes / 60).toFixed(1)} h`
const killsAt = (c: number, write: Visit['write']) => {
  const perHour = logKillPerHour(c)
  return perHour > 0
    ? `at ${write.temperature(c)} ${minutesText(60 / perHour)} per log reduction`
    : `at ${write.temperature(c)} no log reduction`
}

/** Log reductions of a week; beyond what is counted nothing more is told apart. */
const logText = (kills: number | null) =>
  kills === null ? 'not calculated' : kills >= MOST_KILLS ? `${MOST_KILLS} or more` : kills.toFixed(1)

/** What is wrong with stored water that is not passed: what it reached, what it is set to, or how long it is in the growth range. */
const lowTitle = (at: string, kills: number | null, setpointC: number | null, write: Visit['write']) =>
  kills !== null && kills < SAFETY.requiredWeeklyLogReduction.value
    ? `Log reduction not reached in ${at}`
    : setpointC !== null && setpointC < SAFETY.storedHot.value
      ? `Setpoint below ${write.temperature(SAFETY.storedHot.value)}: ${at}`
      : `Growth range at draw-off level: ${at}`

/** Every pasteurisation cycle of the year was begun and held. */
const cyclesHeld = ({ year }: Visit) =>
  year !== null &&
  year.pasteurisationCycles.begun > 0 &&
  year.pasteurisationCycles.held === year.pasteurisationCycles.begun

/**
 * How stored water stands that is kept at a setpoint (null: at none) and reached so many log reductions in its worst week:
 * one place for the store, for one that only preheats, and for a small one at a tap.
 */
function storedLevel(kills: number | null, tepidHours: number, setpointC: number | null, held: boolean): Level {
  if (kills !== null && kills < SAFETY.requiredWeeklyLogReduction.value) return 'fail'
  if (setpointC !== null && setpointC < SAFETY.livesOn.value && !held) return 'fail'
  if (tepidHours >= TEPID_HOURS) return 'marginal'
  return setpointC !== null && setpointC < SAFETY.storedHot.value && !held ? 'marginal' : 'pass'
}

/** What is known of growth and kill in a store, part by part. */
function storeParts(
  { study, year, write }: Visit,
  kills: number | null,
  tepidHours: number,
  finishC: number | null,
): string[] {
  const { heaters } = study.plant
  const setpointC = storeSetpoint(study)
  const cycles = heaters.some(
    (h) => isOnStore(h) && hasSetpoint(h) && controlsOf(study).heaters[h.id].pasteurisation !== null,
  )
  return [
    setpointC === null ? 'No thermostat' : `Stored at ${write.temperature(setpointC)}: ${killsAt(setpointC, write)}`,
    ...(year
      ? [
          `lowest weekly log reduction ${logText(kills)} at draw-off level, ${logText(year.hygiene.weeklyLogReductionMin)} in the coolest layer`,
          `draw-off level in the growth range (${growthRange(write)}) ${tepidHours.toFixed(0)} h/week`,
        ]
      : []),
    ...(cycles && year
      ? [`pasteurisation cycle completed ${year.pasteurisationCycles.held} of ${year.pasteurisationCycles.begun} times`]
      : []),
    ...(finishC === null
      ? []
      : [`${instantaneousOf(heaters)!.name} downstream heats to ${write.temperature(finishC)}`]),
  ]
}

/** Growth and kill in the store that all water passes, by what it is set to and by what its year came to. */
const growthInStore: Rule = (visit): Told[] => {
  const { study, year, write } = visit
  const { store, heaters } = study.plant
  if (!store) return []
  const behind = instantaneousOf(heaters)
  const setpointC = storeSetpoint(study)
  const on = heaters.filter((h) => isOnStore(h) && hasSetpoint(h))
  const kills = year?.hygiene.weeklyLogReductionDrawn ?? null
  const tepidHours = year?.hygiene.drawnTepidHoursWeek ?? 0
  const alone = storedLevel(kills, tepidHours, setpointC, cyclesHeld(visit))
  // What heats as it runs behind a store finishes it only where it is hot enough.
  const finishC = behind ? supplyOf(study).setpointC : null
  const level: Level = alone === 'fail' && finishC !== null && finishC >= SAFETY.storedHot.value ? 'marginal' : alone
  const parts = storeParts(visit, kills, tepidHours, finishC)
  return [
    {
      id: 'growth-store',
      subject: { kind: 'store', id: null },
      concern: 'harm',
      level,
      title:
        level === 'pass'
          ? 'Legionella, cylinder'
          : behind
            ? 'Preheat cylinder in growth range'
            : lowTitle('cylinder', kills, setpointC, write),
      sentence: `${parts.join('; ')}.`,
      figures: {
        ...(setpointC === null ? {} : { setpointC: { value: setpointC, quantity: 'temperature' as const } }),
        ...(kills === null
          ? {}
          : { logReductionsWeek: { value: kills, unit: 'log/week', worse: { when: 'less' as const, by: 0.5 } } }),
        ...(year
          ? { growthRangeHours: { value: tepidHours, unit: 'h/week', worse: { when: 'more' as const, by: 2 } } }
          : {}),
      },
      source: `${SAFETY.requiredWeeklyLogReduction.source}; 1 log reduction in 111 min at ${write.temperature(50)} and in 2 min at ${write.temperature(60)}`,
      remedy: behind
        ? `Set the downstream heater to ${write.temperature(SAFETY.storedHot.value)} or more, or run a weekly pasteurisation cycle.`
        : on.length
          ? `Store at ${write.temperature(SAFETY.storedHot.value)} with a mixing valve, lengthen the on periods, or run a weekly pasteurisation cycle.`
          : 'Add a heater with a thermostat and a weekly pasteurisation cycle.',
      settledBy: 'store-top',
      setting: on.length ? `heaters.${on[0].id}.setpointC` : null,
      board: 'all',
    },
  ]
}

/** The same in a small store at one tap. */
const growthAtTaps: Rule = ({ study, year, write }): Told[] =>
  study.plant.heaters
    .filter((h) => isPointOfUse(h) && storesWater(h))
    .map((h): Told => {
      const of = year?.hygiene.locals.find((l) => l.id === h.id)
      const kills = of?.weeklyLogReductionDrawn ?? null
      const tepidHours = of?.tepidHoursWeek ?? 0
      const setpointC = hasSetpoint(h) ? controlsOf(study).heaters[h.id].setpointC : null
      // Its pasteurisation cycles are told from the store's by nobody: it has to be hot enough without.
      const level = storedLevel(kills, tepidHours, setpointC, false)
      return {
        id: `growth-${h.id}`,
        subject: { kind: 'heater', id: h.id },
        concern: 'harm',
        level,
        title: level === 'pass' ? `Legionella, ${h.name}` : lowTitle(h.name, kills, setpointC, write),
        sentence: `${setpointC === null ? `No thermostat; reaches ${write.temperature(ordinaryHottest(study, h))}` : `Stored at ${write.temperature(setpointC)}: ${killsAt(setpointC, write)}`}${of ? `; lowest weekly log reduction ${logText(kills)} at draw-off level; in the growth range (${growthRange(write)}) ${tepidHours.toFixed(0)} h/week` : ''}.`,
        figures: {
          ...(kills === null
            ? {}
            : { logReductionsWeek: { value: kills, unit: 'log/week', worse: { when: 'less' as const, by: 0.5 } } }),
          ...(of
            ? { growthRangeHours: { value: tepidHours, unit: 'h/week', worse: { when: 'more' as const, by: 2 } } }
            : {}),
        },
        source: SAFETY.requiredWeeklyLogReduction.source,
        remedy: hasSetpoint(h)
          ? `Store at ${write.temperature(SAFETY.storedHot.value)} and fit a mixing valve at the outlet.`
          : 'Empty and refill it daily; for washing only.',
        setting: hasSetpoint(h) ? `heaters.${h.id}.setpointC` : null,
        board: hasSetpoint(h) ? [h.id] : [],
      }
    })

/** A pasteurisation cycle reaches its temperature and holds it, or it is said that it does not. */
const cycleHolds: Rule = (visit): Told[] => {
  const { study, year, write } = visit
  const with_ = study.plant.heaters.filter((h) => hasSetpoint(h) && controlsOf(study).heaters[h.id].pasteurisation)
  if (!year || with_.length === 0) return []
  const { begun, held } = year.pasteurisationCycles
  const needed = (storeSetpoint(study) ?? 0) < SAFETY.storedHot.value
  const level: Level = cyclesHeld(visit) ? 'pass' : needed ? 'fail' : 'marginal'
  const to = with_.map((h) => write.temperature(controlsOf(study).heaters[h.id].pasteurisation!.toC)).join(' or ')
  return [
    {
      id: 'hot-run',
      subject: { kind: 'controller', id: with_[0].id },
      concern: 'harm',
      level,
      title: level === 'pass' ? 'Pasteurisation cycle' : 'Pasteurisation cycle not completed',
      sentence:
        begun === 0
          ? 'No cycle started in the year: none falls in the heater’s months of use.'
          : `${held} of ${begun} cycles a year reached ${to} and held it${held < begun ? '; the others stopped after 8 h' : ''}. Scald risk during the cycle: warn the household, and flush the furthest outlets.`,
      figures: {
        begun: { value: begun, unit: 'cycles' },
        held: { value: held, unit: 'cycles', worse: { when: 'less', by: 1 } },
      },
      source: SAFETY.storedHot.source,
      remedy: 'Lower the cycle temperature to the heater’s maximum, or raise that maximum.',
      setting: `heaters.${with_[0].id}.pasteurisation`,
      board: with_.map((h) => h.id),
    },
  ]
}

/** Growth in a loop that comes back by a pipe of its own: what comes back through the cold line is a matter of the crossover. */
const growthInLoop: Rule = ({ study, year, write }): Told[] => {
  const { loop } = study.pipes
  if (!loop || !year || bypassOf(loop)) return []
  const { loopReturnCoolShare: cool, loopTepidHoursWeek: tepid } = year.hygiene
  const level: Level =
    cool === null ? 'marginal' : cool < HARDLY_SHARE ? 'pass' : cool < SAFETY.coolReturn.value ? 'marginal' : 'fail'
  return [
    {
      id: 'growth-loop',
      subject: { kind: 'loop', id: null },
      concern: 'harm',
      level,
      title:
        level === 'pass'
          ? 'Legionella, circulation'
          : cool === null
            ? 'Circulation is a dead leg'
            : `Secondary return below ${write.temperature(SAFETY.loopReturn.value)}`,
      sentence:
        cool === null
          ? `Pump never runs; pipes in the growth range (${growthRange(write)}) ${tepid.toFixed(0)} h/week.`
          : `Return below ${write.temperature(SAFETY.loopReturn.value)} for ${Math.round(cool * 100)}% of pump run time; in the growth range (${growthRange(write)}) ${tepid.toFixed(0)} h/week.`,
      figures: {
        ...(cool === null
          ? {}
          : {
              coolReturnShare: {
                value: 100 * cool,
                unit: '% of pump run time',
                worse: { when: 'more' as const, by: 2 },
              },
            }),
        growthRangeHours: { value: tepid, unit: 'h/week', worse: { when: 'more', by: 5 } },
      },
      source: SAFETY.loopReturn.source,
      remedy:
        cool === null
          ? 'Flush weekly, or have it removed.'
          : 'Insulate the pipes, increase the pump flow or raise the supply temperature.',
      settledBy: 'loop',
      board: 'all',
    },
  ]
}

/** Runs that nothing hot is drawn through for days. */
const stagnantRuns: Rule = ({ study, year }): Told[] => {
  if (!year) return []
  const still = [...year.hygiene.stagnantRuns].sort((a, b) => b.days - a.days)
  const name = (id: string) => study.pipes.runs.find((r) => r.id === id)?.name ?? id
  const long = still.some((r) => r.days >= LONG_STILL_DAYS)
  const listed = still
    .filter((r) => !long || r.days >= LONG_STILL_DAYS)
    .map((r) => `${name(r.id)} (${r.days >= 364 ? 'all year' : `${Math.round(r.days)} days`})`)
  return [
    {
      id: 'growth-runs',
      subject: { kind: 'run', id: still[0]?.id ?? null },
      concern: long ? 'harm' : 'record',
      level: still.length ? 'marginal' : 'pass',
      title: still.length ? 'Stagnant pipework' : 'Legionella, pipework',
      sentence: still.length
        ? `No hot draw-off for more than ${SAFETY.still.value} days through ${listed.join(', ')}. Stagnant water is a legionella risk at any setpoint.`
        : `Every run is used at least every ${SAFETY.still.value} days.`,
      figures: { longestDays: { value: still[0]?.days ?? 0, unit: 'days', worse: { when: 'more', by: 3 } } },
      source: SAFETY.still.source,
      remedy: long
        ? 'Remove it at the branch, or flush the outlet hot once a week without spray.'
        : 'After such a time flush every outlet hot without spray.',
      board: 'all',
    },
  ]
}

/** A household that comes back after days away draws through every tap first. */
const onReturn: Rule = ({ study, write }): Told[] => {
  const away = emptyDays(study.people).size
  const lowered = study.plant.heaters
    .filter((h) => hasSetpoint(h) && isOnStore(h))
    .filter((h) => (controlsOf(study).heaters[h.id].holidayC ?? Infinity) < SAFETY.livesOn.value)
  if (away <= SAFETY.still.value || lowered.length === 0) return []
  const toC = controlsOf(study).heaters[lowered[0].id].holidayC!
  return [
    {
      id: 'on-return',
      subject: { kind: 'controller', id: lowered[0].id },
      concern: 'record',
      level: 'marginal',
      title: 'First use after absence',
      sentence: `Absence ${away} days a year with a holiday setpoint of ${write.temperature(toC)}; the cylinder reheats on return.`,
      figures: { emptyDays: { value: away, unit: 'days' }, heldC: { value: toC, quantity: 'temperature' } },
      source: SAFETY.still.source,
      remedy: `Tell the household: wait until the cylinder has been at ${write.temperature(SAFETY.storedHot.value)} for 1 h, then flush every outlet hot without spray.`,
    },
  ]
}

export const HYGIENE_CHECKS = { growthInStore, growthAtTaps, cycleHolds, growthInLoop, stagnantRuns, onReturn }
