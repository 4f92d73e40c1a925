import type { MeasureKind } from '../study/measures'
import type { ReadingKindName } from '../study/readings'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import type { Quantity } from '../units/quantities'
import type { YearResult } from '../year/result'

/** What a check is about. */
export interface Subject {
  kind: 'tap' | 'run' | 'store' | 'heater' | 'loop' | 'controller' | 'fire' | 'supply' | 'measure' | 'use' | 'reading'
  /** Which of them; null: the household's only one, or all of them. */
  id: string | null
}

/** What is at stake: somebody can be hurt, it fails, it leaves people wanting, it costs, or it is not written down. */
export type Concern = 'harm' | 'fault' | 'comfort' | 'cost' | 'record'

/** How a household stands to a check, from the best to the worst. */
export const LEVELS = ['pass', 'marginal', 'not checked', 'fail'] as const
export type Level = (typeof LEVELS)[number]

/** A figure that a check went by. */
export interface Figure {
  value: number
  quantity?: Quantity
  /** Where it is no quantity of the trade: "draws", "h/week", "A". */
  unit?: string
  /** Which way it gets worse, and by how much before anybody would notice. */
  worse?: { when: 'more' | 'less'; by: number }
}

/** One judgement on a household: what was looked at, how it stands, with its figures, and what would mend it. */
export interface Check {
  id: string
  subject: Subject
  concern: Concern
  level: Level
  /** What is looked at, or what is wrong, in a few words. */
  title: string
  sentence: string
  figures: Record<string, Figure>
  remedy: string
  source: string
  /** Checks that one thing has caused are one entry: its name, and what it is called. */
  cause: { id: string; title: string }
  /** The reading, or the question of the study by its path, that would settle it. */
  settledBy: ReadingKindName | null
  asks: string | null
  /** The kind of measure, or the setting by its path within the controls, that would mend it. */
  mendedBy: MeasureKind | null
  setting: string | null
  /** Heaters whose setpoint decides it: it stands on their board; "all": on every one. */
  board: readonly string[] | 'all'
  /** It stands in the way of finishing the visit. */
  blocks: boolean
}

/** A check as a rule tells it: what is usual is left out. */
export type Told = Pick<Check, 'id' | 'subject' | 'concern' | 'level' | 'title' | 'sentence' | 'remedy' | 'source'> &
  Partial<Pick<Check, 'figures' | 'cause' | 'settledBy' | 'asks' | 'mendedBy' | 'setting' | 'board'>>

/** What is judged: a household, its year (null while there is none), and how figures are written. */
export interface Visit {
  study: Study
  year: YearResult | null
  write: Display
}
export type Rule = (visit: Visit) => Told[]

/** Harm that is there, or that nobody can rule out, stands in the way of finishing. */
const blocks = ({ concern, level }: Told) => concern === 'harm' && (level === 'fail' || level === 'not checked')

/** What a sentence begins as of what nobody has looked at; what that is comes from its title. */
export const NOT_CHECKED = 'Not checked.'

/** A check as it stands, in the words of the study that it is of. */
export const check = (told: Told, words: (text: string) => string): Check => ({
  figures: {},
  settledBy: null,
  asks: null,
  mendedBy: null,
  setting: null,
  board: [],
  ...told,
  cause: told.cause ? { id: told.cause.id, title: words(told.cause.title) } : { id: told.id, title: words(told.title) },
  title: words(told.title),
  sentence: words(
    told.sentence.startsWith(NOT_CHECKED)
      ? `${told.title}: not checked.${told.sentence.slice(NOT_CHECKED.length)}`
      : told.sentence,
  ),
  remedy: words(told.remedy),
  source: words(told.source),
  blocks: blocks(told),
})

export const rank = (level: Level): number => LEVELS.indexOf(level)

/** The worst of several levels. */
export const worst = (levels: readonly Level[]): Level =>
  levels.reduce<Level>((a, b) => (rank(b) > rank(a) ? b : a), 'pass')

/** How an answer of yes, no or not looked stands, where one of them is good. */
export const answered = (answer: boolean | null, good: boolean): Level =>
  answer === null ? 'not checked' : answer === good ? 'pass' : 'fail'

/** Said of what nobody has looked at, and of what was looked at, by a sentence for each. */
export const saidOf = (answer: boolean | null, yes: string, no: string): string =>
  answer === null ? NOT_CHECKED : answer ? yes : no
