import { runSum } from '../sums/run'
import type { Sum, Worked } from '../sums/sum'
import { faultText } from '../units/result'

const NOTHING: Worked = { out: {}, steps: [], notes: [] }

/** A reading worked by a bench sum; where the sum refuses, its reason is the note. */
export function workedBy(sum: Sum, input: Record<string, unknown>): Worked {
  const answer = runSum(sum, input)
  return answer.ok ? answer.value : { ...NOTHING, notes: answer.faults.map(faultText) }
}
