import type { Controls } from './controls'
import type { Study } from './study'

/** The controls in force: as set, or as found where nothing has been set. */
export function controlsOf(study: Study): Controls {
  return study.controls.set ?? study.controls.found
}

/** The same household as it was found. */
export function asFound(study: Study): Study {
  return study.controls.set ? { ...study, controls: { ...study.controls, set: null, setOn: null } } : study
}
