import { jobsOf } from '../../core/measures/jobs'
import { readStudyText } from '../../core/study/read'
import type { Fault } from '../../core/units/result'
import { faultText } from '../../core/units/result'
import { comparedInFull, type FullComparison } from '../../core/views/compare'
import type { YearResult } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { simulateMany } from '../../core/year/simulate-many'
import { YearRefused } from '../../core/year/work'

/** What the pool may be asked for. The study comes as it was sent: reading it is work too. */
export interface Task {
  kind: 'simulate' | 'compare'
  text: string
}

/** What came of it, or why not in words and by its faults. */
export type Outcome = { value: YearResult | FullComparison } | { refused: string; faults: Fault[] }

/** Years that one comparison may ask for. */
const MOST_YEARS = 60

export default function work({ kind, text }: Task): Outcome {
  const read = readStudyText(text)
  if (!read.ok) return { refused: faultText(read.faults[0]!), faults: read.faults }
  try {
    if (kind === 'simulate') return { value: simulate(read.value) }
    const jobs = jobsOf(read.value)
    if (jobs.length > MOST_YEARS) {
      const message = `these packages take ${jobs.length.toLocaleString('en-GB')} years to compare; at most ${MOST_YEARS} are worked out at once`
      return { refused: message, faults: [{ path: 'packages', message }] }
    }
    return { value: comparedInFull(read.value, new Map(simulateMany(jobs.map((job) => [job.key, job.study])))) }
  } catch (error) {
    if (!(error instanceof YearRefused)) throw error
    return { refused: error.message, faults: [{ path: '', message: error.message }] }
  }
}
