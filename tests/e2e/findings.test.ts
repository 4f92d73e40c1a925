import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { hillTown } from '../../core/demos/hill-town'
import { findingsOf } from '../../core/views/findings'
import { simulate } from '../../core/year/simulate'
import { openBrowser, openPage, settled } from './browser'
import { choose, finding, openDemo, press, type } from './hand'

const expected = () => findingsOf(checksOf(hillTown, simulate(hillTown)))
const url = inject('url')
let browser: Browser
let close: () => Promise<void>
let page: Page
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page } = await openPage(browser, 1280, 800))
  await openDemo(page, url, 'hill-town')
  await settled(page)
})
afterAll(() => close())

const shown = () => page.$$eval('[data-finding]', (all) => all.map((e) => e.getAttribute('data-finding')))

describe('findings in the interface', () => {
  it('are those of the core, and mark their stations', async () => {
    await press(page, 'link', 'Survey')
    await page.waitForSelector('[data-finding]')
    // The worst five, and all when they are asked for.
    expect(await shown()).toEqual(
      expected()
        .slice(0, 5)
        .map((f) => f.id),
    )
    await press(page, 'button', `Show all ${expected().length}`)
    expect(await shown()).toEqual(expected().map((f) => f.id))
    expect(await page.$eval('section[aria-label="System diagram"]', (s) => s.textContent)).toMatch(
      new RegExp(`Cylinder${expected().filter((f) => f.station === 'store').length}\\s*findings`),
    )
  })

  it('lead to where they are mended, and go when they are', async () => {
    await page.goto(`${url}/study/hill-town/survey?at=store`)
    await choose(page, 'Thermostatic mixing valve', 'yes')
    await type(page, 'TMV setting', '44')
    await press(page, 'button', 'Close Cylinder')
    await finding(page, 'scald', false)
    expect(await shown()).not.toContain('scald')
  })
})
