import { dayAfter } from '../../calendar/days'
import { FLOW_STEP_K } from '../../heaters/flow-temperature'
import { FLOW_C, type FlowSteps } from '../../study/heating'
import type { Study } from '../../study/study'

/** How rooms were with a flow temperature, and the weather it was tried in. */
export interface Vote {
  on: string
  outdoorC: number
  feels: 'too cold' | 'right' | 'too warm'
}

/** A step of a plan: its flow, from which day on it is tried, and what the household said of it last. */
export interface FlowStep {
  flowC: number
  due: string
  vote: Vote | null
}

/** What is done next: a step is tried from a day on, a word on it is asked for, the plan ends here, or it goes back. */
export type FlowNext = { does: 'try' | 'ask'; flowC: number; from: string } | { does: 'stay' | 'back'; flowC: number }

/** A flow that was logged belongs to a step where it is no further from it, K. */
const NEAR_K = 1.5

/** Steps of a plan to begin with, and the flow it begins at where none was read, °C. */
const BEGIN = { steps: 3, everyDays: 7, flowC: 60 } as const

/** A plan to begin with: some steps down from the flow as it is set. */
export function beginSteps(flowC: number | null, begins: string): FlowSteps {
  const downK = BEGIN.steps * FLOW_STEP_K
  const fromC = Math.min(FLOW_C.high, Math.max(FLOW_C.low + downK, Math.round(flowC ?? BEGIN.flowC)))
  return { begins, fromC, toC: fromC - downK, byK: FLOW_STEP_K, everyDays: BEGIN.everyDays }
}

/** The flow temperatures of a plan, first to last; the last step is as long as is left. */
export function flowsOf({ fromC, toC, byK }: FlowSteps): number[] {
  const way = Math.sign(toC - fromC)
  const whole = Math.floor(Math.abs(toC - fromC) / byK + 1e-9)
  const flows = Array.from({ length: whole + 1 }, (_, i) => fromC + way * i * byK)
  return Math.abs(toC - flows.at(-1)!) > 1e-9 ? [...flows, toC] : flows
}

/**
 * The steps of a plan with what was logged of each since it began. A step begins once the one before was lived with for its days,
 * and not before something was said of it.
 */
export function flowStepsOf({ readings }: Pick<Study, 'readings'>, plan: FlowSteps): FlowStep[] {
  const logged = readings
    .filter((r) => r.kind === 'flow-log' && r.takenAt.slice(0, 10) >= plan.begins)
    .toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))
  const flows = flowsOf(plan)
  const nearest = (c: number) => flows.reduce((best, f) => (Math.abs(f - c) < Math.abs(best - c) ? f : best), flows[0])
  let due = plan.begins
  return flows.map((flowC, i) => {
    if (i > 0) due = dayAfter(due, plan.everyDays)
    const last = logged.findLast(({ values }) => {
      const c = Number(values.supplyC)
      return nearest(c) === flowC && Math.abs(c - flowC) <= NEAR_K
    })
    const on = last?.takenAt.slice(0, 10)
    const step = {
      flowC,
      due,
      vote: last
        ? { on: on!, outdoorC: Number(last.values.outdoorC), feels: last.values.feels as Vote['feels'] }
        : null,
    }
    // What comes next is counted from the day on which something was said of this one, where that came later.
    if (on && dayAfter(on, -plan.everyDays) > due) due = dayAfter(on, -plan.everyDays)
    return step
  })
}

/** What comes next in a plan that lowers a flow while rooms stay warm, or raises one until they are. */
export function flowNext(steps: readonly FlowStep[]): FlowNext {
  const down = steps.length < 2 || steps[1].flowC < steps[0].flowC
  const [enough, too] = down ? (['too cold', null] as const) : (['right', 'too warm'] as const)
  for (const [i, { flowC, due, vote }] of steps.entries()) {
    if (vote === null) return { does: i === 0 ? 'ask' : 'try', flowC, from: due }
    if (down && vote.feels === enough) return { does: 'back', flowC: steps[Math.max(0, i - 1)].flowC }
    if (!down && vote.feels === too) return { does: 'back', flowC: steps[Math.max(0, i - 1)].flowC }
    if (!down && vote.feels === enough) return { does: 'stay', flowC }
  }
  return { does: 'stay', flowC: steps.at(-1)!.flowC }
}

/** A plan raised the flow for a frost: it goes back once the air of the place is usually milder than in the mean of a year. */
export function backOn({ site }: Pick<Study, 'site'>, { begins, fromC, toC }: FlowSteps): string | null {
  if (toC <= fromC) return null
  const mean = site.monthlyAirC.reduce((s, c) => s + c, 0) / 12
  const [year, month] = begins.split('-').map(Number)
  for (let n = 1; n <= 12; n++) {
    const at = month - 1 + n
    if (site.monthlyAirC[at % 12] > mean)
      return `${year + Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-01`
  }
  return null
}
