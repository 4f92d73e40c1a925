import { formFault, gotAt } from '../schema/words'
import { refused, type Result } from '../units/result'
import type { Sum, Worked } from './sum'
import { SumRefusal } from './sum'

/** Works a sum. Never throws; whatever is wrong with the input is named by the path of its field, such as "runs.0.size". */
export function runSum(sum: Sum, given: unknown): Result<Worked> {
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
