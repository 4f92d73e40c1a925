import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import type { Comparison } from '../../core/views/compare'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { addMeasure, choose, figure, finding, goTo, openDemo, openHeaters, press, type } from './hand'
import { told } from './told'

/** What stands at the cylinder and at one outlet, a circulation that is laid, and where the heat of pipes goes. */
const url = inject('url')
let browser: Browser
let close: () => Promise<void>
let page: Page
let errors: string[]
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page, errors } = await openPage(browser, 1280, 800, false))
})
afterAll(() => close())
const line = (kind: string) => `[data-measure="${kind}"]`
const compared = (kind: string) =>
  page.waitForFunction(
    (at) => (document.querySelector(`${at} [data-figure="Last-in saving"]`)?.textContent ?? '…').trim() !== '…',
    { timeout: 120_000 },
    line(kind),
  )
const study = async (id: string) => (await keptIn(page, id))!

describe('the connections of a cylinder', () => {
  it('are said as not checked with what they may take, looked at, and mended by a measure that saves', async () => {
    await openDemo(page, url, 'court-flat')
    await goTo(page, `${url}/study/court-flat/survey`)
    await settled(page)
    await goTo(page, `${url}/study/court-flat/survey?at=store`)
    await choose(page, 'Standing loss from', 'label class')
    await choose(page, 'Heat traps, or pipes that fall first', 'no')
    await choose(page, 'Cold inlet at the', 'top')
    await settled(page)
    const { connections } = (await study('court-flat')).plant.store!
    expect([connections.heatTraps, connections.inlet?.at]).toEqual([false, 'top'])
    await press(page, 'button', 'Close Cylinder')
    await finding(page, 'store-connections')

    await goTo(page, `${url}/study/court-flat/improve`)
    await settled(page)
    await press(page, 'button', 'Package')
    await addMeasure(page, 'heat traps')
    await settled(page)
    await compared('store-connections')
    const pack = (await told<Comparison>(page, 'court-flat', 'compare')).packages.at(-1)!
    expect(pack.measures[0].alone.inputKwh).toBeGreaterThan(20)
  })

  it('its losses stand pipe by pipe and month by month, with what of them heats rooms', async () => {
    await page.waitForSelector('[data-room-heat] summary')
    await page.$eval('[data-room-heat] summary', (s) => (s as HTMLElement).click())
    const rows = await page.$$eval('[data-room-heat] tbody tr', (all) =>
      all.map((tr) => Array.from(tr.children, (c) => c.textContent!.trim())),
    )
    const { pipes } = await study('court-flat')
    expect(rows.length).toBeGreaterThanOrEqual(pipes.runs.length + 1 + 12)
    for (const row of rows) {
      const [lost, toRooms, net] = row.slice(-3).map(figure)
      expect(Math.abs(lost - toRooms - net)).toBeLessThanOrEqual(1)
    }
  })
})

describe('one outlet', () => {
  it('is given an instantaneous heater of its own, sized for it, and as a measure', async () => {
    await openDemo(page, url, 'harbour-flat')
    await goTo(page, `${url}/study/harbour-flat/improve?view=sizes`)
    await settled(page)
    const at = '[data-sized="beside tap-electric"]'
    await page.waitForSelector(at)
    await page.$eval(`${at} button`, (b) => (b as HTMLElement).click())
    await choose(page, 'Serves: Instantaneous point-of-use heater', 'Basin')
    await page.waitForFunction(
      (where) => /Basin takes up to/.test(document.querySelector(where)?.textContent ?? ''),
      {},
      at,
    )
    await press(page, 'button', 'Add as measure: Instantaneous point-of-use heater beside')
    await page.waitForSelector(line('heat-source'))
    const added = (await study('harbour-flat')).packages.flatMap((p) => p.measures).at(-1)!
    expect(added.kind === 'heat-source' && 'tapId' in added.heater && added.heater.tapId).toBe('basin')
  })
})

describe('a circulation', () => {
  it('is laid as a measure, with its return, its pump and its parts, and shortens the wait', async () => {
    await press(page, 'button', 'Package')
    await addMeasure(page, 'lay a circulation')
    await page.$eval(`${line('lay-loop')} button[aria-expanded]`, (b) => (b as HTMLElement).click())
    await choose(page, 'Mode', 'Always on')
    await settled(page)
    await compared('lay-loop')
    const parts = await page.$eval(line('lay-loop'), (e) => e.textContent!)
    expect(parts).toContain('Circulation pump with its control')
    const pack = (await told<Comparison>(page, 'harbour-flat', 'compare')).packages.at(-1)!
    expect(pack.measures[0].alone.waitMedianS).toBeGreaterThan(5)
  })
})

describe('a heater', () => {
  it('has a data source that can be entered', async () => {
    await goTo(page, `${url}/study/harbour-flat/survey?at=heater`)
    await openHeaters(page)
    await page.$$eval('[data-heater] details', (all) => all.forEach((d) => ((d as HTMLDetailsElement).open = true)))
    await type(page, 'Data source', 'Data plate on the case')
    await settled(page)
    expect((await study('harbour-flat')).plant.heaters[0].dataSource?.source).toBe('Data plate on the case')
    expect(errors).toEqual([])
  })
})
