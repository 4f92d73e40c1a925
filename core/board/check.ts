import type { Study } from '../study/study'
import type { Display } from '../units/display'
import type { YearResult } from '../year/result'

/** How a setting stands to something it must keep: it does, only just or not for everybody, it does not. */
export const LEVELS = ['green', 'amber', 'red'] as const
export type Level = (typeof LEVELS)[number]

/** What a level is called where it is read, not seen. */
export const LEVEL_WORDS: Record<Level, string> = { green: 'keeps', amber: 'mind', red: 'breaks' }

/** One thing that a setting is held against, and what comes of it in a sentence with its figures. */
export interface Check {
  id: string
  /** What is looked at, in a word or two. */
  title: string
  level: Level
  sentence: string
  source: string
}

/** A setting to be judged: a household as it is set, with its year, and the heater whose setpoint it is. */
export interface Setting {
  study: Study
  year: YearResult
  heaterId: string
  setpointC: number
  write: Display
}

export type Judge = (setting: Setting) => Check[]

/** The worse of two levels. */
export const worse = (a: Level, b: Level): Level => LEVELS[Math.max(LEVELS.indexOf(a), LEVELS.indexOf(b))]
