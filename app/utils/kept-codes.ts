import { stored } from '~/utils/db'

/** Codes and key orders as somebody wrote them down, by study: they stay in this browser and travel with no file. */
export type Codes = Record<string, string>

const KEY = 'codes'
/** Those of a tab whose browser keeps none. */
let inThisTab: Codes = {}

export async function keptCodes(): Promise<Codes> {
  const kept = await stored(
    (d) => d.get('own', KEY),
    () => inThisTab,
  )
  return typeof kept === 'object' && kept !== null ? (kept as Codes) : {}
}

/** Keeps what is written of one study; an empty text is forgotten. Fails when the storage is full. */
export async function keepCodes(studyId: string, text: string): Promise<void> {
  const { [studyId]: _, ...others } = await keptCodes()
  const all = text.trim() ? { ...others, [studyId]: text } : others
  await stored(
    async (d) => void (await d.put('own', all, KEY)),
    () => void (inThisTab = all),
  )
}
