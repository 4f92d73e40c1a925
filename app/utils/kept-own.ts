import type { IDBPDatabase } from 'idb'
import { atOnce, type BagnoDB, stored } from '~/utils/db'

/** The key of the engineer's own defaults. */
const OWN = 'defaults'
/** Those of a tab whose browser keeps none. */
let inThisTab: unknown

/** What was kept of the engineer's own defaults, whatever it is; undefined: nothing. */
export const keptOwn = () =>
  stored(
    (d) => d.get('own', OWN),
    () => inThisTab,
  )

/** Keeps the engineer's own defaults, begun in the very task that changes them. Fails when the storage is full. */
export async function keepOwn(own: unknown): Promise<void> {
  const write = async (d: IDBPDatabase<BagnoDB>) => {
    const transaction = d.transaction('own', 'readwrite', { durability: 'strict' })
    const put = transaction.store.put(own, OWN)
    transaction.commit()
    await Promise.all([put, transaction.done])
  }
  const without = () => void (inThisTab = own)
  const now = atOnce()
  await (now ? write(now).catch(() => stored(write, without)) : stored(write, without))
}
