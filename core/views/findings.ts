import { type Check, type Concern, type Level, rank, type Subject } from '../checks/check'
import { type FirstStep, stationOf } from '../household/first-steps'

/** Where on the system a finding stands. */
export type Station = FirstStep['station'] | 'log'

/** danger: it can hurt somebody; action: it costs or fails; check: it is not known and ought to be. */
export const SEVERITIES = ['danger', 'action', 'check'] as const
export type Severity = (typeof SEVERITIES)[number]

/** A check that stands out, with all that have the same cause; it bears the words of the worst of them. */
export interface Finding extends Check {
  severity: Severity
  station: Station
  /** All of one cause, the worst first. */
  parts: Check[]
}

const SEVERITY: Record<Concern, Record<Exclude<Level, 'pass'>, Severity>> = {
  harm: { fail: 'danger', marginal: 'action', 'not checked': 'check' },
  fault: { fail: 'action', marginal: 'check', 'not checked': 'check' },
  comfort: { fail: 'action', marginal: 'check', 'not checked': 'check' },
  cost: { fail: 'action', marginal: 'check', 'not checked': 'check' },
  record: { fail: 'check', marginal: 'check', 'not checked': 'check' },
}

const STATION: Record<Subject['kind'], Station> = {
  tap: 'taps',
  run: 'runs',
  store: 'store',
  heater: 'heater',
  loop: 'loop',
  controller: 'heater',
  fire: 'heater',
  supply: 'main',
  measure: 'heater',
  use: 'people',
  reading: 'log',
}

const severityOf = (c: Check): Severity => (c.level === 'pass' ? 'check' : SEVERITY[c.concern][c.level])
/** What stands in the way comes first among equals, then the worse level. */
const order = (a: Check, b: Check) =>
  SEVERITIES.indexOf(severityOf(a)) - SEVERITIES.indexOf(severityOf(b)) ||
  Number(b.blocks) - Number(a.blocks) ||
  rank(b.level) - rank(a.level)

/** One cause as one entry. */
function entryOf(parts: Check[]): Finding {
  const sorted = [...parts].sort(order)
  const [first] = sorted
  const several = sorted.length > 1
  return {
    ...first,
    ...(several ? { id: first.cause.id, title: first.cause.title } : {}),
    blocks: sorted.some((c) => c.blocks),
    severity: severityOf(first),
    // What nobody has looked at stands where it is answered.
    station: (first.level === 'not checked' && first.asks && stationOf(first.asks)) || STATION[first.subject.kind],
    parts: sorted,
  }
}

/** What stands out of all checks, dangers first, one entry for each cause. */
export function findingsOf(checks: readonly Check[]): Finding[] {
  const byCause = new Map<string, Check[]>()
  for (const c of checks) if (c.level !== 'pass') byCause.set(c.cause.id, [...(byCause.get(c.cause.id) ?? []), c])
  const entries = [...byCause.values()].map(entryOf)
  return SEVERITIES.flatMap((s) => [
    ...entries.filter((e) => e.severity === s && e.blocks),
    ...entries.filter((e) => e.severity === s && !e.blocks),
  ])
}

/** What stands in the way of calling a visit finished: harm that is there, and harm that nobody can rule out. */
export const inTheWay = (findings: readonly Finding[]): Finding[] => findings.filter((f) => f.blocks)
