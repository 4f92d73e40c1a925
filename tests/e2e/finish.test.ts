import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { choose, goTo, named, openDemo, openHeaters, press, type } from './hand'

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

const inTheWay = () =>
  page.$$eval('section[aria-label="Complete the visit"] li', (all) => all.map((li) => li.textContent!.trim()))
const finish = () => page.waitForSelector(named('button', 'Mark as complete'))
const survey = async (demo: string, at = '') => {
  await page.goto(`${url}/study/${demo}/survey${at}`)
  await settled(page)
  if (at.endsWith('at=heater')) await openHeaters(page)
}

describe('the end of a visit', () => {
  it('is never offered while what stands in the way is not known yet', async () => {
    const fresh = (await openPage(browser, 1280, 800, false)).page
    await fresh.evaluateOnNewDocument(() => {
      const seen = window as unknown as { offered: number; looked: number }
      seen.offered = seen.looked = 0
      const look = () => {
        const button = Array.from(document.querySelectorAll('button')).find((b) =>
          /Mark as complete/.test(b.textContent),
        )
        if (button) seen.looked++
        if (button && !button.disabled) seen.offered++
        requestAnimationFrame(look)
      }
      look()
    })
    await fresh.goto(`${url}/demo/mountain-refuge`)
    await fresh.waitForFunction(() => /Cannot be completed/.test(document.body?.textContent ?? ''))
    const { offered, looked } = await fresh.evaluate(() => {
      const { offered, looked } = window as unknown as { offered: number; looked: number }
      return { offered, looked }
    })
    expect(looked).toBeGreaterThan(0)
    expect(offered).toBe(0)
    await fresh.close()
  })

  it('is refused while a fire’s relief and pipes were not looked at, and for every danger', async () => {
    await openDemo(page, url, 'mountain-refuge')
    await survey('mountain-refuge')
    await page.waitForSelector('section[aria-label="Complete the visit"] li')
    expect(await inTheWay()).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^Relief valve and its discharge/),
        expect.stringMatching(/^Cylinder overheats/),
      ]),
    )
    expect(await (await finish())!.evaluate((b) => (b as HTMLButtonElement).disabled)).toBe(true)
    await survey('mountain-refuge', '?at=store')
    await choose(page, 'T&P probe at top of cylinder', 'yes')
    for (const label of [
      'Discharge pipe not smaller than valve outlet',
      'Discharge pipe falls continuously',
      'Termination open and visible',
      'Drain can take the discharge',
      'Discharge guarded: lid, guard or out of reach',
    ])
      await choose(page, label, 'yes')
    await survey('mountain-refuge', '?at=heater')
    await choose(page, 'Isolating valve on its pipes', 'yes')
    await survey('mountain-refuge')
    await page.waitForFunction(() =>
      /Isolating valve between stove/.test(
        document.querySelector('section[aria-label="Complete the visit"]')!.textContent!,
      ),
    )
    const left = (await inTheWay()).join('; ')
    expect(left).toMatch(/Isolating valve between stove and cylinder.*Danger/)
    expect(left).toMatch(/Carbon monoxide.*Not checked/)
    expect(left).not.toMatch(/Relief valve and its discharge/)
  })

  it('is marked with its day where nothing stands against it, is kept, and can be taken back', async () => {
    await openDemo(page, url, 'duplex')
    await survey('duplex')
    await page.waitForSelector('section[aria-label="Complete the visit"] li')
    expect((await inTheWay()).map((t) => t.replace(/(Danger|Not checked)$/, ''))).toEqual([
      'Scald risk at fixtures, mixing valve not checked',
      'Relief valve and its discharge',
      'Carbon monoxide at Burner under the tank',
    ])
    expect(await (await finish())!.evaluate((b) => (b as HTMLButtonElement).disabled)).toBe(true)
    await survey('duplex', '?at=heater')
    await choose(page, 'Flue', 'room-sealed')
    await choose(page, 'Carbon monoxide alarm, tested', 'yes')
    await survey('duplex', '?at=store')
    await choose(page, 'Thermostatic mixing valve', 'yes')
    await type(page, 'Mixing valve setting', '111')
    await choose(page, 'Relief valve', 'yes')
    await choose(page, 'T&P probe at top of tank', 'yes')
    await choose(page, 'Discharge ends in a safe place', 'yes')
    for (const label of [
      'Discharge pipe not smaller than valve outlet',
      'Discharge pipe falls continuously',
      'Termination open and visible',
      'Drain can take the discharge',
      'Discharge guarded: lid, guard or out of reach',
    ])
      await choose(page, label, 'yes')
    await survey('duplex')
    await page.waitForSelector('section[aria-label="Complete the visit"] li')
    // One answer is still out.
    expect((await inTheWay()).map((t) => t.replace(/(Danger|Not checked)$/, ''))).toHaveLength(1)
    await survey('duplex', '?at=store')
    await choose(page, 'Shut-off valve before the relief valve', 'no')
    await survey('duplex')
    await page.waitForFunction(() =>
      /No safety check fails/.test(document.querySelector('section[aria-label="Complete the visit"]')!.textContent!),
    )
    await press(page, 'button', 'Mark as complete')
    await page.waitForFunction(() => /Completed on \d{4}-\d\d-\d\d/.test(document.body.textContent!))
    await page.reload()
    await settled(page)
    await page.waitForFunction(() => /Completed on \d{4}-\d\d-\d\d/.test(document.body.textContent!))
    expect((await keptIn(page, 'duplex'))!.finishedOn).toMatch(/^\d{4}-\d\d-\d\d$/)
    await press(page, 'button', 'Reopen visit')
    await finish()
    expect(errors).toEqual([])
  })
})

describe('a maker’s curve', () => {
  it('is typed point by point and held against what the output makes of it', async () => {
    await openDemo(page, url, 'harbour-flat')
    await survey('harbour-flat', '?at=heater')
    const add = (await page.waitForSelector(named('button', 'Add point')))!
    expect(await add.evaluate((b) => (b as HTMLButtonElement).disabled)).toBe(true)
    await type(page, 'New point: temperature rise', '30')
    await type(page, 'New point: flow', '12')
    await press(page, 'button', 'Add point')
    await page.waitForFunction(() =>
      /% above/.test(document.querySelector('section[aria-label="Manufacturer’s flow curve"]')!.textContent!),
    )
    const heater = (await keptIn(page, 'harbour-flat'))!.plant.heaters[0]!
    expect('makerFlow' in heater && heater.makerFlow).toEqual([{ riseK: 30, lMin: 12 }])
    await page.waitForFunction(() => /Manufacturer’s curve and rated output disagree/.test(document.body.textContent!))
    expect(errors).toEqual([])
  })
})

describe('what was set', () => {
  it('is in the register and in the log whatever it is, a hot run and a clock among it', async () => {
    await openDemo(page, url, 'hill-town')
    await settled(page)
    const register = (path: string) =>
      page.$eval(`[data-setting="${path}"]`, (row) =>
        Array.from(row.querySelectorAll('td'))
          .slice(1, 4)
          .map((cell) => cell.textContent!.trim()),
      )
    expect(await page.$('[data-setting="heaters.boiler.pasteurisation"]')).toBeNull()
    await page.$$eval('summary', (all) =>
      all.find((s) => /Holiday, pasteurisation cycle/.test(s.textContent!))!.scrollIntoView({ block: 'center' }),
    )
    await page.$$eval('summary', (all) =>
      all.find((s) => /Holiday, pasteurisation cycle/.test(s.textContent!))!.click(),
    )
    await page.$$eval('label', (all) => all.find((l) => /weekly pasteurisation cycle/i.test(l.textContent!))!.click())
    await page.waitForSelector('[data-setting="heaters.boiler.pasteurisation"]')
    expect(await register('heaters.boiler.pasteurisation')).toEqual([
      'Pasteurisation cycle',
      'none',
      'Sunday 03:00, 65.0 °C held 30 min',
    ])
    await goTo(page, `${url}/study/hill-town/set?view=controllers`)
    await type(page, 'Clock offset (+ = fast)', '20')
    await goTo(page, `${url}/study/hill-town/set`)
    await page.waitForSelector('[data-setting="clocks.controller-1.aheadMin"]')
    await page.waitForFunction(() =>
      document.querySelector('[data-setting="clocks.controller-1.aheadMin"]')!.textContent!.includes('20 min'),
    )
    const logged = await page.$$eval('[data-logged]', (all) => all.map((li) => li.textContent!))
    expect(logged.join(' ')).toMatch(/Pasteurisation cycle of Condensing boiler: none to Sunday 03:00/)
    await press(page, 'button', 'Restore: Pasteurisation cycle of Condensing boiler')
    await page.waitForFunction(() => !document.querySelector('[data-setting="heaters.boiler.pasteurisation"]'))
    await press(page, 'button', 'Restore all as found')
    await page.waitForFunction(() => /No changes/.test(document.body.textContent))
    expect(errors).toEqual([])
  })

  it('stands in a log by day, one line for a setting that was moved to and fro', async () => {
    await openDemo(page, url, 'duplex')
    await settled(page)
    const before = (await keptIn(page, 'duplex'))!
    await type(page, 'Setpoint', '121')
    await type(page, 'Setpoint', '118')
    await page.waitForSelector('[data-logged]')
    const lines = await page.$$eval('[data-logged]', (all) => all.map((li) => li.textContent!.trim()))
    expect(lines).toHaveLength(1)
    expect(lines[0]).toMatch(/^\d{4}-\d\d-\d\d Setpoint of .*: \d+ °F to 118 °F$/)
    const kept = (await keptIn(page, 'duplex'))!
    expect(kept.controls.changes).toHaveLength(before.controls.changes.length + 1)
    await press(page, 'button', 'Restore all as found')
    await page.waitForFunction(() => document.querySelector('[data-logged]') === null)
    expect(errors).toEqual([])
  })
})
