import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type axe from 'axe-core'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { type StationName, STATIONS } from '../../app/utils/stations'
import { openBrowser, openPage, settled } from './browser'
import { openDemo, openHeaters } from './hand'

const url = inject('url')
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
let browser: Browser
let close: () => Promise<void>
beforeAll(async () => void ({ browser, close } = await openBrowser()))
afterAll(() => close())

const HOUSE = '/study/hill-town'
const VIEWS = [
  '/',
  '/new',
  '/defaults',
  `${HOUSE}/survey`,
  ...['main', 'heater', 'store', 'loop', 'runs', 'taps', 'people', 'drain', 'prices'].map(
    (s) => `${HOUSE}/survey?at=${s}`,
  ),
  `${HOUSE}/measure`,
  ...['sizes', 'beside', 'work', 'claims'].map((view) => `${HOUSE}/improve?view=${view}`),
  `${HOUSE}/set`,
  ...['board', 'week', 'modes', 'day', 'heating', 'controllers', 'dials', 'entries', 'others', 'steps'].map(
    (view) => `${HOUSE}/set?view=${view}`,
  ),
  `${HOUSE}/improve`,
  `${HOUSE}/handover`,
  `${HOUSE}/verify`,
  `${HOUSE}/verify?view=meters`,
  `${HOUSE}/verify?view=weeks`,
  `${HOUSE}/verify?view=bills`,
  `${HOUSE}/verify?view=next`,
  ...['tests', 'details', 'sheet', 'report'].map((view) => `${HOUSE}/handover?view=${view}`),
  '/study/forest-farm/survey?at=heater',
]

const EVERYTHING = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']
/** What a screen reader or weak eyes would stumble over, in words; of one rule alone where only that can differ. */
async function faults(page: Page, only: string[] = EVERYTHING): Promise<string[]> {
  await page.evaluate(AXE)
  return page.evaluate(async (runOnly) => {
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(document, { runOnly })
    return violations.map(
      (v) =>
        `${v.id}: ${v.help}; ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(' | ')}`,
    )
  }, only)
}

const scheme = (page: Page, value: 'light' | 'dark') =>
  page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value }])

/** How far down a view begins on a phone, and where its first figure or field ends; what covers the foot of it begins at `foot`. */
const firstSeen = (page: Page) =>
  page.evaluate(() => {
    const work = document.querySelector('#work')!
    const shown = (e: Element) => e.getClientRects().length > 0 && !e.closest('.sr-only')
    const figure = (e: Element) =>
      Array.from(e.childNodes).some((n) => n.nodeType === Node.TEXT_NODE && /\d/.test(n.textContent!)) ||
      e.matches('input, select')
    const all = Array.from(work.querySelectorAll('*')).filter(shown)
    // Where nothing is entered yet, what begins it.
    const first = all.find(figure) ?? all.find((e) => e.matches('button.tool'))
    const over = Array.from(document.querySelectorAll('body *')).filter(
      (e) => getComputedStyle(e).position === 'fixed' && shown(e),
    )
    return {
      from: work.getBoundingClientRect().top + scrollY,
      first: first ? first.getBoundingClientRect().bottom + scrollY : 1e6,
      foot: Math.min(innerHeight, ...over.map((e) => e.getBoundingClientRect().top)),
    }
  })

describe.each([
  [1280, 800],
  [360, 760],
])('every view at %d pixels', (width, height) => {
  let page: Page
  let errors: string[]
  beforeAll(async () => {
    ;({ page, errors } = await openPage(browser, width, height, false))
    await scheme(page, 'light')
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
    if (station === 'heater') await openHeaters(page)
    if (path === '/') await page.waitForSelector('section[aria-label="Households"] li')
    else if (path === '/new')
      await page.waitForFunction(() => /\d/.test(document.querySelector('[data-first="cost"]')!.textContent!))
    else if (path === '/defaults') await page.waitForSelector('section[aria-label="Prices"]')
    else await settled(page)
    const across = () => page.evaluate(() => document.documentElement.scrollWidth)
    expect(await faults(page)).toEqual([])
    expect(await across()).toBeLessThanOrEqual(width)
    if (width < 500) {
      const { from, first, foot } = await firstSeen(page)
      expect(from).toBeLessThanOrEqual(height / 4)
      expect(first).toBeLessThanOrEqual(foot)
    }
    await scheme(page, 'dark')
    expect(await faults(page, ['color-contrast'])).toEqual([])
    await scheme(page, 'light')
    if (width > 1000) {
      // Letters of twice the size: the same window holds half as many points.
      await page.setViewport({ width: width / 2, height: height / 2, deviceScaleFactor: 2 })
      expect(await faults(page)).toEqual([])
      expect(await across()).toBeLessThanOrEqual(width / 2)
      await page.setViewport({ width, height })
    }
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
