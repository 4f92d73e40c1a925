import type { MeasureKind } from '../study/measures'
import type { ReadingKindName } from '../study/readings'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import type { YearResult } from '../year/result'

/** Where on the line of water a finding stands. */
export type Station = 'main' | 'heater' | 'store' | 'loop' | 'runs' | 'taps' | 'people' | 'log'

/** danger: it can hurt somebody; mend: it costs or fails; look: it is not known and ought to be. */
export const SEVERITIES = ['danger', 'mend', 'look'] as const
export type Severity = (typeof SEVERITIES)[number]

/** A judgement an experienced engineer would make on the visit. */
export interface Finding {
  id: string
  severity: Severity
  station: Station
  /** Run, tap or heater it stands at. */
  on: string | null
  what: string
  /** With its figures. */
  why: string
  source: string
  /** What would mend it, in words, and where that is done. */
  mend: string
  reading?: ReadingKindName
  /** Though it is only to be looked at, a visit is not finished before it is known: see finishing.ts. */
  holdsUp?: boolean
  /** A measure that would mend it, to be tried. */
  tries?: MeasureKind
}

export interface Case {
  study: Study
  /** Its year as it stands; null while it is not computed. */
  year: YearResult | null
  /** Writes figures in the units of the study. */
  write: Display
}

export type Rule = (c: Case) => Finding[]
