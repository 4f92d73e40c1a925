import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { addMeasure, choose, figure, giveFiles, handedOver, named, press, total, type, valueOf } from './hand'

const url = inject('url')
let browser: Browser
let close: () => Promise<void>
beforeAll(async () => void ({ browser, close } = await openBrowser()))
afterAll(() => close())

/** Everything a newcomer does with hand or keyboard is an action: a press, a field filled, a choice made. */
class Newcomer {
  actions = 0
  constructor(private readonly page: Page) {}
  press = (role: string, name: string) => (this.actions++, press(this.page, role, name))
  type = (label: string, text: string) => (this.actions++, type(this.page, label, text))
  choose = (label: string, option: string) => (this.actions++, choose(this.page, label, option))
}

describe.each([
  ['at a desk', 1280, 800],
  ['on a phone', 360, 780],
])('a newcomer begins a household %s', (_, width, height) => {
  let page: Page
  let errors: string[]
  const first = (what: string) => page.$eval(`[data-first="${what}"]`, (e) => e.textContent!.trim())
  const firstYear = () =>
    page.waitForFunction(() => !/^…?$/.test(document.querySelector('[data-first="cost"]')?.textContent?.trim() ?? ''))
  beforeAll(async () => {
    ;({ page, errors } = await openPage(browser, width, height))
    await page.goto(url)
  })

  it('answers nine questions in under 40 actions and has a first year, whose figures go on into the study', async () => {
    const hand = new Newcomer(page)
    await hand.press('link', 'New household')
    await hand.choose('Units and currency', 'Britain')
    await hand.press('radio', 'Cool coast')
    await hand.press('button', 'Children: one more')
    await hand.press('button', 'Children: one more')
    await hand.choose('At home', 'Evening household')
    await hand.press('radio', 'Heat pump water heater')
    await hand.type('Contents', '250')
    await hand.press('button', 'Baths: one more')
    await hand.type('Pipe length to the farthest outlet', '60 ft')
    await hand.press('radio', 'With circulation')
    await hand.choose('Circulation mode', 'Always on')
    await hand.type('Setpoint', '52')
    await hand.type('Electricity', '0.27')
    await firstYear()
    const [cost, energy] = [await first('cost'), await first('energy')]
    expect(cost).toMatch(/^£/)
    await hand.press('button', 'Create household')
    expect(hand.actions).toBeLessThan(40)
    await page.waitForFunction(() => location.pathname.endsWith('/survey'))
    await settled(page)
    expect(Math.round(figure(await total(page, 'Cost')))).toBe(figure(cost))
    expect(await total(page, 'Purchased energy')).toBe(energy)
    const id = await page.evaluate(() => location.pathname.split('/')[2]!)
    const study = (await keptIn(page, id))!
    expect(study.people.persons).toHaveLength(4)
    expect(study.plant.store!.litres).toBe(250)
    expect(study.origins['plant.store.litres']).toBeUndefined()
    expect(study.origins['plant.store.heightM']).toBe('assumed')
    expect(study.controls.found.heaters.heater!.setpointC).toBe(52)
    expect(study.controls.found.loop.mode).toBe('always')
    expect(study.prices.carriers.electricity!.price).toBe(0.27)
    expect(errors).toEqual([])
  })

  it('corrects a section that is assumed, and the year follows', async () => {
    await page.waitForSelector('section[aria-label="What to do first"]')
    const before = await total(page, 'Purchased energy')
    await press(page, 'link', '3 Cylinder')
    await type(page, 'Volume', '120')
    await page.waitForFunction(
      (was) => document.querySelector('aside [data-total="Purchased energy"]')!.textContent!.trim() !== was,
      {},
      before,
    )
  })

  it('says what is missing instead of a year, and takes it when it is there', async () => {
    await page.goto(`${url}/new`)
    await press(page, 'button', 'Adults: one less')
    await press(page, 'button', 'Adults: one less')
    await page.waitForSelector('::-p-text(At least one occupant is needed.)')
    expect(await page.$eval(named('button', 'Create household'), (b) => (b as HTMLButtonElement).disabled)).toBe(true)
    await press(page, 'button', 'Older occupants: one more')
    await firstYear()
  })

  it('speaks in the units and words of the place', async () => {
    await choose(page, 'Units and currency', 'United States')
    await page.waitForFunction(() => document.body.textContent!.includes('gal'))
    const text = await page.$eval('main', (m) => (m as HTMLElement).innerText)
    expect(text).not.toMatch(/\d °C|\d L\b|\d m\b|\d kWh/)
    expect(await first('cost')).toMatch(/^\$|^…/)
    await press(page, 'button', 'Skip the questions')
    await page.waitForFunction(() => location.pathname.endsWith('/survey'))
    const id = await page.evaluate(() => location.pathname.split('/')[2]!)
    expect((await keptIn(page, id))!.units).toBe('us')
  })
})

describe('the engineer’s own defaults', () => {
  let page: Page
  let errors: string[]
  beforeAll(async () => {
    ;({ page, errors } = await openPage(browser, 1280, 800))
    await page.goto(url)
    await press(page, 'link', 'Defaults')
    await page.waitForSelector(named('heading', 'Defaults'))
  })
  const begun = async () => {
    await page.waitForFunction(() => location.pathname.endsWith('/survey'))
    await settled(page)
    return (await keptIn(page, await page.evaluate(() => location.pathname.split('/')[2]!)))!
  }

  it('begin the next household, and are kept', async () => {
    await type(page, 'Name', 'Ada Quill')
    await type(page, 'Firm and mark of the trade', 'Quill Heating')
    await choose(page, 'Units and currency', 'Poland')
    await type(page, 'Electricity', '1.05')
    await choose(page, 'Insulation material', 'mineral wool')
    await type(page, 'Insulation thickness', '30')
    await choose(page, 'Material , Trunk: material', 'Multilayer')
    await choose(page, 'Size , Trunk: size', '26x3 (outside 26.0 mm, bore 20.0 mm)')
    await page.goto(`${url}/new`)
    await press(page, 'radio', 'Heat pump water heater')
    await page.waitForSelector('::-p-text(empty: 1.05 assumed)')
    await press(page, 'button', 'Create household')
    const study = await begun()
    expect(study.prices).toMatchObject({ currency: 'PLN', carriers: { electricity: { price: 1.05 } } })
    expect(study.origins['prices.carriers.electricity.price']).toBe('assumed')
    expect(study.controls.by).toBe('Ada Quill, Quill Heating')
    expect(study.pipes.runs.find((r) => r.id === 'trunk')).toMatchObject({ material: 'multilayer', size: '26x3' })
    // The van's insulation is what a measure begins with.
    await page.goto(`${url}/study/${study.id}/improve`)
    await settled(page)
    await press(page, 'button', 'Package')
    await addMeasure(page, 'insulate')
    await page.waitForSelector('::-p-text(Insulate pipes, 30 mm)')
  })

  it('go into a file and come back from it', async () => {
    await page.goto(`${url}/defaults`)
    await page.waitForFunction(() => document.querySelector('main')!.textContent!.includes('PLN'))
    const text = await handedOver(page, '[data-export-defaults]')
    await press(page, 'button', 'Clear defaults')
    await page.waitForFunction(() => document.querySelector('main')!.textContent!.includes('EUR'))
    expect(await valueOf(page, 'Name')).toBe('')
    await giveFiles(page, '{"format":"bagno-study"}')
    await page.waitForSelector('::-p-text(The file was not imported. The defaults are as they were.)')
    await giveFiles(page, text)
    await page.waitForFunction(() => document.querySelector('main')!.textContent!.includes('PLN'))
    expect(await valueOf(page, 'Name')).toBe('Ada Quill')
    expect(await valueOf(page, 'Electricity')).toBe('1.05')
    expect(errors).toEqual([])
  })
})
