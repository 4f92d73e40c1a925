import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { plainReading, putIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { giveFiles, handedOver, openDemo, press, type } from './hand'

const url = inject('url')
let browser: Browser
let close: () => Promise<void>
let page: Page
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page } = await openPage(browser, 1280, 800))
})
afterAll(() => close())

const listed = (at: Page) =>
  at.$$eval('section[aria-label="Households"] li a', (all) =>
    all.map((a) => a.textContent!.replace(/\s+/g, ' ').trim()),
  )

describe('files', () => {
  it('dropped together under one id are all kept, and what cannot be read is named', async () => {
    await page.goto(url)
    const wrong = '{"format": "other"}'
    await giveFiles(
      page,
      { ...harbourFlat, id: 'drop', name: 'First of them' },
      wrong,
      { ...harbourFlat, id: 'drop', name: 'Second of them' },
      { ...harbourFlat, id: 'drop', name: 'Third of them' },
    )
    await page.waitForFunction(() => document.querySelectorAll('section[aria-label="Households"] li a').length === 3)
    expect((await listed(page)).map((t) => t.split(' ')[0]).sort()).toEqual(['First', 'Second', 'Third'])
    expect(await page.$eval('main [role="alert"]', (e) => e.textContent)).toMatch(/2\.bagno\.json” was not imported/)
  })

  it('imported by two tabs at one moment are both kept', async () => {
    const { page: other } = await openPage(browser, 1000, 700)
    await other.goto(url)
    // A tab that is behind another draws nothing, so that it is looked at by the clock.
    const said = (at: Page, text: string) =>
      at.waitForFunction((t) => document.body.textContent!.includes(t), { polling: 50 }, text)
    for (let k = 0; k < 5; k++) {
      const study = { ...harbourFlat, id: 'twice', name: `Twice ${k}` }
      await Promise.all([giveFiles(page, study), giveFiles(other, study)])
      await Promise.all([page, other].map((at) => said(at, `Imported “Twice ${k}”`)))
    }
    await other.close()
    await page.bringToFront()
    await page.goto(url)
    await page.waitForFunction(
      () =>
        Array.from(document.querySelectorAll('section[aria-label="Households"] li a')).filter((a) =>
          /Twice/.test(a.textContent!),
        ).length === 10,
    )
  })
})

describe('several households', () => {
  const all = ['Ash lane', 'Birch lane', 'Cedar lane']
  let home: Page
  const names = () => listed(home).then((texts) => texts.map((t) => t.slice(0, t.indexOf(' lane') + 5)).sort())
  const count = (n: number) =>
    home.waitForFunction((k) => document.querySelectorAll('section[aria-label="Households"] li a').length === k, {}, n)
  let end: () => Promise<void>
  beforeAll(async () => {
    const own = await openBrowser()
    end = own.close
    ;({ page: home } = await openPage(own.browser, 1280, 800))
    await home.goto(url)
    await giveFiles(home, ...all.map((name, i) => ({ ...harbourFlat, id: `lane-${i}`, name })))
    await count(3)
  })
  afterAll(() => end())

  it('are put away and listed again, and the storage they take is said', async () => {
    await press(home, 'button', 'Archive Birch lane')
    await count(2)
    expect(await names()).toEqual(['Ash lane', 'Cedar lane'])
    await home.reload()
    await count(2)
    await press(home, 'button', 'Archive: 1')
    await count(1)
    await press(home, 'button', 'Take Birch lane out of the archive')
    await count(3)
    expect(await home.$eval('main', (m) => m.textContent)).toMatch(/saved in this browser only, [\d.]+ MB/)
  })

  it('go out as one file and come back, beside one that cannot be read', async () => {
    const text = await handedOver(home, '[data-export-all]')
    const file = JSON.parse(text) as { studies: { name: string }[] }
    expect(file.studies.map((s) => s.name).sort()).toEqual(all)
    await giveFiles(
      home,
      JSON.stringify({ ...file, studies: [...file.studies, { name: 'Old mill', format: 'other' }] }),
    )
    await count(6)
    expect(await names()).toEqual([...all, ...all].sort())
    expect(await home.$eval('main [role="alert"]', (e) => e.textContent)).toMatch(/Old mill” was not imported/)
  })
})

describe('what was put aside', () => {
  it('is taken up once, however many tabs begin together', async () => {
    await openDemo(page, url, 'harbour-flat')
    await settled(page)
    await page.waitForFunction(() => /saved in this browser/.test(document.querySelector('header')!.textContent!))
    // As the last change of a page that went.
    await page.evaluate(async () => {
      const kept = await new Promise<{ study: object; mark: string }>((resolve) => {
        const open = indexedDB.open('bagno')
        open.onsuccess = () => {
          const asked = open.result.transaction('studies').objectStore('studies').get('harbour-flat')
          asked.onsuccess = () => (open.result.close(), resolve(asked.result as never))
        }
      })
      localStorage.setItem(
        'bagno-leaving harbour-flat',
        JSON.stringify({ study: { ...kept.study, name: 'As it was left' }, from: [kept.mark], mark: 'left-once' }),
      )
    })
    await page.goto('about:blank')
    const tabs = await Promise.all(Array.from({ length: 6 }, async () => (await openPage(browser, 800, 600)).page))
    await Promise.all(tabs.map((tab) => tab.goto(url)))
    for (const tab of tabs) await tab.waitForSelector('section[aria-label="Households"] li a')
    await page.goto(url)
    await page.waitForSelector('section[aria-label="Households"] li a')
    const names = (await listed(page)).filter((text) => /As it was left|as it was left/.test(text))
    for (const tab of tabs) await tab.close()
    await page.bringToFront()
    expect(names).toHaveLength(1)
  })
})

describe('a browser that keeps nothing more', () => {
  it('is said at home too, and the work can be handed over', async () => {
    await openDemo(page, url, 'duplex')
    await settled(page)
    await page.evaluate(() => {
      const { put } = IDBObjectStore.prototype
      ;(window as unknown as { room: () => void }).room = () => (IDBObjectStore.prototype.put = put)
      IDBObjectStore.prototype.put = () => {
        throw new DOMException('full', 'QuotaExceededError')
      }
    })
    await type(page, 'Setpoint', '127')
    await press(page, 'link', 'All households')
    await page.waitForFunction(() =>
      /The last change of “.*” is not saved/.test(document.querySelector('main')!.textContent!),
    )
    await page.evaluate(() => (window as unknown as { room: () => void }).room())
    await page.waitForFunction(() => !/is not saved/.test(document.querySelector('main')!.textContent!), {
      timeout: 30_000,
    })
  })

  it('because an older one holds it says so while a household is being opened, and goes on when that is closed', async () => {
    const fresh = await openBrowser()
    const { page: older } = await openPage(fresh.browser, 600, 400)
    await older.goto(`${url}/bagno.svg`)
    await older.evaluate(
      () =>
        new Promise<void>((done) => {
          const open = indexedDB.open('bagno', 1)
          open.onupgradeneeded = () => open.result.createObjectStore('studies', { keyPath: 'id' })
          open.onsuccess = () => (((window as unknown as { held: IDBDatabase }).held = open.result), done())
        }),
    )
    const { page: later } = await openPage(fresh.browser, 1000, 700)
    await later.goto(`${url}/study/harbour-flat/set`)
    await later.waitForFunction(() =>
      /Opening…[\s\S]*Another tab holds an older Bagno open/.test(document.body.textContent!),
    )
    await older.evaluate(() => (window as unknown as { held: IDBDatabase }).held.close())
    await later.waitForFunction(() => /This study is not saved in this browser/.test(document.body.textContent!))
    await fresh.close()
  })

  it('a full log takes no sum, and that is said', async () => {
    await page.goto(url)
    await page.waitForSelector('section[aria-label="Households"]')
    await putIn(page, {
      ...harbourFlat,
      id: 'full-log',
      readings: Array.from({ length: 5000 }, (_, k) => plainReading(k)),
    })
    await page.goto(`${url}/study/full-log/set`)
    await settled(page)
    await press(page, 'button', 'Calculators')
    await (await page.waitForSelector('#sum-search'))!.type('volume')
    await page.keyboard.press('Enter')
    const keep = await page.waitForSelector('::-p-aria(Save to log[role="button"])')
    await keep!.click()
    await page.waitForFunction(() => /not saved/.test(document.body.textContent!))
  })
})

describe('three hundred households', () => {
  it('are searched while one types', async () => {
    const { page: at } = await openPage(browser, 1280, 800)
    await at.goto(url)
    const many = Array.from({ length: 300 }, (_, k) => ({
      ...harbourFlat,
      id: `many-${k}`,
      name: `Household number ${k}`,
    }))
    await putIn(at, ...many)
    await at.reload()
    const field = (await at.waitForSelector('input[type="search"]'))!
    await field.focus()
    // The work of the page itself, whatever else the machine does: the time that its own tasks took.
    const session = await at.createCDPSession()
    await session.send('Performance.enable', { timeDomain: 'threadTicks' })
    const spent = async () => {
      const { metrics } = await session.send('Performance.getMetrics')
      return metrics.find((m) => m.name === 'TaskDuration')!.value
    }
    const before = await spent()
    await at.keyboard.type('number 217')
    await at.waitForFunction(() => document.querySelectorAll('section[aria-label="Households"] li a').length === 1)
    // Ten keys, each of them a search.
    expect((await spent()) - before).toBeLessThan(10 * 0.1)
    await at.close()
  })
})
