import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { inWordsOf } from '../../core/words/dialect'
import { openBrowser, openPage, settled } from './browser'
import { goTo, openDemo, takeReading } from './hand'

const url = inject('url')
let browser: Browser
let close: () => Promise<void>
beforeAll(async () => void ({ browser, close } = await openBrowser()))
afterAll(() => close())

/** Units that only the other system writes. kWh and W stand for electricity in both. */
/** A pipe of copper may be of type L. */
const METRIC = /°C|\d\s?K\b|(?<!type )\bL\b|L\/min|m³|\bmm\b|W\/m|W\/K|\bkW\b|\bbar\b|\bkg\b|mg\/L|\d\s?m\b|\blitres?\b/
const US = /°F|\bgal\b|\bgpm\b|[Bb]tu|\btherms?\b|\bft\b|\bpsi\b|\blb\b|\bgpg\b|\d\s?(?:am|pm)\b/
const STATIONS = ['main', 'heater', 'store', 'loop', 'runs', 'taps', 'people', 'drain', 'prices']

/** All that is written on a page, names of controls included; what can be chosen and what the household is called are left out. */
const written = (page: Page) =>
  page.evaluate(() => {
    const copy = document.body.cloneNode(true) as HTMLElement
    copy.querySelectorAll('option, script, style, h1, input').forEach((e) => e.remove())
    const text = copy.textContent!.replace(/\s+/g, ' ')
    const names = Array.from(document.querySelectorAll('[aria-label], [aria-valuetext], title')).map(
      (e) =>
        `${e.getAttribute('aria-label') ?? ''} ${e.getAttribute('aria-valuetext') ?? ''} ${e.tagName === 'title' ? e.textContent : ''}`,
    )
    return [text, ...names].join('\n')
  })

describe.each([
  ['US', 'duplex', METRIC],
  ['metric', 'hill-town', US],
] as const)('a household in %s units', (system, name, foreign) => {
  let page: Page
  beforeAll(async () => {
    ;({ page } = await openPage(browser, 1280, 800))
    await openDemo(page, url, name)
    await settled(page)
  })

  it.each([...STATIONS.map((s) => `survey?at=${s}`), 'survey', 'measure', 'set', 'improve', 'handover', 'verify'])(
    '%s has none of the other',
    async (path) => {
      await goTo(page, `${url}/study/${name}/${path}`)
      await settled(page)
      const text = await written(page)
      const at = foreign.exec(text)
      expect(at && `…${text.slice(Math.max(0, at.index - 60), at.index + 40)}…`).toBeNull()
      expect(text).toMatch(system === 'US' ? /°F/ : /°C/)
    },
  )

  it('every reading asks and answers in them', async () => {
    await goTo(page, `${url}/study/${name}/measure`)
    await settled(page)
    const titles = [
      'Cold main, temperature',
      'Hardness of the water',
      'Hot water use over several days',
      'Flow of an outlet',
      'Time to tap',
      'Hot water temperature at an outlet',
      'Two outlets at once',
      'Heater: in, out and flow',
      'Heater input from meter',
      'Waste water heat recovery, four temperatures',
    ]
    for (const name of titles) {
      const title = inWordsOf(system === 'US' ? 'us' : 'metric', name)
      await takeReading(page, title)
      await page.waitForSelector(`section[aria-label="${title}"]`)
      // A field may offer the other unit beside its own: what is offered is a button.
      const text = await page.$eval(`section[aria-label="${title}"]`, (s) => {
        const copy = s.cloneNode(true) as HTMLElement
        copy.querySelectorAll('option, input').forEach((e) => e.remove())
        return copy.textContent!
      })
      expect(foreign.exec(text)?.[0], `${title}: ${text}`).toBeUndefined()
    }
  })
})
