import type { Controls } from './controls'
import { checkReferences } from './references'
import { StudyShape } from './shape'

/**
 * A study: one household, everything that is known of it, set in it and proposed for it.
 * Metric inside: °C, L, m, mm, kW, W/K, minutes of the day, money per kWh.
 */
export const Study = StudyShape.superRefine(checkReferences)
export type Study = StudyShape

/** The controls in force: as set, or as found where nothing has been set. */
export function controlsOf(study: Study): Controls {
  return study.controls.set ?? study.controls.found
}

/** The same household as it was found. */
export function asFound(study: Study): Study {
  return study.controls.set ? { ...study, controls: { ...study.controls, set: null, setOn: null } } : study
}
