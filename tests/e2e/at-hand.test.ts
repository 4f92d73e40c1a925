import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { choose, figure, finding, goTo, openDemo, press, takeReading, type, valueOf } from './hand'

/** What is looked up, measured and priced with a thing in the hand. */
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
const study = async (id: string) => (await keptIn(page, id))!
const opened = (at: string) => page.$eval(`${at} summary`, (s) => (s as HTMLElement).click())
const cells = (rows: string) =>
  page.$$eval(rows, (all) => all.map((tr) => Array.from(tr.children, (c) => c.textContent!.trim())))

describe('a thermometer in the bag', () => {
  it('is kept, and the first temperature of another household is read with it', async () => {
    await page.goto(`${url}/defaults`)
    await choose(page, 'Thermometer', 'infrared')
    await page.waitForSelector('::-p-aria(Last check in ice or boiling water)')
    await openDemo(page, url, 'duplex')
    await goTo(page, `${url}/study/duplex/measure`)
    await takeReading(page, 'Tank, reheating')
    await page.waitForFunction(() =>
      Array.from(document.querySelectorAll('label')).some((l) => {
        const at = document.getElementById(l.htmlFor)
        return (
          l.textContent!.trim() === 'Thermometer' &&
          at instanceof HTMLSelectElement &&
          at.selectedOptions[0]?.text === 'infrared'
        )
      }),
    )
  })

  it('shows how fast a cylinder reheats, in the units of the house, and what a slower year means', async () => {
    const reheats = async (minutes: string, takenAt: string) => {
      await takeReading(page, 'Tank, reheating')
      await type(page, 'Tank temperature at the start', '90')
      await type(page, 'Tank temperature at the end', '130')
      await type(page, 'Time', minutes)
      await page.waitForSelector('[data-result]')
      await type(page, 'Time of reading', takenAt)
      await press(page, 'button', 'Save to log')
    }
    await reheats('30', '2025-03-01 09:00')
    await reheats('40', '2026-03-01 09:00')
    await settled(page)
    const { readings } = await study('duplex')
    expect(readings.filter((r) => r.kind === 'reheat').map((r) => Math.round(Number(r.values.fromC)))).toEqual([32, 32])
    await goTo(page, `${url}/study/duplex/survey`)
    await finding(page, `trend-${readings.at(-1)!.id}`)
  })
})

describe('outlets', () => {
  it('stand in the order of what they run off', async () => {
    await goTo(page, `${url}/study/duplex/survey?at=taps`)
    await page.waitForSelector('[data-ranked]')
    await opened('[data-ranked]')
    const toWaste = (await cells('[data-ranked] tbody tr')).map((row) => figure(row.at(-1)!))
    expect(toWaste.length).toBe((await study('duplex')).pipes.taps.length)
    expect(toWaste).toEqual(toWaste.toSorted((a, b) => b - a))
  })
})

describe('kinds of insulation', () => {
  it('are compared where pipes are wrapped, an offer has a range, and the steps of the hand are told', async () => {
    await openDemo(page, url, 'hill-town')
    await goTo(page, `${url}/study/hill-town/improve`)
    await settled(page)
    const at = '[data-measure="insulate-runs"]'
    await page.waitForSelector(`${at} button[aria-expanded]`)
    await page.$eval(`${at} button[aria-expanded="false"]`, (b) => (b as HTMLElement).click())
    await opened(`${at} [data-kinds]`)
    const losses = (await cells(`${at} [data-kinds] tbody tr`)).map((row) => figure(row[1]))
    expect(losses.every((w) => w > 0)).toBe(true)
    await opened(`${at} [data-steps]`)
    expect(await page.$eval(`${at} [data-steps]`, (e) => e.textContent)).toContain('Tape every joint')

    await type(page, 'Each, EUR', '4')
    await type(page, 'At most, EUR', '6')
    await settled(page)
    const [pack] = (await study('hill-town')).packages
    const { partPrices } = pack.measures.find((m) => m.kind === 'insulate-runs')!
    expect(Object.values(partPrices)).toEqual([{ low: 4, likely: 4, high: 6 }])
    expect(await valueOf(page, 'At least, EUR')).toBe('4')
  })
})

describe('a gas pipe', () => {
  it('entered where it is asked decides whether a boiler can be fed', async () => {
    await goTo(page, `${url}/study/hill-town/improve?view=sizes`)
    await settled(page)
    const at = '[data-sized="there boiler-coil"]'
    await page.waitForSelector(at)
    const says = (text: string) =>
      page.waitForFunction(
        (where, words) => document.querySelector(where)?.textContent?.includes(words) ?? false,
        { timeout: 20_000 },
        `${at} [data-check="gas-line"]`,
        text,
      )
    await page.$eval(`${at} button`, (b) => (b as HTMLElement).click())
    await says('gas supply capacity not checked')
    await opened('[data-answer]')
    await type(page, 'Gas pipe to the heater, bore', '10')
    await type(page, 'Gas pipe, length with bends', '14')
    await says('Fail')
    await type(page, 'Gas pipe to the heater, bore', '26')
    await says('what else it feeds is not checked')
    await type(page, 'Other appliances on that pipe', '8')
    await says('it feeds 8.0 kW besides')
    expect(errors).toEqual([])
  })
})
