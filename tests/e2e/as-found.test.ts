import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { asFound } from '../../core/study/in-force'
import { simulate } from '../../core/year/simulate'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { choose, figure, named, newTotal, openDemo, press, takeReading, total, type } from './hand'

const url = inject('url')
let browser: Browser
let page: Page
let errors: string[]
let close: () => Promise<void>
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page, errors } = await openPage(browser, 1280, 800))
})
afterAll(() => close())

const writing = (name: 'As found' | 'As set') => press(page, 'radio', name)
const isWriting = () =>
  page.$eval('[aria-label="Settings being entered"] [aria-checked="true"]', (b) => b.textContent!.trim())

describe('a house as it was found', () => {
  it('is what a new household begins with', async () => {
    await page.goto(url)
    await press(page, 'link', 'New household')
    await press(page, 'button', 'Skip the questions')
    await page.waitForFunction(() => location.pathname.endsWith('/survey'))
    await press(page, 'link', 'Settings')
    expect(await isWriting()).toBe('As found')
  })

  it('with its loop always on and a timer is entered whole, and what is set saves against that', async () => {
    await openDemo(page, url, 'hill-town')
    await settled(page)
    await writing('As found')
    let before = await total(page, 'Cost')
    await press(page, 'radio', 'Always on')
    before = await newTotal(page, before)
    await page.$$eval('section[aria-label="Condensing boiler"] label', (all) =>
      all.find((l) => /Hot water schedule/.test(l.textContent!))!.click(),
    )
    await type(page, 'Setpoint', '62')
    const foundCost = figure(await newTotal(page, before))
    // Nothing has been set: the register shows no change, and the household is the one that was found.
    expect(await page.$$('[data-logged]')).not.toHaveLength(0)
    let kept = (await keptIn(page, 'hill-town'))!
    expect(kept.controls.set).toBeNull()
    expect(kept.controls.found.loop.mode).toBe('always')
    expect(kept.controls.found.heaters.boiler!.setpointC).toBe(62)
    expect(kept.controls.found.heaters.boiler!.schedule).not.toBeNull()
    expect(foundCost).toBeCloseTo(simulate(kept).cost.total, -1)

    await writing('As set')
    const asItWas = await total(page, 'Cost')
    await press(page, 'radio', 'Stop when hot')
    const setCost = figure(await newTotal(page, asItWas))
    await settled(page)
    kept = (await keptIn(page, 'hill-town'))!
    expect([kept.controls.found.loop.mode, kept.controls.set!.loop.mode]).toEqual(['always', 'stop warm'])
    expect(kept.controls.set!.heaters.boiler!.setpointC).toBe(62)
    const saving = simulate(asFound(kept)).cost.total - simulate(kept).cost.total
    expect(saving).toBeGreaterThan(50)
    const said = await page.$eval('aside[aria-label="Annual totals"]', (a) => a.textContent!)
    expect(said).toContain(String(Math.round(saving)))
    expect(setCost).toBeLessThan(foundCost)
    // A setpoint that was read late is corrected as found: what was never set follows, and no change stands between them.
    await writing('As found')
    await type(page, 'Setpoint', '58')
    await page.waitForFunction(() => !document.querySelector('[data-setting="heaters.boiler.setpointC"] button'))
    kept = (await keptIn(page, 'hill-town'))!
    expect(kept.controls.set!.heaters.boiler!.setpointC).toBe(58)
    expect(errors).toEqual([])
  })
})

describe('before and after', () => {
  it('a pair of readings with the wrapping between them shows what it did, and is no contradiction', async () => {
    await openDemo(page, url, 'hill-town')
    await settled(page)
    await press(page, 'link', 'Readings')
    const reading = async (title: string, day: string, fill: () => Promise<void>) => {
      await takeReading(page, title)
      await fill()
      await type(page, 'Time of reading', `${day} 10:00`)
      await press(page, 'button', 'Save to log')
    }
    const drop = (to: string) => async () => {
      await type(page, 'Cylinder temperature at the start', '60')
      await type(page, 'Cylinder temperature at the end', to)
      await type(page, 'Hours between readings', '10')
      await type(page, 'Surrounding air', '12')
    }
    await reading('Cylinder, overnight drop', '2026-02-02', drop('52'))
    await reading('Event or change', '2026-02-10', async () => {
      await choose(page, 'Event', 'works done')
      await type(page, 'Note', 'store wrapped, 80 mm')
    })
    await reading('Cylinder, overnight drop', '2026-02-20', drop('56'))
    await page.waitForSelector('[data-pair]')
    const text = await page.$eval('[data-pair]', (p) => p.textContent!.replace(/\s+/g, ' '))
    expect(text).toMatch(/2026-02-02 →.*2026-02-20/)
    expect(text).toMatch(/less \(\d+%\)/)
    expect(text).toMatch(/In between: .*works done.* on 2026-02-10/)
    expect(text).not.toMatch(/More than one change/)
    await page.goto(`${url}/study/hill-town/survey`)
    await settled(page)
    expect(await page.$('[data-finding^="contradicts"]')).toBeNull()
    await page.waitForSelector(named('link', 'Readings'))
    expect(errors).toEqual([])
  })
})
