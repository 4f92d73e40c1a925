import { supplyOf } from '../household/supply'
import { displayOf } from '../study/display-of'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import type { YearResult } from '../year/result'
import { type Check, type Judge, type Level, worse } from './check'
import { coolDraws, leastSetting, mixerReach, tapNeeds } from './comfort-checks'
import { growthInLoop, growthInRuns, growthInStore, hotRunHolds } from './growth-checks'
import { condensing, leastFlow, limitsInOrder, reachable, scale, standing } from './plant-checks'
import { scaldAtTaps, wildHeat } from './scald-checks'

/** Everything that a setting is held against, in the order it is read. */
const JUDGES: readonly Judge[] = [
  scaldAtTaps,
  wildHeat,
  growthInStore,
  hotRunHolds,
  growthInLoop,
  growthInRuns,
  tapNeeds,
  leastSetting,
  mixerReach,
  coolDraws,
  limitsInOrder,
  reachable,
  scale,
  condensing,
  leastFlow,
  standing,
]

export interface Board {
  heaterId: string
  setpointC: number
  /** The worst of its checks. */
  level: Level
  checks: Check[]
}

/** A heater whose setting can be judged: the one asked for, or the one that decides how hot the water is. */
export function judgedHeater(study: Study, heaterId?: string): string | null {
  const held = study.plant.heaters.filter(hasSetpoint)
  const wanted = heaterId ?? supplyOf(study).heaterId
  return (held.find((h) => h.id === wanted) ?? held[0])?.id ?? null
}

/** A household's setting judged by its own year; null where no thermostat sets anything. */
export function boardOf(study: Study, year: YearResult, wanted?: string): Board | null {
  const heaterId = judgedHeater(study, wanted)
  if (heaterId === null) return null
  const { setpointC } = controlsOf(study).heaters[heaterId]
  const setting = { study, year, heaterId, setpointC, write: displayOf(study) }
  const checks = JUDGES.flatMap((judge) => judge(setting))
  return { heaterId, setpointC, level: checks.map((c) => c.level).reduce(worse, 'green'), checks }
}

/** Red checks for which nobody has said why it is set so. */
export const unexplained = (study: Study, board: Board): Check[] =>
  board.checks.filter(
    (c) => c.level === 'red' && !study.controls.reasons.some((r) => r.check === c.id && r.heaterId === board.heaterId),
  )
