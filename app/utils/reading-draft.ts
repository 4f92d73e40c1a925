import { shallowRef } from 'vue'
import { keepDraft, keptDraft } from '~/utils/kept-beside'
import type { KeptDraft, ReadingDraft } from '~/utils/kept-draft'
import { soundStart } from '~/utils/started'
import { READING_KINDS, type ReadingKindName } from '~~/core/study/readings'

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
    started: soundStart(draft.started),
  }
}

/** What the page that went wrote last: at hand at once, and lost where the browser is killed before it reaches the disk. */
function written(studyId: string): KeptDraft | null {
  try {
    const found = JSON.parse(localStorage.getItem(keyOf(studyId)) ?? 'null') as Partial<KeptDraft & ReadingDraft> | null
    if (!found) return null
    // Before there were times beside it the draft stood there by itself.
    return typeof found.at === 'number'
      ? { id: studyId, at: found.at, draft: found.draft ?? null, aside: found.aside }
      : { id: studyId, at: 0, draft: found as ReadingDraft }
  } catch {
    return null
  }
}

/** The readings of a study that are being taken: the kind that is open, and what was typed of each kind. */
interface Drafts {
  studyId: string
  open: ReadingKindName | null
  of: Partial<Record<ReadingKindName, ReadingDraft>>
}
const drafts = shallowRef<Drafts>({ studyId: '', open: null, of: {} })

const begin = (kind: ReadingKindName, values: Record<string, unknown>): ReadingDraft => ({
  kind,
  values,
  note: '',
  photo: null,
  takenAt: '',
  started: null,
})

/** When drafts were last written or read: what is written later counts as later, though the clock on the wall was put back. */
let lastAt = 0

/** Keeps them in two places: one outlasts a page that goes this instant, the other a browser that is killed a second later. */
function keep({ studyId, open, of }: Drafts): void {
  const all = Object.values(of)
  const kept: KeptDraft = {
    id: studyId,
    at: (lastAt = Math.max(Date.now(), lastAt + 1)),
    draft: (open && of[open]) || null,
    aside: all.filter((d) => d.kind !== open),
  }
  const text = JSON.stringify(kept)
  try {
    // That there is none any more is written down too: the other place may not have heard of it when the page goes.
    localStorage.setItem(keyOf(studyId), text)
  } catch {
    // A browser that keeps nothing says so elsewhere; for many pictures there may be no room here.
  }
  keepDraft(JSON.parse(text) as KeptDraft).catch(() => {})
}

function change(next: Partial<Drafts>): void {
  drafts.value = { ...drafts.value, ...next }
  keep(drafts.value)
}

/** What is being taken at the study on the table, whichever view is open. */
export const useReadingDrafts = () => ({
  drafts,
  /** Takes up what was being taken at a study when the page went: the later of the two places it is kept in. */
  async takeUp(studyId: string): Promise<void> {
    if (drafts.value.studyId === studyId) return
    drafts.value = { studyId, open: null, of: {} }
    const [here, kept] = [written(studyId), await keptDraft(studyId).catch(() => undefined)]
    const latest = !here || (kept && kept.at > here.at) ? kept : here
    lastAt = Math.max(lastAt, here?.at ?? 0, kept?.at ?? 0)
    const open = soundOf(latest?.draft)
    const all = [...(Array.isArray(latest?.aside) ? latest.aside.map(soundOf) : []), open]
    const { value: now } = drafts
    // Somebody was quicker than the store.
    if (now.studyId !== studyId || now.open) return
    const of = Object.fromEntries(all.flatMap((d) => (d ? [[d.kind, d]] : [])))
    drafts.value = { studyId, open: open?.kind ?? null, of: { ...of, ...now.of } }
  },
  /** Opens a kind, or none; what was typed of others stays. */
  open(kind: ReadingKindName | null): void {
    drafts.value = { ...drafts.value, open: kind }
  },
  /** Puts down a part of a reading of a kind, whether or not that is open. @param values that it begins with */
  put(studyId: string, kind: ReadingKindName, part: Partial<ReadingDraft>, values: Record<string, unknown>): void {
    if (drafts.value.studyId !== studyId) return
    const { of } = drafts.value
    change({ of: { ...of, [kind]: { ...(of[kind] ?? begin(kind, values)), ...part } } })
  },
  /** A reading is in the log, or given up. */
  drop(kind: ReadingKindName): void {
    const { [kind]: _, ...of } = drafts.value.of
    change({ open: drafts.value.open === kind ? null : drafts.value.open, of })
  },
})
