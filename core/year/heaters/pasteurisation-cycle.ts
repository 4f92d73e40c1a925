import { MINUTES_A_DAY } from '../../calendar/clock'
import type { HeaterControl } from '../../study/controls'

/** A cycle is followed in steps of this, s, and given up after this. */
export const CYCLE_STEP_S = 60
const CYCLE_MOST_S = 8 * 3600
/** It counts as hot from this far below its temperature on, K. */
const CYCLE_SHORT_K = 0.5

/** The weekly heating against growth of one heater: begun at its minute of the week, held for its time, or given up. */
export class PasteurisationCycle {
  begun = 0
  held = 0
  /** Until when at most, and how long it has been hot enough, s; null while none is under way. */
  private running: { untilS: number; heldS: number } | null = null

  constructor(private readonly settings: NonNullable<HeaterControl['pasteurisation']> | null) {}

  get active(): boolean {
    return this.running !== null
  }

  /** Its temperature, °C; null where the heater has no cycle. */
  get toC(): number | null {
    return this.settings?.toC ?? null
  }

  /** Begins at its minute. @param minuteOfWeek by its controller's clock; @param inUse whether this month is one of its heater's */
  begin(minuteOfWeek: number, atS: number, inUse: boolean): void {
    const { settings } = this
    if (!settings || this.running || !inUse) return
    if (minuteOfWeek !== settings.weekday * MINUTES_A_DAY + settings.atMin) return
    this.running = { untilS: atS + CYCLE_MOST_S, heldS: 0 }
    this.begun++
  }

  /** Counts how long it has held; whether it ended in this step, because that was long enough or because it cannot. */
  follow(nowC: number, atS: number, dtS: number): boolean {
    const { settings, running } = this
    if (!settings || !running) return false
    running.heldS = nowC >= settings.toC - CYCLE_SHORT_K ? running.heldS + dtS : 0
    const held = running.heldS >= settings.holdMin * 60
    if (!held && atS < running.untilS) return false
    if (held) this.held++
    this.running = null
    return true
  }
}
