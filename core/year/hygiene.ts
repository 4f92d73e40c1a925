import { HOUR_S } from '../climate/calendar'
import { SAFE_RETURN_C, TEPID_C, logKillPerHour } from '../safety/legionella'

const WEEK_S = 7 * 24 * HOUR_S

/** Keeps count, week by week, of what bears on the growth of bacteria. */
export class HygieneLog {
  private storeTepidS = 0
  private loopTepidS = 0
  private loopOnS = 0
  private loopCoolS = 0
  private kill = 0
  private leastKill = Infinity
  private weekEndS = WEEK_S
  private elapsedS = 0
  private hasStore = false

  /** A step of the store: share of it tepid, and its coolest layer. */
  store(tepidShare: number, coolestC: number, dtS: number): void {
    this.hasStore = true
    this.storeTepidS += tepidShare * dtS
    this.kill += (logKillPerHour(coolestC) * dtS) / HOUR_S
  }

  /** A step of the loop: what comes back, and whether the pump runs. */
  loop(returnC: number, running: boolean, dtS: number): void {
    if (returnC >= TEPID_C.low && returnC <= TEPID_C.high) this.loopTepidS += dtS
    if (!running) return
    this.loopOnS += dtS
    if (returnC < SAFE_RETURN_C) this.loopCoolS += dtS
  }

  pass(atS: number, dtS: number): void {
    this.elapsedS += dtS
    if (atS < this.weekEndS) return
    this.leastKill = Math.min(this.leastKill, this.kill)
    this.kill = 0
    this.weekEndS += WEEK_S
  }

  result() {
    const weeks = this.elapsedS / WEEK_S
    const worst = Number.isFinite(this.leastKill) ? this.leastKill : this.kill
    return {
      /** Hours a week that the store, by volume, stands between 25 and 45 °C. */
      storeTepidHoursWeek: this.storeTepidS / HOUR_S / weeks,
      /** Hours a week that the loop's return is between 25 and 45 °C. */
      loopTepidHoursWeek: this.loopTepidS / HOUR_S / weeks,
      /** Tenfold kills reached by the coolest layer in the worst week; null without a store. At most 99 is shown. */
      leastLogKillWeek: this.hasStore ? Math.min(99, worst) : null,
      /** Share of the pump's running time with the return below 50 °C; null when it never runs. */
      loopReturnCoolShare: this.loopOnS > 0 ? this.loopCoolS / this.loopOnS : null,
    }
  }
}
