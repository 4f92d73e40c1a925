import { describe, expect, inject, it } from 'vitest'
import { openBrowser, openPage, settled } from './browser'
import { openDemo, total } from './hand'

const url = inject('url')

describe('a household that was open before', () => {
  it('shows the figures of its year though nothing simulates, and none that another build has kept', async () => {
    const { browser, close } = await openBrowser()
    try {
      let { page } = await openPage(browser, 1280, 800)
      await openDemo(page, url, 'harbour-flat')
      await settled(page)
      const cost = await total(page, 'Cost')
      /** Opens it anew with workers that never answer; the keys of the years kept, once they were looked at. */
      const again = async () => {
        await page.close()
        ;({ page } = await openPage(browser, 1280, 800))
        await page.evaluateOnNewDocument(() => {
          window.Worker = class extends EventTarget {
            postMessage() {}
            terminate() {}
          } as unknown as typeof Worker
        })
        await page.goto(`${url}/study/harbour-flat/set`)
        await page.waitForSelector('input[aria-label="Setpoint slider"]')
      }
      await again()
      await settled(page)
      expect(await total(page, 'Cost')).toBe(cost)

      const keys = (rename: boolean) =>
        page.evaluate(async (other) => {
          const whenDone = <T>(asked: IDBRequest<T>) =>
            new Promise<T>((done, failed) => {
              asked.onsuccess = () => done(asked.result)
              asked.onerror = () => failed(asked.error!)
            })
          const kept = await whenDone(indexedDB.open('bagno-years'))
          const years = kept.transaction('years', 'readwrite').objectStore('years')
          const all = await whenDone(years.getAll() as IDBRequest<{ key: string }[]>)
          for (const [k, year] of other ? all.entries() : []) {
            await whenDone(years.delete(year.key))
            // Builds before and after this one in the order of their names.
            await whenDone(years.put({ ...year, key: `${k % 2 ? '0' : 'z'}${year.key}` }))
          }
          kept.close()
          return all.map((year) => year.key)
        }, rename)
      expect((await keys(true)).length).toBeGreaterThan(0)
      await again()
      await page.waitForSelector('[data-silent]', { timeout: 30_000 })
      expect(await total(page, 'Cost')).toBe('…')
      expect(await keys(false)).toEqual([])
    } finally {
      await close()
    }
  })
})
