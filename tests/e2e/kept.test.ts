import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { readStudyText, writeStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { readingOf } from '../../proof/studies'
import { keptIn, kills, slideTo } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { named, openDemo, press, takeReading, type, valueOf } from './hand'

const url = inject('url')

describe('a browser that is killed', () => {
  it('knows the last change when it comes back, 50 ms after it was made', async () =>
    expect(await kills(url, 2, 50, 'change')).toBe(0))
  it('knows where a slide ended, 400 ms after it did', async () => expect(await kills(url, 1, 400, 'slide')).toBe(0))
})

describe('a note that is being typed', () => {
  it('survives a kill a second after its last letter, of the site and of a reading', async () => {
    let session = await openBrowser()
    const opened = async (stage: string) => {
      const { page } = await openPage(session.browser, 1280, 800)
      await openDemo(page, url, 'harbour-flat')
      await page.goto(`${url}/study/harbour-flat/${stage}`)
      await settled(page)
      return page
    }
    /** Types into a field, never leaves it, and the browser is gone a second later. */
    const killedWhile = async (page: Page, label: string, text: string) => {
      const field = await page.waitForSelector(named('textbox', label))
      await field!.click({ count: 3 })
      await field!.type(text)
      await new Promise((resume) => setTimeout(resume, 1000))
      await session.kill()
      session = await openBrowser(session.profile)
    }
    try {
      await killedWhile(await opened('survey?at=main'), 'Notes', 'key at the baker, ring tw')
      let page = await opened('measure')
      expect((await keptIn(page, 'harbour-flat'))!.site.note).toBe('key at the baker, ring tw')
      await takeReading(page, 'Time to tap')
      await type(page, 'Time', '41')
      await killedWhile(page, 'Note', 'left tap, blue ha')
      page = await opened('measure')
      expect([await valueOf(page, 'Time'), await valueOf(page, 'Note')]).toEqual(['41', 'left tap, blue ha'])
    } finally {
      await session.close()
      rmSync(session.profile, { recursive: true, force: true, maxRetries: 5 })
    }
  })
})

describe('work that is going on', () => {
  let browser: Browser
  let close: () => Promise<void>
  let page: Page
  let errors: string[]
  beforeAll(async () => {
    ;({ browser, close } = await openBrowser())
    ;({ page, errors } = await openPage(browser, 1280, 800))
    await openDemo(page, url, 'harbour-flat')
    await settled(page)
  })
  afterAll(() => close())
  const stage = async (name: string) => {
    await page.goto(`${url}/study/harbour-flat/${name}`)
    await settled(page)
  }
  /** Types without leaving the field. */
  const typing = async (label: string, text: string) => {
    const field = await page.waitForSelector(named('textbox', label))
    await field!.click({ count: 3 })
    await field!.type(text)
  }

  it('a figure that was typed and not left survives a reload and another stage', async () => {
    await stage('set')
    await typing('Setpoint', '51')
    await page.reload()
    await settled(page)
    expect(await valueOf(page, 'Setpoint')).toBe('51')
    await typing('Setpoint', '53')
    await press(page, 'link', 'Improve')
    await press(page, 'link', 'Settings')
    expect(await valueOf(page, 'Setpoint')).toBe('53')
    expect((await keptIn(page, 'harbour-flat'))!.controls.set!.heaters['wall-heater'].setpointC).toBe(53)
  })

  it('a half-filled reading survives a reload, another stage and the closing of the page', async () => {
    await stage('measure')
    await takeReading(page, 'Time to tap')
    await type(page, 'Time', '41')
    await type(page, 'Note', 'tap on the left')
    await page.reload()
    expect(await valueOf(page, 'Time')).toBe('41')
    await typing('Flow', '6')
    await press(page, 'link', 'Settings')
    await press(page, 'link', 'Readings')
    expect([await valueOf(page, 'Time'), await valueOf(page, 'Flow'), await valueOf(page, 'Note')]).toEqual([
      '41',
      '6',
      'tap on the left',
    ])
    await page.close()
    ;({ page, errors } = await openPage(browser, 1280, 800))
    await stage('measure')
    expect(await valueOf(page, 'Time')).toBe('41')
    await press(page, 'button', 'Save to log')
    await page.reload()
    await page.waitForSelector('[data-reading="time-to-hot"]')
    expect(await page.$('section[aria-label="Time to tap"]')).toBeNull()
  })

  it('the way back survives a reload, and says how far it reaches', async () => {
    await stage('set')
    await type(page, 'Setpoint', '47')
    await type(page, 'Setpoint', '48')
    await new Promise((resume) => setTimeout(resume, 1200))
    await page.reload()
    await settled(page)
    const undo = await page.waitForSelector(named('button', 'Undo'))
    expect(await undo!.evaluate((b) => (b as HTMLElement).title)).toMatch(/: \d+ steps/)
    await undo!.click()
    await page.waitForFunction(() => !document.querySelector('main')!.textContent!.includes('opening'))
    expect(await valueOf(page, 'Setpoint')).toBe('47')
  })

  it('an edit is kept though another study is opened at once', async () => {
    await stage('set')
    await slideTo(page, 44)
    await page.evaluate(() => document.querySelector<HTMLAnchorElement>('a[aria-label="All households"]')!.click())
    await page.waitForSelector('a[href="/demo/duplex"]')
    await (await page.waitForSelector('a[href="/demo/duplex"]'))!.click()
    await page.waitForFunction(() => location.pathname.startsWith('/study/duplex/'))
    expect((await keptIn(page, 'harbour-flat'))!.controls.set!.heaters['wall-heater'].setpointC).toBe(44)
  })

  it('a study deleted and opened again is the new one, and no second tab is made up', async () => {
    await page.goto(url)
    await press(page, 'button', 'Delete Flat by the harbour')
    await page.waitForFunction(
      () => !document.querySelector('section[aria-label="Households"] a[href="/study/harbour-flat"]'),
    )
    await (await page.waitForSelector('a[href="/demo/harbour-flat"]'))!.click()
    await page.waitForFunction(() => location.pathname.startsWith('/study/harbour-flat/'))
    await press(page, 'link', 'Settings')
    expect(await valueOf(page, 'Setpoint')).toBe('55')
    await type(page, 'Setpoint', '49')
    await new Promise((resume) => setTimeout(resume, 300))
    await page.goto(url)
    await page.waitForSelector('section[aria-label="Households"] li a')
    const names = await page.$$eval('section[aria-label="Households"] li a', (all) => all.map((a) => a.textContent))
    expect(names.filter((n) => n!.includes('second tab'))).toEqual([])
    expect(errors).toEqual([])
  })

  it('the undo of a deletion does not overwrite what was begun since', async () => {
    await press(page, 'button', 'Delete Flat by the harbour')
    const undo = await page.waitForSelector('[role="status"] button::-p-text(Undo)')
    await page.evaluate(() =>
      fetch('/api/demos')
        .then((r) => r.json())
        .then(
          (demos: { name: string; study: object }[]) =>
            new Promise((done) => {
              const open = indexedDB.open('bagno')
              open.onsuccess = () => {
                const put = open.result.transaction('studies', 'readwrite').objectStore('studies')
                put.put({
                  id: 'harbour-flat',
                  study: { ...demos.find((d) => d.name === 'harbour-flat')!.study, name: 'Begun since' },
                  changedAt: 'now',
                  mark: 'other',
                }).onsuccess = () => (open.result.close(), done(null))
              }
            }),
        ),
    )
    await undo!.click()
    await page.waitForFunction(() => /deleted one was restored/.test(document.body.textContent!))
    expect((await keptIn(page, 'harbour-flat'))!.name).toBe('Begun since')
  })
})

describe('forty-five pictures', () => {
  const PICTURES = 45
  /** A small picture, made larger by what stands behind its end. */
  const photo = (n: number) => {
    const dot = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNk+M8AAAIEAQGYP7LaAAAAAElFTkSuQmCC',
      'base64',
    )
    return `data:image/png;base64,${Buffer.concat([dot, Buffer.alloc(140_000, n)]).toString('base64')}`
  }
  const withPictures = (): Study => ({
    ...structuredClone(harbourFlat),
    id: 'album',
    readings: Array.from({ length: PICTURES }, (_, n) => ({
      ...readingOf('note', {}, { id: `note-${n}` }),
      photo: photo(n),
    })),
  })
  const keptPictures = (page: Page) =>
    page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const open = indexedDB.open('bagno')
          open.onsuccess = () => {
            const asked = open.result.transaction('pictures').objectStore('pictures').count()
            asked.onsuccess = () => (open.result.close(), resolve(asked.result))
          }
        }),
    )

  it('are kept beside the document, survive a reload and a deletion undone, and leave whole in a file', async () => {
    const { browser, close } = await openBrowser()
    const folder = mkdtempSync(join(tmpdir(), 'bagno-album-'))
    try {
      const { page, errors } = await openPage(browser, 1280, 800)
      const study = withPictures()
      const file = join(folder, 'album.json')
      writeFileSync(file, writeStudy(study))
      await page.goto(url)
      const picker = (await page.waitForSelector('input[type="file"]'))! as ElementHandle<HTMLInputElement>
      await picker.uploadFile(file)
      await page.waitForSelector('a[href="/study/album"]')
      expect(JSON.stringify(await keptIn(page, 'album')).length).toBeLessThan(100_000)
      expect(await keptPictures(page)).toBe(PICTURES)

      await page.goto(`${url}/study/album/measure`)
      await settled(page)
      await press(page, 'button', `Show ${PICTURES - 30} earlier of ${PICTURES - 30}`)
      const shown = () => page.$$eval('main img', (all) => all.map((i) => (i as HTMLImageElement).src))
      expect(await shown()).toEqual(study.readings.map((r) => r.photo).reverse())
      await press(page, 'link', 'Settings')
      await type(page, 'Setpoint', '51')
      await settled(page)
      // The way back holds the same pictures, not copies of them.
      await new Promise((resume) => setTimeout(resume, 1500))
      expect(await keptPictures(page)).toBe(PICTURES)

      await page.goto(url)
      await press(page, 'button', `Delete ${study.name}`)
      const undo = await page.waitForSelector('[role="status"] button::-p-text(Undo)')
      expect(await keptPictures(page)).toBe(0)
      await undo!.click()
      await page.waitForSelector('a[href="/study/album"]')
      expect(await keptPictures(page)).toBe(PICTURES)

      const client = await page.createCDPSession()
      await client.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder })
      await press(page, 'button', `Export ${study.name}`)
      const exported = join(folder, 'album.bagno.json')
      for (let tries = 0; !existsSync(exported) && tries < 100; tries++) await new Promise((r) => setTimeout(r, 100))
      const read = readStudyText(readFileSync(exported, 'utf8'))
      expect(read.ok && read.value.readings.map((r) => r.photo)).toEqual(study.readings.map((r) => r.photo))
      expect(errors).toEqual([])
    } finally {
      await close()
      rmSync(folder, { recursive: true, force: true })
    }
  })
})

describe('a browser that keeps nothing', () => {
  let browser: Browser
  let close: () => Promise<void>
  beforeAll(async () => void ({ browser, close } = await openBrowser()))
  afterAll(() => close())

  it('says so, and lets a whole household be worked on in the tab', async () => {
    const { page, errors } = await openPage(browser, 1280, 800)
    await page.evaluateOnNewDocument(() => {
      IDBFactory.prototype.open = () => {
        throw new DOMException('no', 'SecurityError')
      }
    })
    await page.goto(url)
    await page.waitForFunction(() => /does not let Bagno keep studies/.test(document.body.textContent!))
    await (await page.waitForSelector('a[href="/demo/harbour-flat"]'))!.click()
    await page.waitForFunction(() => location.pathname.startsWith('/study/harbour-flat/'))
    await settled(page)
    await press(page, 'link', 'Settings')
    await type(page, 'Setpoint', '50')
    await settled(page)
    expect(await valueOf(page, 'Setpoint')).toBe('50')
    expect(await page.$eval('header [role="status"]', (s) => s.textContent)).toBe('not saved, this tab only')
    expect(await page.$$eval('[role="alert"]', (all) => all.map((a) => a.textContent).join())).toMatch(
      /export it as a file/,
    )
    expect(errors).toEqual([])
  })

  it('that is full says what was not kept, tries again, and keeps it once there is room', async () => {
    const { page } = await openPage(browser, 1280, 800)
    await openDemo(page, url, 'duplex')
    await settled(page)
    await press(page, 'link', 'Settings')
    await page.evaluate(() => {
      const put = IDBObjectStore.prototype.put
      const full = window as unknown as { room: () => void }
      IDBObjectStore.prototype.put = () => {
        throw new DOMException('full', 'QuotaExceededError')
      }
      full.room = () => void (IDBObjectStore.prototype.put = put)
    })
    await type(page, 'Setpoint', '130')
    await page.waitForFunction(() => /not saved: browser storage is full/.test(document.body.textContent!))
    await page.evaluate(() => (window as unknown as { room: () => void }).room())
    await page.waitForFunction(
      () => document.querySelector('header [role="status"]')!.textContent === 'saved in this browser',
      { timeout: 10_000 },
    )
    expect((await keptIn(page, 'duplex'))!.controls.set!.heaters.burner.setpointC).toBeCloseTo(54.4, 1)
  })
})

describe('a figure that can mean two things', () => {
  it('is asked for, and each answer is taken as it is shown', async () => {
    const { browser, close } = await openBrowser()
    try {
      const { page } = await openPage(browser, 1280, 800)
      await openDemo(page, url, 'hill-town')
      await page.goto(`${url}/study/hill-town/survey?at=main`)
      await settled(page)
      await type(page, 'Altitude', '1,200')
      await press(page, 'button', '1.2 m')
      await page.waitForFunction(
        () => document.querySelector('header [role="status"]')!.textContent === 'saved in this browser',
      )
      expect((await keptIn(page, 'hill-town'))!.site.altitudeM).toBe(1.2)
      await type(page, 'Altitude', '1,200')
      await press(page, 'button', '1200 m')
      await page.waitForFunction(
        () => document.querySelector('header [role="status"]')!.textContent === 'saved in this browser',
      )
      expect((await keptIn(page, 'hill-town'))!.site.altitudeM).toBe(1200)
    } finally {
      await close()
    }
  })
})
