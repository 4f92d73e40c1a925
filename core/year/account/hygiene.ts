import { DAY_S, HOUR_S } from '../../calendar/year'
import { logKillPerHour } from '../../safety/legionella'
import { SAFETY } from '../../safety/limits'

const WEEK_S = 7 * 24 * HOUR_S
/** A day is tepid when what would be drawn was so for longer than this, s. */
const TEPID_DAY_S = HOUR_S
/** Kills beyond this are not told apart. */
const MOST_KILLS = 99

const tepid = (c: number) => c >= SAFETY.tepid.value.low && c <= SAFETY.tepid.value.high

/** Keeps count, step by step and week by week, of what bears on the growth of bacteria. */
export class HygieneLog {
  private tepidVolumeS = 0
  private tepidDrawnS = 0
  private tepidTodayS = 0
  private today = 0
  private readonly tepidOn: number[] = []
  private loopTepidS = 0
  private loopOnS = 0
  private loopCoolS = 0
  private readonly kill = { coolest: 0, drawn: 0 }
  private readonly least = { coolest: Infinity, drawn: Infinity }
  private weekEndS = WEEK_S
  private elapsedS = 0
  private hasStore = false

  /** A step of the store: share of it tepid, its coolest layer, and the one that is drawn. */
  store(tepidShare: number, coolestC: number, drawnC: number, dtS: number): void {
    this.hasStore = true
    this.tepidVolumeS += tepidShare * dtS
    if (tepid(drawnC)) {
      this.tepidDrawnS += dtS
      this.tepidTodayS += dtS
    }
    this.kill.coolest += (logKillPerHour(coolestC) * dtS) / HOUR_S
    this.kill.drawn += (logKillPerHour(drawnC) * dtS) / HOUR_S
  }

  /** A step of the loop: what comes back, and whether the pump runs. */
  loop(returnC: number, running: boolean, dtS: number): void {
    if (tepid(returnC)) this.loopTepidS += dtS
    if (!running) return
    this.loopOnS += dtS
    if (returnC < SAFETY.loopReturn.value) this.loopCoolS += dtS
  }

  /** @param atS the moment that the step ended: no step passes midnight */
  pass(atS: number, dtS: number): void {
    this.elapsedS += dtS
    const day = Math.floor((atS + 1e-6) / DAY_S)
    if (day !== this.today) {
      if (this.tepidTodayS > TEPID_DAY_S) this.tepidOn.push(this.today)
      this.tepidTodayS = 0
      this.today = day
    }
    if (atS < this.weekEndS) return
    for (const layer of ['coolest', 'drawn'] as const) {
      this.least[layer] = Math.min(this.least[layer], this.kill[layer])
      this.kill[layer] = 0
    }
    this.weekEndS += WEEK_S
  }

  result() {
    const weeks = this.elapsedS / WEEK_S
    const worst = (layer: 'coolest' | 'drawn') =>
      this.hasStore
        ? Math.min(MOST_KILLS, Number.isFinite(this.least[layer]) ? this.least[layer] : this.kill[layer])
        : null
    return {
      /** Hours a week of the whole store tepid: each part of it counts by its volume. */
      storeTepidHoursWeek: this.tepidVolumeS / HOUR_S / weeks,
      /** Hours a week in which what would be drawn is tepid. */
      drawnTepidHoursWeek: this.tepidDrawnS / HOUR_S / weeks,
      tepidOn: this.tepidOn,
      /** Hours a week that the loop's return is between 25 and 45 °C. */
      loopTepidHoursWeek: this.loopTepidS / HOUR_S / weeks,
      /** Tenfold kills reached by the coolest layer in the worst week; null without a store. At most 99 is shown. */
      leastLogKillWeek: worst('coolest'),
      /** The same of the layer that is drawn. */
      drawnLogKillWeek: worst('drawn'),
      /** Share of the pump's running time with the return below 50 °C; null when it never runs. */
      loopReturnCoolShare: this.loopOnS > 0 ? this.loopCoolS / this.loopOnS : null,
    }
  }
}
