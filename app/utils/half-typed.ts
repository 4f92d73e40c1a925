import { useDebounceFn } from '@vueuse/core'
import { keepTyped, keptTyped } from '~/utils/kept-beside'

/** What is typed is put on the disk this soon after the last key, ms. */
const PAUSE_MS = 250

/** What was typed into fields of a study and not taken yet, each by the place of its field. */
let of: { studyId: string; texts: Promise<Map<string, string>> } | null = null

function textsOf(studyId: string): Promise<Map<string, string>> {
  if (of?.studyId !== studyId)
    of = {
      studyId,
      texts: keptTyped(studyId).then(
        (texts) => new Map(Object.entries(texts ?? {})),
        () => new Map<string, string>(),
      ),
    }
  return of.texts
}

async function keepNow(studyId: string): Promise<void> {
  const texts = await textsOf(studyId)
  // A browser that keeps nothing says so elsewhere.
  await keepTyped(studyId, Object.fromEntries(texts)).catch(() => {})
}
const keepSoon = useDebounceFn(keepNow, PAUSE_MS)

/** What was typed into a field when the browser went, or nothing. */
export const halfTyped = async (studyId: string, place: string): Promise<string | undefined> =>
  (await textsOf(studyId)).get(place)

/** Notes what stands in a field that has not been left; null: it was taken. */
export async function noteTyped(studyId: string, place: string, text: string | null): Promise<void> {
  const texts = await textsOf(studyId)
  if (text === null) {
    if (!texts.delete(place)) return
    await keepNow(studyId)
  } else {
    texts.set(place, text)
    await keepSoon(studyId)
  }
}
