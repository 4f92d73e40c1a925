import { wasteMarks } from '../household/waste-mark'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { boughtKwh, type YearResult } from '../year/result'

/** A limit that somebody chose, whether the household keeps it, and in words with its figures. */
export interface Target {
  kept: boolean
  text: string
}

/**
 * Litres that somebody is ready to run off and energy that may be bought, held together, since each is easily kept at the
 * cost of the other: a loop that always runs wastes no water, and a loop that rests no heat. Empty where none was chosen.
 */
export function targetsOf(study: Study, year: YearResult, write: Display): Target[] {
  const { wasteLimitL, energyLimitKwh } = study.pipes
  return [
    ...(wasteLimitL === null ? [] : [waste(study, wasteLimitL, write)]),
    ...(energyLimitKwh === null ? [] : [energy(boughtKwh(year), energyLimitKwh, write)]),
  ]
}

function waste(study: Study, limitL: number, write: Display): Target {
  const marks = wasteMarks(study, limitL)
  const past = study.pipes.taps.filter((t) => marks.get(t.runId)!.at !== 'within').map((t) => t.name)
  const litres = write.figure('volume', limitL, 2)
  return {
    kept: past.length === 0,
    text: past.length
      ? `More than ${litres} to run off at ${past.join(', ')}.`
      : `At most ${litres} to run off at every tap.`,
  }
}

const energy = (bought: number, limit: number, write: Display): Target => ({
  kept: bought <= limit,
  text: `${write.energy(bought)} bought; the limit is ${write.energy(limit)}.`,
})
