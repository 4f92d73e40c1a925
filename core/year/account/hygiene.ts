import { DAY_S, HOUR_S } from '../../calendar/year'
import { logKillPerHour } from '../../safety/legionella'
import { SAFETY } from '../../safety/limits'

const DAYS_A_WEEK = 7
const WEEK_S = DAYS_A_WEEK * DAY_S
/** A day is tepid when what would be drawn was so for longer than this, s. */
const TEPID_DAY_S = HOUR_S
/** Kills beyond this are not told apart. */
export const MOST_KILLS = 99

/**
 * Share of a step in which a temperature that moves evenly from one figure to another lies between two: a step is judged over
 * its whole length, not by how it ends.
 */
export function shareBetween(fromC: number, toC: number, lowC: number, highC: number): number {
  const a = Math.min(fromC, toC)
  const b = Math.max(fromC, toC)
  if (b - a < 1e-9) return a >= lowC && a <= highC ? 1 : 0
  return Math.max(0, Math.min(b, highC) - Math.max(a, lowC)) / (b - a)
}

const tepidShare = (fromC: number, toC: number) =>
  shareBetween(fromC, toC, SAFETY.tepid.value.low, SAFETY.tepid.value.high)

/** What bears on growth in one store, counted step by step and week by week. */
export class StoreHygiene {
  private tepidVolumeS = 0
  private tepidDrawnS = 0
  private tepidTodayS = 0
  private today = 0
  readonly tepidOn: number[] = []
  private readonly kill = { coolest: 0, drawn: 0 }
  private readonly least = { coolest: Infinity, drawn: Infinity }
  private week = 0
  /** Somebody was there on a day of this week: a week in which nobody draws harms nobody, and ends with a heat-through. */
  private lived = false
  private elapsedS = 0
  /** How the step before ended; before the first it is that one. */
  private begun = false
  private tepid = 0
  private drawnC = 0
  private readonly killed = { coolest: 0, drawn: 0 }

  /** @param empty days of the year (0–364) on which nobody is there */
  constructor(private readonly empty: ReadonlySet<number>) {}

  /**
   * A step by how it ended, and by how the one before it did.
   * @param tepid share of the store that is tepid; @param atS the moment that the step ended: no step passes midnight
   */
  step(tepid: number, coolestC: number, drawnC: number, atS: number, dtS: number): void {
    const { kill, killed } = this
    const coolest = logKillPerHour(coolestC)
    const drawn = logKillPerHour(drawnC)
    if (!this.begun) {
      this.begun = true
      this.tepid = tepid
      this.drawnC = drawnC
      killed.coolest = coolest
      killed.drawn = drawn
    }
    this.elapsedS += dtS
    this.tepidVolumeS += 0.5 * (this.tepid + tepid) * dtS
    const tepidS = tepidShare(this.drawnC, drawnC) * dtS
    this.tepidDrawnS += tepidS
    this.tepidTodayS += tepidS
    kill.coolest += (0.5 * (killed.coolest + coolest) * dtS) / HOUR_S
    kill.drawn += (0.5 * (killed.drawn + drawn) * dtS) / HOUR_S
    this.tepid = tepid
    this.drawnC = drawnC
    killed.coolest = coolest
    killed.drawn = drawn
    if (!this.lived && !this.empty.has(Math.floor((atS - 1e-3) / DAY_S))) this.lived = true
    this.endDay(Math.floor((atS + 1e-6) / DAY_S))
  }

  private endDay(day: number): void {
    if (day === this.today) return
    if (this.tepidTodayS > TEPID_DAY_S) this.tepidOn.push(this.today)
    this.tepidTodayS = 0
    this.today = day
    const week = Math.floor(day / DAYS_A_WEEK)
    if (week === this.week) return
    this.week = week
    if (this.lived)
      for (const layer of ['coolest', 'drawn'] as const)
        this.least[layer] = Math.min(this.least[layer], this.kill[layer])
    this.kill.coolest = this.kill.drawn = 0
    this.lived = false
  }

  result() {
    const weeks = this.elapsedS / WEEK_S
    const worst = (layer: 'coolest' | 'drawn') =>
      Math.min(MOST_KILLS, Number.isFinite(this.least[layer]) ? this.least[layer] : this.kill[layer])
    return {
      /** Hours a week of the whole store tepid: each part of it counts by its volume. */
      storeTepidHoursWeek: this.tepidVolumeS / HOUR_S / weeks,
      /** Hours a week in which what would be drawn is tepid. */
      drawnTepidHoursWeek: this.tepidDrawnS / HOUR_S / weeks,
      tepidOn: this.tepidOn,
      /** Tenfold kills reached by the coolest layer in the worst week that anybody was there. At most 99 is shown. */
      weeklyLogReductionMin: worst('coolest'),
      /** The same of the layer that is drawn. */
      weeklyLogReductionDrawn: worst('drawn'),
    }
  }
}

/** What bears on growth in a loop: what comes back, while its pump runs and while it rests. */
export class LoopHygiene {
  private tepidS = 0
  private onS = 0
  private coolS = 0
  private elapsedS = 0
  private lastC: number | null = null

  step(returnC: number, running: boolean, dtS: number): void {
    const was = this.lastC ?? returnC
    this.lastC = returnC
    this.elapsedS += dtS
    this.tepidS += tepidShare(was, returnC) * dtS
    if (!running) return
    this.onS += dtS
    this.coolS += shareBetween(was, returnC, -Infinity, SAFETY.loopReturn.value) * dtS
  }

  result() {
    return {
      /** Hours a week that the loop's return is between 25 and 45 °C. */
      loopTepidHoursWeek: this.elapsedS > 0 ? this.tepidS / HOUR_S / (this.elapsedS / WEEK_S) : 0,
      /** Share of the pump's running time with the return below 50 °C; null when it never runs. */
      loopReturnCoolShare: this.onS > 0 ? this.coolS / this.onS : null,
    }
  }
}
