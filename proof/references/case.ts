/** A figure that is known from elsewhere, and what Bagno makes of it. The unit tests and docs/validation.md share the list. */
export interface ReferenceCase {
  what: string
  source: string
  unit: string
  expected: number
  /** Allowed difference: a share of what is expected, or an amount in its unit. */
  within: { share: number } | { amount: number }
  got: () => number
}

export const share = (s: number) => ({ share: s })
export const amount = (a: number) => ({ amount: a })
