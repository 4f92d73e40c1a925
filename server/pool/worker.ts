import { compared, type Comparison, jobsOf } from '../../core/measures/compare'
import type { Study } from '../../core/study/study'
import type { YearResult } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'

/** What the pool may be asked for. Studies reach it checked. */
export type Task = { kind: 'simulate'; study: Study } | { kind: 'compare'; study: Study }

export default function work(task: Task): YearResult | Comparison {
  if (task.kind === 'simulate') return simulate(task.study)
  return compared(task.study, new Map(jobsOf(task.study).map((job) => [job.key, simulate(job.study)])))
}
