import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { bagno } from '../../cli/program'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { goTo, handedOver, lookAtRelief, openDemo, paperOf, press, printed, takeReading, type } from './hand'

/** The end of a visit: what is open is closed one by one, tests are done, and the papers are printed. */
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
const isOpen = (id: string, there = true) =>
  page.waitForFunction(
    (item, is) => (document.querySelector(`[data-open="${item}"]`) !== null) === is,
    { timeout: 60_000 },
    id,
    there,
  )
const html = () => paperOf(page)

describe('hand over', () => {
  it('what was changed is open until it is read again', async () => {
    await settled(page)
    await at('set')
    await type(page, 'Setpoint', '60')
    await settled(page)
    await at('handover')
    for (const id of ['scald', 'relief', 'again-tap-temperature']) await isOpen(id)
    expect(await page.$eval('section[aria-label="Complete the visit"]', (s) => s.textContent)).toMatch(
      /Cannot be completed/,
    )
    const links = await page.$$eval('[data-open="relief"] a', (all) => all.map((a) => a.getAttribute('href')))
    expect(links).toEqual([`/study/${HOUSE}/survey?at=store`])
  })

  it('tests with their pass marks are proposed, done and kept; one that fails stays open', async () => {
    await at('handover?view=tests')
    await press(page, 'button', 'Add these tests')
    await page.waitForSelector('[data-test="test-1"]')
    const put = async (id: string, label: string, text: string) => {
      await page.$$eval(
        `[data-test="${id}"] label`,
        (all, name) => all.find((l) => l.textContent!.trim() === name)!.click(),
        label,
      )
      await page.keyboard.type(text)
      await page.keyboard.press('Tab')
    }
    await put('test-1', 'Read', '41')
    await put('test-1', 'Took', '31')
    await put('test-2', 'Read', '33')
    await page.waitForFunction(
      () =>
        /passed/.test(document.querySelector('[data-test="test-1"]')!.textContent!) &&
        /failed/.test(document.querySelector('[data-test="test-2"]')!.textContent!),
    )
    await settled(page)
    const { tests } = (await keptIn(page, HOUSE))!.handover
    expect(tests.map((t) => [t.kind, t.c, t.seconds])).toEqual([
      ['outlet', 41, 31],
      ['two outlets', 33, null],
      ['return', null, null],
    ])
    await at('handover')
    await isOpen('test-test-1', false)
    await isOpen('test-test-2')
  })

  it('the settings sheet is one side of paper, with entries, what to leave alone and who to call', async () => {
    await at('handover?view=details')
    await type(page, 'Name of the engineer', 'Ada Quill')
    await type(page, 'Telephone', '0555 1234')
    await press(page, 'button', 'Add something to leave alone')
    await type(page, 'Because', 'it floods the circuit')
    await press(page, 'button', 'Add a rule')
    await type(page, 'Number', '12-4')
    await settled(page)
    await at('handover?view=sheet')
    const sheet = await html()
    const { text, sheets } = await printed(browser, sheet)
    expect(sheets).toBe(1)
    for (const part of [
      /Condensing boiler 60\.0 °C/,
      /Circulation \(Schedule\) Monday to Friday 1\. 05:30–23:00 2–4\. must read empty/,
      /Filling valve ?: it floods the circuit/,
      /Hot water temperature: 12-4/,
      /Who to call 0555 1234 Ada Quill/,
    ])
      expect(text).toMatch(part)
    const saved = await handedOver(page, 'main button:nth-of-type(2)')
    expect(saved).toBe(sheet)
  })

  it('what is left alone is marked on a picture, by touch and by key, and prints so', async () => {
    const picture = join(tmpdir(), `bagno-mark-${process.pid}.png`)
    writeFileSync(picture, await page.screenshot({ clip: { x: 0, y: 0, width: 400, height: 300 } }))
    await at('measure')
    await takeReading(page, 'Note or picture')
    const input = await page.waitForSelector('main input[type=file][capture]')
    await (input as ElementHandle<HTMLInputElement>).uploadFile(picture)
    await page.waitForSelector('img[alt="The picture taken"]')
    rmSync(picture)
    await press(page, 'button', 'Save to log')
    await settled(page)
    const { id } = (await keptIn(page, HOUSE))!.readings.find((r) => r.photo)!
    await at('handover?view=details')
    const list = await page.waitForSelector('[data-alone] select')
    const option = await list!.evaluate(
      (select, reading) => Array.from((select as HTMLSelectElement).options).findIndex((o) => o.text.includes(reading)),
      'Note or picture',
    )
    await list!.select(String(option))
    const mark = await page.waitForSelector('[data-alone] button[aria-label^="Mark on the picture"]')
    await mark!.scrollIntoView()
    const box = (await mark!.boundingBox())!
    await page.mouse.click(box.x + box.width / 4, box.y + box.height / 2)
    await page.waitForSelector('[data-mark]')
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('ArrowUp')
    await settled(page)
    const [alone] = (await keptIn(page, HOUSE))!.handover.leaveAlone
    expect(alone.picture).toBe(id)
    expect(alone.at!.x).toBeCloseTo(0.27, 1)
    expect(alone.at!.y).toBeCloseTo(0.48, 1)
    await at('handover?view=sheet')
    const sheet = await html()
    expect(sheet).toMatch(/class="mark"/)
    expect((await printed(browser, sheet)).sheets).toBe(1)
  })

  it('the report is written with all its parts, and fetches nothing', async () => {
    await at('handover?view=report')
    await press(page, 'button', 'Write the report')
    const written = await html()
    const { text, sheets } = await printed(browser, written)
    expect(sheets).toBeLessThan(16)
    for (const part of [/What was found/, /A year of hot water/, /Proposed: /, /Open items/, /Appendix/, /Ada Quill/])
      expect(text).toMatch(part)
    expect(written).not.toMatch(/https?:|<script/)
    expect(errors).toEqual([])
  })

  it('an open item is closed where it is asked, and no longer stands in the way', async () => {
    await at('handover')
    const blocking = () =>
      page.$$eval('[data-open].border-l-alarm', (all) => all.map((li) => (li as HTMLElement).dataset.open!))
    await page.waitForFunction(() => document.querySelectorAll('[data-open].border-l-alarm').length > 0)
    const before = await blocking()
    await page.$eval('[data-open="relief"] a', (a) => (a as HTMLElement).click())
    await page.waitForSelector('section[aria-label="Cylinder"], h2::-p-text(Cylinder)')
    await lookAtRelief(page)
    await settled(page)
    await at('handover')
    await isOpen('relief', false)
    expect((await blocking()).length).toBe(before.length - 1)
  })
})

describe('on the command line', () => {
  it('sheet and report are one file each that opens by itself', async () => {
    const { stdout } = await bagno(['demo', 'duplex'])
    const folder = mkdtempSync(join(tmpdir(), 'bagno-paper-'))
    const file = join(folder, 'duplex.json')
    writeFileSync(file, stdout)
    const sheet = await bagno(['sheet', file])
    const report = await bagno(['report', file, '--on', '2026-03-02'])
    rmSync(folder, { recursive: true })
    for (const { status, stdout: text } of [sheet, report]) {
      expect(status).toBe(0)
      expect(text).toMatch(/^<!doctype html>[\s\S]*<\/html>\s*$/i)
      expect(text).not.toMatch(/https?:|<script/)
    }
    // A study in US units speaks of faucets, not of taps, and writes its days month first.
    expect((await printed(browser, report.stdout)).text).toMatch(/written Mar 2, 2026/)
  })
})
