import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { YearResult } from '~~/core/year/result'

interface YearsDB extends DBSchema {
  years: { key: string; value: { key: string; at: number; year: YearResult }; indexes: { at: number } }
}

/** Years kept, about 13 kB each. */
const MOST = 300
/** More than that are let come together before the oldest go: looking for them costs more than keeping them. */
const SPARE = 50

/**
 * Years that this browser has simulated before, known by what they depend on and by the build of the engine: a household
 * that is opened again shows its figures at once. They lie in a store of their own. Nothing is lost with it but time, so
 * whatever goes wrong with it is passed over, and a browser that keeps nothing simulates.
 * @param build of the app: years of another engine are never shown; null: the engine is being worked on, and nothing is kept
 */
export function keptYears(build: string | null) {
  let opened: Promise<IDBPDatabase<YearsDB> | null> | undefined
  const database = () => (opened ??= build === null ? Promise.resolve(null) : open().catch(() => null))

  async function open() {
    const database = await openDB<YearsDB>('bagno-years', 1, {
      upgrade: (made) => made.createObjectStore('years', { keyPath: 'key' }).createIndex('at', 'at'),
      terminated: () => (opened = undefined),
    })
    // Keys begin with the build: what lies before and after this one's is of others.
    await database.delete('years', IDBKeyRange.upperBound(keyOf('')))
    await database.delete('years', IDBKeyRange.lowerBound(keyOf('g')))
    return database
  }

  /** @param hash a number in hexadecimal digits */
  const keyOf = (hash: string) => `${build} ${hash}`

  /** Null where the browser has no arithmetic for it (a page that did not come over a safe connection). */
  async function keyFor(content: string): Promise<string | null> {
    if (build === null || !globalThis.crypto?.subtle) return null
    const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(content))
    return keyOf([...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join(''))
  }

  async function drop(kept: IDBPDatabase<YearsDB>) {
    let many = await kept.count('years')
    if (many <= MOST + SPARE) return
    const transaction = kept.transaction('years', 'readwrite')
    for (let at = await transaction.store.index('at').openCursor(); at && many > MOST; many--) {
      await at.delete()
      at = await at.continue()
    }
    await transaction.done
  }

  return {
    /** The year of a study. @param content what it depends on; undefined: not known here */
    async find(content: string): Promise<YearResult | undefined> {
      try {
        const [kept, key] = await Promise.all([database(), keyFor(content)])
        return key ? (await kept?.get('years', key))?.year : undefined
      } catch {
        return undefined
      }
    },
    async keep(content: string, year: YearResult): Promise<void> {
      try {
        const [kept, key] = await Promise.all([database(), keyFor(content)])
        if (!kept || !key) return
        await kept.put('years', { key, at: Date.now(), year })
        await drop(kept)
      } catch {
        // It is simulated again when it is wanted.
      }
    },
  }
}
