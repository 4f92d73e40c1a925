import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { bagno } from '../../cli/program'
import { everyDay } from '../../core/calendar/week'
import { hillTown } from '../../core/demos/hill-town'
import { setAnew } from '../../core/household/changes'
import { edited } from '../../core/study/edited'
import { writeStudy } from '../../core/study/read'
import type { Verified } from '../../core/verification/saving'
import { meteredYears } from '../../proof/bills'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { figure, giveFiles, goTo, press, type } from './hand'

/** A year after a visit: meters are read, and what was promised is held against them. */
const url = inject('url')
const ON = '2026-03-02'
const shorter = everyDay([390, 480])
const set = setAnew(
  hillTown,
  edited(hillTown.controls.found, (c) => void (c.loop.schedule = shorter)),
  ON,
)
const metered = meteredYears(
  {
    before: hillTown,
    after: edited(hillTown, (s) => void (s.controls.found.loop.schedule = shorter)),
    carrier: 'natural-gas',
    heatingPerK: 6,
    balanceC: 15,
    noise: 0.1,
    seed: 7,
  },
  ON,
)
const READINGS = `meter,date,value,unit\n${metered.readings.map((r) => `natural-gas,${r.on},${r.value.toFixed(0)},kWh`).join('\n')}\n`
const from = Date.parse(`${metered.air.from}T00:00:00Z`)
const WEATHER = `date,temperature\n${metered.air.c.map((c, i) => `${new Date(from + i * 86_400_000).toISOString().slice(0, 10)},${c.toFixed(2)}`).join('\n')}\n`

const files = mkdtempSync(join(tmpdir(), 'bagno-verify-'))
const file = (name: string, text: string) => {
  const path = join(files, name)
  writeFileSync(path, text)
  return path
}
let browser: Browser
let close: () => Promise<void>
let page: Page
let errors: string[]
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page, errors } = await openPage(browser, 1280, 800, false))
  await page.goto(url)
  await page.waitForSelector('input[type=file]')
  await giveFiles(page, writeStudy(set))
  await page.waitForFunction(() => document.querySelector('a[href="/study/hill-town"]') !== null)
})
afterAll(async () => {
  await close()
  rmSync(files, { recursive: true, force: true })
})
const at = (where: string) => goTo(page, `${url}/study/hill-town/${where}`)
const give = async (id: string, path: string) => {
  const input = await page.waitForSelector(id)
  await (input as ElementHandle<HTMLInputElement>).uploadFile(path)
}

describe('verify', () => {
  it('a file with a wrong line is refused by its line, and nothing is taken', async () => {
    await at('verify?view=meters')
    await give('#meter-file', file('bad.csv', READINGS.replace('natural-gas,2025-03-10', 'natural-gas,2025-02-30')))
    await page.waitForFunction(() =>
      /line 3: date “?"?2025-02-30/.test(document.querySelector('[role="alert"]')?.textContent ?? ''),
    )
    expect((await keptIn(page, 'hill-town'))!.verification.meters).toEqual([])
  })

  it('a year of readings and of weather is taken, and one more is typed', async () => {
    await give('#meter-file', file('readings.csv', READINGS))
    await page.waitForSelector('[data-meter="meter-1"]')
    await give('#air-file', file('weather.csv', WEATHER))
    await page.waitForFunction(() => /728 days from/.test(document.querySelector('main')!.textContent!))
    await type(page, 'Read on', '8 Mar 2027')
    await type(page, 'Dial shows', '41200')
    await press(page, 'button', 'Save reading')
    await page.waitForSelector('[data-read="2027-03-08"]')
    await page.$eval('input[aria-label="2027-03-08: estimated"]', (box) => (box as HTMLElement).click())
    await settled(page)
    const [meter] = (await keptIn(page, 'hill-town'))!.verification.meters
    expect(meter.readings).toHaveLength(106)
    expect(meter.readings.at(-1)).toEqual({ on: '2027-03-08', value: 41200, estimated: true, exchanged: false })
  })

  it('the saving is told with its interval, as the command line tells it, and holds the truth', async () => {
    await at('verify')
    await settled(page)
    const said = await page.waitForSelector('[data-saving]')
    const [middle, low, high] = await said!.evaluate((p) => p.textContent!.match(/[−-]?[\d,]+(?= kWh)/g)!)
    const { stdout } = await bagno([
      'verify',
      file('kept.json', writeStudy((await keptIn(page, 'hill-town'))!)),
      file('again.csv', READINGS),
      '--json',
    ])
    const { saving, ambiguous } = JSON.parse(stdout) as Verified
    expect([middle, low, high].map(figure)).toEqual([saving!.middle, saving!.low, saving!.high].map(Math.round))
    expect(metered.truthKwh).toBeGreaterThan(saving!.low)
    expect(metered.truthKwh).toBeLessThan(saving!.high)
    expect(ambiguous).toBe(false)
    expect(await page.$eval('[data-verdict]', (p) => p.textContent)).toMatch(/Proved by the meter/)
  })

  it('the day of another change has no readings on one side: it says so', async () => {
    await type(page, 'Changed on', '1 Mar 2025')
    await page.waitForFunction(() => /Too few readings/.test(document.querySelector('[data-said]')!.textContent!))
    expect(await page.$('[data-saving]')).toBeNull()
    expect(errors).toEqual([])
  })

  it('a feed of intervals is a meter of its own; one with entities of its own is refused', async () => {
    await at('verify?view=meters')
    const interval = (i: number) =>
      `<IntervalReading><timePeriod><duration>86400</duration><start>${1_735_689_600 + 86_400 * i}</start></timePeriod><value>9000</value></IntervalReading>`
    const feed = `<?xml version="1.0"?><feed xmlns="http://naesb.org/espi"><ReadingType><commodity>1</commodity><uom>72</uom></ReadingType><IntervalBlock>${Array.from({ length: 30 }, (_, i) => interval(i)).join('')}</IntervalBlock></feed>`
    await give('#meter-file', file('bomb.xml', feed.replace('<feed', '<!DOCTYPE x [<!ENTITY a "b">]><feed')))
    await page.waitForFunction(() =>
      /document type of its own/.test(document.querySelector('[role="alert"]')?.textContent ?? ''),
    )
    await give('#meter-file', file('feed.xml', feed))
    await page.waitForSelector('section[aria-label="Electricity, by intervals"]')
    await settled(page)
    const { meters } = (await keptIn(page, 'hill-town'))!.verification
    expect(meters.map((m) => [m.of, m.readings.length])).toEqual([
      ['natural-gas', 106],
      ['electricity', 31],
    ])
  })

  it('weeks on and off are planned, stand in the calendar, and go with their meter', async () => {
    await at('verify?view=weeks')
    await press(page, 'button', 'Plan weeks on and off')
    await type(page, 'Begins on', '4 Jan 2027')
    await page.waitForFunction(() => document.querySelectorAll('[data-block]').length === 8)
    await page.waitForFunction(() =>
      /[0-9] of 8 read at both ends/.test(document.querySelector('[data-verdict]')!.textContent!),
    )
    await settled(page)
    const kept = file('planned.json', writeStudy((await keptIn(page, 'hill-town'))!))
    const { stdout } = await bagno(['ical', kept, '--zone', 'Europe/Vienna', '--from', '2027-01-01'])
    expect(stdout.replace(/\r\n /g, '')).toContain('SUMMARY:Circulation off\\; read the meter: Natural gas')
    await at('verify?view=meters')
    await press(page, 'button', 'Remove meter: Natural gas')
    await page.waitForFunction(() => document.querySelectorAll('[data-meter]').length === 1)
    await settled(page)
    expect((await keptIn(page, 'hill-town'))!.verification.protocol).toBeNull()
    expect(errors).toEqual([])
  })
})
