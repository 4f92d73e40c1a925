import { yearMean } from '../calendar/year'
import { type Place, placeTemperature } from '../climate/places'
import { type Material, pipeOf } from '../pipes/catalogue'
import { warmUpVolumePerMetre } from '../pipes/contents'
import { type Insulation, pipeLoss } from '../pipes/loss'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { sameEverywhere } from '../units/same-everywhere'

/** A length of pipe as the study describes it. */
export interface Length {
  material: Material
  size: string
  lengthM: number
  place: Place
  insulation: Insulation | null
}

/**
 * What is left of its excess over the air, on the mean of the heat it loses, in a run that fills hot and then cools: all
 * while it flows, half when it cools all the way. The film of what still stands warm at the next draw is weaker than that
 * mean; at half, what is lost and what is run off are both within 3 % of a model that takes the film anew each second.
 */
const DEAD_SHARE = 0.5
/** The same of a loop between two runs of its pump, which cools only part of the way. */
const REST_SHARE = 0.75

/**
 * Loss of a run for each kelvin, W/K, at the year's mean of its place: for water of a temperature that keeps passing, or
 * for a loop that rests between two runs of its pump, or for a run that is filled with it and left to cool, where the film is
 * weaker for most of the time.
 */
export function runUa(
  length: Length,
  waterC: number,
  monthlyAirC: readonly number[],
  use: 'flows' | 'rests' | 'cools' = 'flows',
): number {
  const airC = yearMean(monthlyAirC.map((_, m) => placeTemperature(length.place, m, monthlyAirC)))
  const share = use === 'flows' ? 1 : use === 'rests' ? REST_SHARE : DEAD_SHARE
  const usualC = share === 1 ? waterC : airC + share * (waterC - airC)
  return sameEverywhere(
    pipeLoss(pipeOf(length.material, length.size), usualC, airC, length.insulation, length.place).uWMK * length.lengthM,
  )
}

/** Contents of a run with its wall counted as water, L. */
export function runWarmUpVolumeL(length: Pick<Length, 'material' | 'size' | 'lengthM'>): number {
  return warmUpVolumePerMetre(pipeOf(length.material, length.size)) * length.lengthM
}

/** Runs that a loop in use passes through on its way out, by id; their loss is the loop's. */
export function loopRuns(study: Study): Set<string> {
  const out = new Set<string>()
  const { loop, runs } = study.pipes
  for (
    let id: string | null = loop && controlsOf(study).loop.mode !== 'off' ? loop.returnConnectionRunId : null;
    id !== null;
    id = runs.find((r) => r.id === id)!.from
  )
    out.add(id)
  return out
}
