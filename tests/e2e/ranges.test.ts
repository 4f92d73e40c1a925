import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { mountainRefuge } from '../../core/demos/mountain-refuge'
import type { Interaction } from '../../core/scenarios/interactions'
import type { Ranges, Spread } from '../../core/scenarios/ranges'
import type { Comparison } from '../../core/views/compare'
import { openBrowser, openPage, settled } from './browser'
import { choose, figure, goTo, openDemo, press, type } from './hand'
import { told } from './told'

const url = inject('url')
const HOUSE = 'mountain-refuge'
const PACKAGE = mountainRefuge.packages[0].name
let browser: Browser
let close: () => Promise<void>
let page: Page
let errors: string[]
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page, errors } = await openPage(browser, 1280, 800, false))
  await openDemo(page, url, HOUSE)
  await goTo(page, `${url}/study/${HOUSE}/improve`)
  await settled(page)
})
afterAll(() => close())

const section = 'section[aria-label="Range of the saving"]'
const said = () => page.$eval(section, (s) => s.textContent!)
const band = async (name: string) =>
  (await page.$eval(`[data-band="${name}"]`, (b) => b.textContent!)).split(/ to |, median /).map(figure)
/** Works the range out to its end. */
async function workOut(button: string): Promise<void> {
  await press(page, 'button', button)
  await page.waitForSelector(`${section} progress`)
  await page.waitForFunction((s) => !document.querySelector(`${s} progress`), { timeout: 110_000 }, section)
}
describe('the way from as found to the package', () => {
  const steps = () =>
    page.$$eval('[data-cascade-step]', (all) => all.map((e) => e.textContent!.trim().replace('more ', '−')))
  it('adds up step by step, in every figure, as the command line says', async () => {
    const { packages } = await told<Comparison>(page, HOUSE, 'compare')
    const { measures } = packages[0]
    await page.waitForSelector('[data-cascade]', { timeout: 60_000 })
    for (const [name, key, within] of [
      ['Annual cost', 'cost', 0.5],
      ['Purchased energy', 'inputKwh', 0.5],
      ['CO₂', 'co2Kg', 0.5],
    ] as const) {
      await choose(page, 'Figure', name)
      const shown = (await steps()).map(figure)
      expect(shown).toHaveLength(measures.length + 2)
      for (const [i, m] of measures.entries())
        expect(Math.abs(shown[i + 1] - m.inOrder[key])).toBeLessThanOrEqual(within)
      const down = shown.slice(1, -1).reduce((sum, x) => sum + x, 0)
      expect(Math.abs(shown[0] - down - shown.at(-1)!)).toBeLessThanOrEqual(shown.length * within)
    }
    await choose(page, 'Figure', 'Annual cost')
  })

  it('says which measures save part of the same, the most first', async () => {
    await press(page, 'button', 'Find which measures overlap')
    await page.waitForSelector('[data-pair]', { timeout: 60_000 })
    const { packages } = await told<{ packages: { pairs: Interaction[] }[] }>(page, HOUSE, 'compare', '--pairs')
    const { pairs } = packages[0]
    const shown = await page.$$eval('[data-pair]', (all) =>
      all.map((e) => Array.from(e.querySelectorAll('span')).map((s) => s.textContent!.trim())),
    )
    expect(shown.map(([names]) => names)).toEqual(pairs.map((p) => p.measures.join(' and ')))
    for (const [i, [, money]] of shown.entries())
      expect(Math.abs(figure(money!) - pairs[i].money!)).toBeLessThanOrEqual(0.5)
    expect([...pairs].sort((a, b) => a.money! - b.money!)).toEqual(pairs)
  })
})

describe('the range of a saving', () => {
  it('is stopped, and nothing comes after', async () => {
    await press(page, 'button', 'Work out the range')
    await page.waitForSelector(`${section} progress`)
    await press(page, 'button', 'Stop')
    await page.waitForFunction((s) => !document.querySelector(`${s} progress`), {}, section)
    const left = await said()
    await new Promise((resume) => setTimeout(resume, 1500))
    expect(await said()).toBe(left)
  })

  it('is what the command line says, with what to find out next', async () => {
    await page.reload()
    await settled(page)
    await workOut('Work out the range')
    const { saving, next, samples } = await told<Ranges & { saving: Spread }>(
      page,
      HOUSE,
      'ranges',
      '--package',
      PACKAGE,
    )
    expect(samples).toBe(64)
    const shown = await band('Now')
    for (const [i, money] of [saving.p10, saving.p90, saving.p50].entries())
      expect(Math.abs(shown[i] - money)).toBeLessThanOrEqual(0.5)
    expect(next[0].reading).toBe('overnight-drop')
    expect(await page.$$eval('[data-next]', (all) => all.length)).toBe(next.length)
    const first = await page.$eval('[data-next]', (li) => li.textContent!)
    expect(first).toContain('Cylinder, overnight drop')
    expect(first).toContain(`narrows the range by ${Math.round(100 * next[0].narrowsBy)}%`)
  })

  it('is narrower once that reading is taken and applied, and says what it was before', async () => {
    const [low, high, between] = await band('Now')
    await page.click('[data-next] button')
    await page.waitForFunction(() => location.pathname.endsWith('/measure'))
    await type(page, 'Cylinder temperature at the start', '58')
    await type(page, 'Cylinder temperature at the end', '51')
    await type(page, 'Hours between readings', '10')
    await type(page, 'Surrounding air', '10')
    await press(page, 'button', 'Save and apply')
    await page.waitForSelector('li[data-reading="overnight-drop"]')
    await goTo(page, `${url}/study/${HOUSE}/improve`)
    await settled(page)
    expect(await said()).toMatch(/has changed since/)
    expect(await band('Before the change')).toEqual([low, high, between])
    await workOut('Work out again')
    const [from, to, middle] = await band('Now')
    expect((to - from) / middle).toBeLessThan((0.95 * (high - low)) / between)
    expect((await band('Before the last change')).slice(0, 2)).toEqual([low, high])
    expect(await page.$$eval('[data-next]', (all) => all.map((li) => li.textContent).join())).not.toMatch(/overnight/)
    expect(errors).toEqual([])
  })
})
