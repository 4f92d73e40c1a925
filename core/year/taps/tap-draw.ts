import { DAY_S, HOUR_S } from '../../calendar/year'
import type { Tap } from '../../study/pipes'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { Draw } from '../draws/draws'
import type { PlantModel } from '../heaters/plant-model'
import type { Outflow } from '../pipes/outflow'
import { Arriving } from './arriving'
import type { Stretch } from './stretch'

/** Water this close below what is wanted is warm enough to step in, K. */
const WARM_ENOUGH_K = 2
/** A draw that on the mean falls this far short of what was wanted is a cool draw, K. */
export const COOL_K = 1
/** Nobody runs off more than this many times what stands in the pipes, plus what runs in `ABANDON_EXTRA_S`. */
const ABANDON_VOLUME_RATIO = 1.5
const ABANDON_EXTRA_S = 45
/** Water that arrives within this of the first, either way, is mixed as one for a step, by its mean, K. */
const ALIKE_K = 2
/** What a plant gives within this of what it gives now is as good as even, K. */
const EVEN_K = 0.7
const LONGEST_STEP_S = 150
/** Uses that follow within this are a bunch: the second finds its last run warm, s. */
const BUNCH_S = 1800
/** A mixer lets in at least this share of hot water: no thermostat closes to a drip. */
const LEAST_HOT_SHARE = 0.02
/** Step of a waiting draw while others move the same water, s. */
const SHARED_STEP_S = 5
/** Time left that is a rounding, s. */
const TINY_S = 1e-3
/** Shortest step of a draw, s. */
const LEAST_STEP_S = 0.05
/** A draw asked for by heat alone ends here when no heat comes, s. */
const LONGEST_DRAW_S = 3600

/** What stands past the runs: what it gives now, °C, and how many litres of it will leave within a band, K either way. */
export type Ahead = Pick<PlantModel, 'supplyC' | 'evenAhead'>

/** The stretches that water passes on its way to a tap, in order, and what flows in each. */
export type Way = readonly { run: Stretch; flowLMin: number }[]

/** What a finished draw was like. */
export interface DrawRecord {
  tap: number
  waits: boolean
  /** The last run had been at rest for longer than a bunch of uses lasts. */
  first: boolean
  waitedS: number
  toWasteL: number
  /** Hottest water that came, °C. */
  hottestC: number
  /** Hour of the day it began in, 0 to 23. */
  hour: number
  /** Day of the year, 0 to 364. */
  day: number
  /** Minute of the day it began at. */
  minute: number
  litres: number
  /** Hot water of it. */
  hotL: number
  shortDegreeLitres: number
  cool: boolean
  usefulKj: number
}

/**
 * A draw under way. While it waits the tap runs hot only and the water goes down the drain; once it is warm the mixer
 * takes just the share of hot water that gives the wanted temperature, or all of it when that is not enough.
 */
export class TapDraw {
  hotLMin = 0
  /** Cold water that its mixer takes in, and what leaves it in this step, °C. */
  coldLMin = 0
  leavesC = 0
  done = false
  readonly record: DrawRecord
  private waiting: boolean
  private waitedL = 0
  private left: number
  private ranS = 0
  /** Time for which warm water will still run with nobody there, s. */
  private unattendedS: number
  private readonly giveUpL: number
  /** Flow of the tap, L/min, and whether it mixes: a standard draw has a flow of its own and takes hot water alone. */
  private readonly flowLMin: number
  private readonly mixes: boolean
  /** What leaves it runs off at once. */
  readonly drains: boolean
  /** Cold water at its mixer, °C, and whether a loop has warmed it: else a drain has. */
  private coldC = 0
  private coldByLoop = false
  /** What arrives from now on and is mixed as one. */
  private readonly arriving = new Arriving()
  /** Of the step just taken: cold water that was mixed in, L, and the heat that it brought from the cold line, kJ. */
  coldTakenL = 0
  coldLineKj = 0

  constructor(
    private readonly draw: Draw,
    tap: Tap,
    readonly tapIndex: number,
    private readonly path: Way,
    restedS: number,
  ) {
    this.waiting = draw.waits
    this.unattendedS = tap.stopsWhenWarm ? 0 : draw.unattendedS
    this.left = draw.amount
    this.flowLMin = draw.hotLMin ?? tap.flowLMin
    this.mixes = tap.mixes && draw.hotLMin === null
    this.drains = tap.drains
    const front = path.reduce((sum, b) => sum + b.run.warmUpVolumeL, 0)
    this.giveUpL = ABANDON_VOLUME_RATIO * front + (this.flowLMin / 60) * ABANDON_EXTRA_S
    this.record = {
      tap: tapIndex,
      waits: draw.waits,
      first: restedS > BUNCH_S,
      waitedS: 0,
      toWasteL: 0,
      hottestC: -Infinity,
      hour: Math.floor((draw.startS % DAY_S) / HOUR_S),
      day: Math.floor(draw.startS / DAY_S),
      minute: (draw.startS % DAY_S) / 60,
      litres: 0,
      hotL: 0,
      shortDegreeLitres: 0,
      cool: false,
      usefulKj: 0,
    }
  }

  private get last(): { run: Stretch; flowLMin: number } {
    return this.path[this.path.length - 1]
  }

  /** Whether it matters to it how warm what arrives is: it mixes, or runs until it has so much heat. */
  private get minds(): boolean {
    return this.mixes || this.draw.measure === 'kj'
  }

  get requiredC(): number {
    return this.draw.requiredC
  }

  /** What leaves the tap, hot and cold, L/min. */
  get takesLMin(): number {
    return this.flowLMin
  }

  /** Hot water that is about to arrive, °C. */
  arrivesC(atS: number): number {
    return this.last.run.exitC(atS)
  }

  /** What runs down the drain, L/min. */
  get drainLMin(): number {
    return this.hotLMin + this.coldLMin
  }

  /** Decides the hot flow from the water that is about to arrive, hot and cold. */
  plan(atS: number, coldC: number, ahead: Ahead | null, coldByLoop = false): void {
    this.coldC = coldC
    this.coldByLoop = coldByLoop
    const arrivingC = this.arrivesC(atS)
    const { requiredC } = this.draw
    if (this.waiting && arrivingC >= requiredC - WARM_ENOUGH_K) this.waiting = false
    const all = this.flowLMin
    this.hotLMin = all
    if (!this.waiting && this.minds) {
      const { arriving } = this
      if (!this.mixes) arriving.begin(-Infinity, Infinity, ALIKE_K, this.mostS())
      else if (arrivingC <= requiredC) arriving.begin(-Infinity, requiredC, Infinity, this.mostS())
      else arriving.begin(requiredC, Infinity, ALIKE_K, this.mostS())
      const mixes = this.mixes && arrivingC > requiredC
      this.lookAlong(mixes ? (all * (requiredC - coldC)) / (arrivingC - coldC) : all, atS, ahead)
      if (mixes) {
        const meanC = arriving.seconds > 0 ? arriving.meanC : arrivingC
        this.hotLMin = all * Math.max(LEAST_HOT_SHARE, meanC > requiredC ? (requiredC - coldC) / (meanC - coldC) : 1)
      }
    }
    this.coldLMin = all - this.hotLMin
    this.leavesC = this.coldLMin > 0 ? requiredC : arrivingC
  }

  /** Looks along the way, from the tap back, as long as what comes is alike at a hot flow, L/min. */
  private lookAlong(hotLMin: number, atS: number, ahead: Ahead | null): void {
    const { path, arriving } = this
    for (let k = path.length - 1; k >= 0 && !arriving.done; k--)
      path[k].run.showTo(arriving, atS, 60 / (path[k].flowLMin + hotLMin))
    // Past the runs stands the plant, and gives what it gives now.
    if (!ahead || arriving.done) return
    const supplyC = ahead.supplyC()
    arriving.show(supplyC, supplyC, (ahead.evenAhead(supplyC, EVEN_K) / (path[0].flowLMin + hotLMin)) * 60)
  }

  /** Longest that a mixer is left as it is, s. */
  private mostS(): number {
    const { measure } = this.draw
    const left = measure === 'seconds' ? this.left : measure === 'litres' ? (this.left / this.flowLMin) * 60 : Infinity
    return Math.min(LONGEST_STEP_S, left, this.unattendedS > TINY_S ? this.unattendedS : Infinity)
  }

  /**
   * Longest step for which that plan holds, s.
   * @param ahead the plant; null where none stands past the way
   */
  limit(atS: number, mainsC: number, othersDraw: boolean, ahead: Ahead | null): number {
    const perSecond = this.hotLMin / 60
    const arrivingC = this.arrivesC(atS)
    if (this.waiting) {
      const warm = this.draw.requiredC - WARM_ENOUGH_K
      let cold = 0
      for (let k = this.path.length - 1; k >= 0; k--) {
        const { run } = this.path[k]
        const below = run.litresBelow(warm, atS)
        cold += below
        if (below < run.warmUpVolumeL - 1e-6) break
      }
      // Nobody waits past the litres at which they give up.
      const litres = Math.min(cold, this.giveUpL - this.waitedL)
      return Math.max(LEAST_STEP_S, Math.min(litres / perSecond + 1e-3, othersDraw ? SHARED_STEP_S : LONGEST_STEP_S))
    }
    // Hot water alone is taken, whatever it is; else as long as what comes is alike.
    const { arriving } = this
    const allEven = !this.minds || arriving.alike
    const supplyC = ahead ? ahead.supplyC() : arrivingC
    const evenS = this.minds ? Math.max(0.5, arriving.seconds) : Infinity
    return Math.max(
      LEAST_STEP_S,
      Math.min(
        evenS,
        LONGEST_STEP_S,
        this.unattendedS > TINY_S ? this.unattendedS : Infinity,
        this.secondsLeft(Math.max(supplyC, arrivingC), allEven, atS, mainsC),
      ),
    )
  }

  /** Hottest water that stands on the way, °C. */
  private hottest(atS: number): number {
    return this.path.reduce((c, { run }) => Math.max(c, run.hottestC(atS)), -Infinity)
  }

  /** Seconds until a draw has what it was for; what comes is no hotter than a temperature, or than what stands on the way. */
  private secondsLeft(comesC: number, allEven: boolean, atS: number, mainsC: number): number {
    switch (this.draw.measure) {
      case 'seconds':
        return this.left
      case 'litres':
        return (this.left / (this.mixes ? this.flowLMin : this.hotLMin)) * 60
      case 'kj': {
        const hottestC = allEven ? comesC : Math.max(comesC, this.hottest(atS))
        const kw = (this.hotLMin / 60) * KJ_PER_LITRE_K * (hottestC - mainsC)
        return kw > 0.05 ? this.left / kw : LONGEST_STEP_S
      }
    }
  }

  /** Takes what arrived in a step. */
  receive(out: Outflow, share: number, mainsC: number, ledger: Ledger): void {
    const { record, draw } = this
    this.coldTakenL = this.coldLineKj = 0
    for (let i = 0; i < out.n; i++) {
      const litres = out.litres[i] * share
      const tempC = out.tempC[i]
      const seconds = (litres / this.hotLMin) * 60
      const kj = litres * KJ_PER_LITRE_K * (tempC - mainsC)
      ledger.water('hot', litres)
      if (tempC > record.hottestC) record.hottestC = tempC
      this.ranS += seconds
      if (this.waiting && tempC < draw.requiredC - WARM_ENOUGH_K) {
        ledger.add('toWaste', kj)
        ledger.water('toWaste', litres)
        record.waitedS += seconds
        record.toWasteL += litres
        this.waitedL += litres
        if (this.waitedL >= this.giveUpL - 1e-6) {
          this.waiting = false
          record.cool = true
        }
        continue
      }
      this.waiting = false
      // Whoever mixes keeps the temperature: as much cold is let in as makes it, and none when it is not hot enough.
      const mixed = this.mixes && tempC > draw.requiredC
      const delivered = mixed ? (litres * (tempC - this.coldC)) / (draw.requiredC - this.coldC) : litres
      const deliveredC = mixed ? draw.requiredC : tempC
      // Cold water that was preheated on its way to the mixer brings what it was given; what a loop gave it is in the pipes' account.
      const broughtKj = (delivered - litres) * KJ_PER_LITRE_K * (this.coldC - mainsC)
      this.coldTakenL += delivered - litres
      if (this.coldByLoop) this.coldLineKj += broughtKj
      else if (broughtKj !== 0) ledger.add('recovered', broughtKj)
      if (this.unattendedS > TINY_S) {
        // Nobody is there yet: it goes the way of what was run off before.
        this.unattendedS -= seconds
        ledger.add('toWaste', kj + broughtKj)
        ledger.water('toWaste', delivered)
        record.toWasteL += delivered
        continue
      }
      ledger.add('useful', kj + broughtKj)
      ledger.water('mixed', delivered)
      record.usefulKj += kj + broughtKj
      record.litres += delivered
      record.hotL += litres
      if (deliveredC < draw.requiredC) record.shortDegreeLitres += delivered * (draw.requiredC - deliveredC)
      this.left -= draw.measure === 'seconds' ? seconds : draw.measure === 'litres' ? delivered : kj + broughtKj
    }
    // Nothing is left out for want of a shorter step.
    const tiny = draw.measure === 'kj' ? 0.05 : 1e-3
    if (this.left > tiny && this.ranS < LONGEST_DRAW_S) return
    this.done = true
    if (draw.waits && record.shortDegreeLitres > COOL_K * record.litres) record.cool = true
  }
}
