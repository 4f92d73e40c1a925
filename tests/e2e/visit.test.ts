import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import ICAL from 'ical.js'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { localDay } from '../../app/utils/local-iso'
import { dayAfter } from '../../core/calendar/days'
import { hillTown } from '../../core/demos/hill-town'
import { edited } from '../../core/study/edited'
import { meteredYears } from '../../proof/bills'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import {
  choose,
  figure,
  goTo,
  handedOver,
  lookAtRelief,
  openDemo,
  openHeaters,
  paperOf,
  press,
  printed,
  takeReading,
  type,
} from './hand'

/** A visit from the first setting to the proof a year later, all of it in the browser: nothing is put into the study by hand. */
const url = inject('url')
const HOUSE = 'hill-town'
/** The day of the visit is today, whichever it is; the meter is read for a year on both sides of it. */
const ON = localDay()
const lower = edited(hillTown, (s) => void (s.controls.found.heaters.boiler.setpointC = 60))
const metered = meteredYears(
  { before: hillTown, after: lower, carrier: 'natural-gas', heatingPerK: 0, balanceC: 15, noise: 0.05, seed: 11 },
  ON,
)
const last = metered.readings.at(-1)!
/** After the year the circulation runs in every second week. */
const WEEKS = 8
const alternated = Array.from({ length: WEEKS }, (_, i) => i).reduce(
  (all, i) => [...all, { on: dayAfter(all.at(-1)!.on, 7), value: all.at(-1)!.value + (i % 2 ? 210 : 70) }],
  [last] as { on: string; value: number }[],
)
const csvOf = (readings: readonly { on: string; value: number }[]) =>
  `meter,date,value,unit\n${readings.map((r) => `natural-gas,${r.on},${r.value.toFixed(2)},kWh`).join('\n')}\n`
const seconds = (day: string) => Date.parse(`${day}T00:00:00Z`) / 1000
/** The same weeks as a feed of a utility: gas by intervals, Wh. */
const ESPI = `<?xml version="1.0"?><feed xmlns="http://www.w3.org/2005/Atom" xmlns:espi="http://naesb.org/espi"><entry><content><espi:ReadingType><espi:commodity>7</espi:commodity><espi:flowDirection>1</espi:flowDirection><espi:powerOfTenMultiplier>0</espi:powerOfTenMultiplier><espi:uom>72</espi:uom></espi:ReadingType></content></entry><entry><content><espi:IntervalBlock>${metered.readings
  .slice(1)
  .map((r, i) => {
    const before = metered.readings[i]
    return `<espi:IntervalReading><espi:timePeriod><espi:duration>${7 * 86_400}</espi:duration><espi:start>${seconds(before.on)}</espi:start></espi:timePeriod><espi:value>${Math.round(1000 * (r.value - before.value))}</espi:value></espi:IntervalReading>`
  })
  .join('')}</espi:IntervalBlock></content></entry></feed>`
const WEATHER = `date,temperature\n${metered.air.c.map((c, i) => `${dayAfter(metered.air.from, i)},${c.toFixed(2)}`).join('\n')}\n`

const files = mkdtempSync(join(tmpdir(), 'bagno-visit-'))
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
  await openDemo(page, url, HOUSE)
})
afterAll(async () => {
  await close()
  rmSync(files, { recursive: true, force: true })
})
const at = (where: string) => goTo(page, `${url}/study/${HOUSE}/${where}`)
const give = async (id: string, path: string) => {
  const input = await page.waitForSelector(id)
  await (input as ElementHandle<HTMLInputElement>).uploadFile(path)
}
const open = async () => {
  await settled(page)
  await at('handover')
  await page.waitForSelector('section[aria-label="Complete the visit"]')
  await settled(page)
  return page.$$eval('[data-open]', (all) => all.map((li) => (li as HTMLElement).dataset.open!))
}
/** Goes from an open item to where it is closed, as its link does. */
async function seeTo(id: string) {
  await at('handover')
  const link = await page.waitForSelector(`[data-open="${id}"] a`)
  const goal = await link!.evaluate((a) => {
    ;(a as HTMLAnchorElement).click()
    return (a as HTMLAnchorElement).pathname
  })
  await page.waitForFunction((to) => location.pathname === to, {}, goal)
}
/** The control of a label within one of several like it; null: it has none of that label. */
async function within(box: string, label: string): Promise<ElementHandle | null> {
  const handle = await page.evaluateHandle(
    (where, name) => {
      const all = Array.from(document.querySelectorAll<HTMLLabelElement>(`${where} label`))
      return all.find((l) => l.textContent.trim() === name)?.control ?? null
    },
    box,
    label,
  )
  return handle.asElement() as ElementHandle | null
}
async function put(box: string, label: string, text: string) {
  const field = await within(box, label)
  await field?.focus()
  if (!field) return
  await page.keyboard.type(text)
  await page.keyboard.press('Tab')
}
describe('a visit', () => {
  it('begins with a setting, which opens what has to be read again', async () => {
    await settled(page)
    await type(page, 'Engineer', 'Ada Quill')
    await type(page, 'Setpoint', '60')
    const ids = await open()
    for (const id of ['scald', 'relief', 'combustion-boiler', 'store-connections', 'again-tap-temperature'])
      expect(ids).toContain(id)
  })

  it('its open items are closed one by one, each where its link leads', async () => {
    const closed = async (id: string) => expect(await open()).not.toContain(id)
    await seeTo('relief')
    await page.waitForSelector('h2::-p-text(Cylinder)')
    await lookAtRelief(page)
    await closed('relief')

    await seeTo('scald')
    // Behind a mixing valve at the cylinder the circulation would grow legionella: each outlet has its own.
    await choose(page, 'Thermostatic mixing valve', 'no')
    await at('survey?at=taps')
    await page.waitForSelector('[data-tap]')
    for (const { id } of hillTown.pipes.taps) {
      const valve = await within(`[data-tap="${id}"]`, 'Thermostatic mixing valve at the outlet')
      await valve!.select('1')
      await page.waitForFunction(
        (t) => /TMV setting/.test(document.querySelector(`[data-tap="${t}"]`)!.textContent),
        {},
        id,
      )
      await put(`[data-tap="${id}"]`, 'TMV setting', '43')
      await put(`[data-tap="${id}"]`, 'Last fail-safe test', ON)
    }
    await closed('scald')

    await seeTo('store-connections')
    await choose(page, 'Heat traps, or pipes that fall first', 'yes')
    await choose(page, 'Cold inlet at the', 'bottom')
    await closed('store-connections')

    await seeTo('combustion-boiler')
    await openHeaters(page)
    await choose(page, 'Flue', 'room-sealed')
    await choose(page, 'Flue material', 'plastic')
    await choose(page, 'Carbon monoxide alarm, tested', 'yes')
    await type(page, 'Last service', dayAfter(ON, -30))
    await closed('combustion-boiler')

    await seeTo('again-tap-temperature')
    await takeReading(page, 'Hot water temperature at an outlet')
    await choose(page, 'Outlet', 'Kitchen sink')
    await type(page, 'Hot water', '42.5')
    await type(page, 'Time of reading', `${dayAfter(ON, 1)} 09:00`)
    await press(page, 'button', 'Save to log')
    await closed('again-tap-temperature')
  })

  it('tests are added, done and passed, and the visit is completed', async () => {
    await at('handover?view=tests')
    await press(page, 'button', 'Add these tests')
    const ids = (await open()).filter((id) => id.startsWith('test-'))
    expect(ids.length).toBeGreaterThan(1)
    for (const id of ids) {
      await seeTo(id)
      const card = `[data-test="${id.slice('test-'.length)}"]`
      await page.waitForSelector(card)
      await put(card, 'Read', '52')
      await put(card, 'Took', '5')
      await page.waitForFunction((c) => /passed/.test(document.querySelector(c)!.textContent!), {}, card)
      expect(await open()).not.toContain(id)
    }
    // Nothing is left but what comes back each year.
    expect((await open()).filter((id) => !id.includes('@'))).toEqual([])
    await press(page, 'button', 'Mark as complete')
    await page.waitForFunction(() =>
      /Completed on/.test(document.querySelector('section[aria-label="Complete the visit"]')!.textContent!),
    )
    await settled(page)
    expect((await keptIn(page, HOUSE))!.finishedOn).toBe(ON)
  })

  it('the settings sheet is printed, the report written, the calendar exported', async () => {
    await at('handover?view=sheet')
    const sheet = (await printed(browser, await paperOf(page))).text
    expect(sheet).toMatch(/Condensing boiler 60\.0 °C/)
    expect(sheet).toMatch(/Ada Quill/)
    await at('handover?view=report')
    await press(page, 'button', 'Write the report')
    const report = (await printed(browser, await paperOf(page))).text
    for (const part of [/What was set/, /Hot water temperature at an outlet, Kitchen sink/, /Appendix/])
      expect(part.test(report), String(part)).toBe(true)
    await at('set?view=entries')
    await type(page, 'Time zone of the household', 'Europe/Vienna')
    const text = await handedOver(page, 'section[aria-label="Calendar and schedules as files"] button:nth-of-type(1)')
    ICAL.design.strict = true
    const calendar = new ICAL.Component(ICAL.parse(text) as never)
    const titles = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e).summary)
    expect(titles).toEqual(expect.arrayContaining(['Review of the visit', 'Service: Condensing boiler']))
  })

  it('a year later the meter proves the saving, by separated values and by a feed alike', async () => {
    await at('verify?view=meters')
    await give('#meter-file', file('readings.csv', csvOf(metered.readings)))
    await page.waitForSelector('section[aria-label="Natural gas"]')
    await give('#meter-file', file('feed.xml', ESPI))
    await page.waitForSelector('section[aria-label="Natural gas, by intervals"]')
    await give('#air-file', file('weather.csv', WEATHER))
    await page.waitForFunction(() => /728 days from/.test(document.querySelector('main')!.textContent!))
    await settled(page)
    await at('verify')
    const said = async () => {
      await settled(page)
      const text = await (await page.waitForSelector('[data-saving]'))!.evaluate((p) => p.textContent!)
      return text.match(/[−-]?[\d,]+(?= kWh)/g)!.map(figure)
    }
    const byCsv = await said()
    expect(byCsv[1]).toBeLessThan(metered.truthKwh)
    expect(byCsv[2]).toBeGreaterThan(metered.truthKwh)
    expect(await page.$eval('[data-verdict]', (p) => p.textContent)).toMatch(/Proved by the meter/)
    await choose(page, 'Meter', 'Natural gas, by intervals')
    const byFeed = await said()
    expect(Math.abs(byFeed[0] - byCsv[0])).toBeLessThan(0.02 * Math.abs(byCsv[0]))
  })

  it('weeks on and off are planned, read at both ends, and told apart', async () => {
    await at('verify?view=meters')
    await give('#meter-file', file('weeks.csv', csvOf(alternated.slice(1))))
    await page.waitForFunction((n) => document.body.textContent.includes(`${n} readings taken`), {}, WEEKS)
    await at('verify?view=weeks')
    await press(page, 'button', 'Plan weeks on and off')
    await type(page, 'Begins on', last.on)
    await page.waitForFunction(() =>
      /Told apart by the meter/.test(document.querySelector('[data-verdict]')!.textContent!),
    )
    const text = await page.$eval(
      'section[aria-label="Result of weeks on and off"] [data-saving]',
      (p) => p.textContent!,
    )
    // 20 kWh a day between a week on and a week off.
    expect(figure(/[\d,]+(?= kWh)/.exec(text)![0])).toBeCloseTo(365 * 20, -1)
    expect(errors).toEqual([])
  })
})
