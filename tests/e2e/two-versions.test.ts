import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { keptIn } from './attacks'
import { keptOffline, openBrowser, openPage, settled } from './browser'
import { openDemo, press, type, valueOf } from './hand'
import { serveVersions } from './later-version'

describe('a later version of the app beside this one', () => {
  let server: Awaited<ReturnType<typeof serveVersions>>
  let browser: Browser
  let close: () => Promise<void>
  let one: Page
  let errors: string[]
  const setpoint = async (page: Page) =>
    (await keptIn(page, 'harbour-flat'))!.controls.set!.heaters['wall-heater'].setpointC
  const isLater = (page: Page) =>
    page.$eval('script[type="module"]', (s) => (s as HTMLScriptElement).src.includes('/_next/'))
  beforeAll(async () => {
    server = await serveVersions(inject('url'))
    ;({ browser, close } = await openBrowser())
    ;({ page: one, errors } = await openPage(browser, 1280, 800))
    await openDemo(one, server.url, 'harbour-flat')
    await settled(one)
    await keptOffline(one)
    // The second start is the first whose every worker is in the service worker's charge.
    await one.reload()
    await settled(one)
    server.goOn()
    await one.evaluate(async () => {
      const here = (await navigator.serviceWorker.getRegistration())!
      await here.update()
      const waits = () => here.waiting !== null
      while (!waits()) await new Promise((resume) => setTimeout(resume, 50))
    })
  })
  afterAll(async () => {
    await close()
    server.stop()
  })

  it('work that is open goes on in the version it was begun in, stages never seen before among it', async () => {
    await type(one, 'Setpoint', '51')
    for (const stage of ['Improve', 'Survey', 'Readings']) {
      await press(one, 'link', stage)
      await settled(one)
    }
    expect(await isLater(one)).toBe(false)
    expect(await setpoint(one)).toBe(51)
    expect(errors).toEqual([])
  })

  it('a tab that passes by the worker has the later one, and each sees what the other kept', async () => {
    const { page: two, errors: its } = await openPage(browser, 1280, 800)
    const session = await two.createCDPSession()
    await session.send('Network.enable')
    await session.send('Network.setBypassServiceWorker', { bypass: true })
    await two.goto(`${server.url}/study/harbour-flat/set`)
    await settled(two)
    expect(await isLater(two)).toBe(true)
    expect(await valueOf(two, 'Setpoint')).toBe('51')
    await type(two, 'Setpoint', '52')
    await one.bringToFront()
    await press(one, 'link', 'Settings')
    await one.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[aria-label="Setpoint slider"]')?.value === '52',
    )
    await type(one, 'Setpoint', '53')
    expect(await setpoint(two)).toBe(53)
    expect([...errors, ...its]).toEqual([])
    await two.close()
  })

  it('what a later version wrote and this one cannot read is not written over', async () => {
    await one.evaluate(
      () =>
        new Promise<void>((done) => {
          const open = indexedDB.open('bagno')
          open.onsuccess = () => {
            const studies = open.result.transaction('studies', 'readwrite').objectStore('studies')
            studies.get('harbour-flat').onsuccess = (e) => {
              const kept = (e.target as IDBRequest).result
              studies.put({ ...kept, study: { ...kept.study, version: 99 }, mark: 'of a later version' }).onsuccess =
                () => {
                  open.result.close()
                  new BroadcastChannel('bagno-studies').postMessage({ kept: 'harbour-flat' })
                  done()
                }
            }
          }
        }),
    )
    await type(one, 'Setpoint', '47')
    await one.waitForFunction(() => /second tab/.test(document.body.textContent!))
    expect((await keptIn(one, 'harbour-flat'))!.version).toBe(99)
    expect(errors).toEqual([])
  })

  it('the next start is in the later version, with all that was kept', async () => {
    await one.close()
    // The browser needs a moment to see that nobody uses the old one any more.
    await new Promise((resume) => setTimeout(resume, 1000))
    const { page, errors: its } = await openPage(browser, 1280, 800)
    await page.goto(server.url)
    await page.waitForSelector('section[aria-label="Households"] li a')
    expect(await isLater(page)).toBe(true)
    const names = await page.$$eval('section[aria-label="Households"] li a', (all) => all.map((a) => a.textContent!))
    expect(names.some((n) => n.includes('second tab'))).toBe(true)
    expect(its).toEqual([])
  })
})
