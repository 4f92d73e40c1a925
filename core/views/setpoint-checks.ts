import { type Check, type Level, rank, worst } from '../checks/check'
import { supplyOf } from '../household/supply'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'

/** A setting held against all that hangs on it. */
export interface Board {
  /** Whose setpoint it is; null where no thermostat sets anything. */
  heaterId: string | null
  setpointC: number | null
  /** The worst of its checks. */
  level: Level
  checks: Check[]
}

/** A heater whose setting can be judged: the one asked for, or the one that decides how hot the water is. */
export function judgedHeater(study: Study, heaterId?: string): string | null {
  const held = study.plant.heaters.filter(hasSetpoint)
  const wanted = heaterId ?? supplyOf(study).heaterId
  return (held.find((h) => h.id === wanted) ?? held[0])?.id ?? null
}

/** The checks that hang on a setpoint; where no thermostat sets anything, those that would. */
export function setpointChecks(study: Study, checks: readonly Check[], wanted?: string): Board {
  const heaterId = judgedHeater(study, wanted)
  const hangs = checks.filter(
    ({ board }) => board === 'all' || (heaterId === null ? board.length > 0 : board.includes(heaterId)),
  )
  return {
    heaterId,
    setpointC: heaterId === null ? null : controlsOf(study).heaters[heaterId].setpointC,
    level: worst(hangs.map((c) => c.level)),
    checks: hangs,
  }
}

/** Checks of one cause as one line: what is said of the worst, and the others under it. */
export interface CheckLine {
  title: string
  level: Level
  worst: Check
  others: Check[]
}

/** The board's checks as they are read: the worst first, one line for each cause. */
export function linesOf({ checks }: Board): CheckLine[] {
  const byCause = new Map<string, Check[]>()
  for (const c of checks) byCause.set(c.cause.id, [...(byCause.get(c.cause.id) ?? []), c])
  return [...byCause.values()]
    .map((parts) => {
      const [first, ...others] = [...parts].sort((a, b) => rank(b.level) - rank(a.level))
      const title = others.length ? first.cause.title : first.title
      return { title, level: first.level, worst: first, others }
    })
    .sort((a, b) => rank(b.level) - rank(a.level))
}

/** Failing checks of the board for which nobody has said why it is set so. */
export const unexplained = (study: Study, board: Board): Check[] =>
  board.checks.filter(
    (c) => c.level === 'fail' && !study.controls.reasons.some((r) => r.check === c.id && r.heaterId === board.heaterId),
  )
