import { refused, type Result } from '../units/result'

/** How deep a document may be nested, and how many values it may hold in all: no study comes near either. */
const MOST_DEPTH = 40
const MOST_VALUES = 1_000_000
/** Figures of a study whose origin is kept. */
export const MOST_ORIGINS = 5000
/** Characters of a path that are shown. */
const PATH_SHOWN = 100

/**
 * Looks at how large a document is before anything else does: what is nested without end would fill the stack of whoever walks
 * it, and what has too many parts would be looked at for a minute. Walks it without calling itself, and stops at the first limit.
 */
export function bounded(document: object): Result<object> {
  const { origins } = document as { origins?: unknown }
  const known = typeof origins === 'object' && origins !== null ? Object.keys(origins).length : 0
  if (known > MOST_ORIGINS) return refused(`has ${known} entries; at most ${MOST_ORIGINS} are kept`, 'origins')
  const open: { value: object; keys: string[]; at: number }[] = [
    { value: document, keys: Object.keys(document), at: 0 },
  ]
  let values = 0
  while (open.length > 0) {
    const here = open[open.length - 1]
    if (here.at === here.keys.length) {
      open.pop()
      continue
    }
    const value: unknown = (here.value as Record<string, unknown>)[here.keys[here.at++]]
    if (++values > MOST_VALUES)
      return refused(`has more than ${MOST_VALUES.toLocaleString('en-GB')} values`, pathOf(open))
    if (typeof value !== 'object' || value === null) continue
    if (open.length === MOST_DEPTH) return refused(`is nested more than ${MOST_DEPTH} deep`, pathOf(open))
    open.push({ value, keys: Object.keys(value), at: 0 })
  }
  return { ok: true, value: document }
}

/** Where a walk stands, as a person reads it, from the outside in. */
function pathOf(open: readonly { value: object; keys: string[]; at: number }[]): string {
  const path = open.map(({ value, keys, at }) => (Array.isArray(value) ? String(at) : keys[at - 1])).join(' › ')
  return path.length > PATH_SHOWN ? `${path.slice(0, PATH_SHOWN)}…` : path
}
