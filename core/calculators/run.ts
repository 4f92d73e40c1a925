import { formFault, gotAt } from '../schema/words'
import { refused, type Result } from '../units/result'
import type { Calculator, Worked } from './calculator'
import { SumRefusal } from './calculator'

/** Works a sum. Never throws; whatever is wrong with the input is named by the path of its field, such as "runs.0.size". */
export function runCalculator(sum: Calculator, given: unknown): Result<Worked> {
  const checked = sum.input.safeParse(given)
  if (!checked.success)
    return { ok: false, faults: checked.error.issues.map((issue) => formFault(sum.input, given, issue)) }
  try {
    return { ok: true, value: sum.work(checked.data as never) }
  } catch (error) {
    if (!(error instanceof SumRefusal)) throw error
    return refused(`got ${gotAt(given, error.field.split('.'))}, ${error.message}`, error.field)
  }
}
