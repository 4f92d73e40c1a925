import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre } from '../pipes/contents'
import { coolDownHours } from '../pipes/loss'
import { pointOfUseOf } from '../study/heater-kinds'
import type { Tap } from '../study/pipes'
import type { Study } from '../study/study'
import { heaterDelayS, runsTo, warmUpVolumeTo } from './lookups'
import { runDrop } from './loop-flow'
import { runUa } from './runs'
import { supplyC } from './supply'

/** What stands between the plant and a tap, from cold, with nothing else drawn and the loop at rest. */
export interface TapFigures {
  tap: Tap
  /** A small store at the tap serves it from the cold main: no pipe stands between. */
  ownStore: boolean
  contentL: number
  toWasteL: number
  /** The heater's delay included. */
  waitS: number
  /** Time in which the last run loses 63 % of its warmth, h: it decides the second draw of a bunch. */
  coolDownH: number
  /** Lost by friction in pipe and fittings at the flow of the tap, bar. */
  dropBar: number
}

/** Pipes may take this share of the pressure at the main: heights, valves and the tap itself need the rest. */
export const MOST_DROP_SHARE = 0.3

export function tapFigures(study: Study, tap: Tap): TapFigures {
  const runs = runsTo(study, tap)
  if (pointOfUseOf(study.plant.heaters, tap.id))
    return { tap, ownStore: true, contentL: 0, toWasteL: 0, waitS: 0, coolDownH: 0, dropBar: 0 }
  const delayS = heaterDelayS(study)
  const waitS = (warmUpVolumeTo(study, tap) / tap.flowLMin) * 60 + delayS
  const last = runs[runs.length - 1]
  const ua = runUa(last, supplyC(study), study.site.monthlyAirC, 'cools') / last.lengthM
  return {
    tap,
    ownStore: false,
    contentL: runs.reduce((s, r) => s + contentsPerMetre(pipeOf(r.material, r.size)) * r.lengthM, 0),
    toWasteL: (tap.flowLMin * waitS) / 60,
    waitS,
    coolDownH: coolDownHours(pipeOf(last.material, last.size), ua),
    dropBar: runs.reduce((s, r) => s + runDrop(r, tap.flowLMin), 0) / 1e5,
  }
}

/** Every tap, the one that runs off most first. */
export function rankedTaps(study: Study): TapFigures[] {
  return study.pipes.taps.map((t) => tapFigures(study, t)).sort((a, b) => b.toWasteL - a.toWasteL)
}
