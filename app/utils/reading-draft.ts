import { keepDraft, keptDraft } from '~/utils/db'
import type { KeptDraft, ReadingDraft } from '~/utils/kept-draft'
import { READING_KINDS } from '~~/core/study/readings'

const keyOf = (studyId: string) => `bagno-reading ${studyId}`

/** What was kept as a draft; whatever else stands there is none. */
function soundOf(draft: Partial<ReadingDraft> | null | undefined): ReadingDraft | null {
  if (!draft || !READING_KINDS.includes(draft.kind!) || typeof draft.values !== 'object') return null
  const text = (x: unknown) => (typeof x === 'string' ? x : '')
  return {
    kind: draft.kind!,
    values: draft.values,
    where: text(draft.where) || null,
    note: text(draft.note),
    photo: text(draft.photo) || null,
    takenAt: text(draft.takenAt),
  }
}

/** What the page that went wrote last: at hand at once, and lost where the browser is killed before it reaches the disk. */
function written(studyId: string): KeptDraft | null {
  try {
    const found = JSON.parse(localStorage.getItem(keyOf(studyId)) ?? 'null') as Partial<KeptDraft & ReadingDraft> | null
    if (!found) return null
    // Before there were times beside it the draft stood there by itself.
    return typeof found.at === 'number'
      ? { id: studyId, at: found.at, draft: found.draft ?? null }
      : { id: studyId, at: 0, draft: found as ReadingDraft }
  } catch {
    return null
  }
}

/** The reading that was being taken at a study when the page went, or none: the later of the two places it is kept in. */
export async function readingDraft(studyId: string): Promise<ReadingDraft | null> {
  const [here, kept] = [written(studyId), await keptDraft(studyId).catch(() => undefined)]
  const latest = !here || (kept && kept.at > here.at) ? kept : here
  return soundOf(latest?.draft)
}

/** Keeps it in both: one outlasts a page that goes this instant, the other a browser that is killed a second later. */
export function keepReadingDraft(studyId: string, draft: ReadingDraft | null): void {
  const text = JSON.stringify({ id: studyId, at: Date.now(), draft } satisfies KeptDraft)
  try {
    // That there is none any more is written down too: the other place may not have heard of it when the page goes.
    localStorage.setItem(keyOf(studyId), text)
  } catch {
    // A browser that keeps nothing says so elsewhere.
  }
  keepDraft(JSON.parse(text) as KeptDraft).catch(() => {})
}
