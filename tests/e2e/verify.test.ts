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
import type { Refit } from '../../core/verification/refit'
import type { Verified } from '../../core/verification/saving'
import { meteredYears } from '../../proof/bills'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { choose, figure, giveFiles, goTo, press, type } from './hand'

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

  it('a bill is taken apart, and its price goes into the study with its day', async () => {
    await at('verify?view=bills')
    await choose(page, 'Meter', 'Natural gas')
    const enter = async (first: string, last: string, money: string) => {
      await type(page, 'First day', first)
      await type(page, 'Last day', last)
      await type(page, 'Bill in all', money)
      await type(page, 'Of it standing charge', '30')
      await press(page, 'button', 'Save bill')
    }
    const total = (a: string, b: string) =>
      metered.readings.find((r) => r.on === b)!.value - metered.readings.find((r) => r.on === a)!.value
    const money = (kwh: number, price: number) => (30 + Math.round(kwh) * price).toFixed(2)
    await enter('2025-03-31', '2025-06-30', money(total('2025-03-31', '2025-06-30'), 0.1))
    await page.waitForSelector('[data-bill="bill-1"]')
    await type(page, 'Last day', '2025-01-01')
    await page.waitForFunction(() =>
      /must be after the first/.test(document.querySelector('[role="alert"]')!.textContent),
    )
    await enter('2026-03-30', '2026-06-29', money(total('2026-03-30', '2026-06-29'), 0.15))
    await page.waitForSelector('[data-bill="bill-2"] [data-change]')
    const change = await page.$eval('[data-bill="bill-2"] [data-change]', (p) => p.textContent)
    // Less was used, and each unit was dearer.
    expect(change).toMatch(/of it −€[\d.]+ by use, \+€[\d.]+ by price, €0\.00 standing charge/)
    expect(await page.$eval('[data-bill="bill-2"] [data-doubt]', (p) => p.textContent)).toMatch(
      /The study has 0\.112 EUR\/kWh, this bill 0\.150 EUR\/kWh/,
    )
    await press(page, 'button', 'Take the price of the last bill')
    await page.waitForFunction(() => document.querySelector('[data-bill="bill-2"] [data-doubt]') === null)
    await settled(page)
    const gas = (await keptIn(page, 'hill-town'))!.prices.carriers['natural-gas']!
    expect(gas.price).toBeCloseTo(0.15, 3)
    expect(gas.asOf).toBe('2026-06-29')
  })

  it('the study is held against the meter as the command line does, and what moved is worked out until stopped', async () => {
    await at('verify?view=next')
    await page.waitForFunction(() =>
      /Say what else this meter counts/.test(document.querySelector('[data-missing]')?.textContent ?? ''),
    )
    await type(page, 'Other use on this meter, a year', '0')
    await page.waitForSelector('[data-refit]')
    await settled(page)
    const said = await page.$eval('[data-refit]', (ul) => ul.textContent)
    const { stdout } = await bagno([
      'verify',
      file('next.json', writeStudy((await keptIn(page, 'hill-town'))!)),
      file('same.csv', READINGS),
      '--others',
      '0',
      '--json',
    ])
    const { refit } = JSON.parse(stdout) as { refit: Refit }
    expect(figure(/this meter: ([\d,]+) kWh/.exec(said)![1])).toBe(Math.round(refit.hotWater.middle))
    expect(figure(/this meter counts ([\d,]+) kWh/.exec(said)![1])).toBe(Math.round(refit.next.middle))
    expect(refit.hotWater.low).toBeLessThan(refit.calculated)
    expect(refit.hotWater.high).toBeGreaterThan(refit.calculated)
    await press(page, 'button', 'Work out what moved')
    // Enough samples to say something, and no more are needed to see that it can be stopped.
    await page.waitForSelector('[data-narrowed]', { timeout: 120_000 })
    await press(page, 'button', 'Stop')
    expect(await page.$eval('[data-narrowed]', (ul) => ul.textContent)).toMatch(/narrowed to this meter: [\d,]+ kWh to/)
    expect(errors).toEqual([])
  })

  it('days away are kept, and taken back', async () => {
    await at('verify?view=meters')
    await type(page, 'Away from', '1 Aug 2026')
    await type(page, 'Away until', '14 Aug 2026')
    await press(page, 'button', 'Save days away')
    await page.waitForSelector('[data-away]')
    await settled(page)
    expect((await keptIn(page, 'hill-town'))!.verification.away).toEqual([{ from: '2026-08-01', to: '2026-08-14' }])
    await press(page, 'button', 'Remove days away from 1 Aug 2026')
    await page.waitForFunction(() => document.querySelector('[data-away]') === null)
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
