/** A rise is taken to slow by no more than this on the way to where it ends; so much where only one step of it was seen. */
const SLOWS = 1.25
const MOST_PAST_K = 0.5
/** Shorter steps tell no rate: a heater begins with its lag and its own circuit, s. */
const SHORTEST_S = { heater: 60, loop: 1 } as const

/** What alone moves a sensor through a step: its heater, a loop, or more than that. */
export type Mover = 'heater' | 'loop' | 'several'

/**
 * How fast the water at a sensor rises while its heater works alone, or falls while a loop alone moves it: both ever more
 * slowly, as what changes nears what changes it. From its last two steps it tells when a temperature will be met.
 */
export class SensorDrift {
  private by: Mover = 'several'
  /** Change in the last step, K/s, upwards for a heater and downwards for a loop; how fast that grows less, K/s²; the step, s. */
  private rateKS = 0
  private slowsKS2 = 0
  private stepS = 0
  private known = false

  constructor(private lastC: number) {}

  /** What it showed after a step, °C. */
  get nowC(): number {
    return this.lastC
  }

  /** Takes up what it shows at the end of a step. @param by what alone moved it */
  look(nowC: number, dtS: number, by: Mover): void {
    const movedK = by === 'loop' ? this.lastC - nowC : nowC - this.lastC
    const rateKS = by === 'several' || dtS < SHORTEST_S[by] ? 0 : Math.max(0, movedK / dtS)
    const goesOn = by === this.by && this.rateKS > 0 && rateKS > 0
    this.known = goesOn
    this.slowsKS2 = goesOn ? Math.max(0, (2 * (this.rateKS - rateKS)) / (this.stepS + dtS)) : 0
    this.rateKS = rateKS
    this.stepS = dtS
    this.by = by
    this.lastC = nowC
  }

  /** What moved it is done. */
  rest(): void {
    this.by = 'several'
    this.rateKS = this.slowsKS2 = 0
  }

  /** Seconds until it will have moved on by so much, K, by what moves it; Infinity where nothing has been seen. */
  untilMoved(leftK: number, by: Mover, slows = SLOWS): number {
    if (by !== this.by || this.rateKS <= 0) return Infinity
    const byLast = leftK / this.rateKS
    if (by === 'loop') return byLast
    // Where it does not slow after all it goes no further past than this.
    const most = Math.min(slows * byLast, (leftK + MOST_PAST_K) / this.rateKS)
    if (!this.known) return most
    const rateKS = this.rateKS - 0.5 * this.slowsKS2 * (this.stepS + byLast)
    return rateKS > 0 ? Math.min(most, leftK / rateKS) : most
  }
}
