import type { Worked } from '../../core/calculators/calculator'
import { calculatorNamed } from '../../core/calculators/registry'
import { runCalculator } from '../../core/calculators/run'
import { faultText } from '../../core/units/result'

/** A calculator's answer, worked out; a refusal is a failure of the test. */
export const worked = (name: string, input: unknown): Worked => {
  const answer = runCalculator(calculatorNamed(name)!, input)
  if (!answer.ok) throw new Error(faultText(answer.faults[0]))
  return answer.value
}
export const out = (name: string, input: unknown) => worked(name, input).out as Record<string, number>

/** What it is refused with; an answer is a failure of the test. */
export const fault = (name: string, input: unknown): string => {
  const answer = runCalculator(calculatorNamed(name)!, input)
  if (answer.ok) throw new Error(`${name} answered ${JSON.stringify(answer.value.out)}`)
  return faultText(answer.faults[0])
}
