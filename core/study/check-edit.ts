import { documentFault } from '../schema/words'
import type { Fault } from '../units/result'
import { Study } from './study'

/**
 * What is wrong with a study that an edit made of a sound one; nothing when it is sound too. A log may have thousands of
 * readings: where each is one of those that were sound before, as the very same object, they are not looked at again.
 */
export function checkEdit(before: Study, after: Study): Fault[] {
  const sound = new Set(before.readings)
  const looked = after.readings.every((r) => sound.has(r)) ? { ...after, readings: [] } : after
  const checked = Study.safeParse(looked)
  return checked.success ? [] : checked.error.issues.map(documentFault)
}
