import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import type { Browser, Page } from 'puppeteer-core'
import { openBrowser, openPage, settled } from './browser'
import { choose, figure, named, press, total, type, valueOf } from './hand'

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
    await press(page, 'button', 'New household')
    await page.waitForFunction(() => location.pathname.endsWith('/set'))
    await settled(page)
    await press(page, 'link', 'Survey')

    await station(page, '1 Cold main and place')
    await type(page, 'Household', 'Mill cottage')
    await type(page, 'Altitude', '900 ft')
    await type(page, 'Pressure', '42 psi')
    await choose(page, 'Backflow device', 'yes')
    await type(page, 'Cold main in Jan, °C', '6')
    await choose(page, 'Climate to begin with', 'high mountain')
    expect(await valueOf(page, 'Air in Jul, °C')).toBe('13.5')
    await back(page, 'Cold main and place')

    await station(page, '2 Heater')
    await choose(page, 'Kind of heater', 'Instantaneous gas heater')
    await type(page, 'Output', '18')
    await type(page, 'Least flow to fire', '2.8')
    await choose(page, 'Settings gone through', 'as they left the factory')
    await back(page, 'Heater')

    await station(page, '4 Runs of pipe')
    await type(page, 'Length of Trunk, m', `12'6"`)
    await press(page, 'button', 'Add a run after Trunk')
    await page.waitForFunction(() => (document.activeElement as HTMLInputElement).value === 'New run')
    await page.keyboard.type('To the attic')
    await page.keyboard.press('Tab')
    await type(page, 'Length of To the attic, m', '7.5')
    await back(page, 'Runs of pipe')

    await station(page, '5 Taps')
    await press(page, 'button', 'Tap')
    const names = await page.$$(named('textbox', 'Name of the tap'))
    await names.at(-1)!.click({ count: 3 })
    await names.at(-1)!.type('Attic basin')
    await page.keyboard.press('Tab')
    await type(page, 'Flow of Attic basin', '1.2 gpm')
    await back(page, 'Taps')

    await station(page, '6 People and routine')
    await press(page, 'button', 'Person')
    await choose(page, 'New person is', 'a child')
    await type(page, 'Time of Morning shower', '6:40')
    await back(page, 'People and routine')

    await station(page, '8 Prices')
    await type(page, 'Water', '3.1')
    await back(page, 'Prices')
  })

  it('ends in a year with figures, findings, and everything as it was typed', async () => {
    await settled(page)
    expect(figure(await total(page, 'Cost'))).toBeGreaterThan(100)
    expect(await page.$eval('h1', (h) => h.textContent)).toBe('Mill cottage')
    const found = await page.$$eval('[data-finding]', (all) => all.map((e) => e.getAttribute('data-finding')))
    expect(found).toContain('factory-boiler')
    await page.waitForFunction(() => /kept in this browser/.test(document.querySelector('header')!.textContent!))
    await page.reload()
    await settled(page)
    await station(page, '4 Runs of pipe')
    expect(await valueOf(page, 'Length of Trunk, m')).toBe('3.8')
    expect(await valueOf(page, 'Length of To the attic, m')).toBe('7.5')
    await back(page, 'Runs of pipe')
    await station(page, '1 Cold main and place')
    expect(await valueOf(page, 'Pressure')).toBe('2.9')
    expect(await valueOf(page, 'Altitude')).toBe('274')
    expect(errors).toEqual([])
  })
})

describe('the outline of the pipes', () => {
  let page: Page
  const order = () => page.$$eval('[data-run]', (all) => all.map((li) => `${(li.firstElementChild as HTMLElement).style.paddingLeft} ${li.getAttribute('data-run')}`))
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
    for (let k = 1; k <= 12; k++) await page.mouse.move(grip.x + 8 - 3 * k, grip.y + 10 + ((over.y + 60 - grip.y) * k) / 12)
    await new Promise((resume) => setTimeout(resume, 200))
    await page.mouse.up()
    await page.waitForFunction(() => document.querySelectorAll('[data-run]')[5]?.getAttribute('data-run') === 'basin-run')
    expect((await order()).at(-1)).toBe('0px basin-run')
    await press(page, 'button', 'Undo')
    await page.waitForFunction(() => document.querySelectorAll('[data-run]')[5]?.getAttribute('data-run') !== 'basin-run')
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
