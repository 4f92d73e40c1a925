import { DAYS_A_WEEK } from '../calendar/clock'
import { DAY_NAMES } from '../calendar/week'
import { burnTime, scaldSeconds } from '../safety/scald'
import type { Controller } from '../study/controllers'
import type { Override } from '../study/controls'
import type { Study } from '../study/study'
import type { Display } from '../units/display'

/** Day of the week of a day of the year (1 to 365), Monday first. */
export const weekdayOf = ({ site }: Pick<Study, 'site'>, day: number): number =>
  (site.firstWeekday + day - 1) % DAYS_A_WEEK

const burnsIn = (c: number, write: Display) =>
  `${write.temperature(c)} at an unmixed outlet burns in ${burnTime(scaldSeconds(c).adultS)}`

/** What is said before a lock is taken off for a setpoint. */
export const lockNotice = ({ lockAboveC, unlocking }: Controller, toC: number, write: Display): string =>
  `Locked above ${write.temperature(lockAboveC!)}: ${burnsIn(toC, write)}. ${unlocking}`.trim()

/** What is said of a setting by hand: when it comes back, what its water does to skin, and when it ends. */
export function boostNotice(study: Study, boost: Override, write: Display): string {
  const burns = `${burnsIn(boost.setpointC, write)}: tell the household before.`
  const back = boost.weekly ? `Each ${DAY_NAMES[weekdayOf(study, boost.fromDay)]}. ` : ''
  const ends =
    boost.minutes === null
      ? 'It stays until cancelled: set a reminder.'
      : 'It ends by itself only where the control has a timed boost; otherwise set a reminder.'
  return `${back}${burns} ${ends}`
}
