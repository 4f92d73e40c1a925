import { type Check, type Figure, rank } from '../checks/check'

/** A figure that got worse. */
export interface Worsened {
  name: string
  was: Figure
  is: Figure
}

/** A check that a change has made worse: it was not there, it stood better, or a figure of it was better. */
export interface Brought extends Check {
  /** How it stood; null: there was no such check. */
  was: Check['level'] | null
  worsened: Worsened[]
}

/** Figures of a check that got worse by more than anybody would miss. */
function worsenedOf(before: Check, after: Check): Worsened[] {
  return Object.entries(after.figures).flatMap(([name, is]) => {
    const was = before.figures[name] as Figure | undefined
    if (!was || !is.worse) return []
    const by = is.worse.when === 'more' ? is.value - was.value : was.value - is.value
    return by > is.worse.by ? [{ name, was, is }] : []
  })
}

/**
 * What a change brings, check by check and figure by figure: what fails or cannot be ruled out and did not before, and what
 * failed already and fails by more. What is only not written down is nobody's doing.
 */
export function broughtBy(before: readonly Check[], after: readonly Check[]): Brought[] {
  const known = new Map(before.map((c) => [c.id, c]))
  return after
    .filter((c) => c.level !== 'pass' && c.concern !== 'record')
    .filter((c) => c.level !== 'not checked' || c.concern === 'harm')
    .flatMap((c): Brought[] => {
      const was = known.get(c.id) ?? null
      const worsened = was ? worsenedOf(was, c) : []
      const lower = was === null || rank(c.level) > rank(was.level)
      return lower || worsened.length ? [{ ...c, was: was?.level ?? null, worsened }] : []
    })
    .sort((a, b) => rank(b.level) - rank(a.level))
}
