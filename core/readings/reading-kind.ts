import type { z } from 'zod'
import type { Figure, Worked } from '../calculators/calculator'
import type { Reading, ReadingKindName } from '../study/readings'
import type { Study } from '../study/study'

/** A measured figure held against what the study makes of it. */
export interface Verdict {
  figure: Figure
  measured: number
  modelled: number
  /** How far the two may lie apart and still agree, in the unit of the figure. */
  uncertainty: number
  /** What would explain it when they do not. */
  likely: readonly string[]
}

/** A verdict's uncertainty holds 19 readings of 20: so many standard deviations. */
export const SIGMAS = 2

export const agrees = (v: Verdict) => Math.abs(v.measured - v.modelled) <= v.uncertainty

/** A figure of the study that the reading can replace. */
export interface Offer {
  path: string
  label: string
  value: unknown
  /** What it is marked as once applied, where it is only an estimate; otherwise measured. */
  origin?: 'assumed'
}

export interface Judgement {
  worked: Worked
  results: Readonly<Record<string, Figure>>
  verdict: Verdict | null
  offers: readonly Offer[]
}

/** Where readings are taken, in the order of the water. */
export const READING_SECTIONS = {
  main: 'Cold main',
  heater: 'Heater',
  store: 'Cylinder',
  loop: 'Circulation',
  taps: 'Outlets',
  drain: 'Drain',
  people: 'Occupants and use',
  log: 'Events and notes',
} as const
export type ReadingSection = keyof typeof READING_SECTIONS

/** What a reading is taken with. */
export type Tool =
  'thermometer' | 'watch' | 'bucket' | 'pressure gauge' | 'test strip' | 'display' | 'meter' | 'clamp meter'

/** What a reading means: pure, from the study, where it was taken, when, and what was read. */
export interface ReadingKind<K extends ReadingKindName = ReadingKindName> {
  readonly kind: K
  readonly title: string
  /** How it is taken, in a line. */
  readonly how: string
  readonly section: ReadingSection
  readonly needs: readonly Tool[]
  /** What it is taken at; null: the household. */
  readonly at: 'tap' | 'heater' | 'controller' | null
  /** Two of it may differ with nothing wrong: marks of a dial, a clock, a flow that follows the weather. */
  readonly varies?: true
  readonly input: z.ZodObject
  readonly begin: Record<string, number | string>
  /** Whether the household has what is read. */
  readonly possible: (study: Study) => boolean
  readonly judge: (study: Study, reading: Reading, values: never) => Judgement
}

export function defineReading<K extends ReadingKindName, S extends z.ZodObject>(
  kind: Omit<ReadingKind<K>, 'input' | 'judge'> & {
    input: S
    judge: (study: Study, reading: Reading, values: z.output<S>) => Judgement
  },
): ReadingKind<K> {
  return kind
}

/** A judgement with nothing to work, compare or adopt. */
export const NOTED: Judgement = { worked: { out: {}, steps: [], notes: [] }, results: {}, verdict: null, offers: [] }

/** A judgement of figures that cannot be, with the reason. */
export const impossible = (why: string): Judgement => ({ ...NOTED, worked: { ...NOTED.worked, notes: [why] } })
