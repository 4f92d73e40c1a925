import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { harbourFlat } from '../../core/demos/harbour-flat'
import type { Study } from '../../core/study/study'
import { keptIn, memory, plainPicture, plainReading, putIn, slideTo } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { named, newTotal, openDemo, press, total, type, valueOf } from './hand'

const url = inject('url')
const files = mkdtempSync(join(tmpdir(), 'bagno-attack-'))
let browser: Browser
let close: () => Promise<void>
let page: Page
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page } = await openPage(browser, 1280, 800))
})
afterAll(async () => {
  await close()
  rmSync(files, { recursive: true, force: true })
})

const fileOf = (study: Study, name = study.id) => {
  const path = join(files, `${name}.bagno.json`)
  writeFileSync(path, JSON.stringify(study))
  return path
}
const give = async (at: Page, ...paths: string[]) =>
  ((await at.waitForSelector('input[type="file"]')) as unknown as ElementHandle<HTMLInputElement>).uploadFile(...paths)
const listed = (at: Page) =>
  at.$$eval('section[aria-label="Households"] li a', (all) =>
    all.map((a) => a.textContent!.replace(/\s+/g, ' ').trim()),
  )
describe('files', () => {
  it('dropped together under one id are all kept, and what cannot be read is named', async () => {
    await page.goto(url)
    const wrong = join(files, 'wrong.bagno.json')
    writeFileSync(wrong, '{"format": "other"}')
    await give(
      page,
      fileOf({ ...harbourFlat, id: 'drop', name: 'First of them' }, 'a'),
      wrong,
      fileOf({ ...harbourFlat, id: 'drop', name: 'Second of them' }, 'b'),
      fileOf({ ...harbourFlat, id: 'drop', name: 'Third of them' }, 'c'),
    )
    await page.waitForFunction(() => document.querySelectorAll('section[aria-label="Households"] li a').length === 3)
    expect((await listed(page)).map((t) => t.split(' ')[0]).sort()).toEqual(['First', 'Second', 'Third'])
    expect(await page.$eval('main [role="alert"]', (e) => e.textContent)).toMatch(
      /wrong\.bagno\.json” was not imported/,
    )
  })

  it('imported by two tabs at one moment are both kept', async () => {
    const { page: other } = await openPage(browser, 1000, 700)
    await other.goto(url)
    for (let k = 0; k < 5; k++) {
      const path = fileOf({ ...harbourFlat, id: 'twice', name: `Twice ${k}` }, `t${k}`)
      await Promise.all([give(page, path), give(other, path)])
    }
    await page.goto(url)
    await page.waitForFunction(
      () =>
        Array.from(document.querySelectorAll('section[aria-label="Households"] li a')).filter((a) =>
          /Twice/.test(a.textContent!),
        ).length === 10,
    )
    await other.close()
  })
})

describe('pictures', () => {
  const many = { ...harbourFlat, id: 'pictures', name: 'Many pictures' }
  it('do not keep a note from being put aside as the page goes', async () => {
    const readings = Array.from({ length: 40 }, (_, k) => plainReading(k, plainPicture(k)))
    await page.goto(url)
    await give(page, fileOf({ ...many, readings }))
    await page.waitForSelector('a[href="/study/pictures"]')
    for (let k = 0; k < 3; k++) {
      await page.goto(`${url}/study/pictures/set`)
      await settled(page)
      await page.waitForFunction(() => /kept in this browser/.test(document.querySelector('header')!.textContent!))
      await slideTo(page, 45 + k)
      await page.goto(url)
      await page.waitForSelector('a[href="/study/pictures"]')
      await page.goto(`${url}/study/pictures/set`)
      await settled(page)
      expect(await valueOf(page, 'Setpoint')).toBe(String(45 + k))
    }
    await page.goto(`${url}/study/pictures/measure`)
    await settled(page)
    await press(page, 'button', 'Show 10 earlier of 10')
    expect(await page.$$eval('[data-reading] img', (all) => all.length)).toBe(40)
  })

  it('that cannot be decoded, are gone or lost stop nothing, and it is said which', async () => {
    const readings = [
      plainReading(1, 'data:image/png;base64,%%%'),
      plainReading(2, 'data:image/jpeg;base64,abc=d'),
      plainReading(3, plainPicture(3)),
      plainReading(4, plainPicture(4)),
    ]
    await page.goto(url)
    await give(page, fileOf({ ...harbourFlat, id: 'lost', name: 'Lost pictures', readings }))
    await page.waitForSelector('a[href="/study/lost"]')
    // One that is beside the document is taken away, as a browser in need of room does.
    await page.evaluate(
      () =>
        new Promise<void>((done, fail) => {
          const open = indexedDB.open('bagno')
          open.onsuccess = () => {
            const store = open.result.transaction('pictures', 'readwrite').objectStore('pictures')
            const asked = store.index('study').getAllKeys('lost')
            asked.onsuccess = () => {
              store.delete(asked.result[0]!).onsuccess = () => (open.result.close(), done())
            }
            asked.onerror = () => fail(new Error('no pictures'))
          }
        }),
    )
    await page.goto(`${url}/study/lost/set`)
    await settled(page)
    await page.waitForFunction(() => /A picture is no longer in this browser/.test(document.body.textContent!))
    const before = await total(page, 'Cost')
    await type(page, 'Setpoint', '49')
    await newTotal(page, before)
    await page.waitForFunction(() => /kept in this browser/.test(document.querySelector('header')!.textContent!))
    const kept = (await keptIn(page, 'lost'))!
    expect(kept.readings).toHaveLength(4)
    expect(kept.readings[0]!.photo).toBe('data:image/png;base64,%%%')
    expect(kept.readings.filter((r) => r.photo === null)).toHaveLength(1)
  })
})

describe('what was put aside', () => {
  it('is taken up once, however many tabs begin together', async () => {
    await openDemo(page, url, 'harbour-flat')
    await settled(page)
    await page.waitForFunction(() => /kept in this browser/.test(document.querySelector('header')!.textContent!))
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

describe('a worker that dies without a word', () => {
  it('is said, and what it was asked is asked of another', async () => {
    await openDemo(page, url, 'duplex')
    await settled(page)
    await page.waitForFunction(() => document.querySelector('[data-harm]') !== null)
    for (const worker of page.workers()) await worker.evaluate('self.close()').catch(() => {})
    const before = await total(page, 'Cost')
    await type(page, 'Setpoint', '130')
    await page.waitForSelector('[data-silent]', { timeout: 60_000 })
    await page.waitForFunction(
      (was) => {
        const now = document.querySelector('aside [data-total="Cost"]')!.textContent!.trim()
        return now !== was && now !== '…'
      },
      { timeout: 90_000 },
      before,
    )
  })
})

describe('what is typed and not left', () => {
  const field = async (at: Page, label: string) => (await at.waitForSelector(named('textbox', label)))!
  const over = async (at: Page, label: string, text: string) => {
    await (await field(at, label)).click({ count: 3 })
    await at.keyboard.type(text)
  }

  it('stands in its field again after the browser was killed, and is taken when that is left', async () => {
    let session = await openBrowser()
    let at = (await openPage(session.browser, 1280, 800)).page
    await openDemo(at, url, 'duplex')
    await settled(at)
    await over(at, 'Setpoint', '13')
    await new Promise((resume) => setTimeout(resume, 1000))
    const before = await keptIn(at, 'duplex')
    await session.kill()
    session = await openBrowser(session.profile)
    at = (await openPage(session.browser, 1280, 800)).page
    await at.goto(`${url}/study/duplex/set`)
    await settled(at)
    await at.waitForFunction(() => /Typed before and not taken yet/.test(document.body.textContent!))
    expect(await valueOf(at, 'Setpoint')).toBe('13')
    // Half of a figure is not the figure: nothing was taken of it.
    expect(await keptIn(at, 'duplex')).toEqual(before)
    await (await field(at, 'Setpoint')).focus()
    await at.keyboard.press('End')
    await at.keyboard.type('1')
    await at.keyboard.press('Tab')
    expect(await valueOf(at, 'Setpoint')).toBe('131')
    await at.reload()
    await settled(at)
    expect(await valueOf(at, 'Setpoint')).toBe('131')
    await at.waitForFunction(() => !/Typed before and not taken yet/.test(document.body.textContent!))
    await session.close()
  })

  it.each([
    ['a time of day', 'survey?at=people', 'Time of Ilva showers before the early shift', '6:4'],
    ['a reason', 'set?view=board', 'Reason', 'The tenant'],
  ])('%s outlasts a kill too', async (_, path, label, text) => {
    let session = await openBrowser()
    let at = (await openPage(session.browser, 1280, 800)).page
    const there = async () => {
      await at.goto(`${url}/study/hill-town/${path}`)
      await settled(at)
    }
    await openDemo(at, url, 'hill-town')
    await settled(at)
    // Cool enough to ask for a reason.
    await type(at, 'Setpoint', '45')
    await there()
    await over(at, label, text)
    await new Promise((resume) => setTimeout(resume, 1000))
    await session.kill()
    session = await openBrowser(session.profile)
    at = (await openPage(session.browser, 1280, 800)).page
    await there()
    await field(at, label)
    await at.waitForFunction((t) => Array.from(document.querySelectorAll('input')).some((i) => i.value === t), {}, text)
    await session.close()
  })

  it('is not dropped when another tab changes the same figure', async () => {
    await openDemo(page, url, 'duplex')
    await settled(page)
    await over(page, 'Setpoint', '13')
    const { page: other } = await openPage(browser, 1000, 700)
    await other.goto(`${url}/study/duplex/set`)
    await settled(other)
    await type(other, 'Setpoint', '122')
    await page.bringToFront()
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[aria-label="Setpoint slider"]')!.value === '50',
    )
    expect(await valueOf(page, 'Setpoint')).toBe('13')
    await page.keyboard.type('1')
    await page.keyboard.press('Tab')
    expect(await valueOf(page, 'Setpoint')).toBe('131')
    await other.close()
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
      /The last change of “.*” is not kept/.test(document.querySelector('main')!.textContent!),
    )
    await page.evaluate(() => (window as unknown as { room: () => void }).room())
    await page.waitForFunction(() => !/is not kept/.test(document.querySelector('main')!.textContent!), {
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
    await later.waitForFunction(() => /This study is not kept in this browser/.test(document.body.textContent!))
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
    await press(page, 'button', 'Bench sums')
    await (await page.waitForSelector('#sum-search'))!.type('litres')
    await page.keyboard.press('Enter')
    const keep = await page.waitForSelector('::-p-aria(Keep in the log[role="button"])')
    await keep!.click()
    await page.waitForFunction(() => /was not kept/.test(document.body.textContent!))
  })
})

describe('odd but possible', () => {
  it('an address with a station that is none, or is every object’s, opens nothing', async () => {
    for (const at of ['constructor', 'toString', 'nowhere']) {
      await page.goto(`${url}/study/duplex/survey?at=${at}`)
      await settled(page)
      await page.waitForSelector('::-p-text(Follow the water)')
    }
  })

  it('a boost of half an hour can be typed, and one of a year cannot be passed', async () => {
    await page.goto(`${url}/study/duplex/set`)
    await settled(page)
    await page.$$eval('details', (all) => all.forEach((d) => (d.open = true)))
    await press(page, 'button', 'Boost or override')
    await type(page, '1: for, empty without end', '0.5')
    expect(await valueOf(page, '1: for, empty without end')).toBe('0.5')
    await type(page, '1: for, empty without end', '45 min')
    expect(await valueOf(page, '1: for, empty without end')).toBe('0.75')
    await type(page, '1: for, empty without end', '9000')
    expect(await page.$eval('[role="alert"]', (e) => e.textContent)).toMatch(/a number from 0\.017 to 8760 h/)
  })

  it('names without a gap push no page wide', async () => {
    const long = 'Wassererwärmungsanlagenbeschreibung'.repeat(3)
    const study = structuredClone(harbourFlat)
    study.id = 'wide'
    study.name = study.site.name = long
    for (const named of [
      ...study.pipes.runs,
      ...study.pipes.taps,
      ...study.plant.heaters,
      ...study.people.persons,
      ...study.people.habits,
      ...study.packages,
    ])
      named.name = long
    study.readings = [{ ...plainReading(1), note: 'x'.repeat(4000) }]
    await page.goto(url)
    await give(page, fileOf(study))
    await page.waitForSelector('a[href="/study/wide"]')
    const wide: string[] = []
    for (const width of [1280, 360]) {
      await page.setViewport({ width, height: 800 })
      for (const path of [
        '',
        'study/wide/set',
        'study/wide/measure',
        'study/wide/improve',
        'study/wide/survey',
        'study/wide/survey?at=runs',
        'study/wide/survey?at=taps',
        'study/wide/survey?at=people',
        'study/wide/survey?at=heater',
      ]) {
        await page.goto(`${url}/${path}`)
        if (path) await settled(page)
        else await page.waitForSelector('section[aria-label="Households"] li a')
        const taken = await page.evaluate(() => document.documentElement.scrollWidth)
        if (taken > width) wide.push(`${path}: ${taken} of ${width}`)
      }
    }
    expect(wide).toEqual([])
    await page.setViewport({ width: 1280, height: 800 })
  })
})

describe('memory', () => {
  it('stays what it is over edits of a long log and a round through all stages', { timeout: 300_000 }, async () => {
    const { page: at } = await openPage(browser, 1000, 700)
    const [first, last] = await memory(at, url, 16, 1)
    expect(last).toBeLessThan(1.2 * first)
    await at.close()
  })
})

describe('three hundred households', () => {
  it('are searched while one types', async () => {
    const { page: at } = await openPage(browser, 1280, 800)
    await at.goto(url)
    await at.waitForFunction(() => !/Looking for kept studies/.test(document.querySelector('main')!.textContent!))
    await at.evaluate(
      (study) =>
        new Promise<void>((done) => {
          const open = indexedDB.open('bagno')
          open.onsuccess = () => {
            const work = open.result.transaction('studies', 'readwrite')
            for (let k = 0; k < 300; k++)
              work.objectStore('studies').put({
                id: `many-${k}`,
                changedAt: `2026-03-0${1 + (k % 9)}T10:00:00Z`,
                mark: `m${k}`,
                study: { ...(study as object), id: `many-${k}`, name: `Household number ${k}` },
              })
            work.oncomplete = () => (open.result.close(), done())
          }
        }),
      harbourFlat as never,
    )
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
