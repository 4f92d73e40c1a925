import type { Doc } from './older/doc'
import { from1 } from './older/from-1'
import { from2 } from './older/from-2'
import { from3 } from './older/from-3'
import { from4 } from './older/from-4'
import { from5 } from './older/from-5'
import { from6 } from './older/from-6'
import { from7 } from './older/from-7'
import { from8 } from './older/from-8'
import { from9 } from './older/from-9'
import { from10 } from './older/from-10'
import { from11 } from './older/from-11'
import { from12 } from './older/from-12'
import { from13 } from './older/from-13'
import { from14 } from './older/from-14'

/** What brings a document of a version to the next; the last one is the version now. */
const STEPS: Record<number, (doc: Doc) => Doc> = {
  1: from1,
  2: from2,
  3: from3,
  4: from4,
  5: from5,
  6: from6,
  7: from7,
  8: from8,
  9: from9,
  10: from10,
  11: from11,
  12: from12,
  13: from13,
  14: from14,
}

/** Whether a version can be brought to the one in use. */
export const canMigrate = (version: unknown): version is number =>
  typeof version === 'number' && Object.hasOwn(STEPS, version)

/** Brings an older document up to date. What is wrong with it is found when the result is checked. */
export function migrate(doc: Doc): Doc {
  let at = doc
  while (canMigrate(at.version)) at = STEPS[at.version](at)
  return at
}
