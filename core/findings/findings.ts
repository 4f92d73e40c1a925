import { displayOf } from '../study/display-of'
import type { Study } from '../study/study'
import type { YearResult } from '../year/result'
import { drips, eveningCool, tooLittleHot, wantedTooHot } from './comfort-rules'
import { clockWrong, hotRunFails, overrideWithoutEnd, timerCutsMains, timerTooShort } from './control-rules'
import { borrowedFromNobody, curveAgainstPhysics } from './curve-rules'
import { type Finding, type Rule, SEVERITIES } from './finding'
import { dryCoil, fireWay, pumpedFire, untilRelief } from './fire-rules'
import { runsAtRest, tepidInTheYear } from './hygiene-rules'
import { changedTogether, noPowerFactor, repeatedEvents, staleOrContradictory, waste } from './log-rules'
import { bareInTheCold, freezes, leadsNowhere, metalsMet, pressureOdd, tooFast, tooMuchDrop } from './pipe-rules'
import {
  aboveTheFlow,
  cycles,
  elementInTheSun,
  flueStoreByLabel,
  hardAndHot,
  highUp,
  inputAsOutput,
  keepsHot,
  loopCosts,
  muchBackup,
  neverReviewed,
  pilots,
  supplyCurrent,
  twoTaps,
  unequalThermostats,
  willNotFire,
} from './plant-rules'
import { dischargeWay, mixingTested, reliefFeels } from './relief-rules'
import { expansion, loopTepid, plasticAtSource, reliefValve, scald, storeTepid } from './safety-rules'
import {
  collectorsFull,
  contentsSaid,
  crossover,
  functionsAsTheyCame,
  gravityTooSlow,
  logsTooFew,
  loopTooSlow,
  noPeriod,
  notHotEnough,
  reliefOpens,
  reservoirShort,
  reservoirWater,
  storeBelowFire,
} from './survey-rules'

/** Every rule, in the order of the water. */
const RULES: readonly Rule[] = [
  expansion,
  pressureOdd,
  inputAsOutput,
  twoTaps,
  neverReviewed,
  supplyCurrent,
  unequalThermostats,
  scald,
  storeTepid,
  tepidInTheYear,
  reliefValve,
  reliefFeels,
  dischargeWay,
  mixingTested,
  loopTepid,
  loopCosts,
  plasticAtSource,
  freezes,
  bareInTheCold,
  runsAtRest,
  tooFast,
  tooMuchDrop,
  metalsMet,
  leadsNowhere,
  willNotFire,
  curveAgainstPhysics,
  borrowedFromNobody,
  tooLittleHot,
  wantedTooHot,
  eveningCool,
  drips,
  waste,
  noPowerFactor,
  repeatedEvents,
  staleOrContradictory,
  changedTogether,
  storeBelowFire,
  fireWay,
  pumpedFire,
  untilRelief,
  dryCoil,
  gravityTooSlow,
  logsTooFew,
  reservoirShort,
  reservoirWater,
  highUp,
  functionsAsTheyCame,
  loopTooSlow,
  crossover,
  contentsSaid,
  notHotEnough,
  noPeriod,
  reliefOpens,
  collectorsFull,
  aboveTheFlow,
  cycles,
  hardAndHot,
  elementInTheSun,
  pilots,
  keepsHot,
  muchBackup,
  flueStoreByLabel,
  timerCutsMains,
  timerTooShort,
  overrideWithoutEnd,
  hotRunFails,
  clockWrong,
]

/** What an experienced engineer would point out, dangers first. */
export function findings(study: Study, year: YearResult | null): Finding[] {
  const write = displayOf(study)
  const all = RULES.flatMap((rule) => rule({ study, year, write }))
  return SEVERITIES.flatMap((s) => all.filter((f) => f.severity === s))
}

/**
 * What a change brings that was not there before: the dangers and faults of a household with a package, or as set, that it
 * did not have. What is only to be looked at is nobody's doing.
 */
export function broughtBy(before: readonly Finding[], after: readonly Finding[]): Finding[] {
  const known = new Map(before.map((f) => [f.id, SEVERITIES.indexOf(f.severity)]))
  return after.filter(
    (f) => f.severity !== 'look' && SEVERITIES.indexOf(f.severity) < (known.get(f.id) ?? SEVERITIES.length),
  )
}
