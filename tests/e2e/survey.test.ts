import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { largeHouse } from '../../proof/large-house'
import { openBrowser, openPage, settled } from './browser'
import { choose, figure, keyChoice, keyIn, named, newTotal, openDemo, press, tabTo, total, type, valueOf } from './hand'

const url = inject('url')
let browser: Browser
let close: () => Promise<void>
beforeAll(async () => void ({ browser, close } = await openBrowser()))
afterAll(() => close())

async function station(page: Page, name: string) {
  await press(page, 'link', name)
  await page.waitForSelector(`section[aria-label="${name.replace(/^\d+ /, '')}"]`)
}
const back = (page: Page, name: string) => press(page, 'button', `Close ${name}`)

describe('a new household, surveyed from nothing on a phone', () => {
  let page: Page
  let errors: string[]
  beforeAll(async () => {
    ;({ page, errors } = await openPage(browser, 360, 780))
    await page.goto(url)
  })

  it('is walked in the order of the water, each station once', async () => {
    await press(page, 'link', 'New household')
    await press(page, 'button', 'Skip the questions')
    await page.waitForFunction(() => location.pathname.endsWith('/survey'))
    await settled(page)
    await press(page, 'link', 'Survey')

    await station(page, '1 Cold main and site')
    await type(page, 'Household', 'Mill cottage')
    await type(page, 'Altitude', '900 ft')
    await type(page, 'Pressure', '42 psi')
    await choose(page, 'Backflow preventer', 'yes')
    await type(page, 'Cold main in Jan, °C', '6')
    await choose(page, 'Climate preset', 'high mountain')
    expect(await valueOf(page, 'Air in Jul, °C')).toBe('13.5')
    await back(page, 'Cold main and site')

    await station(page, '2 Heater')
    await choose(page, 'Type of heater', 'Instantaneous gas water heater')
    await type(page, 'Output', '18')
    await type(page, 'Minimum activation flow', '2.8')
    await choose(page, 'Settings reviewed', 'as they left the factory')
    await choose(page, 'Add another heater', 'Solar thermal collector')
    await type(page, 'Area', '43 ft²')
    await back(page, 'Heater')

    await station(page, '3 Cylinder')
    await type(page, 'Volume', '300')
    await choose(page, 'Relief valve', 'yes')
    await choose(page, 'Discharge ends in a safe place', 'yes')
    await back(page, 'Cylinder')

    await station(page, '5 Pipework')
    await choose(page, 'Dead-leg volume limit', 'half a litre')
    await type(page, 'Length of Trunk, m', `12'6"`)
    await press(page, 'button', 'Add a run after Trunk')
    await page.waitForFunction(() => (document.activeElement as HTMLInputElement).value === 'New run')
    await page.keyboard.type('To the attic')
    await page.keyboard.press('Tab')
    await type(page, 'Length of To the attic, m', '7.5')
    await back(page, 'Pipework')

    await station(page, '6 Outlets')
    await press(page, 'button', 'Add outlet')
    const names = await page.$$(named('textbox', 'Name of the outlet'))
    await names.at(-1)!.click({ count: 3 })
    await names.at(-1)!.type('Attic basin')
    await page.keyboard.press('Tab')
    await type(page, 'Flow of Attic basin', '1.2 gpm')
    const told = await page.$$(named('textbox', 'Pipe volume, as reported'))
    await told.at(-1)!.type('0.2')
    await page.keyboard.press('Tab')
    await back(page, 'Outlets')

    await station(page, '7 Occupants and use')
    await press(page, 'button', 'Add occupant')
    await choose(page, 'New occupant is', 'child')
    await type(page, 'Time of Morning shower', '6:40')
    await press(page, 'button', 'Guests')
    await back(page, 'Occupants and use')

    await station(page, '8 Drain')
    await press(page, 'button', 'Enter the drain')
    await type(page, 'Stack diameter', '4"')
    await back(page, 'Drain')

    await station(page, '9 Prices')
    await choose(page, 'Billing unit', 'm³')
    await type(page, 'Price', '1.32')
    await type(page, 'Water', '3.1')
    await back(page, 'Prices')
  })

  it('ends in a year with figures, findings, and everything as it was typed', async () => {
    await settled(page)
    expect(figure(await total(page, 'Cost'))).toBeGreaterThan(100)
    expect(await page.$eval('h1', (h) => h.textContent)).toBe('Mill cottage')
    await page.$$eval('ul[aria-label="Findings"] > li > button', (all) => all.forEach((b) => b.click()))
    const found = await page.$$eval('[data-finding]', (all) => all.map((e) => e.getAttribute('data-finding')))
    expect(found).toContain('factory-boiler')
    expect(found.some((id) => id?.startsWith('contents-'))).toBe(true)
    await page.waitForFunction(() => /saved in this browser/.test(document.querySelector('header')!.textContent!))
    await page.reload()
    await settled(page)
    await station(page, '5 Pipework')
    expect(await valueOf(page, 'Length of Trunk, m')).toBe('3.8')
    expect(await valueOf(page, 'Length of To the attic, m')).toBe('7.5')
    await back(page, 'Pipework')
    await station(page, '1 Cold main and site')
    expect(await valueOf(page, 'Pressure')).toBe('2.9')
    expect(await valueOf(page, 'Altitude')).toBe('274')
    expect(errors).toEqual([])
  })
})

describe('the outline of the pipes', () => {
  let page: Page
  const order = () =>
    page.$$eval('[data-run]', (all) =>
      all.map((li) => `${(li.firstElementChild as HTMLElement).style.paddingLeft} ${li.getAttribute('data-run')}`),
    )
  beforeAll(async () => {
    ;({ page } = await openPage(browser, 1280, 800))
    await page.goto(`${url}/demo/harbour-flat`)
    await page.waitForFunction(() => location.pathname.startsWith('/study/harbour-flat'))
    await page.goto(`${url}/study/harbour-flat/survey?at=runs`)
    await settled(page)
  })

  it('is moved by the arrow keys on a grip', async () => {
    const before = await order()
    await (await page.waitForSelector(named('button', 'Move To the basin')))!.focus()
    await page.keyboard.press('ArrowLeft')
    expect(await order()).toContain('18px basin-run')
    await page.keyboard.press('ArrowRight')
    expect(await order()).toEqual(before)
  })

  it('is dragged by a grip, sideways for its level', async () => {
    const grip = (await (await page.$(named('button', 'Move To the basin')))!.boundingBox())!
    const over = (await (await page.$(named('button', 'Move To the kitchen')))!.boundingBox())!
    await page.mouse.move(grip.x + 8, grip.y + 10)
    await page.mouse.down()
    for (let k = 1; k <= 12; k++)
      await page.mouse.move(grip.x + 8 - 3 * k, grip.y + 10 + ((over.y + 60 - grip.y) * k) / 12)
    await new Promise((resume) => setTimeout(resume, 200))
    await page.mouse.up()
    await page.waitForFunction(
      () => document.querySelectorAll('[data-run]')[5]?.getAttribute('data-run') === 'basin-run',
    )
    expect((await order()).at(-1)).toBe('0px basin-run')
    await press(page, 'button', 'Undo')
    await page.waitForFunction(
      () => document.querySelectorAll('[data-run]')[5]?.getAttribute('data-run') !== 'basin-run',
    )
  })

  it('takes the next run by Enter in a length', async () => {
    const field = await page.waitForSelector(named('textbox', 'Length of To the kitchen, m'))
    await field!.click({ count: 3 })
    await field!.type('4.5')
    await page.keyboard.press('Enter')
    await page.waitForFunction(() => (document.activeElement as HTMLInputElement).value === 'New run')
    expect((await order()).length).toBe(7)
    expect(await valueOf(page, 'Length of To the kitchen, m')).toBe('4.5')
  })
})

describe('a new household, surveyed at a desk by the keyboard alone', () => {
  let page: Page
  let errors: string[]
  const open = async (name: string) => {
    await tabTo(page, name)
    await page.keyboard.press('Enter')
    await page.waitForSelector(`section[aria-label="${name.replace(/^\d+ /, '')}"]`)
  }
  const shut = async (name: string) => {
    await tabTo(page, `Close ${name}`, true)
    await page.keyboard.press('Enter')
    await page.waitForSelector(`section[aria-label="${name}"]`, { hidden: true })
  }
  beforeAll(async () => {
    ;({ page, errors } = await openPage(browser, 1280, 800))
    await page.goto(url)
    await page.waitForSelector(named('link', 'New household'))
  })

  it('in one pass, with every kind of field', async () => {
    await tabTo(page, 'New household')
    await page.keyboard.press('Enter')
    await tabTo(page, 'Skip the questions')
    await page.keyboard.press('Enter')
    await page.waitForFunction(() => location.pathname.endsWith('/survey'))
    await settled(page)
    await tabTo(page, 'Survey')
    await page.keyboard.press('Enter')
    await page.waitForFunction(() => location.pathname.endsWith('/survey'))

    await open('1 Cold main and site')
    await keyIn(page, 'Household', 'Ferry house')
    await keyIn(page, 'Pressure', '3,1')
    await keyChoice(page, 'Expansion vessel', 'yes')
    await keyChoice(page, 'Climate preset', 'cool')
    await shut('Cold main and site')

    await open('2 Heater')
    await keyChoice(page, 'Type of heater', 'Heat pump')
    await keyIn(page, 'Minimum operating air temperature', '25F')
    await shut('Heater')

    await open('3 Cylinder')
    await keyIn(page, 'Volume', '53 gal')
    await shut('Cylinder')

    await open('5 Pipework')
    await keyIn(page, 'Length of To the kitchen, m', '8')
    await page.keyboard.press('Enter')
    await page.waitForFunction(() => (document.activeElement as HTMLInputElement).value === 'New run')
    await page.keyboard.type('To the washer')
    await shut('Pipework')

    await open('6 Outlets')
    await keyIn(page, 'Flow of Shower', '2 gpm')
    await shut('Outlets')

    await open('7 Occupants and use')
    await keyIn(page, 'Time of Morning shower', '7:30p')
    await tabTo(page, 'waits for hot water: Hands and faces')
    await page.keyboard.press('Space')
    await shut('Occupants and use')

    await open('9 Prices')
    await keyIn(page, 'Price', '0.28')
    await shut('Prices')
  })

  it('ends in a year, with everything as it was typed', async () => {
    await settled(page)
    expect(figure(await total(page, 'Purchased energy'))).toBeGreaterThan(300)
    expect(errors).toEqual([])
    await page.waitForFunction(() => /saved in this browser/.test(document.querySelector('header')!.textContent!))
    const study = await page.evaluate(async () => {
      const id = location.pathname.split('/')[2]!
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const asked = indexedDB.open('bagno')
        asked.onsuccess = () => resolve(asked.result)
        asked.onerror = () => reject(asked.error)
      })
      return new Promise<string>((resolve) => {
        const got = db.transaction('studies').objectStore('studies').get(id)
        got.onsuccess = () => resolve(JSON.stringify(got.result))
      })
    })
    const { study: kept } = JSON.parse(study)
    expect(kept.name).toBe('Ferry house')
    expect(kept.site).toMatchObject({ pressureBar: 3.1, expansionVessel: true, latitudeDeg: 53 })
    expect(kept.plant.heaters[0]).toMatchObject({ kind: 'heat-pump' })
    expect(kept.plant.heaters[0].minOperatingAirC).toBeCloseTo(-3.89, 2)
    expect(kept.plant.store.litres).toBeCloseTo(200.6, 1)
    expect(kept.pipes.runs.map((r: { name: string }) => r.name)).toContain('To the washer')
    expect(kept.pipes.taps[0].flowLMin).toBeCloseTo(7.57, 2)
    expect(kept.people.uses[0].atMin).toBe(19 * 60 + 30)
    expect(kept.people.uses[2].waits).toBe(true)
    expect(kept.prices.carriers['natural-gas'].price).toBe(0.28)
  })
})

describe('files and settings of a survey', () => {
  let page: Page
  beforeAll(async () => {
    ;({ page } = await openPage(browser, 1280, 900))
    await openDemo(page, url, 'hill-town')
  })
  const give = async (label: string, name: string, text: string) => {
    const path = join(mkdtempSync(join(tmpdir(), 'bagno-file-')), name)
    writeFileSync(path, text)
    const input = (await page.waitForSelector(
      `input[aria-label="${label}"]`,
    )) as unknown as ElementHandle<HTMLInputElement>
    await input.uploadFile(path)
  }
  const fault = () =>
    page
      .waitForSelector('section[aria-label="Logged draw-offs"] [role="alert"]')
      .then((e) => e!.evaluate((x) => x.textContent!))

  it('takes a log of draws, its columns matched, and refuses a broken one by line', async () => {
    await page.goto(`${url}/study/hill-town/survey?at=people`)
    await settled(page)
    const before = await total(page, 'Water')
    const rows = Array.from(
      { length: 14 },
      (_, d) =>
        `2026-03-${String(2 + d).padStart(2, '0')} 07:15,Kitchen sink,20\n2026-03-${String(2 + d).padStart(2, '0')} 19:40,Top shower,45`,
    )
    await give('Draw-off log (CSV)', 'broken.csv', `When,Outlet,Litres\n${rows[0]}\n2026-03-40 07:00,Kitchen sink,3\n`)
    await press(page, 'button', 'Import draw-offs')
    expect(await fault()).toMatch(/line 4: When is “2026-03-40 07:00”/)
    expect(await total(page, 'Water')).toBe(before)
    await give('Draw-off log (CSV)', 'fortnight.csv', `When,Outlet,Litres\n${rows.join('\n')}\n`)
    await page.waitForSelector('section[aria-label="Logged draw-offs"] [role="alert"]', { hidden: true })
    await press(page, 'button', 'Import draw-offs')
    const shown = await newTotal(page, before, 'Water')
    const after = figure(shown)
    // 65 L a day at the taps.
    expect(after).toBeGreaterThan(22)
    expect(after).toBeLessThan(27)
    expect(await page.$eval('section[aria-label="Logged draw-offs"]', (e) => e.textContent)).toMatch(
      /28 draw-offs over 14 days from “fortnight.csv”/,
    )
    await press(page, 'button', 'Undo')
    expect(await newTotal(page, shown, 'Water')).toBe(before)
  })

  it('keeps a register of what was found and puts it back, one by one', async () => {
    await page.goto(`${url}/study/hill-town/set`)
    await settled(page)
    const found = await total(page, 'Cost')
    await type(page, 'Setpoint', '55')
    const cost = await newTotal(page, found)
    const cells = () =>
      page.$eval('[data-setting="heaters.boiler.setpointC"]', (r) =>
        Array.from(r.querySelectorAll('td'))
          .slice(0, 4)
          .map((c) => c.textContent!.trim()),
      )
    expect(await cells()).toEqual(['Condensing boiler', 'Setpoint', '65.0 °C', '55.0 °C'])
    await press(page, 'button', 'Restore: Setpoint of Condensing boiler')
    expect(await newTotal(page, cost)).toBe(found)
    expect((await cells())[3]).toBe('unchanged')
  })
})

describe('a large visit', () => {
  it('of 25 runs and 40 readings opens, is drawn and is listed, on a desk and on a phone', async () => {
    const path = join(mkdtempSync(join(tmpdir(), 'bagno-file-')), 'large.json')
    writeFileSync(path, JSON.stringify(largeHouse()))
    for (const [width, height] of [
      [1280, 800],
      [360, 780],
    ] as const) {
      const { page, errors } = await openPage(browser, width, height)
      await page.goto(url)
      const input = (await page.waitForSelector('input[type="file"]')) as unknown as ElementHandle<HTMLInputElement>
      await input.uploadFile(path)
      await (await page.waitForSelector('section[aria-label="Households"] li a[href^="/study/large-house"]'))!.click()
      await page.waitForFunction(() => location.pathname.startsWith('/study/large-house'))
      const base = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
      await page.goto(`${url}${base}/survey?at=runs`)
      await settled(page)
      expect(await page.$$eval('[data-run]', (all) => all.length)).toBe(25)
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width)
      await page.goto(`${url}${base}/measure`)
      await settled(page)
      expect(await page.$$eval('[data-reading]', (all) => all.length)).toBe(30)
      await press(page, 'button', 'Show 10 earlier of 10')
      expect(await page.$$eval('[data-reading]', (all) => all.length)).toBe(40)
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width)
      expect(errors).toEqual([])
      await page.close()
    }
  })
})
