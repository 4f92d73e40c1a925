import type { Study } from '../../study/study'

/** A figure that a form shows as one: a choice with its own figures, such as an efficiency or a standing loss, is one too. */
const isFigure = (x: unknown): boolean =>
  typeof x === 'number' ||
  (Array.isArray(x) && x.every((y) => typeof y === 'number')) ||
  (typeof x === 'object' && x !== null && 'kind' in x && !('id' in x))

/**
 * Paths of every figure in a part of a study, by the ids of lists (see paths.ts).
 * @example figurePaths({ runs: [{ id: 'trunk', lengthM: 6 }] }, 'pipes') // ['pipes.runs.trunk.lengthM']
 */
export function figurePaths(part: unknown, at: string): string[] {
  if (isFigure(part)) return [at]
  if (Array.isArray(part))
    return part.flatMap((x, i) => figurePaths(x, `${at}.${(x as { id?: string } | null)?.id ?? i}`))
  if (typeof part !== 'object' || part === null) return []
  return Object.entries(part).flatMap(([key, x]) => figurePaths(x, `${at}.${key}`))
}

/** Origins that mark every figure in a part of a study as assumed. */
export const assumedIn = (part: unknown, at: string): Study['origins'] =>
  Object.fromEntries(figurePaths(part, at).map((path) => [path, 'assumed' as const]))

/** Several parts' origins as one. */
export const originsOf = (parts: readonly Study['origins'][]): Study['origins'] =>
  Object.fromEntries(parts.flatMap((origins) => Object.entries(origins)))
