import type { Term } from './term'
import { type Concept, TERMS } from './terms'

const plain = (text: string) =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[-–_]/g, ' ')

/** How well a text answers what is looked for: 0 as it is, 1 as its beginning, 2 somewhere in it, null not at all. */
function answers(text: string, asked: string): 0 | 1 | 2 | null {
  const t = plain(text)
  if (t === asked) return 0
  if (t.startsWith(asked)) return 1
  return t.includes(asked) ? 2 : null
}

/**
 * The terms that a word finds, by any of the trade's words for them, old or new, the nearest first: a term of that name before one
 * that is also called so, and that before one in whose line of help it stands.
 * @example findTerms('geyser')[0] // "cylinder"
 */
export function findTerms(word: string): Concept[] {
  const asked = plain(word).trim().replace(/\s+/g, ' ')
  if (asked === '') return []
  const scored = (Object.entries(TERMS) as [Concept, Term][]).flatMap(([concept, term]) => {
    const own = [term.metric, ...(term.us ? [term.us] : [])].map((t) => answers(t, asked))
    const also = (term.also ?? []).map((t) => answers(t, asked))
    const help = answers(term.help, asked)
    const ranks = [
      ...own.filter((r) => r !== null),
      ...also.filter((r) => r !== null).map((r) => r + 0.5),
      ...(help === null ? [] : [4]),
    ]
    return ranks.length ? [{ concept, rank: Math.min(...ranks) }] : []
  })
  return scored.sort((a, b) => a.rank - b.rank).map((s) => s.concept)
}
