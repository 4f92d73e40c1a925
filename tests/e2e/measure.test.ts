import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { calculatorNamed } from '../../core/calculators/registry'
import { runCalculator } from '../../core/calculators/run'
import { openBrowser, openPage, settled } from './browser'
import { choose, goTo, newTotal, openDemo, press, takeReading, total, type, valueOf } from './hand'

const url = inject('url')
const files = mkdtempSync(join(tmpdir(), 'bagno-measure-'))
/** Where a picture is given. */
const PICTURE = 'input[type=file][accept="image/*"]'
let browser: Browser
let page: Page
let errors: string[]
let close: () => Promise<void>
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page, errors } = await openPage(browser, 360, 780))
  await openDemo(page, url, 'hill-town')
  await settled(page)
})
afterAll(async () => {
  await close()
  rmSync(files, { recursive: true, force: true })
})

const rows = () =>
  page.$$eval('ul[aria-label="Log of readings"] > li', (all) => all.map((li) => li.textContent!.replace(/\s+/g, ' ')))
const kept = () =>
  page.waitForFunction(() => /saved in this browser/.test(document.querySelector('header')!.textContent!))

describe('the log of a visit, on a phone', () => {
  it('times a tap with a watch that survives a reload', async () => {
    await press(page, 'link', 'Readings')
    await takeReading(page, 'Flow of an outlet')
    await press(page, 'button', 'Start the stopwatch')
    await new Promise((resume) => setTimeout(resume, 600))
    await page.reload()
    await settled(page)
    const take = await page.waitForSelector('[role="group"][aria-label="Stopwatch"] .tool-main')
    await take!.click()
    expect(Number(await valueOf(page, 'Time'))).toBeGreaterThan(0.6)
    expect(Number(await valueOf(page, 'Time'))).toBeLessThan(30)
  })

  it('gives the result at once, with its steps, and says what it means', async () => {
    await choose(page, 'Outlet', 'First-floor shower')
    await type(page, 'Volume', '1.5 gal')
    await type(page, 'Time', '30')
    await page.waitForFunction(() => document.querySelector('[data-result="flowLMin"]')?.textContent === '11.4 L/min')
    const verdict = await page.$eval('[data-verdict]', (v) => v.textContent!.replace(/\s+/g, ' '))
    expect(verdict).toMatch(
      /Flow of First-floor shower: measured 11.4 L\/min, calculated 9.0 L\/min\. Difference 2.4 L\/min/,
    )
  })

  it('times a climb reading by reading, over a reload, and says when it stands', async () => {
    await press(page, 'button', 'Close the reading')
    await takeReading(page, 'Temperature rise at outlet, timed')
    await press(page, 'button', 'Outlet open: start')
    // The clocks are put forward until the watch shows that the tap has been open for a while.
    const openFor = (seconds: number) =>
      page.evaluate(async (s) => {
        const timer = document.querySelector('[aria-label="Timed readings"] [role="timer"]')!
        for (;;) {
          const by = (s - Number.parseFloat(timer.textContent!)) * 1000
          if (by < 1000) return
          const [wall, own] = [Date.now.bind(Date), performance.now.bind(performance)]
          Date.now = () => wall() + by
          performance.now = () => own() + by
          await new Promise((resume) => setTimeout(resume, 600))
        }
      }, seconds)
    const put = async (seconds: number, text: string) => {
      await openFor(seconds)
      await page.waitForFunction(
        (s) =>
          Number.parseFloat(document.querySelector('[aria-label="Timed readings"] [role="timer"]')?.textContent ?? '') >
          s - 4,
        {},
        seconds,
      )
      await page.type('#climb-reading', text)
      await page.keyboard.press('Enter')
    }
    await put(0, '58F')
    await put(20, '31,5')
    // Somebody puts the clock of the device back by an hour: the tap has been open as long as it has.
    await page.evaluate(() => {
      const wall = Date.now.bind(Date)
      Date.now = () => wall() - 3_600_000
    })
    await put(22, '33')
    await page.reload()
    await settled(page)
    await page.waitForFunction(() =>
      /3 readings; not steady yet/.test(document.querySelector('[aria-label="Timed readings"]')?.textContent ?? ''),
    )
    for (const [s, c] of [
      [40, '61'],
      [55, '61.2'],
      [70, '61.1'],
    ] as const)
      await put(s, c)
    await page.waitForFunction(() =>
      /Steady at 61.1 °C/.test(document.querySelector('[aria-label="Timed readings"]')?.textContent ?? ''),
    )
    await put(80, 'warm')
    expect(await page.$eval('[aria-label="Timed readings"] [role="alert"]', (e) => e.textContent)).toMatch(
      /accepts 0.0 °C to 100.0 °C/,
    )
    await type(page, 'Flow', '9')
    await page.waitForSelector('[data-verdict]')
    await press(page, 'button', 'Save to log')
    await kept()
    expect((await rows()).some((r) => r.includes('Temperature rise at outlet, timed'))).toBe(true)
    await press(page, 'button', 'Undo')
    await takeReading(page, 'Flow of an outlet')
    await choose(page, 'Outlet', 'First-floor shower')
    await type(page, 'Volume', '1.5 gal')
    await type(page, 'Time', '30')
  })

  it('corrects the study by one touch, and the year with it', async () => {
    const before = await total(page, 'Cost')
    await type(page, 'Note', 'Old rose, no limiter')
    await press(page, 'button', 'Save and apply')
    await newTotal(page, before)
    await settled(page)
    expect((await rows())[0]).toMatch(/Flow of an outlet.*First-floor shower.*applied.*Old rose, no limiter/)
    await page.goto(`${url}/study/hill-town/survey?at=taps`)
    await settled(page)
    expect(await valueOf(page, 'Flow of First-floor shower')).toBe('11.4')
  })

  it('keeps a picture small, and a reading that agrees', async () => {
    await page.goto(`${url}/study/hill-town/measure`)
    await settled(page)
    await takeReading(page, 'Circulation pump power')
    await type(page, 'Voltage', '230')
    await type(page, 'Current', '0.18')
    await type(page, 'Power factor, 0 to 1', '0.6')
    const dot = join(files, 'dot.png')
    writeFileSync(
      dot,
      Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
        'base64',
      ),
    )
    await ((await page.$(PICTURE)) as ElementHandle<HTMLInputElement>).uploadFile(dot)
    await page.waitForSelector('img[alt="The picture taken"]')
    expect(await page.$eval('[data-verdict]', (v) => v.textContent)).toMatch(/They agree/)
    await press(page, 'button', 'Save to log')
    await page.waitForSelector('li[data-reading="pump"] img')
  })

  it('holds a passing value against nothing, and says what the thermometer is good to', async () => {
    await takeReading(page, 'Cylinder, top temperature')
    await type(page, 'Cylinder', '48')
    await page.waitForSelector('[aria-label="Cylinder, top temperature"] [data-verdict]')
    await choose(page, 'Thermometer', 'infrared')
    await page.waitForFunction(() => /good to ±4.5 K/.test(document.querySelector('main')!.textContent!))
    await choose(page, 'Held steady', 'no, a passing value')
    await page.waitForFunction(() => !document.querySelector('[aria-label="Cylinder, top temperature"] [data-verdict]'))
    expect(await page.$('button::-p-text(Save and apply)')).toBeNull()
    await press(page, 'button', 'Save to log')
    await page.waitForFunction(() =>
      /passing value/.test(document.querySelector('ul[aria-label="Log of readings"]')?.textContent ?? ''),
    )
    // The thermometer is still in the hand; whether the next value holds is asked anew.
    await takeReading(page, 'Circulation flow and return')
    await page.waitForFunction(() =>
      Array.from(document.querySelectorAll('select')).some((s) => s.selectedOptions[0]?.text.trim() === 'infrared'),
    )
    await type(page, 'Flow temperature', '57')
    await type(page, 'Return temperature', '51')
    await page.waitForFunction(() => /Pump flow rate, estimated/.test(document.querySelector('main')!.textContent!))
    expect(await page.$('[aria-label="Circulation flow and return"] [data-verdict]')).toBeNull()
    await press(page, 'button', 'Close the reading')
  })

  it('finds the place of a dial between two marks', async () => {
    for (const [division, hot] of [
      ['2', '50'],
      ['4', '60'],
    ]) {
      await takeReading(page, 'Dial calibration mark')
      await type(page, 'Dial division', division!)
      await type(page, 'Hot water', hot!)
      await press(page, 'button', 'Save to log')
    }
    const stage = page.url()
    await page.waitForSelector('section[aria-label="Dial without temperature scale"] a')
    await page.$eval('section[aria-label="Dial without temperature scale"] a', (a) => (a as HTMLElement).click())
    await page.waitForSelector('[data-dial]')
    await type(page, 'Required', '57')
    await page.waitForFunction(() =>
      /\(3\.4\), from 2 readings/.test(document.querySelector('[data-next]')?.textContent ?? ''),
    )
    await goTo(page, stage)
    await page.waitForSelector('section[aria-label="Dial without temperature scale"]')
  })

  it('has it all after a reload, and takes an adoption back', async () => {
    await kept()
    await page.reload()
    await settled(page)
    expect(await rows()).toHaveLength(5)
    const before = await total(page, 'Cost')
    await press(page, 'button', 'Undo apply: Flow of an outlet')
    await newTotal(page, before)
    expect((await rows()).at(-1)).not.toMatch(/applied/)
    await press(page, 'button', 'Undo')
    await page.waitForFunction(() =>
      /First-floor shower.*applied/.test(document.querySelector('ul[aria-label="Log of readings"]')!.textContent!),
    )
  })

  it('fits all readings together, in a worker, and takes the result', async () => {
    await press(page, 'button', 'Calibrate from all readings')
    const rows = await page.waitForSelector('section[aria-label="Calibration"] tbody tr', { timeout: 20_000 })
    expect(await rows!.evaluate((r) => r.textContent)).toMatch(/Flow of First-floor shower/)
    await press(page, 'button', 'Apply calibration')
    await page.waitForFunction(() => !document.querySelector('section[aria-label="Calibration"] tbody'))
  })

  it('does not run off the side', async () => {
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
    expect(errors).toEqual([])
  })
})

describe('the pocket of sums', () => {
  it('opens by its shortcut at any stage, is searched, and works as the core does', async () => {
    await page.setViewport({ width: 1280, height: 800 })
    await page.goto(`${url}/study/hill-town/set`)
    await settled(page)
    await page.keyboard.down('Control')
    await page.keyboard.press('b')
    await page.keyboard.up('Control')
    const search = await page.waitForSelector('#sum-search')
    await search!.type('time tap')
    await page.keyboard.press('Enter')
    await type(page, 'Flow', '1.6 gpm')
    const want = runCalculator(calculatorNamed('tap-wait')!, {
      ...calculatorNamed('tap-wait')!.example,
      flowLMin: 1.6 * 3.785412,
    })
    const seconds = want.ok ? Math.round(want.value.out.waitS as number) : NaN
    await page.waitForFunction(
      (s) => document.querySelector('[data-result="waitS"]')?.textContent === `${s} s`,
      {},
      seconds,
    )
  })

  it('switches the unit of one field and names what is wrong beside it', async () => {
    await press(page, 'button', 'L/min: show Flow in gpm')
    expect(await valueOf(page, 'Flow')).toBe('1.6')
    await type(page, 'Flow', '900')
    expect(await page.$eval('[role="dialog"] p[role="alert"]', (p) => p.textContent)).toMatch(
      /Flow: accepts 0 to 132.09 gpm/,
    )
    await type(page, 'Flow', '2')
  })

  it('keeps a result in the log', async () => {
    await press(page, 'button', 'Save to log')
    await press(page, 'button', 'Close calculators')
    await press(page, 'link', 'Readings')
    await page.waitForSelector('li[data-reading="sum"]')
    expect((await rows())[0]).toMatch(/Time to tap.*time to tap \d+ s/)
    expect(errors).toEqual([])
  })
})

describe('readings that are being taken', () => {
  const picture = join(files, 'plate.png')
  const waitFor = (label: string, text: string) =>
    page.waitForFunction(
      (l, t) => document.querySelector<HTMLInputElement>(`[aria-label="${l}"]`)?.textContent?.includes(t),
      {},
      label,
      text,
    )
  /** Pictures take a second to be made smaller. */
  const slowPictures = () =>
    page.evaluate(() => {
      const make = createImageBitmap
      window.createImageBitmap = (async (file: ImageBitmapSource) => {
        await new Promise((resume) => setTimeout(resume, 1000))
        return make(file)
      }) as typeof createImageBitmap
    })
  const choosePicture = async () => ((await page.$(PICTURE)) as ElementHandle<HTMLInputElement>).uploadFile(picture)
  beforeAll(async () => {
    writeFileSync(
      picture,
      Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
        'base64',
      ),
    )
    await openDemo(page, url, 'duplex')
    await press(page, 'link', 'Readings')
    await settled(page)
    await slowPictures()
  })

  it('keep what was typed, and their picture, while another kind is taken', async () => {
    await takeReading(page, 'Cold water supply, temperature')
    await type(page, 'Cold water', '52')
    await choosePicture()
    await takeReading(page, 'Pressure at the main')
    await new Promise((resume) => setTimeout(resume, 1300))
    expect(await page.$('img[alt="The picture taken"]')).toBeNull()
    await takeReading(page, 'Cold water supply, temperature, in progress')
    expect(await valueOf(page, 'Cold water')).toBe('52')
    await page.waitForSelector('img[alt="The picture taken"]')
    await press(page, 'button', 'Close the reading')
  })

  it('wait for a picture that is still being made smaller', async () => {
    await takeReading(page, 'Cold water supply, temperature')
    await type(page, 'Cold water', '53')
    await choosePicture()
    await press(page, 'button', 'Save to log')
    await waitFor('Cold water supply, temperature', 'Saved as soon as the picture is ready')
    await page.waitForSelector('li[data-reading="mains"] img')
  })

  it('that were given up are begun by nothing that comes late', async () => {
    await takeReading(page, 'Hardness of the water')
    await choosePicture()
    await press(page, 'button', 'Close the reading')
    await new Promise((resume) => setTimeout(resume, 1300))
    await press(page, 'button', 'Take a reading')
    expect(await page.$eval('[data-reading-kind="hardness"]', (b) => b.textContent)).not.toMatch(/in progress/)
    await press(page, 'button', 'Back to the log')
  })

  it('say once that a picture cannot be read, and are kept without it when that is wanted', async () => {
    writeFileSync(picture, 'no picture')
    await takeReading(page, 'Pressure at the main')
    await type(page, 'Pressure', '60')
    await choosePicture()
    await press(page, 'button', 'Save to log')
    await page.waitForSelector('[role="alert"] ::-p-text(Picture cannot be read)')
    await press(page, 'button', 'Save to log')
    await page.waitForSelector('li[data-reading="pressure"]')
  })

  it('belong to the household that they were begun in, a climb with its clock', async () => {
    await takeReading(page, 'Temperature rise at fixture, timed')
    await press(page, 'button', 'Fixture open: start')
    await page.type('#climb-reading', '60')
    await page.keyboard.press('Enter')
    await page.waitForFunction(() =>
      /1 readings/.test(document.querySelector('[aria-label="Timed readings"]')!.textContent!),
    )
    await openDemo(page, url, 'harbour-flat')
    await press(page, 'link', 'Readings')
    await settled(page)
    expect(await page.$('#climb-reading')).toBeNull()
    await takeReading(page, 'Temperature rise at outlet, timed')
    await page.waitForSelector('::-p-aria(Outlet open: start[role="button"])')
    await page.goto(`${url}/study/duplex/measure`)
    await settled(page)
    await page.waitForSelector('#climb-reading')
  })
})
