import { emptyDays } from '../household/empty-days'
import { ordinaryHottest } from '../household/hottest-water'
import { bypassOf } from '../household/loop'
import { storeSetpoint, supplyOf } from '../household/supply'
import { logKillPerHour } from '../safety/legionella'
import { SAFETY } from '../safety/limits'
import { hasSetpoint, isLocal, isOnStore, runningOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
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
    ? `at ${write.temperature(c)} 90 % are killed in ${minutesText(60 / perHour)}`
    : `at ${write.temperature(c)} none are killed`
}

/** Every pasteurisation cycle of the year was begun and held. */
const cyclesHeld = ({ year }: Visit) =>
  year !== null && year.hotRuns.begun > 0 && year.hotRuns.held === year.hotRuns.begun

/**
 * How stored water stands that is kept at a setpoint (null: at none) and reached so many log reductions in its worst week:
 * one place for the store, for one that only preheats, and for a small one at a tap.
 */
function storedLevel(kills: number | null, tepidHours: number, setpointC: number | null, held: boolean): Level {
  if (kills !== null && kills < SAFETY.killsAWeek.value) return 'fail'
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
    (h) => isOnStore(h) && hasSetpoint(h) && controlsOf(study).heaters[h.id].disinfection !== null,
  )
  return [
    setpointC === null
      ? 'No thermostat holds it'
      : `Kept at ${write.temperature(setpointC)}: ${killsAt(setpointC, write)}`,
    ...(year
      ? [
          `in its worst week what is drawn reached ${(kills ?? 0).toFixed(1)} log reductions of legionella, the coolest layer ${(year.hygiene.leastLogKillWeek ?? 0).toFixed(1)}`,
          `what would be drawn is within ${growthRange(write)} for ${tepidHours.toFixed(0)} h a week`,
        ]
      : []),
    ...(cycles && year
      ? [`its pasteurisation cycle was held ${year.hotRuns.held} times of ${year.hotRuns.begun}`]
      : []),
    ...(finishC === null ? [] : [`${runningOf(heaters)!.name} behind it finishes at ${write.temperature(finishC)}`]),
  ]
}

/** Growth and kill in the store that all water passes, by what it is set to and by what its year came to. */
const growthInStore: Rule = (visit): Told[] => {
  const { study, year, write } = visit
  const { store, heaters } = study.plant
  if (!store) return []
  const behind = runningOf(heaters)
  const setpointC = storeSetpoint(study)
  const on = heaters.filter((h) => isOnStore(h) && hasSetpoint(h))
  const kills = year?.hygiene.drawnLogKillWeek ?? null
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
          ? 'Growth in the store'
          : behind
            ? 'Preheated store can grow legionella'
            : 'Store can grow legionella',
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
      source: `${SAFETY.killsAWeek.source}; 90 % killed in 111 min at ${write.temperature(50)} and in 2 min at ${write.temperature(60)}`,
      remedy: behind
        ? `Let the heater behind it finish at ${write.temperature(SAFETY.storedHot.value)} or more, or heat the whole store through once a week.`
        : on.length
          ? `Store at ${write.temperature(SAFETY.storedHot.value)} with a mixing valve, close its timer for less long, or run a pasteurisation cycle each week.`
          : 'A heater with a thermostat that heats the whole store through once a week.',
      settledBy: 'store-top',
      setting: on.length ? `heaters.${on[0].id}.setpointC` : null,
      board: 'all',
    },
  ]
}

/** The same in a small store at one tap. */
const growthAtTaps: Rule = ({ study, year, write }): Told[] =>
  study.plant.heaters.filter(isLocal).map((h): Told => {
    const of = year?.hygiene.locals.find((l) => l.id === h.id)
    const kills = of?.drawnLogKillWeek ?? null
    const tepidHours = of?.tepidHoursWeek ?? 0
    const setpointC = hasSetpoint(h) ? controlsOf(study).heaters[h.id].setpointC : null
    // Its pasteurisation cycles are told from the store's by nobody: it has to be hot enough without.
    const level = storedLevel(kills, tepidHours, setpointC, false)
    return {
      id: `growth-${h.id}`,
      subject: { kind: 'heater', id: h.id },
      concern: 'harm',
      level,
      title: level === 'pass' ? `Growth in ${h.name}` : `${h.name} can grow legionella`,
      sentence: `${setpointC === null ? `No thermostat holds it; it reaches ${write.temperature(ordinaryHottest(study, h))}` : `Kept at ${write.temperature(setpointC)}: ${killsAt(setpointC, write)}`}${of ? `; in its worst week what is drawn reached ${(kills ?? 0).toFixed(1)} log reductions, and it is within ${growthRange(write)} for ${tepidHours.toFixed(0)} h a week` : ''}.`,
      figures: {
        ...(kills === null
          ? {}
          : { logReductionsWeek: { value: kills, unit: 'log/week', worse: { when: 'less' as const, by: 0.5 } } }),
        ...(of
          ? { growthRangeHours: { value: tepidHours, unit: 'h/week', worse: { when: 'more' as const, by: 2 } } }
          : {}),
      },
      source: SAFETY.killsAWeek.source,
      remedy: hasSetpoint(h)
        ? `Keep it at ${write.temperature(SAFETY.storedHot.value)} and mix down at the tap.`
        : 'Empty and refill it each day; water for washing only.',
      setting: hasSetpoint(h) ? `heaters.${h.id}.setpointC` : null,
      board: hasSetpoint(h) ? [h.id] : [],
    }
  })

/** A pasteurisation cycle reaches its temperature and holds it, or it is said that it does not. */
const cycleHolds: Rule = (visit): Told[] => {
  const { study, year, write } = visit
  const with_ = study.plant.heaters.filter((h) => hasSetpoint(h) && controlsOf(study).heaters[h.id].disinfection)
  if (!year || with_.length === 0) return []
  const { begun, held } = year.hotRuns
  const needed = (storeSetpoint(study) ?? 0) < SAFETY.storedHot.value
  const level: Level = cyclesHeld(visit) ? 'pass' : needed ? 'fail' : 'marginal'
  const to = with_.map((h) => write.temperature(controlsOf(study).heaters[h.id].disinfection!.toC)).join(' or ')
  return [
    {
      id: 'hot-run',
      subject: { kind: 'controller', id: with_[0].id },
      concern: 'harm',
      level,
      title: level === 'pass' ? 'Pasteurisation cycle' : 'Pasteurisation cycle not reached',
      sentence:
        begun === 0
          ? 'None was begun in the year: in the months of its heater no such hour came.'
          : `${held} of ${begun} cycles of the year reached ${to} and held it${held < begun ? '; the others were given up after eight hours' : ''}. It scalds: warn the household, and run the far taps then too.`,
      figures: {
        begun: { value: begun, unit: 'cycles' },
        held: { value: held, unit: 'cycles', worse: { when: 'less', by: 1 } },
      },
      source: SAFETY.storedHot.source,
      remedy: 'Lower its temperature to what the heater can make, or let the heater make more.',
      setting: `heaters.${with_[0].id}.disinfection`,
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
        level === 'pass' ? 'Growth in the loop' : cool === null ? 'Loop is a dead leg' : 'Loop comes back too cool',
      sentence:
        cool === null
          ? `The pump never runs: the water in the loop stands, within ${growthRange(write)} for ${tepid.toFixed(0)} h a week.`
          : `Return below ${write.temperature(SAFETY.loopReturn.value)} for ${Math.round(cool * 100)} % of the time the pump runs; within ${growthRange(write)} for ${tepid.toFixed(0)} h a week.`,
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
          ? 'Flush it weekly, or have it taken out.'
          : 'More insulation or more flow, or water that leaves hotter.',
      settledBy: 'loop',
      board: 'all',
    },
  ]
}

/** Runs that nothing hot is drawn through for days. */
const stillRuns: Rule = ({ study, year }): Told[] => {
  if (!year) return []
  const still = [...year.hygiene.stillRuns].sort((a, b) => b.days - a.days)
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
      title: still.length ? 'Pipes stand unused' : 'Growth in the runs',
      sentence: still.length
        ? `Nothing hot is drawn for more than ${SAFETY.still.value} days through ${listed.join(', ')}: water that stands at room warmth lets bacteria grow. No setpoint mends that.`
        : `Every run is drawn through at least every ${SAFETY.still.value} days.`,
      figures: { longestDays: { value: still[0]?.days ?? 0, unit: 'days', worse: { when: 'more', by: 3 } } },
      source: SAFETY.still.source,
      remedy: long
        ? 'Cut it off at the branch, or open the tap hot once a week, away from the spray.'
        : 'After such a time draw hot through every tap, away from the spray.',
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
      title: 'Return to a store that stood cool',
      sentence: `The house is empty for ${away} days of the year and its store is held at ${write.temperature(toC)} then; it heats through when somebody is back.`,
      figures: { emptyDays: { value: away, unit: 'days' }, heldC: { value: toC, quantity: 'temperature' } },
      source: SAFETY.still.source,
      remedy: `Tell the household: wait until the store has been at ${write.temperature(SAFETY.storedHot.value)} for an hour, then draw hot through every tap, away from the spray.`,
    },
  ]
}

export const HYGIENE_CHECKS = { growthInStore, growthAtTaps, cycleHolds, growthInLoop, stillRuns, onReturn }
