/** Hours a day at full input that a heater of a household usually runs for hot water; from practice. */
export const RUNS_H = { least: 0.3, most: 6 } as const

/** Whether a heater runs so many hours a day for hot water. */
const believableHours = (hours: number): boolean => hours >= RUNS_H.least && hours <= RUNS_H.most

/** Which of the two an amount without a period is meant for, by the hours a day it takes; "ask": both or neither can be. */
export function likelyPeriod(ifYear: number, ifMonth: number): 'year' | 'month' | 'ask' {
  if (believableHours(ifYear) === believableHours(ifMonth)) return 'ask'
  return believableHours(ifYear) ? 'year' : 'month'
}

/** Hours a year at full output that a house is heated, from a large burner in a small flat to one that hardly carries it; from practice. */
export const HEATING_HOURS = { least: 100, most: 6000 } as const
