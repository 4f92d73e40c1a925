import { MINUTES_A_DAY } from '../../calendar/clock'
import { isSummerTime } from '../../calendar/summer-time'
import { WEEK_MIN } from '../../calendar/year'
import { clockOf } from '../../household/controllers'
import type { Carrier } from '../../money/carriers'
import type { Commanded } from '../../study/controllers'
import type { Study } from '../../study/study'

/** What the calendar and the clock on the wall say to whatever is switched by them. */
export interface ClockNow {
  /** Moment of the year, s. */
  atS: number
  /** Minute of the week as the controller of a thing has it: its clock may be wrong. */
  minuteFor: (of: Commanded) => number
  /** The house is being heated by an appliance that heats water too. */
  heating: boolean
  /** Carriers that cost no more at any other time of this month. */
  cheapest: ReadonlySet<Carrier>
}

/** Minutes that the clock of a thing's controller is ahead of the clock people live by, on a day of the year (0–364). */
export function controllerAhead(study: Study, of: Commanded, day: number): number {
  const { aheadMin, daysAhead, summerTime } = clockOf(study, of)
  const { site } = study
  const behind = summerTime === 'stays' && isSummerTime(site.summerTime, site.firstWeekday, day) ? 60 : 0
  return aheadMin + daysAhead * MINUTES_A_DAY - behind
}

/** Every amount by which it is ahead at some time of the year, minutes. */
export function aheadThroughYear(study: Study, of: Commanded): number[] {
  const { aheadMin, daysAhead, summerTime } = clockOf(study, of)
  const ahead = aheadMin + daysAhead * MINUTES_A_DAY
  return summerTime === 'stays' && study.site.summerTime !== 'none' ? [ahead, ahead - 60] : [ahead]
}

/** A minute of the week brought back into it. */
export const inWeek = (minute: number): number => ((minute % WEEK_MIN) + WEEK_MIN) % WEEK_MIN
