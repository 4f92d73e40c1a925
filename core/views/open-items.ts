import type { Check } from '../checks/check'
import { testStands, testText } from '../household/acceptance'
import { dialGuides, requiredAt } from '../household/dial-guide'
import { dueAgain } from '../household/due-again'
import { READINGS } from '../readings/kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import { writeDay } from '../units/dates'
import type { Display } from '../units/display'
import { findingsOf, inTheWay, type Station } from './findings'
import { remindersOf } from './reminders'

/** Why something is open, in the order in which it is seen to. */
export const OPEN_KINDS = ['safety', 'not verified', 'measure again', 'test', 'upkeep'] as const
export type OpenKind = (typeof OPEN_KINDS)[number]

/** What each is called over a list of them. */
export const OPEN_WORDS: Record<OpenKind, string> = {
  safety: 'Safety',
  'not verified': 'Not verified',
  'measure again': 'Measure again',
  test: 'Acceptance test',
  upkeep: 'Upkeep',
}

/** Something that is not done: what, why it matters, from which day on, and where it is closed. */
export interface OpenItem {
  id: string
  kind: OpenKind
  title: string
  says: string
  /** Day from which it is due; null: before the visit is complete. */
  due: string | null
  /** It stands in the way of calling the visit complete. */
  blocks: boolean
  /** Where it is closed: a station of the survey or the log, the dials, the tests; null: by doing it. */
  at: Station | 'dials' | 'tests' | null
}

const plain = { due: null, blocks: false, at: null } as const

/** Dials on which what is set has not been read. */
function unverifiedDials(study: Study): OpenItem[] {
  return dialGuides(study, (of) => requiredAt(controlsOf(study), of)).flatMap((g): OpenItem[] =>
    g.work.does === 'stop' || (g.work.does === 'turn' && g.work.verified)
      ? []
      : [
          {
            ...plain,
            id: `dial-${g.of.replaceAll(' ', '-')}`,
            kind: 'not verified',
            title: `Dial not verified: ${g.name}`,
            says: 'What it is set to has not been read at it.',
            at: 'dials',
          },
        ],
  )
}

/**
 * Everything that is not verified or not done, in one list: what stands in the way first, then what has not been looked at,
 * readings that a change has made old, tests that were not passed, and upkeep with its day.
 * @param checks of the household with its year; @param from the day that upkeep is looked for from
 */
export function openItems(study: Study, checks: readonly Check[], from: string, write: Display): OpenItem[] {
  const words = wordsOf(study)
  const findings = findingsOf(checks)
  const blocking = new Set(inTheWay(findings).map((f) => f.id))
  const found = findings
    .filter((f) => f.blocks || f.level === 'not checked')
    .map((f): OpenItem => ({
      ...plain,
      id: f.id,
      kind: blocking.has(f.id) ? 'safety' : 'not verified',
      title: f.title,
      says: f.parts.length > 1 ? `${f.sentence} And ${f.parts.length - 1} more.` : f.sentence,
      blocks: blocking.has(f.id),
      at: f.station,
    }))
  const again = dueAgain(study).map((d): OpenItem => ({
    ...plain,
    id: `again-${d.kind}`,
    kind: 'measure again',
    title: words(`Measure again: ${READINGS[d.kind].title}`),
    says: words(`${d.because} changed on ${writeDay(d.changedOn, study.units)}: ${d.conditions}.`),
    due: d.due,
    at: 'log',
  }))
  const tests = study.handover.tests
    .filter((t) => testStands(t) !== 'passed')
    .map((t): OpenItem => {
      const { title, pass } = testText(study, t, write)
      const failed = testStands(t) === 'failed'
      return {
        ...plain,
        id: `test-${t.id}`,
        kind: 'test',
        title: words(title),
        says: words(`${failed ? 'Failed' : 'Not done'}. Passes at ${pass}.`),
        at: 'tests',
      }
    })
  const upkeep = remindersOf(study, from, write)
    .filter((e) => e.repeats !== null && 'years' in e.repeats)
    .map((e): OpenItem => ({ ...plain, id: e.uid, kind: 'upkeep', title: e.title, says: e.text, due: e.day }))
    .sort((a, b) => a.due!.localeCompare(b.due!))
  const all = [...found, ...unverifiedDials(study).map((d) => ({ ...d, title: words(d.title) })), ...again, ...tests]
  return [...OPEN_KINDS.flatMap((kind) => all.filter((i) => i.kind === kind)), ...upkeep]
}
