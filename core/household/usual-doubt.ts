/**
 * How far off figures usually are that nobody has measured, one standard deviation: shares of the figure, or kelvins.
 * Habits are what a household draws in all: people misjudge themselves alike. Lengths are paced, flows guessed by eye, losses
 * taken from a label or a table, prices from the last bill that somebody remembers; from practice, for want of a better source.
 */
export const USUAL_DOUBT = {
  storeLoss: 0.4,
  loopLoss: 0.35,
  length: 0.25,
  insulation: 0.4,
  flow: 0.2,
  output: 0.12,
  efficiency: 0.06,
  standby: 0.5,
  uses: 0.4,
  firings: 0.3,
  collector: 0.2,
  price: 0.15,
  setpointK: 4,
  wantedK: 2,
  mainsK: 2,
} as const

/**
 * How much of that is left of a figure by where it comes from: a label, a tape or what somebody said halves it, a good reading
 * leaves a quarter, for the day it was read on is not the year, a poor one what it is itself off by; from practice, as above.
 */
export const DOUBT_LEFT = { assumed: 1, entered: 0.5, measured: 0.25 } as const
