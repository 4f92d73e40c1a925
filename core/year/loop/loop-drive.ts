import { isOn, type Schedule } from '../../calendar/week'
import { DAY_S, DAYS, HOUR_S } from '../../calendar/year'
import type { LoopControl } from '../../study/controls'
import { controlsOf } from '../../study/in-force'
import type { Loop } from '../../study/pipes'
import type { Study } from '../../study/study'
import type { Draw } from '../draws/draws'
import type { Network } from '../pipes/network'

/** While it runs its sensor is looked at no sooner and no later than this, s. */
const LOOK_S = { soonest: 1, latest: 300 } as const
/** While it rests a sensor that cools is looked at no sooner than this, s. */
const REST_LOOK_S = 30
const HOURS_A_WEEK = 168
const WEEKS = Math.floor(DAYS / 7)
/** Moments closer than this are one, s. */
const SAME_S = 1e-6

/** What decides whether a loop's pump runs. Asked after each step; between two looks it does not change its mind. */
interface Drive {
  atClock(open: boolean, atS: number): void
  untilLook(atS: number): number
  look(atS: number): boolean
}

/** The loop's pump as its mode drives it, inside its windows where the mode has any. */
export class LoopDrive {
  private readonly drive: Drive
  private readonly schedule: Schedule

  /** @param served whether a tap's hot water comes by the loop */
  constructor(study: Study, network: Network, draws: readonly Draw[], served: (tapId: string) => boolean) {
    const { loop } = controlsOf(study)
    this.schedule = loop.schedule
    this.drive = network.hasLoop ? driveOf(study, loop, network, () => draws.filter((d) => served(d.tapId))) : resting()
  }

  /** @param minuteOfWeek by the controller's clock */
  atClock(minuteOfWeek: number, atS: number): void {
    this.drive.atClock(isOn(this.schedule, minuteOfWeek), atS)
  }

  /** Seconds until it has to be asked again. */
  untilLook(atS: number): number {
    return this.drive.untilLook(atS)
  }

  /** Whether the pump runs from now on. */
  runs(atS: number): boolean {
    return this.drive.look(atS)
  }
}

function driveOf(study: Study, loop: LoopControl, network: Network, served: () => Draw[]): Drive {
  switch (loop.mode) {
    case 'off':
    case 'trace heating':
      return resting()
    case 'always':
      return { ...resting(), look: () => true }
    case 'clock':
      return byTheClock()
    case 'sampled':
      return new Sampled(loop, network, study.pipes.loop!.sensorAt === 'at the far tap')
    case 'stop warm':
      return new StopWarm(loop, network, !feelsReturn(study.pipes.loop!))
    case 'on demand':
      return new OnDemand(loop, network, pressesOf(served(), loop.demand, study.people.seed))
    case 'learned':
      return learned(hoursLearned(served(), loop.learned, study.site.firstWeekday), study.site.firstWeekday)
  }
}

const resting = (): Drive => ({ atClock: () => {}, untilLook: () => Infinity, look: () => false })

function byTheClock(): Drive {
  let open = false
  return { atClock: (now) => void (open = now), untilLook: () => Infinity, look: () => open }
}

/** Between its soonest and its latest look. */
const within = (seconds: number, soonest: number = LOOK_S.soonest) =>
  Math.max(soonest, Math.min(LOOK_S.latest, seconds))

/**
 * Inside a window the loop is tested at its opening and every so many minutes: the pump runs for the test, then on while
 * the sensor is more than the differential below the target, up to the target. Exactly the differential below is not more.
 */
class Sampled implements Drive {
  private open = false
  private running = false
  private nextTestS = 0
  private testUntilS = 0
  private testing = false

  constructor(
    private readonly loop: LoopControl,
    private readonly network: Network,
    private readonly atFarTap: boolean,
  ) {}

  atClock(open: boolean, atS: number): void {
    if (open && !this.open) this.nextTestS = atS
    this.open = open
  }

  untilLook(atS: number): number {
    if (!this.open) return Infinity
    if (this.testing) return this.testUntilS - atS
    if (!this.running) return Math.max(LOOK_S.soonest, this.nextTestS - atS)
    return within(this.network.secondsUntilWarm(this.loop.targetC, this.atFarTap, atS))
  }

  look(atS: number): boolean {
    if (!this.open) {
      this.running = this.testing = false
      return false
    }
    const { targetC, differentialK, sampled } = this.loop
    if (this.testing) {
      if (atS < this.testUntilS - SAME_S) return true
      this.testing = false
      this.running = this.sensorC(atS) < targetC - differentialK
    } else if (this.running) this.running = this.sensorC(atS) < targetC
    if (this.running || atS < this.nextTestS - SAME_S) return this.running
    while (this.nextTestS <= atS + SAME_S) this.nextTestS += sampled.everyMin * 60
    if (sampled.testS > 0) {
      this.testUntilS = atS + sampled.testS
      return (this.testing = true)
    }
    return (this.running = this.sensorC(atS) < targetC - differentialK)
  }

  private sensorC(atS: number): number {
    return this.atFarTap ? this.network.returnConnectionC(atS) : this.network.returnC(atS)
  }
}

/** A sensor at the end of a return of its own feels what was lost on the way back too. */
const feelsReturn = ({ sensorAt, returns }: Loop): boolean =>
  returns.by === 'own pipe' && (sensorAt === 'on the return' || sensorAt === 'at the plant')

/**
 * Inside a window the pump runs until it is warm where its sensor sits, and again when that has cooled by the differential.
 * Where nobody has looked it is taken to sit behind the last tap, as the mode has it.
 */
class StopWarm implements Drive {
  private open = false
  private running = false

  constructor(
    private readonly loop: LoopControl,
    private readonly network: Network,
    private readonly atTurn: boolean,
  ) {}

  atClock(open: boolean): void {
    this.open = open
  }

  untilLook(atS: number): number {
    if (!this.open) return Infinity
    const { targetC, differentialK } = this.loop
    if (this.running) return within(this.network.secondsUntilWarm(targetC, this.atTurn, atS))
    return Math.max(REST_LOOK_S, this.network.secondsUntilCool(targetC - differentialK, this.atTurn, atS))
  }

  look(atS: number): boolean {
    const { targetC, differentialK } = this.loop
    const nowC = this.atTurn ? this.network.returnConnectionC(atS) : this.network.returnC(atS)
    return (this.running = this.open && nowC < (this.running ? targetC : targetC - differentialK))
  }
}

/** Asked for before a draw, the pump runs for its time or until it is warm behind the last tap. */
class OnDemand implements Drive {
  private next = 0
  private untilS = -Infinity

  constructor(
    private readonly loop: LoopControl,
    private readonly network: Network,
    private readonly presses: Float64Array,
  ) {}

  atClock(): void {}

  untilLook(atS: number): number {
    const press = this.next < this.presses.length ? this.presses[this.next] - atS : Infinity
    if (this.untilS <= atS + SAME_S) return Math.max(1e-3, press)
    return Math.max(
      1e-3,
      Math.min(press, this.untilS - atS, within(this.network.secondsUntilWarm(this.loop.targetC, true, atS))),
    )
  }

  look(atS: number): boolean {
    const warm = this.network.returnConnectionC(atS) >= this.loop.targetC
    while (this.next < this.presses.length && this.presses[this.next] <= atS + SAME_S)
      this.untilS = Math.max(this.untilS, this.presses[this.next++] + this.loop.demand.runOnS)
    if (warm) this.untilS = -Infinity
    return this.untilS > atS + SAME_S
  }
}

/** When it is asked for: before each draw but those for which nobody does. The same draws miss it each time. */
function pressesOf(draws: readonly Draw[], { leadS, missedShare }: LoopControl['demand'], seed: number): Float64Array {
  const asked = draws.filter((_, i) => (Math.imul(i ^ seed, 0x9e3779b1) >>> 0) / 0x1_0000_0000 >= missedShare)
  return Float64Array.from(asked, (d) => Math.max(0, d.startS - leadS)).sort()
}

/**
 * For each week of the year and hour of the week, Monday first, whether draws came in that hour in at least a share of the
 * weeks before it; before the year there was one like it.
 */
export function hoursLearned(
  draws: readonly Draw[],
  { weeks, threshold }: LoopControl['learned'],
  firstWeekday: number,
): boolean[][] {
  const came = Array.from({ length: WEEKS + 1 }, () => new Array<boolean>(HOURS_A_WEEK).fill(false))
  for (const d of draws) {
    const hours = Math.floor(d.startS / HOUR_S) + firstWeekday * 24
    came[Math.floor(hours / HOURS_A_WEEK)][hours % HOURS_A_WEEK] = true
  }
  // The days that are left over at the end are the beginning of the first week.
  came[WEEKS].forEach((on, hour) => (came[0][hour] ||= on))
  const whole = came.slice(0, WEEKS)
  return came.map((_, week) =>
    Array.from({ length: HOURS_A_WEEK }, (_, hour) => {
      let seen = 0
      for (let back = 1; back <= weeks; back++) if (whole[(((week - back) % WEEKS) + WEEKS) % WEEKS][hour]) seen++
      return seen / weeks >= threshold - 1e-9
    }),
  )
}

function learned(hours: readonly boolean[][], firstWeekday: number): Drive {
  const startS = firstWeekday * DAY_S
  return {
    atClock: () => {},
    untilLook: (atS) => Math.max(SAME_S, HOUR_S - ((atS + SAME_S) % HOUR_S)),
    look: (atS) => {
      const hour = Math.floor((atS + startS + SAME_S) / HOUR_S)
      return hours[Math.floor(hour / HOURS_A_WEEK)][hour % HOURS_A_WEEK]
    },
  }
}
