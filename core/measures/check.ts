import type { Verdict } from '../sizing/verdict'

/** Something to be looked at before a measure is done: it holds, it does not, or nobody knows yet. */
export interface MeasureCheck {
  id: string
  verdict: Verdict
  sentence: string
}

export const one = (id: string, verdict: Verdict, sentence: string): MeasureCheck => ({ id, verdict, sentence })
