import { checkReferences } from './references'
import { StudyShape } from './shape'

/**
 * A study: one household, everything that is known of it, set in it and proposed for it.
 * Metric inside: °C, L, m, mm, kW, W/K, minutes of the day, money per kWh.
 */
export const Study = StudyShape.superRefine(checkReferences)
export type Study = StudyShape
