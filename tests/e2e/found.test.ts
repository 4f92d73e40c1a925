import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { choose, finding, goTo, handedOver, openDemo, press, takeReading, type } from './hand'

/** What is found at the boxes of a household and on the heating side: each answer moves a finding, a reminder or a paper. */
const url = inject('url')
const HOUSE = 'hill-town'
let browser: Browser
let close: () => Promise<void>
let page: Page
let errors: string[]
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page, errors } = await openPage(browser, 1280, 800, false))
  await openDemo(page, url, HOUSE)
})
afterAll(() => close())
const at = (where: string) => goTo(page, `${url}/study/${HOUSE}/${where}`)
/** What stands among the findings once the year stands. */
async function stands(...ids: string[]) {
  await settled(page)
  await at('survey')
  for (const id of ids) await finding(page, id)
}
describe('at the appliance', () => {
  it('an old cylinder, a valve that shuts the return, and water that is not for drinking are told', async () => {
    await at('survey?at=store')
    await type(page, 'Year on its plate', '1998')
    await at('survey?at=loop')
    await choose(page, 'Pump is', 'built into the appliance')
    await page.waitForSelector('svg[aria-label="Set for no circulation: return shut off"]')
    await choose(page, 'Internal valve of the appliance', 'set for no circulation')
    await at('survey?at=main')
    await choose(page, 'Drinking water', 'no')
    await stands('old-cylinder', 'return-valve', 'not-potable')
  })

  it('a setpoint as it left the factory, and a sign that is not understood', async () => {
    await at('set?view=others')
    await type(page, 'Factory setpoint, Condensing boiler', '65')
    await press(page, 'button', 'Add a setting')
    await choose(page, 'Kind', 'unexplained sign')
    await type(page, 'Setting', 'snowflake')
    await type(page, 'Found', 'lit')
    await stands('as-delivered-boiler', 'unexplained-own-1')
    await at('set?view=others')
    await type(page, 'What else it moves', 'frost protection of the flow')
    await settled(page)
    await at('survey')
    await finding(page, 'unexplained-own-1', false)
  })

  it('a mode dial is put back twice a year: the calendar says so', async () => {
    await at('set?view=others')
    await press(page, 'button', 'Add a setting')
    await page.waitForFunction(() => document.querySelectorAll('[data-own]').length === 2)
    const last = (await page.$$('[data-own] select')).at(-1)!
    await last.select('mode dial')
    await settled(page)
    await at('set?view=entries')
    await page.waitForSelector('section[aria-label="Calendar and schedules as files"] button')
    const calendar = (
      await handedOver(page, 'section[aria-label="Calendar and schedules as files"] button:nth-of-type(1)')
    ).replace(/\r\n /g, '')
    expect(calendar).toContain('SUMMARY:Heating season ends: mode and flow')
    expect(calendar).toContain('SUMMARY:Check the clock: Controller')
  })
})

describe('at a controller', () => {
  it('an app without a holder; a plug-in timer without a rating stands in the way of finishing', async () => {
    await at('set?view=controllers')
    await choose(page, 'Operated', 'app')
    await stands('account-controller-1')
    await at('set?view=controllers')
    await choose(page, 'Operated', 'plug-in timer')
    await settled(page)
    await at('survey')
    await finding(page, 'account-controller-1', false)
    await finding(page, 'timer-permitted-controller-1-boiler')
    await page.waitForFunction(() =>
      /Cannot be completed/.test(document.querySelector('section[aria-label="Complete the visit"]')!.textContent!),
    )
  })

  it('a clock that is off by more at the next visit drifts', async () => {
    await at('measure')
    for (const [minutes, day] of [
      ['2', '02.03.2026 10:00'],
      ['26', '02.09.2026 10:00'],
    ] as const) {
      await takeReading(page, 'Controller clock')
      await type(page, 'Clock offset (+ = fast)', minutes)
      await type(page, 'Time of reading', day)
      await press(page, 'button', 'Save to log')
      await page.waitForFunction(() => !document.querySelector('section[aria-label="Controller clock"]'))
    }
    expect((await keptIn(page, HOUSE))!.readings.filter((r) => r.kind === 'clock')).toHaveLength(2)
    await stands('clock-drifts-controller-1')
  })

  it('a fault code that comes back is counted', async () => {
    await at('measure')
    for (const code of ['E 28', 'E 28, again']) {
      await takeReading(page, 'Event or change')
      await page.$eval('section[aria-label="Event or change"] select', (field) => {
        const select = field as HTMLSelectElement
        select.value = Array.from(select.options).find((o) => o.text.trim() === 'fault code')!.value
        select.dispatchEvent(new Event('change', { bubbles: true }))
      })
      await type(page, 'Note', code)
      await press(page, 'button', 'Save to log')
      await page.waitForFunction(() => !document.querySelector('section[aria-label="Event or change"]'))
    }
    await stands('repeated-fault-code')
  })
})

describe('on the heating side', () => {
  it('a covered radiator, and the filling of a solid-fuel circuit that was left open', async () => {
    await at('set?view=heating')
    await press(page, 'button', 'Look at the heating')
    await press(page, 'button', 'Add a radiator')
    await page.waitForSelector('[data-radiator="radiator-1"]')
    await type(page, 'Room', 'Hall')
    await choose(page, 'Clear', 'covered')
    await press(page, 'button', 'Solid-fuel circuit')
    await choose(page, 'Filling shut again', 'no')
    await stands('radiators-covered', 'filling-open-solid fuel')
  })

  it('goes wrong nowhere', () => expect(errors).toEqual([]))
})
