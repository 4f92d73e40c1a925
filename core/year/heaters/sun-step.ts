import { HOUR_S } from '../../calendar/year'

/** Step while what the sun gives is taken, s. */
export const SUN_STEP_S = 900

/** What the sun gives in each hour of a year, and how long it can be left to itself. */
export class SunHours {
  /** The next hour from each on in which it gives something. */
  private readonly next: Int32Array

  /** @param gives what it gives in each hour of the year, any unit */
  constructor(private readonly gives: Float64Array) {
    this.next = new Int32Array(gives.length)
    for (let h = gives.length - 1, light = gives.length; h >= 0; h--) {
      if (gives[h] > 0) light = h
      this.next[h] = light
    }
  }

  /** The hour of a moment of the year. */
  hour(atS: number): number {
    return Math.min(this.gives.length - 1, Math.floor(atS / HOUR_S))
  }

  /** What it gives at a moment. */
  at(atS: number): number {
    return this.gives[this.hour(atS)]
  }

  /**
   * Seconds that it need not be looked at: while it gives to the end of the hour at most, else until it does again.
   * @param takenS longest step while it gives
   */
  longestRest(atS: number, takenS: number): number {
    const hour = this.hour(atS)
    const light = this.next[hour]
    if (light === hour) return Math.min(takenS, Math.max(1, (hour + 1) * HOUR_S - atS))
    return Math.max(1, light * HOUR_S - atS)
  }
}
