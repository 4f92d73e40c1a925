import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { HEATER_KINDS, HEATERS } from '../../core/heaters/kinds'
import { VERSION } from '../../core/study/shape'
import { openBrowser, openPage, settled } from './browser'
import {
  choose,
  figure,
  finding,
  goTo,
  named,
  newTotal,
  openDemo,
  openHeaters,
  press,
  total,
  type,
  valueOf,
} from './hand'

const url = inject('url')
const downloads = mkdtempSync(join(tmpdir(), 'bagno-plant-'))
let browser: Browser
let page: Page
let errors: string[]
let close: () => Promise<void>
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page, errors } = await openPage(browser, 1280, 900))
  const session = await page.createCDPSession()
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads })
})
afterAll(() => close())

const at = async (household: string, where: string) => {
  await goTo(page, `${url}/study/${household}/${where}`)
  await settled(page)
  if (where.endsWith('at=heater')) await openHeaters(page)
}
const findings = () => page.$$eval('[data-finding]', (all) => all.map((e) => e.getAttribute('data-finding')!))

describe('every kind of heater, put into a household', () => {
  beforeAll(async () => {
    await openDemo(page, url, 'hill-town')
    await at('hill-town', 'survey?at=heater')
  })

  it.each(HEATER_KINDS.filter((kind) => kind !== 'boiler-coil').map((kind) => [kind, HEATERS[kind].name]))(
    '%s has its figures and makes a year',
    async (_, name) => {
      const before = await total(page, 'Cost')
      await choose(page, 'Add another heater', name)
      await page.waitForFunction(
        (n) =>
          Array.from(document.querySelectorAll('[data-heater]')).at(-1)?.querySelector('select')?.selectedOptions[0]
            ?.text === n,
        {},
        name,
      )
      await settled(page)
      expect(figure(await total(page, 'Cost'))).toBeGreaterThan(1000)
      expect(await page.$$eval('[data-heater]', (all) => all.at(-1)!.querySelectorAll('input').length)).toBeGreaterThan(
        5,
      )
      await press(page, 'button', 'Undo')
      await page.waitForFunction(() => document.querySelectorAll('[data-heater]').length === 1)
      await settled(page)
      expect(await total(page, 'Cost')).toBe(before)
      expect(errors).toEqual([])
    },
  )

  it('says what a plate on net value makes, and takes it', async () => {
    await page.$eval('[data-heater] details', (d) => ((d as HTMLDetailsElement).open = true))
    await type(page, 'Rated input (data plate)', '24')
    await choose(page, 'Rating basis', 'net (LHV)')
    // 24 kW / 0.9 × 0.935
    await press(page, 'button', 'Output 24.9 kW')
    expect(await valueOf(page, 'Output')).toBe('24.9')
  })
})

describe('the farmhouse with fire, sun and an element', () => {
  beforeAll(async () => {
    await openDemo(page, url, 'forest-farm')
  })

  it('shows on the page what the command line says of its file', async () => {
    await at('forest-farm', 'improve')
    const cost = await total(page, 'Cost')
    await press(page, 'button', 'Export as a file')
    const name = await (async () => {
      for (let i = 0; i < 100; i++) {
        const found = readdirSync(downloads).find((f) => f.endsWith('.json'))
        if (found) return found
        await new Promise((resume) => setTimeout(resume, 100))
      }
      throw new Error('nothing was exported')
    })()
    const file = join(downloads, name)
    const year = JSON.parse(
      execFileSync('npm', ['run', '-s', 'bagno', '--', 'simulate', file, '--json'], { encoding: 'utf8' }),
    )
    expect(year.energy.renewableKwh).toBeGreaterThan(1000)
    expect(JSON.parse(readFileSync(file, 'utf8')).version).toBe(VERSION)
    await at('forest-farm', 'survey')
    expect(figure(await total(page, 'Purchased energy'))).toBe(
      Math.round(Object.values(year.energy.inputKwh as Record<string, number>).reduce((s, x) => s + x, 0)),
    )
    expect(figure(await total(page, 'Cost'))).toBe(Math.round(year.cost.total))
    expect(figure(cost)).toBeGreaterThan(0)
  })

  it('warns of a store below the fire, and of nothing when a pump moves the water', async () => {
    await at('forest-farm', 'survey?at=heater')
    await type(page, 'Height difference, cylinder above stove', '-1.5')
    await press(page, 'button', 'Close Heater')
    await finding(page, 'below-fire-range')
    await at('forest-farm', 'survey?at=heater')
    await choose(page, 'Circulated by', 'a pump')
    await press(page, 'button', 'Close Heater')
    await finding(page, 'below-fire-range', false)
    expect(await findings()).not.toContain('gravity-range')
  })

  it('takes a fire out of its diary, and buys less wood', async () => {
    await at('forest-farm', 'survey?at=heater')
    const before = await total(page, 'Purchased energy')
    await press(page, 'button', 'Remove firing 2')
    expect(figure(await newTotal(page, before, 'Purchased energy'))).toBeLessThan(figure(before) - 500)
  })

  it('heats the store in no month in which the element is not used', async () => {
    const before = await total(page, 'Purchased energy')
    await page.$eval('[data-heater="top-element"] details', (d) => ((d as HTMLDetailsElement).open = true))
    const months = await page.$$('[data-heater="top-element"] [role="group"][aria-label="Months in use"] button')
    expect(months).toHaveLength(12)
    for (const m of [0, 1, 11]) await months[m]!.click()
    expect(await months[0]!.evaluate((b) => b.getAttribute('aria-pressed'))).toBe('false')
    expect(figure(await newTotal(page, before, 'Purchased energy'))).toBeLessThan(figure(before))
    expect(errors).toEqual([])
  })
})

describe('prices as they are billed', () => {
  beforeAll(async () => {
    await openDemo(page, url, 'duplex')
    await at('duplex', 'survey?at=prices')
  })

  it('in another unit are the same money', async () => {
    const before = await total(page, 'Cost')
    expect(await valueOf(page, 'Price')).toBe('1.4')
    await choose(page, 'Billing unit', 'kWh')
    await page.waitForFunction(() =>
      (document.querySelector('section[aria-label="Natural gas"] input') as HTMLInputElement).value.startsWith('0.047'),
    )
    await choose(page, 'Water billing unit', 'm³')
    await settled(page)
    expect(Math.abs(figure(await total(page, 'Cost')) - figure(before))).toBeLessThanOrEqual(1)
    await choose(page, 'Billing unit', 'hundred ft³')
    await settled(page)
    expect(Math.abs(figure(await total(page, 'Cost')) - figure(before))).toBeLessThanOrEqual(1)
  })

  it('take a band of a season, with its source and its day', async () => {
    const before = await total(page, 'Cost')
    await press(page, 'button', 'Add time-of-use period: Natural gas')
    await type(page, 'Price in “Other hours”', '3')
    const dear = await newTotal(page, before)
    expect(figure(dear)).toBeGreaterThan(1.4 * figure(before))
    const months = await page.$$('[role="group"][aria-label="Months of “Other hours”"] button')
    for (const m of months.slice(2)) await m.click()
    const winter = figure(await newTotal(page, dear))
    await settled(page)
    expect(figure(await total(page, 'Cost'))).toBeLessThan(figure(dear))
    expect(winter).toBeGreaterThan(figure(before))
    await page.$eval(named('textbox', 'Source'), (e) => e.scrollIntoView())
    await type(page, 'Source', 'the winter bill')
    await page.waitForFunction(() => /saved in this browser/.test(document.querySelector('header')!.textContent!))
    await page.reload()
    await settled(page)
    expect(await valueOf(page, 'Source')).toBe('the winter bill')
    expect(errors).toEqual([])
  })
})

describe('loop, store, drain and keep-hot', () => {
  beforeAll(async () => {
    await openDemo(page, url, 'hill-town')
    await openDemo(page, url, 'harbour-flat')
  })

  it('a return through the cold line is pointed at, and costs less heat', async () => {
    await at('hill-town', 'survey?at=loop')
    const before = await total(page, 'Purchased energy')
    await choose(page, 'Return path', 'cold pipe with bypass valve')
    expect(figure(await newTotal(page, before, 'Purchased energy'))).toBeLessThan(figure(before))
    await press(page, 'button', 'Close Circulation')
    await finding(page, 'crossover')
  })

  it('a mixing valve cools the pipes and answers the question whether there is one', async () => {
    await at('hill-town', 'survey?at=store')
    // What stands out of the store stands at it.
    expect(await page.$('section[aria-label="Cylinder"] [data-finding="scald"]')).not.toBeNull()
    const before = await total(page, 'Purchased energy')
    await choose(page, 'Thermostatic mixing valve', 'yes')
    await type(page, 'TMV setting', '122F')
    expect(figure(await newTotal(page, before, 'Purchased energy'))).toBeLessThan(figure(before))
    await press(page, 'button', 'Close Cylinder')
    expect((await findings()).some((id) => id.startsWith('mixing-valve'))).toBe(false)
  })

  it('the drain is written down with the taps that run down it', async () => {
    await at('hill-town', 'survey?at=drain')
    await press(page, 'button', 'Enter the drain')
    await type(page, 'Accessible vertical stack', `4'6"`)
    expect(await valueOf(page, 'Accessible vertical stack')).toBe('1.37')
    expect(await page.$$eval('section[aria-label="Drain"] input[type="checkbox"]:checked', (all) => all.length)).toBe(2)
  })

  it('keep-hot costs and saves the lag', async () => {
    await at('harbour-flat', 'set')
    const [cost, wait] = [await total(page, 'Cost'), await total(page, 'Time to tap, cold pipe')]
    await (await page.waitForSelector('section[aria-label="Wall heater"] input[type="checkbox"]'))!.click()
    expect(figure(await newTotal(page, cost))).toBeGreaterThan(figure(cost))
    expect(figure(await total(page, 'Time to tap, cold pipe'))).toBeLessThan(figure(wait))
    expect(errors).toEqual([])
  })
})
