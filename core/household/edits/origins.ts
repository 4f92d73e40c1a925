import { valueAt } from '../../study/paths'
import type { Study } from '../../study/study'

const same = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b)

/**
 * Where figures come from, after a change: a figure that was typed over is no longer assumed or measured, and one that is
 * gone has no origin. Origins that the change itself set stay.
 */
export function settleOrigins(before: Study, after: Study): Study['origins'] {
  const kept = Object.entries(after.origins).filter(([path, origin]) => {
    const now = valueAt(after, path)
    if (now === undefined) return false
    return before.origins[path] !== origin || same(valueAt(before, path), now)
  })
  return Object.fromEntries(kept)
}
