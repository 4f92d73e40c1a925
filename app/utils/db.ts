import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
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

/** Keeps a study under its id. Fails only when the browser will not store anything at all. */
export async function keepStudy(study: Study): Promise<Kept> {
  const kept: Kept = { id: study.id, study, changedAt: new Date().toISOString() }
  await (await db()).put('studies', kept)
  return kept
}

/** Puts a study back exactly as it was kept. */
export const restoreKept = async (kept: Kept) => (await db()).put('studies', kept)
