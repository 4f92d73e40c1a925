import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type axe from 'axe-core'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { type StationName, STATIONS } from '../../app/utils/stations'
import { openBrowser, openPage, settled } from './browser'
import { openDemo } from './hand'

const url = inject('url')
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
let browser: Browser
let close: () => Promise<void>
beforeAll(async () => void ({ browser, close } = await openBrowser()))
afterAll(() => close())

const HOUSE = '/study/hill-town'
const VIEWS = [
  '/',
  `${HOUSE}/survey`,
  ...['main', 'heater', 'store', 'loop', 'runs', 'taps', 'people', 'drain', 'prices'].map(
    (s) => `${HOUSE}/survey?at=${s}`,
  ),
  `${HOUSE}/measure`,
  `${HOUSE}/improve?view=sizes`,
  `${HOUSE}/set`,
  `${HOUSE}/improve`,
  '/study/forest-farm/survey?at=heater',
]

/** What a screen reader or weak eyes would stumble over, in words. */
async function faults(page: Page): Promise<string[]> {
  await page.evaluate(AXE)
  return page.evaluate(async () => {
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(document, {
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'],
    })
    return violations.map(
      (v) =>
        `${v.id}: ${v.help}; ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(' | ')}`,
    )
  })
}

describe.each([
  [1280, 800],
  [360, 780],
])('every view at %d pixels', (width, height) => {
  let page: Page
  let errors: string[]
  beforeAll(async () => {
    ;({ page, errors } = await openPage(browser, width, height))
    await openDemo(page, url, 'forest-farm')
    await openDemo(page, url, 'hill-town')
  })

  it.each(VIEWS)('%s can be read by everybody and does not run off the side', async (path) => {
    // As a link within the app would: what has been computed stays.
    await page.evaluate((to) => {
      history.pushState(null, '', to)
      dispatchEvent(new PopStateEvent('popstate', { state: null }))
    }, path)
    await page.waitForFunction((to) => location.pathname + location.search === to, {}, path)
    const station = path.split('?at=')[1] as StationName | undefined
    if (station) await page.waitForSelector(`section[aria-label="${STATIONS[station]}"] h2[tabindex="-1"]`)
    if (path === '/') await page.waitForSelector('section[aria-label="Households"] li')
    else await settled(page)
    expect(await faults(page)).toEqual([])
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width)
    expect(errors).toEqual([])
  })

  it.runIf(width < 500)('has targets of 44 pixels for the fingers of whoever holds it', async () => {
    await page.goto(`${url}${HOUSE}/set`)
    await settled(page)
    const small = await page.$$eval('button, a.tool, select, input:not([type="range"]):not([type="checkbox"])', (all) =>
      all
        .filter((e) => e.getClientRects().length > 0 && !e.closest('.sr-only') && e.className !== 'sr-only')
        .map((e) => ({
          name: e.getAttribute('aria-label') ?? e.textContent!.trim(),
          h: e.getBoundingClientRect().height,
        }))
        .filter((e) => e.h < 44),
    )
    expect(small).toEqual([])
  })
})
