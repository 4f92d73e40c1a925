/** A word of the trade, as it is said in a study in metric units (British) and in one in US units. */
export interface Term {
  readonly metric: string
  /** In a US study; the same where it is left out. */
  readonly us?: string
  /** What it is, in a line. */
  readonly help: string
  /** Other words that somebody may look for it by: old ones, other trades', those of other lands. None of them is said on screen. */
  readonly also?: readonly string[]
  /** Where it is seen or set. */
  readonly at: Place
}

/** Places of the app that a word leads to: sections of the survey, views of the other stages. */
export type Place =
  | 'main'
  | 'heater'
  | 'store'
  | 'loop'
  | 'runs'
  | 'taps'
  | 'people'
  | 'drain'
  | 'prices'
  | 'findings'
  | 'readings'
  | 'settings'
  | 'checks'
  | 'modes'
  | 'schedule'
  | 'day'
  | 'improve'
  | 'sizing'
  | 'calculators'
