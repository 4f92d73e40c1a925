/** How a figure stands: it holds, it does not, or nobody knows yet. Only what is known can fit. */
export type Verdict = 'fits' | 'not known' | 'does not fit'

export interface SizeCheck {
  id: string
  verdict: Verdict
  sentence: string
  /** Formula or rule. */
  source: string
}

/** The worst of several: what does not fit beats what is not known. */
export const worst = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.includes('does not fit') ? 'does not fit' : verdicts.includes('not known') ? 'not known' : 'fits'
