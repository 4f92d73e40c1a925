import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { STEP_CARDS } from '../../core/procedures/cards'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { choose, finding, goTo, openDemo, press, type } from './hand'

/** Work by hand on a phone, with one thumb. */
const url = inject('url')
let browser: Browser
let close: () => Promise<void>
let page: Page
let errors: string[]
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page, errors } = await openPage(browser, 360, 780, false))
})
afterAll(() => close())
const cards = async () => (await keptIn(page, 'forest-farm'))!.cards
const step = (id: string) => `[data-step="${id}"] [role="checkbox"]`
const tap = async (id: string) => {
  await page.waitForSelector(step(id))
  await page.$eval(step(id), (b) => (b as HTMLElement).click())
}

describe('a step card on a phone', () => {
  it('is found by what is complained of', async () => {
    await openDemo(page, url, 'forest-farm')
    await goTo(page, `${url}/study/forest-farm/set?view=steps`)
    await choose(page, 'Symptom', 'Radiator cold on top, hot below')
    await page.waitForSelector('[data-symptom]')
    await press(page, 'button', 'Begin: Bleed a radiator, then top up')
    await page.waitForSelector('[data-card="bleed"] [data-step="off"]')
  })

  it('does not let isolation be skipped, and says what is still isolated', async () => {
    const heater = (await keptIn(page, 'forest-farm'))!.plant.heaters.find((h) => h.kind === 'element')!
    await press(page, 'button', `Begin: ${STEP_CARDS['element-thermostat'].title}, ${heater.name}`)
    await page.waitForSelector(step('isolate'))
    const disabled = (id: string) => page.$eval(step(id), (b) => (b as HTMLButtonElement).disabled)
    expect(await disabled('open')).toBe(true)
    for (const id of ['isolate', 'prove']) await tap(id)
    await page.waitForFunction((at) => !document.querySelector<HTMLButtonElement>(at)!.disabled, {}, step('open'))
    expect(await disabled('power')).toBe(true)
    const high = await page.$$eval('[data-card] [role="checkbox"]', (all) =>
      all.map((b) => b.getBoundingClientRect().height),
    )
    expect(Math.min(...high)).toBeGreaterThanOrEqual(44)
    await settled(page)
    const work = (await cards()).at(-1)!
    await goTo(page, `${url}/study/forest-farm/survey`)
    await finding(page, `steps-${work.id}`)
  })

  it('is worked to its end, with what the dial shows as proof', async () => {
    await goTo(page, `${url}/study/forest-farm/set?view=steps`)
    await page.waitForSelector('[data-card="element-thermostat"] button')
    await page.$eval('[data-card="element-thermostat"] button', (b) => (b as HTMLElement).click())
    for (const { id } of STEP_CARDS['element-thermostat'].steps.slice(2)) await tap(id)
    await type(page, 'Thermostat stands at', '60, one mark left of the screw')
    await page.waitForFunction(() =>
      document.querySelector('[data-card="element-thermostat"]')?.textContent?.includes('All steps done'),
    )
    await settled(page)
    const work = (await cards()).at(-1)!
    expect(work.ticks).toHaveLength(STEP_CARDS['element-thermostat'].steps.length)
    expect(work.shows).toBe('60, one mark left of the screw')
    expect(errors).toEqual([])
  })

  it('is printed by itself, with its cautions', async () => {
    await page.emulateMediaType('print')
    const seen = await page.evaluate(() => document.body.innerText)
    await page.emulateMediaType('screen')
    expect(seen).toContain('Electric shock kills')
    expect(seen).toContain('Prove it dead')
    expect(seen).not.toContain('Cards to take')
    expect(seen).not.toContain('Radiator cold on top')
  })
})
