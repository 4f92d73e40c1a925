import type { Calculator, Worked } from '../calculators/calculator'
import { runCalculator } from '../calculators/run'
import { faultText } from '../units/result'

const NOTHING: Worked = { out: {}, steps: [], notes: [] }

/** A reading worked by a bench sum; where the sum refuses, its reason is the note. */
export function workedBy(sum: Calculator, input: Record<string, unknown>): Worked {
  const answer = runCalculator(sum, input)
  return answer.ok ? answer.value : { ...NOTHING, notes: answer.faults.map(faultText) }
}
