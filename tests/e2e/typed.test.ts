import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { named, openDemo, type, valueOf } from './hand'

const url = inject('url')
let browser: Browser
let close: () => Promise<void>
let page: Page
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page } = await openPage(browser, 1280, 800))
})
afterAll(() => close())

describe('what is typed and not left', () => {
  const field = async (at: Page, label: string) => (await at.waitForSelector(named('textbox', label)))!
  const over = async (at: Page, label: string, text: string) => {
    await (await field(at, label)).click({ count: 3 })
    await at.keyboard.type(text)
  }

  it('stands in its field again after the browser was killed, and is taken when that is left', async () => {
    let session = await openBrowser()
    let at = (await openPage(session.browser, 1280, 800)).page
    await openDemo(at, url, 'duplex')
    await settled(at)
    await over(at, 'Setpoint', '13')
    await new Promise((resume) => setTimeout(resume, 1000))
    const before = await keptIn(at, 'duplex')
    await session.kill()
    session = await openBrowser(session.profile)
    at = (await openPage(session.browser, 1280, 800)).page
    await at.goto(`${url}/study/duplex/set`)
    await settled(at)
    await at.waitForFunction(() => /Typed earlier and not yet saved/.test(document.body.textContent!))
    expect(await valueOf(at, 'Setpoint')).toBe('13')
    // Half of a figure is not the figure: nothing was taken of it.
    expect(await keptIn(at, 'duplex')).toEqual(before)
    await (await field(at, 'Setpoint')).focus()
    await at.keyboard.press('End')
    await at.keyboard.type('1')
    await at.keyboard.press('Tab')
    expect(await valueOf(at, 'Setpoint')).toBe('131')
    await at.reload()
    await settled(at)
    expect(await valueOf(at, 'Setpoint')).toBe('131')
    await at.waitForFunction(() => !/Typed earlier and not yet saved/.test(document.body.textContent!))
    await session.close()
  })

  it.each([
    ['a time of day', 'survey?at=people', 'Time of Ilva showers before the early shift', '6:4'],
    ['a reason', 'set?view=board', 'Reason', 'The tenant'],
  ])('%s outlasts a kill too', async (_, path, label, text) => {
    let session = await openBrowser()
    let at = (await openPage(session.browser, 1280, 800)).page
    const there = async () => {
      await at.goto(`${url}/study/hill-town/${path}`)
      await settled(at)
    }
    await openDemo(at, url, 'hill-town')
    await settled(at)
    // Cool enough to ask for a reason.
    await type(at, 'Setpoint', '45')
    await there()
    await over(at, label, text)
    await new Promise((resume) => setTimeout(resume, 1000))
    await session.kill()
    session = await openBrowser(session.profile)
    at = (await openPage(session.browser, 1280, 800)).page
    await there()
    await field(at, label)
    await at.waitForFunction((t) => Array.from(document.querySelectorAll('input')).some((i) => i.value === t), {}, text)
    await session.close()
  })

  it('is not dropped when another tab changes the same figure', async () => {
    await openDemo(page, url, 'duplex')
    await settled(page)
    await over(page, 'Setpoint', '13')
    const { page: other } = await openPage(browser, 1000, 700)
    await other.goto(`${url}/study/duplex/set`)
    await settled(other)
    await type(other, 'Setpoint', '122')
    await page.bringToFront()
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[aria-label="Setpoint slider"]')!.value === '50',
    )
    expect(await valueOf(page, 'Setpoint')).toBe('13')
    await page.keyboard.type('1')
    await page.keyboard.press('Tab')
    expect(await valueOf(page, 'Setpoint')).toBe('131')
    await other.close()
  })
})
