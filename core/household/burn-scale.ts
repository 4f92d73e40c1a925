import { burnTime, scaldSeconds } from '../safety/scald'
import type { Study } from '../study/study'
import { scaldLimitOf } from './at-risk'

/** Where a scale of setpoints is marked, °C. */
const MARKS_C = [45, 50, 55, 60, 65, 70, 75]

/** Time to a deep burn along a scale of setpoints, and the limit at the taps of this household, °C. */
export const burnScale = (study: Study): { marks: { c: number; adult: string }[]; limitC: number } => ({
  marks: MARKS_C.map((c) => ({ c, adult: burnTime(scaldSeconds(c).adultS) })),
  limitC: scaldLimitOf(study).value,
})
