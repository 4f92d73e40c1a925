/**
 * Paths into a study, such as "pipes.taps.shower.flowLMin": a segment is a key, or the id of an element of a list (or its
 * index where elements have none). Ids stay right when a list is reordered.
 */
type Node = Record<string, unknown> | unknown[]

function indexIn(list: readonly unknown[], segment: string): number {
  const byId = list.findIndex((x) => (x as { id?: unknown } | null)?.id === segment)
  return byId >= 0 ? byId : /^\d+$/.test(segment) && Number(segment) < list.length ? Number(segment) : -1
}

/** What stands at a path; undefined when the path leads nowhere. */
export function valueAt(root: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((at, segment) => {
    if (Array.isArray(at)) return at[indexIn(at, segment)]
    return typeof at === 'object' && at !== null && Object.hasOwn(at, segment)
      ? (at as Record<string, unknown>)[segment]
      : undefined
  }, root)
}

/**
 * A copy with another value at a path; the parts that do not change are shared.
 * @throws RangeError when the path leads nowhere
 */
export function withValueAt<T>(root: T, path: string, value: unknown): T {
  const set = (at: unknown, segments: string[]): unknown => {
    const [first, ...rest] = segments
    const inner = (old: unknown) => (rest.length ? set(old, rest) : value)
    if (Array.isArray(at)) {
      const index = indexIn(at, first)
      if (index < 0) throw new RangeError(`there is no "${path}"`)
      return (at as unknown[]).map((x, i) => (i === index ? inner(x) : x))
    }
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, first))
      throw new RangeError(`there is no "${path}"`)
    return { ...(at as Node), [first]: inner((at as Record<string, unknown>)[first]) }
  }
  return set(root, path.split('.')) as T
}
