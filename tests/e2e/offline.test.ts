import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { keptOffline, openBrowser, openPage, settled, startApp } from './browser'
import { handedOver, openDemo, press, total, type } from './hand'

describe('without a network', () => {
  let app: Awaited<ReturnType<typeof startApp>>
  let browser: Browser
  let close: () => Promise<void>
  let page: Page
  let errors: string[]
  beforeAll(async () => {
    app = await startApp()
    ;({ browser, close } = await openBrowser())
    ;({ page, errors } = await openPage(browser, 1280, 800))
    await openDemo(page, app.url, 'duplex')
    await settled(page)
    await keptOffline(page)
    app.stop()
    await new Promise((resume) => setTimeout(resume, 500))
    expect(
      await page.evaluate(() =>
        fetch('/api/demos').then(
          () => 'answered',
          () => 'gone',
        ),
      ),
    ).toBe('gone')
    errors.length = 0
  })
  afterAll(async () => {
    await close()
    app.stop()
  })

  it('the app starts again, with what was kept and its year', async () => {
    await page.reload()
    await settled(page)
    expect(await total(page, 'Cost')).toMatch(/^\$7/)
  })

  it('every stage opens by its address, and a change is simulated', async () => {
    const before = await total(page, 'Cost')
    for (const stage of ['survey', 'measure', 'improve', 'handover', 'verify', 'set']) {
      await page.goto(`${app.url}/study/duplex/${stage}`)
      await settled(page)
    }
    await type(page, 'Setpoint', '140')
    await page.waitForFunction(
      (was) => {
        const now = document.querySelector('aside [data-total="Cost"]')!.textContent!.trim()
        return now !== was && now !== '…'
      },
      {},
      before,
    )
  })

  it('a new household begins, and one is exported and imported', async () => {
    await page.goto(app.url)
    await page.waitForSelector('input[type="file"]')
    await press(page, 'link', 'New household')
    await press(page, 'button', 'Skip the questions')
    await page.waitForFunction(() => location.pathname.startsWith('/study/household/'))
    await settled(page)
    const file = await handedOver(page, 'button[aria-label="Export as a file"]')
    expect(JSON.parse(file)).toMatchObject({ format: 'bagno-study', id: 'household' })
    await page.goto(app.url)
    await page.waitForSelector('input[type="file"]')
    await page.evaluate((text) => {
      const input = document.querySelector<HTMLInputElement>('input[type="file"]')!
      const data = new DataTransfer()
      data.items.add(new File([text], 'household.bagno.json', { type: 'application/json' }))
      input.files = data.files
      input.dispatchEvent(new Event('change', { bubbles: true }))
    }, file)
    await page
      .waitForFunction(
        () => document.querySelectorAll('section[aria-label="Households"] a[href^="/study/household"]').length === 2,
      )
      .catch(async () => {
        throw new Error(await page.$eval('main', (m) => m.textContent!))
      })
  })

  it('an address that is none says so, and leads back', async () => {
    await page.goto(`${app.url}/nowhere`)
    await page.waitForFunction(() => /Page not found/.test(document.querySelector('h1')?.textContent ?? ''))
    await press(page, 'button', 'All households')
    await page.waitForSelector('section[aria-label="Households"] li a')
  })

  it('nothing goes wrong on the way but what asks the server', () =>
    expect(
      errors.filter((e) => !/ERR_CONNECTION_REFUSED|Failed to load resource|Page not found: \/nowhere/.test(e)),
    ).toEqual([]))
})
