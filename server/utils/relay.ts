import { randomInt } from 'node:crypto'

/** A line from one person of a visit to the other. */
export interface Line {
  n: number
  from: 'outlet' | 'dial'
  text: string
  /** A temperature that was read, °C; null: words alone. */
  c: number | null
}
interface Visit {
  lines: Line[]
  /** When it was last used, ms. */
  at: number
}

/** Signs of a code: none that looks like another. */
const SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'
const CODE_LENGTH = 5
/** A visit that nobody uses for so long is over. */
const IDLE_MS = 2 * 3600 * 1000
const MOST_VISITS = 200
/** Older lines are forgotten. */
const MOST_LINES = 200
export const LONGEST_LINE = 200

/** Lines between two pages that are open at one time, by a short code. Nothing is stored; what ends is gone. */
export class Relay {
  private readonly visits = new Map<string, Visit>()
  constructor(private readonly now: () => number = Date.now) {}

  private forget() {
    for (const [code, visit] of this.visits) if (this.now() - visit.at > IDLE_MS) this.visits.delete(code)
  }

  /** The code of a new visit; null: there are too many. */
  open(): string | null {
    this.forget()
    if (this.visits.size >= MOST_VISITS) return null
    let code: string
    do code = Array.from({ length: CODE_LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join('')
    while (this.visits.has(code))
    this.visits.set(code, { lines: [], at: this.now() })
    return code
  }

  private visit(code: string): Visit | null {
    this.forget()
    const visit = this.visits.get(code.toUpperCase())
    if (visit) visit.at = this.now()
    return visit ?? null
  }

  /** Whether a line was taken: a visit that is over takes none. */
  say(code: string, line: Omit<Line, 'n'>): boolean {
    const visit = this.visit(code)
    if (!visit) return false
    visit.lines.push({ ...line, n: (visit.lines.at(-1)?.n ?? 0) + 1 })
    if (visit.lines.length > MOST_LINES) visit.lines.shift()
    return true
  }

  /** Lines after one that was heard; null: the visit is over, or there never was one. */
  hear(code: string, after: number): Line[] | null {
    return this.visit(code)?.lines.filter((l) => l.n > after) ?? null
  }

  end(code: string): void {
    this.visits.delete(code.toUpperCase())
  }
}

/** The visits of this server. */
export const relay = new Relay()
