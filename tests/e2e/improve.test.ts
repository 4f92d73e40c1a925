import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import type { Comparison } from '../../core/views/compare'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { addMeasure, choose, goTo, named, openDemo, press, type } from './hand'
import { told } from './told'

const url = inject('url')
let browser: Browser
let close: () => Promise<void>
let page: Page
let errors: string[]
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page, errors } = await openPage(browser, 1280, 800, false))
  await openDemo(page, url, 'hill-town')
  await settled(page)
})
afterAll(() => close())
const compared = () =>
  page.waitForFunction(
    () =>
      document.querySelector('[data-package-change]') !== null &&
      [...Array.from(document.querySelectorAll('[data-figure="Last in"]'))].every((d) => d.textContent !== '…'),
    { timeout: 60_000 },
  )
/** A figure on the line of a measure. */
const onLine = (kind: string, name: string) =>
  page.$eval(`[data-measure="${kind}"] [data-figure="${name}"]`, (d) => d.textContent!.trim())
const openLine = async (kind: string) => {
  const button = (await page.waitForSelector(`[data-measure="${kind}"] button[aria-expanded]`))!
  await button.evaluate((e) => e.scrollIntoView({ block: 'center' }))
  if ((await button.evaluate((b) => b.getAttribute('aria-expanded'))) === 'false') await button.click()
}

describe('a package of measures', () => {
  it('is built by search, a drain unit and a heat pump in it, and says what each saves as the command line does', async () => {
    await goTo(page, `${url}/study/hill-town/improve`)
    await settled(page)
    await press(page, 'button', 'Package')
    await type(page, 'Name of the package', 'The whole way')
    for (const words of ['insulate', 'drain', 'outlet flow', 'heat pump replacement']) await addMeasure(page, words)
    await settled(page)
    await compared()
    const { packages } = await told<Comparison>(page, 'hill-town', 'compare')
    const pack = packages.at(-1)!
    expect(pack.measures).toHaveLength(4)
    const kinds = ['insulate-runs', 'drain-recovery', 'tap-flow', 'heat-source']
    for (const [i, kind] of kinds.entries()) {
      const [alone, last] = [pack.measures[i]!.alone.cost, pack.measures[i]!.lastIn.cost]
      for (const [name, money] of [
        ['Stand-alone saving', alone],
        ['Last-in saving', last],
      ] as const)
        if (Math.abs(money) >= 10)
          expect(Number((await onLine(kind, name)).replace('−', '-').replace(/[€,]/g, ''))).toBe(Math.round(money))
      // Nobody has asked what it costs: it pays nothing back.
      expect(await onLine(kind, 'Cost')).toBe('not priced')
      expect(await onLine(kind, 'Simple payback')).toBe('not priced')
      expect(pack.measures[i]!.costMoney).toBeNull()
    }
    expect(pack.measures[1]!.parts.map((p) => p.key)).toContain('drain unit upright')
    expect(errors).toEqual([])
  })

  it('costs what its parts cost once all of them are known, and pays back then', async () => {
    await openLine('tap-flow')
    await type(page, 'Each, EUR', '24')
    await page.waitForFunction(
      () => document.querySelector('[data-measure="tap-flow"] [data-figure="Cost"]')!.textContent!.trim() === '€24',
    )
    await compared()
    expect(await onLine('tap-flow', 'Simple payback')).toMatch(/^\d.* years$|never/)
    expect(await page.$eval('section[aria-label="Annual change"]', (s) => s.textContent)).toMatch(
      /not fully priced, simple payback: not priced/,
    )
  })

  it('compares A, B and C on the house’s own draws', async () => {
    await openLine('drain-recovery')
    const saves = () =>
      page.$$eval('[data-connection]', (all) =>
        all.map((b) => Number(/saves €([\d.,]+)/.exec(b.textContent!)?.[1]?.replace(',', '') ?? NaN)),
      )
    await page.waitForFunction(
      () =>
        Array.from(document.querySelectorAll('[data-connection]')).filter((b) => /saves/.test(b.textContent!))
          .length === 3,
      { timeout: 60_000 },
    )
    const [a, b, c] = await saves()
    expect(a).toBeGreaterThan(b!)
    expect(a).toBeGreaterThan(c!)
    expect(Math.min(b!, c!)).toBeGreaterThan(0)
    await (await page.waitForSelector('[data-connection="B"]'))!.click()
    await page.waitForFunction(
      () => document.querySelector('[data-connection="B"]')!.getAttribute('aria-checked') === 'true',
    )
    const kept = (await keptIn(page, 'hill-town'))!.packages.at(-1)!.measures[1]!
    expect(kept.kind === 'drain-recovery' && kept.recovery.connection).toBe('B')
    expect(
      await page.$eval(
        '[data-measure="drain-recovery"]',
        (l) => l.textContent!.match(/Not checked: [^.]*not checked/)?.[0],
      ),
    ).toMatch(/not checked/)
  })
})

describe('moving the heater', () => {
  it('is found by what it does, saves what the command line says, and is refused for more metres than there are', async () => {
    await goTo(page, `${url}/study/hill-town/improve`)
    await settled(page)
    await press(page, 'button', 'Package')
    await addMeasure(page, 'nearer')
    await compared()
    const [moved] = (await told<Comparison>(page, 'hill-town', 'compare')).packages.at(-1)!.measures
    expect(moved!.alone.cost).toBeGreaterThan(0)
    const shown = await onLine('move-heater', 'Stand-alone saving')
    if (moved!.alone.cost >= 10) expect(Number(shown.replace(/[€,]/g, ''))).toBe(Math.round(moved!.alone.cost))
    await openLine('move-heater')
    await type(page, 'Moved nearer to the outlets by', '150')
    await page.waitForFunction(() =>
      /Moved by more than the run length/.test(document.querySelector('[data-measure="move-heater"]')!.textContent!),
    )
    await press(page, 'button', 'Undo')
    await settled(page)
  })
})

describe('sizes', () => {
  it('do not fit while the main is not looked at, and an electric heater is refused for its amps', async () => {
    await goTo(page, `${url}/study/hill-town/survey?at=heater`)
    await settled(page)
    await type(page, 'Main fuse', '63')
    await type(page, 'Voltage (phase to phase, or single phase)', '230')
    await type(page, 'Spare ways', '2')
    expect((await keptIn(page, 'hill-town'))!.site.electricMain).toBeNull()
    await type(page, 'Other maximum demand', '20')
    // Nobody said on how many phases: that is not taken for one.
    expect((await keptIn(page, 'hill-town'))!.site.electricMain).toBeNull()
    await choose(page, 'Phases of the supply', 'one')
    await page.waitForFunction(() => !/is saved once this is entered/.test(document.body.textContent!))
    await goTo(page, `${url}/study/hill-town/improve?view=sizes`)
    const line = (await page.waitForSelector('[data-sized="instead instant-electric"]'))!
    expect(await line.evaluate((l) => l.getAttribute('data-level'))).toBe('fail')
    expect(await line.evaluate((l) => l.querySelector('[data-check="amps"]')!.textContent)).toMatch(
      /only 43 of 63 A spare|one phase and it needs three/,
    )
    const sized = await told<{ peaks: { kw: number }; instead: { kind: string; level: string }[] }>(
      page,
      'hill-town',
      'size',
    )
    expect(sized.instead.find((s) => s.kind === 'instant-electric')!.level).toBe('fail')
    expect(await page.$eval('section[aria-label="Sizing"]', (s) => s.textContent)).toContain(
      `${sized.peaks.kw.toFixed(1)} kW`,
    )
    // One source at a time is opened, with its checks and what can be chosen of it.
    await (await page.waitForSelector('[data-sized="beside solar"] button[aria-expanded]'))!.click()
    await (await page.waitForSelector(named('button', 'Add as measure: Solar thermal collector beside')))!.click()
    await page.waitForSelector('[data-measure="heat-source"]')
    expect(errors).toEqual([])
  })

  it('a condensing boiler is refused where its condensate has no drain', async () => {
    await goTo(page, `${url}/study/hill-town/survey?at=heater`)
    await settled(page)
    await choose(page, 'Condensate drain', 'no')
    await goTo(page, `${url}/study/hill-town/improve?view=sizes`)
    const line = (await page.waitForSelector('[data-sized="beside boiler-coil"]'))!
    expect(await line.evaluate((l) => l.querySelector('[data-check="condensate"]')!.textContent)).toMatch(
      /no condensate drain/,
    )
    expect(await line.evaluate((l) => l.getAttribute('data-level'))).toBe('fail')
    await goTo(page, `${url}/study/hill-town/survey?at=heater`)
    await settled(page)
    await choose(page, 'Condensate drain', 'not checked')
  })

  it('a year of each source is what the command line says, in its order, and can be stopped', async () => {
    await goTo(page, `${url}/study/hill-town/improve?view=sizes`)
    await settled(page)
    await press(page, 'button', 'Simulate each for a year')
    await press(page, 'button', 'Stop')
    await press(page, 'button', 'Simulate each for a year')
    await page.waitForFunction(() => /Sorted by running cost/.test(document.body.textContent!), { timeout: 60_000 })
    const shown = await page.$$eval('[data-year]', (all) =>
      all.map((e) => [
        e.getAttribute('data-year')!,
        Number(/€([\d,]+) a year/.exec(e.textContent!)![1]!.replace(',', '')),
      ]),
    )
    const years = await told<{ kind: string; how: string; totalMoney: number }[]>(page, 'hill-town', 'sources')
    expect(shown).toHaveLength(years.length)
    for (const y of years)
      expect(shown.find(([key]) => key === `${y.how} ${y.kind}`)?.[1]).toBe(Math.round(y.totalMoney))
    for (const how of ['instead', 'beside']) {
      const keys = shown.map(([key]) => String(key)).filter((key) => key.startsWith(how))
      expect(keys).toEqual(years.filter((y) => y.how === how).map((y) => `${y.how} ${y.kind}`))
    }
    expect(errors).toEqual([])
  })

  it('a finding that asks for a measure lets it be tried', async () => {
    await goTo(page, `${url}/study/hill-town/survey?at=runs`)
    await settled(page)
    const before = (await keptIn(page, 'hill-town'))!.packages[0]!.measures.length
    const summary = (await page.waitForSelector('details summary::-p-text(finding)'))!
    await summary.click()
    // Only what was tried on the house, helped and hurt nobody is offered.
    await (await page.waitForSelector('[data-finding="bare-pipes"] button[aria-label^="Add as measure"]'))!.click()
    await page.waitForFunction(() => location.pathname.endsWith('/improve'))
    await page.waitForSelector('[data-measure="insulate-runs"]')
    expect((await keptIn(page, 'hill-town'))!.packages[0]!.measures).toHaveLength(before + 1)
  })

  it('the stage fits a phone without scrolling sideways', async () => {
    await page.setViewport({ width: 360, height: 780 })
    for (const view of ['', '?view=sizes']) {
      await goTo(page, `${url}/study/hill-town/improve${view}`)
      await settled(page)
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
    }
    await page.setViewport({ width: 1280, height: 800 })
  })
})
