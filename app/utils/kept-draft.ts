import type { ReadingKindName } from '~~/core/study/readings'

/** A reading that is being taken: what has been typed so far, kept apart from the study until it is in the log. */
export interface ReadingDraft {
  kind: ReadingKindName
  values: Record<string, unknown>
  where: string | null
  note: string
  photo: string | null
  /** When it was taken, by the clock on the wall; empty: now. */
  takenAt: string
}

/** The draft of a study, or that it has none any more, and when that was written, ms. */
export interface KeptDraft {
  id: string
  at: number
  draft: ReadingDraft | null
}
