import type { Started } from '~/utils/started'
import type { ReadingKindName } from '~~/core/study/readings'

/** A reading that is being taken: what has been typed so far, kept apart from the study until it is in the log. */
export interface ReadingDraft {
  kind: ReadingKindName
  values: Record<string, unknown>
  /** Undefined while nobody has chosen: the first place then. */
  where?: string | null
  note: string
  photo: string | null
  /** When it was taken, by the clock on the wall; empty: now. */
  takenAt: string
  /** When the watch beside it, or the climb, was begun; null: none runs. */
  started: Started | null
}

/** The drafts of a study, and when that was written, ms. */
export interface KeptDraft {
  id: string
  at: number
  /** The one that is open; null: none is. */
  draft: ReadingDraft | null
  /** Of other kinds, begun and left. */
  aside?: ReadingDraft[]
}

/** What was typed into the fields of a study and not taken yet. */
export interface KeptTyped {
  id: string
  texts: Record<string, string>
}
export const typedOf = (studyId: string) => `${studyId} typed`

/** Marks of what was put aside of a study and has been taken up, the latest last. */
export interface TakenUp {
  id: string
  marks: string[]
}
export const takenOf = (studyId: string) => `${studyId} taken up`
