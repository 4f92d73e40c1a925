import { preheatedC } from '../../recovery/drain-recovery'
import type { Recovery } from '../../study/pipes'
import type { TapDraw } from '../taps/tap-draw'

/** Whoever mixes lets in no cold water that is warmer than this far below what they want, K. */
const COOLER_K = 1
/** A unit at rest has lost two thirds of its warmth after this, s: it hangs full of air and holds little. */
const COOLS_S = 600
/** Its steps are this share of its warm-up until it is as warm as this. */
const WARMING_STEP = 1 / 3
const WARM = 0.95
/** Halvings of the cold flow that balances a mixer: to a thousandth of a per cent of the tap's flow. */
const BALANCE_ROUNDS = 17

/**
 * A drain-water heat exchanger in motion: what showers let go warms cold water on its way to their mixers, to the plant, or
 * to both. What it gives is what it would in steady flow, times how far its wall has warmed up.
 */
export class DrainUnit {
  private readonly taps: ReadonlySet<number>
  /** How far its wall has warmed, 0 to 1. */
  private warmth = 0
  private drains = false
  /** What cold water gains in it in this step, K. */
  private gainK = 0
  /** One draw at most gave it heat in the step before. */
  private alone = true

  constructor(
    private readonly unit: Recovery,
    tapIndex: ReadonlyMap<string, number>,
  ) {
    this.taps = new Set(unit.tapIds.map((id) => tapIndex.get(id)!))
  }

  private serves(draw: TapDraw): boolean {
    return draw.drains && this.taps.has(draw.tapIndex)
  }

  /**
   * Cold water at the mixer of a draw, °C, by what the step before made of it. A unit that feeds mixers alone gains more the
   * less cold they take in, and they take in less hot the more it gains: the two are solved together, else each step answers
   * the one before and an instantaneous heater goes out between them.
   */
  atMixerC(draw: TapDraw, atS: number, mainsC: number): number {
    if (this.unit.connection === 'C' || !this.serves(draw)) return mainsC
    const most = Math.max(0, draw.requiredC - COOLER_K - mainsC)
    const gainK = this.unit.connection === 'B' && this.alone ? this.balanced(draw, atS, mainsC) : this.gainK
    return mainsC + Math.min(gainK, most)
  }

  /** What the cold side of the one mixer on the unit gains, K, when it takes in what makes the temperature wanted. */
  private balanced(draw: TapDraw, atS: number, mainsC: number): number {
    const { unit } = this
    const arrivesC = draw.arrivesC(atS)
    const all = draw.takesLMin
    if (arrivesC <= draw.requiredC) return this.gainK
    const warmth = this.warmthInStep()
    const drain = { drainLMin: all, drainC: draw.requiredC - unit.dropK, coldC: mainsC }
    const gain = (coldLMin: number) => warmth * (preheatedC(unit, { ...drain, coldLMin }) - mainsC)
    let [low, high] = [0, all]
    for (let i = 0; i < BALANCE_ROUNDS; i++) {
      const cold = (low + high) / 2
      if ((all - cold) * arrivesC + cold * (mainsC + gain(cold)) > all * draw.requiredC) low = cold
      else high = cold
    }
    return gain((low + high) / 2)
  }

  /** Water that the plant takes in, °C. */
  feedC(mainsC: number): number {
    return this.unit.connection === 'B' ? mainsC : mainsC + this.gainK
  }

  /** Takes up the flows of a step. @param plantLMin cold water that the plant takes in for taps */
  plan(draws: readonly TapDraw[], plantLMin: number, mainsC: number): void {
    const { unit } = this
    let [drainLMin, heat, mixersLMin, serving] = [0, 0, 0, 0]
    for (const d of draws)
      if (this.serves(d)) {
        serving++
        drainLMin += d.drainLMin
        heat += d.drainLMin * (d.leavesC - unit.dropK)
        mixersLMin += d.coldLMin
      }
    this.drains = drainLMin > 0
    this.alone = serving <= 1
    const coldLMin = (unit.connection === 'B' ? 0 : plantLMin) + (unit.connection === 'C' ? 0 : mixersLMin)
    const steadyC = preheatedC(unit, { drainLMin, drainC: heat / drainLMin, coldLMin, coldC: mainsC })
    this.gainK = this.warmthInStep() * (steadyC - mainsC)
  }

  /** How warm its wall is in the middle of the step to come. */
  private warmthInStep(): number {
    if (this.unit.warmUpS === 0) return 1
    return this.warmth < WARM ? 1 - (1 - this.warmth) * Math.exp(-WARMING_STEP / 2) : this.warmth
  }

  /** Longest step while it warms up, s. */
  longestStep(): number {
    return this.drains && this.warmth < WARM && this.unit.warmUpS > 0
      ? Math.max(1, this.unit.warmUpS * WARMING_STEP)
      : Infinity
  }

  advance(dtS: number): void {
    const { warmUpS } = this.unit
    if (this.drains) this.warmth = warmUpS > 0 ? 1 - (1 - this.warmth) * Math.exp(-dtS / warmUpS) : 1
    else this.warmth *= Math.exp(-dtS / COOLS_S)
    // Whatever runs next finds out anew what it gains.
    if (!this.drains) this.gainK = 0
    this.drains = false
  }
}
