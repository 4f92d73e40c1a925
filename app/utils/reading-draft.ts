import { READING_KINDS, type ReadingKindName } from '~~/core/study/readings'

/** A reading that is being taken: what has been typed so far, kept apart from the study until it is in the log. */
export interface ReadingDraft {
  kind: ReadingKindName
  values: Record<string, unknown>
  where: string | null
  note: string
  photo: string | null
}

const keyOf = (studyId: string) => `bagno-reading ${studyId}`

/** The reading that was being taken at a study when the page went, or none; whatever else stands there is none. */
export function readingDraft(studyId: string): ReadingDraft | null {
  try {
    const draft = JSON.parse(localStorage.getItem(keyOf(studyId)) ?? 'null') as Partial<ReadingDraft> | null
    if (!draft || !READING_KINDS.includes(draft.kind!) || typeof draft.values !== 'object') return null
    return {
      kind: draft.kind!,
      values: draft.values,
      where: typeof draft.where === 'string' ? draft.where : null,
      note: typeof draft.note === 'string' ? draft.note : '',
      photo: typeof draft.photo === 'string' ? draft.photo : null,
    }
  } catch {
    return null
  }
}

export function keepReadingDraft(studyId: string, draft: ReadingDraft | null): void {
  try {
    if (draft) localStorage.setItem(keyOf(studyId), JSON.stringify(draft))
    else localStorage.removeItem(keyOf(studyId))
  } catch {
    // A browser that keeps nothing says so elsewhere.
  }
}
