import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { openBrowser, openPage, settled } from './browser'
import { openDemo } from './hand'

const url = inject('url')
let browser: Browser
let close: () => Promise<void>
beforeAll(async () => void ({ browser, close } = await openBrowser()))
afterAll(() => close())

const VIEWS = [
  'survey',
  'survey?at=heater',
  'measure',
  ...['', 'board', 'week', 'modes', 'day', 'heating', 'controllers', 'dials', 'entries', 'others', 'steps'].map(
    (view) => `set?view=${view}`,
  ),
  'improve',
  'handover',
  'verify',
  'handover?view=tests',
  'improve?view=sizes',
  'improve?view=beside',
]
/** What browsers call good: the share of the window that moved times how far, summed up. */
const GOOD = 0.1

interface Moved {
  value: number
  what: string
}

describe.each([
  ['at a desk', 1280, 800],
  ['on a phone', 360, 760],
])('while figures come, %s', (_, width, height) => {
  let page: Page
  beforeAll(async () => {
    ;({ page } = await openPage(browser, width, height, false))
    await openDemo(page, url, 'hill-town')
    await settled(page)
    await page.evaluateOnNewDocument(() => {
      const moved: Moved[] = []
      Object.assign(window, { moved })
      // Years of before are not to be had: figures come as late as at first.
      const open = indexedDB.open.bind(indexedDB)
      indexedDB.open = (name, version) => open(name === 'bagno-years' ? `${name} ${Math.random()}` : name, version)
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) {
          const { value, sources } = entry as unknown as { value: number; sources: { node?: Node }[] }
          moved.push({ value, what: sources.map((s) => s.node?.textContent?.trim().slice(0, 30)).join(' | ') })
        }
      }).observe({ type: 'layout-shift', buffered: true })
    })
  })

  it.each(VIEWS)('nothing moves under the hand in %s', async (view) => {
    await page.goto(`${url}/study/hill-town/${view}`)
    await settled(page)
    // What is tried and doubted comes after the year.
    await page.waitForFunction(() => !/Simulating/.test(document.querySelector('#work')!.textContent!))
    const moved = await page.evaluate(() => (window as unknown as { moved: Moved[] }).moved)
    const most = moved.sort((a, b) => b.value - a.value).slice(0, 3)
    expect(
      moved.reduce((sum, m) => sum + m.value, 0),
      most.map((m) => `${m.value.toFixed(3)} ${m.what}`).join('\n'),
    ).toBeLessThan(GOOD)
  })
})
