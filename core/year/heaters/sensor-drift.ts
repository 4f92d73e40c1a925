/** A rise of which two steps have been seen ends no further past what it is foreseen to meet than this, K. */
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
  /** Change in the last step, K/s, upwards for a heater and downwards for a loop; 0: none was seen. The step, s. */
  private rateKS = 0
  private stepS = 0
  /** By how much that grows less, K/s²; null where one step alone was seen. */
  private slowsKS2: number | null = null

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
    this.slowsKS2 = goesOn ? Math.max(0, (2 * (this.rateKS - rateKS)) / (this.stepS + dtS)) : null
    this.rateKS = rateKS
    this.stepS = dtS
    this.by = by
    this.lastC = nowC
  }

  /** What moved it is done. */
  rest(): void {
    this.by = 'several'
  }

  /** Seconds until a loop will have cooled it by so much, K, at the rate last seen; Infinity where none was. */
  untilFallen(leftK: number): number {
    return this.by === 'loop' && this.rateKS > 0 ? leftK / this.rateKS : Infinity
  }

  /**
   * Seconds until its heater will have warmed it by so much, K; Infinity where no rise was seen.
   * @param slows how many times longer than at the rate last seen that may take, 1 or more
   */
  untilRisen(leftK: number, slows: number): number {
    if (this.by !== 'heater' || this.rateKS <= 0) return Infinity
    const byLast = leftK / this.rateKS
    const most = Math.min(slows * byLast, (leftK + MOST_PAST_K) / this.rateKS)
    if (this.slowsKS2 === null) return most
    const rateKS = this.rateKS - 0.5 * this.slowsKS2 * (this.stepS + byLast)
    return rateKS > 0 ? Math.min(most, leftK / rateKS) : most
  }
}
