import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { openBrowser, openPage, settled } from './browser'
import { named, openDemo, type } from './hand'

const url = inject('url')
let browser: Browser
let close: () => Promise<void>
let one: Page
let two: Page
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  one = (await openPage(browser, 1280, 800)).page
  await openDemo(one, url, 'harbour-flat')
  await settled(one)
  two = (await openPage(browser, 1280, 800)).page
  await two.goto(one.url())
  await settled(two)
})
afterAll(() => close())

const shows = (page: Page, setpoint: string) =>
  page.waitForFunction(
    (want) =>
      Array.from(document.querySelectorAll('label')).some(
        (l) =>
          l.textContent!.trim() === 'Setpoint' &&
          (document.getElementById(l.htmlFor) as HTMLInputElement)?.value === want,
      ),
    { timeout: 10_000 },
    setpoint,
  )

describe('two tabs with the same study', () => {
  it('show each other’s changes, with a way back', async () => {
    await one.bringToFront()
    await type(one, 'Setpoint', '52')
    await two.bringToFront()
    await shows(two, '52')
    await (await two.waitForSelector(named('button', 'Undo')))!.click()
    await shows(two, '55')
    await one.bringToFront()
    await shows(one, '55')
  })

  it('lose nothing when both change in the same moment', async () => {
    // Neither hears of the other while it works: what is kept in between is the other's.
    const slide = (page: Page, value: string) =>
      page.$eval(
        'input[aria-label="Setpoint slider"]',
        (e, v) => {
          ;(e as HTMLInputElement).value = v
          e.dispatchEvent(new Event('input', { bubbles: true }))
        },
        value,
      )
    await Promise.all([slide(one, '48'), slide(two, '46')])
    await new Promise((resume) => setTimeout(resume, 1500))
    await one.goto(`${url}/`)
    await one.waitForSelector('section[aria-label="Households"] li a')
    const names = await one.$$eval('section[aria-label="Households"] li a span:first-child', (all) =>
      all.map((a) => a.textContent),
    )
    expect(names.sort()).toEqual(['Flat by the harbour', 'Flat by the harbour, second tab'])
    const kept = await one.evaluate(
      () =>
        new Promise<number[]>((resolve) => {
          const open = indexedDB.open('bagno')
          open.onsuccess = () => {
            const all = open.result.transaction('studies').objectStore('studies').getAll()
            all.onsuccess = () => resolve(all.result.map((k) => k.study.controls.set.heaters['wall-heater'].setpointC))
          }
        }),
    )
    expect(kept.sort()).toEqual([46, 48])
  })
})
