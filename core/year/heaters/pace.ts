/** Longest and shortest step of a heater that is called, s. */
const LONGEST_S = 600
const SHORTEST_S = 0.2

/**
 * Steps of a heater that works towards its setpoint: as long as its heat still takes, at most five minutes. Where its sensor
 * does not feel what it heats it is never content; then each step is twice the one before.
 */
export class Pace {
  private shortest = SHORTEST_S

  constructor(private readonly longestS = LONGEST_S) {}

  /** Step while so much heat is left to give, kJ, and so much is given more than taken, kW: at no gain the longest. */
  during(leftKj: number, gainKw: number): number {
    return this.until(leftKj / Math.max(gainKw, 1e-6))
  }

  /** @param secondsLeft until all that it heats is at its setpoint, 0 when it is there already */
  until(secondsLeft: number): number {
    if (secondsLeft > this.shortest) {
      this.shortest = SHORTEST_S
      return Math.min(this.longestS, secondsLeft)
    }
    const step = this.shortest
    this.shortest = Math.min(this.longestS, 2 * this.shortest)
    return step
  }

  /** It is content: the next time it begins anew. */
  rest(): void {
    this.shortest = SHORTEST_S
  }
}
