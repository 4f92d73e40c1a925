/** What arrives in less time than this does not count by itself, s. */
const SPOONFUL_S = 0.5

/**
 * The water on its way to a tap, seen from the tap: for how long from now on what arrives lies between two temperatures, and
 * what that is on the mean. A mixer that is set for this mean gives what is asked for to the end of that time, though what
 * arrives rises or falls through it.
 *
 * Made once for a draw and used again. Stretches are shown to it from the tap back, each with the end that leaves it first;
 * what passes further stretches on its way cools there, so that it arrives at `a + b T`.
 */
export class Arriving {
  /** How long it was alike, s. */
  seconds = 0
  /** Whether all that was shown was alike, as far as it was asked for. */
  alike = true
  private ended = false
  private heat = 0
  private lowC = 0
  private highC = 0
  private mostS = 0
  private withinK = Infinity
  private a = 0
  private b = 1

  /**
   * @param lowC lowest and @param highC highest that still counts as alike, °C
   * @param withinK as does only what is within this of what comes first, K
   * @param mostS nothing later than this is of interest, s
   */
  begin(lowC: number, highC: number, withinK: number, mostS: number): void {
    this.lowC = lowC
    this.highC = highC
    this.withinK = withinK
    this.mostS = mostS
    this.seconds = this.heat = this.a = 0
    this.b = 1
    this.alike = true
    this.ended = false
  }

  /** Mean of what arrives while it is alike, °C. */
  get meanC(): number {
    return this.heat / this.seconds
  }

  /** Whether it has seen enough. */
  get done(): boolean {
    return this.ended || !this.alike || this.seconds >= this.mostS
  }

  /** Nothing that stands behind what was shown says what arrives: it is made on the way. */
  end(): void {
    this.ended = true
  }

  /** What water that stands behind all that was shown would arrive at, °C. */
  atTapC(tempC: number): number {
    return this.a + this.b * tempC
  }

  /** Whatever is shown next passes a stretch on its way that leaves it a part of its excess over the air. */
  through(ambientC: number, left: number): void {
    this.a += this.b * ambientC * (1 - left)
    this.b *= left
  }

  /**
   * Shows water that takes some seconds to leave its stretch, between the temperatures at which its ends do, °C; along it a
   * straight line is taken. Returns whether there is more to look at.
   */
  show(firstC: number, lastC: number, seconds: number): boolean {
    const first = this.a + this.b * firstC
    if (this.withinK < Infinity) {
      // A spoonful that comes before is mixed with the rest, whatever it is.
      if (this.seconds + seconds < SPOONFUL_S) {
        this.seconds += seconds
        this.heat += seconds * first
        return true
      }
      this.lowC = Math.max(this.lowC, first - this.withinK)
      this.highC = Math.min(this.highC, first + this.withinK)
      this.withinK = Infinity
    }
    if (first < this.lowC || first > this.highC) return (this.alike = false)
    let last = this.a + this.b * lastC
    let part = seconds
    if (last < this.lowC || last > this.highC) {
      const edge = last > this.highC ? this.highC : this.lowC
      part *= (edge - first) / (last - first)
      last = edge
      this.alike = false
    }
    const left = this.mostS - this.seconds
    if (part >= left) {
      if (part > 0) last = first + ((last - first) * left) / part
      part = left
      this.alike = true
    }
    this.seconds += part
    this.heat += part * 0.5 * (first + last)
    return this.alike && part < left
  }
}
