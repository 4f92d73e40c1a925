import type { Controls } from '../../study/controls'
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

/** What a visit leaves behind, before there is any of it; without the schema, which no year needs. */
export const NOTHING_DONE_YET: Pick<Study, 'cards' | 'handover' | 'verification'> = {
  cards: [],
  handover: { mark: '', phone: '', rules: [], leaveAlone: [], tests: [] },
  verification: { meters: [], bills: [], away: [], air: null, protocol: null },
}
