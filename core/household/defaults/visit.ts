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
