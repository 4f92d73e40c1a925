import { MINUTES_A_DAY } from '../../calendar/clock'
import { DAY_S, WEEK_MIN } from '../../calendar/year'
import type { Firing } from '../../study/fire'

/** Minutes of the week in which a fire burns, as edges: [from, to) after Monday midnight, `to` possibly past its end. */
const burns = (firings: readonly Firing[]): [number, number][] =>
  firings.flatMap((f) =>
    f.days.flatMap((on, d) =>
      on
        ? [[d * MINUTES_A_DAY + f.atMin, d * MINUTES_A_DAY + f.atMin + Math.round(f.hours * 60)] as [number, number]]
        : [],
    ),
  )

/** A fire's diary, week by week. */
export class FireDiary {
  private readonly spans: [number, number][]
  /** Every minute of the week at which a fire is lit or dies, ascending. */
  readonly edges: number[]

  constructor(
    firings: readonly Firing[],
    private readonly firstWeekday: number,
  ) {
    this.spans = burns(firings)
    this.edges = [...new Set(this.spans.flat().map((m) => m % WEEK_MIN))].sort((a, b) => a - b)
  }

  private minute(atS: number): number {
    return (this.firstWeekday * MINUTES_A_DAY + atS / 60) % WEEK_MIN
  }

  lit(atS: number): boolean {
    // A thousandth of a minute ahead: a step may end a rounding before the edge it aimed at.
    const now = this.minute(atS) + 1e-3
    for (const span of this.spans) {
      if (now >= span[0] && now < span[1]) return true
      if (now + WEEK_MIN >= span[0] && now + WEEK_MIN < span[1]) return true
    }
    return false
  }

  /** Seconds until a fire is lit or dies. */
  secondsToEdge(atS: number): number {
    if (this.edges.length === 0) return Infinity
    const now = this.minute(atS) + 1e-3
    let i = 0
    while (i < this.edges.length && this.edges[i] <= now) i++
    const next = i < this.edges.length ? this.edges[i] : this.edges[0] + WEEK_MIN
    return Math.min(DAY_S, Math.max(0.1, (next - now + 1e-3) * 60))
  }
}
