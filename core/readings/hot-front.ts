import { placeTemperature } from '../climate/places'
import { dayOf, frontOf, runsTo, steadyAtTap } from '../household/lookups'
import { loopKeepsC, runsPastLoop } from '../household/loop'
import { runWarmUpVolumeL } from '../household/runs'
import { supplyC } from '../household/supply'
import { pipeOf } from '../pipes/catalogue'
import { frontSpreadL, litresToShare } from '../pipes/front'
import type { Run, Tap } from '../study/pipes'
import type { Study } from '../study/study'
import type { Offer } from './reading-kind'

/** The hot water that a study expects before a tap runs as hot as somebody calls hot. */
export interface HotFront {
  /** Runs that stand cold: past the loop where that is warm enough, else all of them. */
  runs: Run[]
  pastLoop: boolean
  /** Litres that fill them, and litres until the climb passes what is called hot. */
  warmUpVolumeL: number
  hotL: number
  /** What comes in the end, °C, and what stands in the pipes at first. */
  steadyC: number
  coldC: number
}

/** @returns null where whether the loop was warm cannot be told from what is set */
export function hotFront(
  study: Study,
  tap: Tap,
  takenAt: string,
  { hotC, flowLMin }: { hotC: number; flowLMin: number },
): HotFront | null {
  const keepsC = loopKeepsC(study, takenAt)
  if (keepsC === 'unsaid' && runsPastLoop(study, tap).length < runsTo(study, tap).length) return null
  return frontPast(study, tap, takenAt, { hotC, flowLMin }, typeof keepsC === 'number' && keepsC >= hotC)
}

/** The same with the loop warm, or cold. */
export function frontPast(
  study: Study,
  tap: Tap,
  takenAt: string,
  { hotC, flowLMin }: { hotC: number; flowLMin: number },
  pastLoop: boolean,
): HotFront {
  const { month } = dayOf(takenAt)
  const runs = pastLoop ? runsPastLoop(study, tap) : runsTo(study, tap)
  const warmUpVolumeL = frontOf(runs)
  const steadyC = steadyAtTap(study, { ...tap, flowLMin }, supplyC(study), month)
  const air = (r: Run) => placeTemperature(r.place, month, study.site.monthlyAirC)
  const coldC = warmUpVolumeL > 0 ? runs.reduce((s, r) => s + runWarmUpVolumeL(r) * air(r), 0) / warmUpVolumeL : steadyC
  const spreadL = Math.hypot(...runs.map((r) => frontSpreadL(pipeOf(r.material, r.size), r.lengthM, flowLMin)))
  const share = (hotC - coldC) / (steadyC - coldC)
  return { runs, pastLoop, warmUpVolumeL, hotL: litresToShare(warmUpVolumeL, spreadL, share), steadyC, coldC }
}

/** The length of the last run that makes the contents agree with what was run off, where there can be such a length. */
export function lengthOffer({ runs, warmUpVolumeL, hotL }: HotFront, measuredL: number): Offer[] {
  const last = runs.at(-1)
  if (!last) return []
  const rest = hotL - warmUpVolumeL + frontOf(runs.slice(0, -1))
  const lengthM = (measuredL - rest) / runWarmUpVolumeL({ ...last, lengthM: 1 })
  return lengthM > 0.1 && lengthM < 500
    ? [
        {
          path: `pipes.runs.${last.id}.lengthM`,
          label: `Length of “${last.name}”, to match the pipe volume`,
          value: Math.round(lengthM * 100) / 100,
        },
      ]
    : []
}
