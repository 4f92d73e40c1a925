import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { hoursOpen } from '../../core/calendar/week'
import { gridOf } from '../../core/household/controllers'
import { misfits } from '../../core/household/grid'
import { CIRCULATION } from '../../core/study/commanded'
import type { ControllerFit } from '../../core/views/controller-fit'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { choose, figure, finding, goTo, openDemo, press, type } from './hand'
import { told } from './told'

/** A plan taken to a controller of four half-hour periods, keyed in and read back. */
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
const controls = async () => (await keptIn(page, 'hill-town'))!.controls
const entries = () => goTo(page, `${url}/study/hill-town/set?view=entries`)
const reads = (text: string) =>
  page.waitForFunction(
    (words) => document.querySelector('[data-read-back]')?.textContent?.includes(words) ?? false,
    { timeout: 20_000 },
    text,
  )

describe('a plan that a controller does not take', () => {
  it('is fitted outwards or inwards, with hours and the year of each', async () => {
    await openDemo(page, url, 'hill-town')
    await goTo(page, `${url}/study/hill-town/set?view=controllers`)
    await settled(page)
    // Planned at 05:30 to 23:00; the controller on the wall takes whole hours.
    await choose(page, 'Time step', '60 min')
    await entries()
    await page.waitForSelector('[data-fits] [data-fit="outwards"]')
    await press(page, 'button', 'Simulate the year of each')
    await page.waitForFunction(
      () =>
        Array.from(document.querySelectorAll('[data-fits] tbody tr')).every((tr) =>
          /a year/.test(tr.textContent ?? ''),
        ),
      { timeout: 60_000 },
    )
    const money = await page.$$eval('[data-fits] tbody tr td:nth-of-type(3)', (all) => all.map((td) => td.textContent!))
    const [planned, outwards, inwards] = money.map(figure)
    expect(outwards).toBeGreaterThanOrEqual(planned)
    expect(inwards).toBeLessThanOrEqual(planned)
  })

  it('is taken, and then listed as it is keyed in, what must read empty with it', async () => {
    await press(page, 'button', 'Take the plan inwards')
    await page.waitForSelector('[data-entries]')
    await settled(page)
    const study = (await keptIn(page, 'hill-town'))!
    const { set, found } = study.controls
    const { loop } = set ?? found
    const grid = gridOf(study, CIRCULATION)
    expect(misfits(grid, loop.schedule)).toEqual([])
    const rows = await page.$$eval('[data-period]', (all) => all.map((li) => li.textContent!))
    expect(rows.length % grid.periodsPerDay).toBe(0)
    expect(rows[0]).toContain('06:00–23:00')
    expect(rows.filter((r) => r.includes('must read empty'))).toHaveLength(
      rows.length - rows.length / grid.periodsPerDay,
    )
    const [fit] = await told<ControllerFit[]>(page, 'hill-town', 'fit-controller')
    expect(fit.problems).toEqual([])
    expect(fit.hours.planned).toBe(hoursOpen(loop.schedule))
  })

  it('is read back: one period wrong is told, here and among the findings, until it is mended', async () => {
    await press(page, 'button', 'Display reads as planned')
    await reads('Entered as planned')
    await type(page, 'Shows off, Sunday, period 1', '23:30')
    await reads('1 period differs from the plan')
    await settled(page)
    expect((await controls()).readBack[0].week[6][0].toMin).toBe(1410)
    await goTo(page, `${url}/study/hill-town/survey`)
    await finding(page, 'entered-hot-water-circulation')
    await entries()
    await type(page, 'Shows off, Sunday, period 1', '23:00')
    await reads('Entered as planned')
    await press(page, 'button', 'Shows a period: Saturday, period 2')
    await reads('1 period differs from the plan')
    await type(page, 'Shows on, Saturday, period 2', '20:00')
    await page.waitForFunction(() =>
      /Saturday, period 2: 20:00–\d\d:\d\d overlaps another period/.test(
        document.querySelector('[data-entries] [role="alert"]')?.textContent ?? '',
      ),
    )
    await press(page, 'button', 'Reads empty: Saturday, period 2')
    await reads('Entered as planned')
    expect(errors).toEqual([])
  })
})
