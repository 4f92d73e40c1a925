import type { Reading } from '../core/study/readings'
import { Study } from '../core/study/study'

/** A study with something changed in it; what does not pass the schema is refused there and then. */
export function changed(study: Study, change: (draft: Study) => void): Study {
  const draft = structuredClone(study)
  change(draft)
  return Study.parse(draft)
}

/** Takes the controllers away, in place: what is built by hand has others, or none. */
export function uncontrolled(draft: Study): void {
  draft.controllers = []
  for (const c of [draft.controls.found, draft.controls.set]) if (c) c.clocks = {}
}

/** A reading as the log holds it, taken on a day in January unless said otherwise. */
export const readingOf = (
  kind: Reading['kind'],
  values: Reading['values'],
  more: Partial<Pick<Reading, 'id' | 'where' | 'takenAt'>> = {},
): Reading => ({
  id: 'one',
  takenAt: '2026-01-20T10:00:00Z',
  kind,
  sum: null,
  where: null,
  values,
  note: '',
  photo: null,
  adopted: null,
  ...more,
})
