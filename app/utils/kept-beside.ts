import { stored } from '~/utils/db'
import { type KeptDraft, type KeptTyped, takenOf, type TakenUp, typedOf } from '~/utils/kept-draft'

/** Marks of what was taken up that are remembered of a study, the latest. */
const MARKS_KEPT = 50

/** The reading that was being taken at a study, where this browser keeps any. */
export const keptDraft = (id: string) =>
  stored(
    (d) => d.get('drafts', id) as Promise<KeptDraft | undefined>,
    () => undefined,
  )
/** What was typed into fields of a study and not taken yet. */
export const keptTyped = (id: string) =>
  stored(
    async (d) => ((await d.get('drafts', typedOf(id))) as KeptTyped | undefined)?.texts,
    () => undefined,
  )
export const keepTyped = (id: string, texts: Record<string, string>) =>
  stored(
    async (d) => void (await d.put('drafts', { id: typedOf(id), texts })),
    () => {},
  )
export const keepDraft = (draft: KeptDraft) =>
  stored(
    async (d) => void (await d.put('drafts', draft)),
    () => {},
  )

/** Whether something that was put aside of a study has been taken up. */
export const takenUp = (id: string, mark: string | undefined) =>
  stored(
    async (d) =>
      mark !== undefined && (((await d.get('drafts', takenOf(id))) as TakenUp | undefined)?.marks ?? []).includes(mark),
    () => false,
  )
export const noteTakenUp = (id: string, mark: string | undefined) =>
  stored(
    async (d) => {
      if (mark === undefined) return
      const marks = ((await d.get('drafts', takenOf(id))) as TakenUp | undefined)?.marks ?? []
      await d.put('drafts', { id: takenOf(id), marks: [...marks, mark].slice(-MARKS_KEPT) })
    },
    () => {},
  )
