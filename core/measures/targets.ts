import { wasteMarks } from '../household/waste-mark'
import type { Study } from '../study/study'
import { boughtKwh, type YearResult } from '../year/result'

/** How a household stands to the litres somebody is ready to run off and to the energy that may be bought for it. */
export interface Targets {
  /** null while no limit was chosen. */
  waste: { limitL: number; taps: number; past: string[] } | null
  energy: { limitKwh: number; boughtKwh: number } | null
  /** Every limit that was chosen is kept. */
  kept: boolean
}

/**
 * Both limits held together, since each is easily kept at the cost of the other: a loop that always runs wastes no water, and a
 * loop that rests no heat. null where none was chosen.
 */
export function targetsOf(study: Study, year: YearResult): Targets | null {
  const { wasteLimitL: limitL, energyLimitKwh: limitKwh, taps } = study.pipes
  if (limitL === null && limitKwh === null) return null
  const marks = limitL === null ? null : wasteMarks(study, limitL)
  const past = marks ? taps.filter((t) => marks.get(t.runId)!.at !== 'within').map((t) => t.name) : []
  const bought = boughtKwh(year)
  return {
    waste: limitL === null ? null : { limitL, taps: taps.length, past },
    energy: limitKwh === null ? null : { limitKwh, boughtKwh: bought },
    kept: past.length === 0 && (limitKwh === null || bought <= limitKwh),
  }
}
