import { isOn, type Schedule } from '../../calendar/week'
import { HOT_RUN_ABOVE_K } from '../../household/hottest'
import type { Carrier } from '../../money/carriers'
import type { HeaterControl } from '../../study/controls'
import type { ClockNow } from '../controls/clock'
import { Levels } from '../controls/levels'
import type { LayeredStore } from '../stores/layered-store'
import { PasteurisationCycle } from './pasteurisation-cycle'
import { type Mover, SensorDrift } from './sensor-drift'

/** A thermostat is content this close to its setpoint: no thermostat tells less, K. */
const CONTENT_K = 0.1
/** Its sensor is looked at no sooner than this while a store stands, and while a loop moves it, s. */
const LEAST_LOOK_S = { standing: 30, loop: 10 } as const
/** A fall or a rise that was seen goes on; it is looked at when so much of the way is due. */
const LOOK_AT_SHARE = 0.9
/**
 * A fall by a loop takes this many times as long at most as the rate last seen has it, and at least: what the loop loses says
 * how long in between. A rise takes so many times as long at most beside a loop, which takes the more the warmer it gets.
 */
const FALL_TAKES = { least: 0.65, most: 1.3 } as const
const RISE_TAKES = { besideLoop: 1.25, alone: 1 } as const
/** A look at a call that is due aims this far past it, so that it does not fall short, K. */
const PAST_K = 0.08
/** Most of a store that a loop moves in a step of which nothing has been seen yet, as a share, and its longest, s. */
const BLIND = { moved: 0.5, seconds: 1800 } as const
/** A rise is looked at no sooner than this, s. */
const LEAST_RISE_LOOK_S = 2
/** When a timer opens, the store is brought up if it is further below its setpoint than this, K. */
const OPENS_BELOW_K = 0.5

/** The thermostat of a heater on a store, with its timer, its levels by hand and by holiday, and its pasteurisation cycle. */
export class Thermostat {
  /** What it is set to now, and below what it calls, °C. */
  setpointC: number
  callC: number
  calling = false
  readonly cycle: PasteurisationCycle
  private readonly levels: Levels
  private readonly schedule: Schedule | null
  private readonly drift: SensorDrift

  constructor(
    private readonly control: HeaterControl,
    /** Height of its sensor, 0 bottom to 1 top. */
    readonly sensor: number,
    private readonly carrier: Carrier,
    empty: ReadonlySet<number>,
    startC: number,
  ) {
    this.setpointC = control.setpointC
    this.callC = control.setpointC - control.differentialK
    this.levels = new Levels(control, empty)
    this.schedule = control.schedule
    this.cycle = new PasteurisationCycle(control.pasteurisation)
    this.drift = new SensorDrift(startC)
  }

  /** Whether timer and price let its heater work. @param of that heater: its controller's clock decides */
  free(now: ClockNow, of: string): boolean {
    const inWindow = this.schedule === null || isOn(this.schedule, now.minuteFor(of))
    return inWindow && (this.control.prices !== 'cheapest' || now.cheapest.has(this.carrier))
  }

  /** Takes up what it is set to at a moment: as always, by hand, at its holiday level, or for its cycle. */
  setLevel(atS: number): void {
    const { differentialK } = this.control
    const levelC = this.levels.at(atS)
    const { cycle } = this
    if (cycle.active && cycle.toC! > levelC - differentialK) {
      // It calls as soon as it is below what has to be held.
      this.setpointC = cycle.toC! + Math.min(differentialK, HOT_RUN_ABOVE_K)
      this.callC = cycle.toC!
    } else {
      this.setpointC = levelC
      this.callC = levelC - differentialK
    }
  }

  /** Its timer opens: a store that is below its setpoint is brought up, not left at the edge of calling. */
  opens(store: LayeredStore): void {
    if (store.at(this.sensor) < this.setpointC - OPENS_BELOW_K) this.calling = true
  }

  /**
   * Calls below its setpoint less its differential, is content at its setpoint. Whether it became content.
   * @param now what its sensor reads at the end of a step, °C; @param by what alone moved the store in it
   */
  look(now: number, dtS: number, by: Mover): boolean {
    this.drift.look(now, dtS, by)
    if (this.calling && now >= this.setpointC - CONTENT_K) {
      this.calling = false
      this.drift.rest()
      return true
    }
    if (!this.calling && now < this.callC) this.calling = true
    return false
  }

  /** Seconds until its sensor will be at its setpoint, by how it rose; Infinity where that says nothing. @param looped a loop flows */
  untilContent(looped: boolean): number {
    const leftK = this.setpointC - this.drift.nowC
    return Math.max(LEAST_RISE_LOOK_S, this.drift.untilRisen(leftK, looped ? RISE_TAKES.besideLoop : RISE_TAKES.alone))
  }

  /** Seconds until it will call: when cold water reaches its sensor, or loss, conduction or the loop have cooled it. */
  untilCall(store: LayeredStore, tapLMin: number, loop: LoopOnStore | null): number {
    // Nothing has moved since it looked at the end of the step before.
    const now = this.drift.nowC
    if (tapLMin > 0) return Math.max(1, (store.litresUntil(this.sensor, this.callC) / tapLMin) * 60)
    const left = now - this.callC
    if (left <= 0) return LEAST_LOOK_S.loop
    if (loop) return Math.max(LEAST_LOOK_S.loop, this.untilByLoop(store, left, loop))
    const fall = store.fallKS(this.sensor)
    const byFall = fall > 0 ? left / fall : Infinity
    return Math.max(
      LEAST_LOOK_S.standing,
      Math.min(store.secondsToCool(now, this.callC) + 1, LOOK_AT_SHARE * byFall + 1),
    )
  }

  /** Above the height at which a loop comes back the layers rise as they lie; in the pool below a fall that was seen goes on. */
  private untilByLoop(store: LayeredStore, leftK: number, { lMin, height, backC }: LoopOnStore): number {
    const told = store.secondsUntilByLoop(this.sensor, this.callC - PAST_K, lMin, height, backC)
    const seen = this.sensor <= height ? this.drift.untilFallen(leftK + PAST_K) : Infinity
    if (seen < Infinity) return Math.min(Math.max(FALL_TAKES.least * seen, told), FALL_TAKES.most * seen)
    return Math.min(BLIND.seconds, (BLIND.moved * store.litres * 60) / lMin, told)
  }
}

/** A loop that alone moves a store: its flow through it, L/min, the height at which it comes back, and how warm, °C. */
export interface LoopOnStore {
  lMin: number
  height: number
  backC: number
}
