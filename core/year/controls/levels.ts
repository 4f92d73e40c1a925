import { DAYS_A_WEEK } from '../../calendar/clock'
import { DAY_S, DAYS } from '../../calendar/year'
import type { HeaterControl } from '../../study/controls'

/** A day of the year and the same day of each week after it, 1 to 365. */
const eachWeekFrom = (day: number): number[] =>
  Array.from({ length: Math.floor((DAYS - day) / DAYS_A_WEEK) + 1 }, (_, week) => day + week * DAYS_A_WEEK)

/**
 * What a heater is set to through the year: by hand where an override or a boost is in force, the one that began last; at
 * its holiday level while nobody is there; else as always.
 */
export class Levels {
  private readonly spans: { fromS: number; untilS: number; setpointC: number }[]

  constructor(
    private readonly control: Pick<HeaterControl, 'setpointC' | 'holidayC' | 'overrides'>,
    private readonly empty: ReadonlySet<number>,
  ) {
    this.spans = control.overrides
      .flatMap(({ fromDay, fromMin, minutes, setpointC, weekly }) =>
        (weekly ? eachWeekFrom(fromDay) : [fromDay]).map((day) => {
          const fromS = (day - 1) * DAY_S + fromMin * 60
          return { fromS, untilS: minutes === null ? Infinity : fromS + minutes * 60, setpointC }
        }),
      )
      .sort((a, b) => b.fromS - a.fromS)
  }

  /** Setpoint at a moment of the year, °C. */
  at(atS: number): number {
    const by = this.spans.find((s) => atS >= s.fromS - 1e-6 && atS < s.untilS - 1e-6)
    if (by) return by.setpointC
    const { holidayC, setpointC } = this.control
    return holidayC !== null && this.empty.has(Math.floor((atS + 1e-6) / DAY_S)) ? holidayC : setpointC
  }

  /** Moments at which an override or a boost begins or ends, s; an empty day begins and ends at midnight. */
  changes(): number[] {
    return this.spans.flatMap((s) => [s.fromS, s.untilS]).filter(Number.isFinite)
  }
}
