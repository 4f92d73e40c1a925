import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Study } from '~~/core/study/study'

/** A study as it is kept: the document and when it was last changed. */
export interface Kept {
  id: string
  study: Study
  changedAt: string
}

interface BagnoDB extends DBSchema {
  studies: { key: string; value: Kept }
}

let opened: Promise<IDBPDatabase<BagnoDB>> | undefined

function db(): Promise<IDBPDatabase<BagnoDB>> {
  opened ??= openDB<BagnoDB>('bagno', 1, {
    upgrade: (database) => void database.createObjectStore('studies', { keyPath: 'id' }),
  })
  return opened
}

export const keptStudies = async () => (await db()).getAll('studies')
export const keptStudy = async (id: string) => (await db()).get('studies', id)
export const forgetStudy = async (id: string) => (await db()).delete('studies', id)

/** Another tab has kept the same study since this one last saw it. */
export class KeptElsewhere extends Error {}

/** Tells other tabs that a study was kept. */
const otherTabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('bagno-studies')
export function onKeptElsewhere(seen: (id: string) => void): void {
  otherTabs?.addEventListener('message', (e: MessageEvent<string>) => seen(e.data))
}

/**
 * Keeps a study under its id.
 * @param seen when the kept copy that this study grew from was changed; without it whatever is kept is replaced
 * @throws KeptElsewhere when another copy has been kept since; otherwise fails only when the browser stores nothing at all
 */
export async function keepStudy(study: Study, seen?: string): Promise<Kept> {
  const transaction = (await db()).transaction('studies', 'readwrite')
  const there = await transaction.store.get(study.id)
  if (seen !== undefined && there && there.changedAt !== seen) {
    await transaction.done
    throw new KeptElsewhere()
  }
  const kept: Kept = { id: study.id, study, changedAt: new Date().toISOString() }
  await transaction.store.put(kept)
  await transaction.done
  otherTabs?.postMessage(study.id)
  return kept
}

/** Puts a study back exactly as it was kept. */
export const restoreKept = async (kept: Kept) => (await db()).put('studies', kept)
