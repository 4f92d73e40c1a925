import { dayNumber, DAYS } from '../calendar/year'
import { changesBetween } from '../household/changes'
import { CHANGES_LOGGED } from '../readings/events'
import type { Meter } from '../study/meters'
import type { Study } from '../study/study'
import { type Estimate, fitUse, tQuantile, type UseModel } from './change-point'
import { observedOf } from './observed'
import { joined, type MeterUse, useOf, type UsePeriod } from './periods'
import { airOf, SEASON_SD_K, usualBelow } from './weather'

/** What a meter says of a change: the saving a year under the same weather, with its interval at 95 %, less is positive. */
export interface Verified {
  meterId: string
  splitOn: string
  /** kWh a year, or m³ of water; null: too few readings on one of the two sides. */
  saving: Estimate | null
  model: UseModel | null
  use: MeterUse
  before: UsePeriod[]
  after: UsePeriod[]
  /** Share of all days whose weather was recorded. */
  weatherRecorded: number
  /** What else changed in the time compared: the saving cannot be put down to one of them. */
  alsoChanged: { on: string; what: string }[]
  /** It cannot be told apart: something else changed, there are too few readings, or the interval holds no saving too. */
  ambiguous: boolean
  /** Weeks of readings that are missing until the expected saving could be told apart; 0: none; null: it never will be so. */
  weeksNeeded: number | null
}

/** Periods on each side that a verdict takes. */
export const LEAST_PERIODS = 4
/** A change this near to another was made on the same visit, days. */
const SAME_VISIT_DAYS = 2
/** Longest time that is asked for, weeks. */
const MOST_WEEKS = 156

/** The day of the last change that was set; null: nothing was. */
export const lastSetOn = (study: Study): string | null =>
  study.controls.changes
    .filter((c) => c.as === 'set')
    .reduce<string | null>((last, c) => (last === null || c.on > last ? c.on : last), null) ?? study.controls.setOn

function alsoChanged(study: Study, from: string, to: string, splitOn: string): Verified['alsoChanged'] {
  const far = (on: string) => Math.abs(dayNumber(on) - dayNumber(splitOn)) > SAME_VISIT_DAYS
  const settings = changesBetween(study, { from, to })
    .filter(({ change }) => change.as === 'set' && far(change.on))
    .map(({ change, setting }) => ({ on: change.on, what: `${setting.what} of ${setting.place}` }))
  const events = study.readings
    .filter((r) => r.kind === 'event' && CHANGES_LOGGED.some((c) => c === r.values.event))
    .map((r) => ({ on: r.takenAt.slice(0, 10), what: r.note.trim() || String(r.values.event) }))
    .filter((e) => e.on >= from && e.on <= to && far(e.on))
  return [...settings, ...events].sort((a, b) => a.on.localeCompare(b.on))
}

/** What is known of a side of a change: its days, and the share of them whose weather was recorded. */
interface Side {
  days: number
  recorded: number
}

/**
 * Standard error that weather which was not recorded brings into a step, a day: the heating seasons on the two sides may each
 * have been milder or colder than the usual ones, and every day of one with it.
 */
function weatherDoubt(study: Study, { heating }: UseModel, sides: readonly Side[]): number {
  if (!heating) return 0
  const ofYear = heating.slope.middle * SEASON_SD_K * usualBelow(study, heating.balanceC).share
  return ofYear * Math.hypot(...sides.map((s) => (1 - s.recorded) / Math.sqrt(Math.max(1, s.days / DAYS))))
}

/** An estimate with another standard error besides its own. */
function widened({ low, middle, high }: Estimate, sd: number, dof: number): Estimate {
  const half = Math.hypot((high - low) / 2, tQuantile(dof) * sd)
  return { low: middle - half, middle, high: middle + half }
}

/**
 * Weeks that are missing after a change until a saving stands out: its half interval is then half of it. What lies before stays
 * as it is, so that there may be no such time. @param least weeks that are missing in any case: it is not told yet
 */
function weeksMissing(
  expectedPerDay: number,
  model: UseModel,
  weatherSd: number,
  beforeDays: number,
  afterDays: number,
  least: number,
): number | null {
  const wanted = Math.abs(expectedPerDay) / 2
  if (!(wanted > 0) || beforeDays === 0) return null
  for (let weeks = least; weeks <= MOST_WEEKS; weeks++) {
    const half =
      tQuantile(model.degreesOfFreedom + weeks) *
      Math.hypot(model.daySd * Math.sqrt(1 / beforeDays + 1 / Math.max(1, afterDays + 7 * weeks)), weatherSd)
    if (half <= wanted) return weeks
  }
  return null
}

/**
 * A saving by a meter: readings before and after a day, weather taken out, held against what else changed.
 * @param splitOn day of the change; a period that it falls into counts on neither side
 * @param expected saving a year that was promised, kWh or m³; null: none was
 */
export function verifySaving(study: Study, meter: Meter, splitOn: string, expected: number | null): Verified {
  const use = useOf(meter)
  const before = joined(use.periods.filter((p) => p.to <= splitOn))
  const after = joined(use.periods.filter((p) => p.from >= splitOn))
  const model = fitUse([...observedOf(study, before, false), ...observedOf(study, after, true)])
  const enough = before.length >= LEAST_PERIODS && after.length >= LEAST_PERIODS
  const days = (periods: readonly UsePeriod[]) => periods.reduce((s, p) => s + p.days, 0)
  const recorded = (periods: readonly UsePeriod[]) =>
    periods.reduce((s, p) => s + p.days * airOf(study, p).recorded, 0) / Math.max(1, days(periods))
  const weatherSd =
    model &&
    weatherDoubt(study, model, [
      { days: days(before), recorded: recorded(before) },
      { days: days(after), recorded: recorded(after) },
    ])
  const step = enough && model?.step ? widened(model.step, weatherSd!, model.degreesOfFreedom) : null
  // Less is positive: what rises is a saving below nothing.
  const saving = step && { low: -DAYS * step.high, middle: -DAYS * step.middle, high: -DAYS * step.low }
  const [first, last] = [before[0]?.from ?? splitOn, after.at(-1)?.to ?? splitOn]
  const others = alsoChanged(study, first, last, splitOn)
  const told = saving !== null && (saving.low > 0 || saving.high < 0)
  return {
    meterId: meter.id,
    splitOn,
    saving,
    model,
    use,
    before,
    after,
    weatherRecorded: recorded([...before, ...after]),
    alsoChanged: others,
    ambiguous: !told || others.length > 0,
    weeksNeeded:
      model === null
        ? null
        : told
          ? 0
          : weeksMissing(
              (expected ?? saving?.middle ?? 0) / DAYS,
              model,
              weatherSd!,
              days(before),
              days(after),
              Math.max(1, LEAST_PERIODS - after.length),
            ),
  }
}
