import type { Level } from '../checks/check'

/** What a level is called wherever it is read. */
export const LEVEL_WORDS: Record<Level, string> = {
  pass: 'Pass',
  marginal: 'Marginal',
  'not checked': 'Not checked',
  fail: 'Fail',
}
