import { inWordsOf } from '../words/dialect'
import type { Study } from './study'

/** Texts of which parts are told in sentences, and texts that are told whole. */
const NAMES = new Set(['name', 'watchedBy', 'testedBy', 'source', 'conditions', 'who', 'bookFrom', 'about', 'what'])
const WHOLE = new Set(['note', 'text', 'by', 'why', 'edition', 'mark', 'phone'])

/** What somebody has typed into a study: it is said as it was typed, in any study. */
function typedIn(study: Study): { names: string[]; whole: Set<string> } {
  const names = new Set<string>()
  const whole = new Set<string>()
  const walk = (value: unknown): void => {
    if (value === null || typeof value !== 'object') return
    for (const [key, held] of Object.entries(value))
      if (typeof held !== 'string') walk(held)
      else if (NAMES.has(key) && held.trim()) names.add(held.trim())
      else if (WHOLE.has(key) && held.trim()) whole.add(held.trim())
  }
  walk(study)
  return { names: [...names], whole }
}

const as = (text: string) => text
const KEPT = new WeakMap<Study, (text: string) => string>()

/** Puts a text of ours into the words of a study's units; what was typed into the study stays as it was. */
export function wordsOf(study: Study): (text: string) => string {
  if (study.units === 'metric') return as
  const kept = KEPT.get(study)
  if (kept) return kept
  let own: ReturnType<typeof typedIn> | undefined
  const said = new Map<string, string>()
  const words = (text: string): string => {
    const before = said.get(text)
    if (before !== undefined) return before
    own ??= typedIn(study)
    const now = own.whole.has(text.trim()) ? text : inWordsOf(study.units, text, own.names)
    said.set(text, now)
    return now
  }
  KEPT.set(study, words)
  return words
}
