import type { Study } from '../study/study'
import { display } from '../units/display'
import type { YearResult } from '../year/result'
import { SEVERITIES, type Finding, type Rule } from './finding'
import { noPowerFactor, repeatedEvents, staleOrContradictory, waste } from './log-rules'
import { inputAsOutput, loopCosts, neverReviewed, supplyCurrent, twoTaps, unequalThermostats, willNotFire } from './plant-rules'
import { contentsSaid, crossover, functionsAsTheyCame, gravityTooSlow, logsTooFew, loopTooSlow, noPeriod, notHotEnough, collectorsFull, reliefOpens, reservoirWater, storeBelowFire } from './survey-rules'
import { expansion, loopTepid, mixingValve, plasticAtSource, reliefValve, storeTepid } from './safety-rules'

/** Every rule, in the order of the water. */
export const RULES: readonly Rule[] = [
  expansion, inputAsOutput, twoTaps, neverReviewed, supplyCurrent, unequalThermostats,
  storeTepid, mixingValve, reliefValve, loopTepid, loopCosts, plasticAtSource, willNotFire, waste, noPowerFactor, repeatedEvents, staleOrContradictory,
  storeBelowFire, gravityTooSlow, logsTooFew, reservoirWater, functionsAsTheyCame, loopTooSlow, crossover, contentsSaid, notHotEnough, noPeriod, reliefOpens, collectorsFull,
]

/** What an experienced engineer would point out, dangers first. */
export function findings(study: Study, year: YearResult | null): Finding[] {
  const write = display(study.units, study.prices.currency)
  const all = RULES.flatMap((rule) => rule({ study, year, write }))
  return SEVERITIES.flatMap((s) => all.filter((f) => f.severity === s))
}
