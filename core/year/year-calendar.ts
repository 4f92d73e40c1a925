import { DAY_S, DAYS, MONTH_OF_DAY, WEEK_MIN } from '../calendar/year'
import type { Study } from '../study/study'
import { mainsThroughYear } from '../water/mains'
import { inWeek } from './controls/clock'
import { weeklyEdges } from './edges'

/** Moments closer than this are one, s. */
const SAME_S = 1e-6

/** What an edge of the week brings: the minute it is, and the day that begins with it, where one does. */
export interface Edge {
  minuteOfWeek: number
  day: number | null
}

/** The calendar of a year: the edges of each week, its days, and the moments at which something is set by hand. */
export class YearCalendar {
  private readonly mains: Float64Array
  private readonly edges: number[]
  private edge = 0
  private weekStartS: number
  private nextChange = 0

  /** @param changes moments at which something is set by hand, ascending, s */
  constructor(
    private readonly study: Study,
    private readonly changes: readonly number[],
  ) {
    this.mains = mainsThroughYear(study.site)
    this.edges = weeklyEdges(study)
    this.weekStartS = -study.site.firstWeekday * DAY_S
  }

  /** The cold main on a day of the year, °C. */
  mainsC(day: number): number {
    return this.mains[day]
  }

  monthOf(day: number): number {
    return MONTH_OF_DAY[day]
  }

  startAt(midnightS: number): void {
    while (this.nextEdgeS() < midnightS) this.step()
    while (this.nextChange < this.changes.length && this.changes[this.nextChange] <= midnightS) this.nextChange++
  }

  nextEdgeS(): number {
    return this.weekStartS + this.edges[this.edge] * 60
  }

  /** Seconds until an edge or a setting by hand. */
  until(nowS: number): number {
    const change = this.nextChange < this.changes.length ? this.changes[this.nextChange] - nowS : Infinity
    return Math.min(this.nextEdgeS() - nowS, change)
  }

  /** The edge that is due at a moment, if any: it is passed. */
  passEdge(nowS: number): Edge | null {
    if (this.nextEdgeS() > nowS + SAME_S) return null
    const minute = this.edges[this.edge]
    const day = Math.round((this.weekStartS + minute * 60) / DAY_S)
    const begins = (this.weekStartS + minute * 60) % DAY_S === 0 && day < DAYS ? day : null
    this.step()
    return { minuteOfWeek: minute, day: begins }
  }

  /** Whether something was set by hand up to a moment: it is passed. */
  passChanges(nowS: number): boolean {
    if (!(this.changes[this.nextChange] <= nowS + SAME_S)) return false
    while (this.changes[this.nextChange] <= nowS + SAME_S) this.nextChange++
    return true
  }

  /** Minute of the week by the clock people live by. */
  minuteOfWeek(nowS: number): number {
    return inWeek((nowS - this.weekStartS) / 60)
  }

  /** Minute of the week of the midnight that begins a day of the year. */
  midnightOf(day: number): number {
    return (((this.study.site.firstWeekday + day) % 7) * WEEK_MIN) / 7
  }

  private step(): void {
    if (++this.edge < this.edges.length) return
    this.edge = 0
    this.weekStartS += WEEK_MIN * 60
  }
}
