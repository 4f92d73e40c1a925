import { isSummerTime } from '../../calendar/summer-time'
import { WEEK_MIN } from '../../calendar/year'
import type { Carrier } from '../../money/carriers'
import { controlsOf } from '../../study/in-force'
import type { Study } from '../../study/study'

/** What the calendar and the clock on the wall say to whatever is switched by them. */
export interface ClockNow {
  /** Moment of the year, s. */
  atS: number
  /** Minute of the week as the controller has it: its clock may be wrong. */
  minuteOfWeek: number
  /** The house is being heated by an appliance that heats water too. */
  heating: boolean
  /** Carriers that cost no more at any other time of this month. */
  cheapest: ReadonlySet<Carrier>
}

/** Minutes that the controller's clock is ahead of the clock people live by, on a day of the year (0–364). */
export function controllerAhead(study: Study, day: number): number {
  const { aheadMin, summerTime } = controlsOf(study).clock
  const { site } = study
  return aheadMin - (summerTime === 'stays' && isSummerTime(site.summerTime, site.firstWeekday, day) ? 60 : 0)
}

/** Every amount by which it is ahead at some time of the year, minutes. */
export function aheadThroughYear(study: Study): number[] {
  const { aheadMin, summerTime } = controlsOf(study).clock
  return summerTime === 'stays' && study.site.summerTime !== 'none' ? [aheadMin, aheadMin - 60] : [aheadMin]
}

/** A minute of the week brought back into it. */
export const inWeek = (minute: number): number => ((minute % WEEK_MIN) + WEEK_MIN) % WEEK_MIN
