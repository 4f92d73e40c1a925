import type { Controls } from '../../study/controls'
import { NO_HANDOVER } from '../../study/handover'
import { NO_VERIFICATION } from '../../study/meters'
import type { Study } from '../../study/study'

/** What is set in a household that has been found so and not touched yet. */
export const untouched = (found: Controls, writes: 'found' | 'set'): Study['controls'] => ({
  writes,
  by: '',
  found,
  foundOn: null,
  set: null,
  setOn: null,
  changes: [],
  reasons: [],
  readBack: [],
  own: [],
  factory: {},
})

/** What a visit leaves behind, before there is any of it. */
export const NOTHING_DONE_YET: Pick<Study, 'cards' | 'handover' | 'verification'> = {
  cards: [],
  handover: NO_HANDOVER,
  verification: NO_VERIFICATION,
}
