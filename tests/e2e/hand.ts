import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { extractText, getDocumentProxy } from 'unpdf'

/** What a person does with a page, by the names they read on it. */

/** Opens a demo household and waits for its year. */
export async function openDemo(page: Page, url: string, name: string): Promise<void> {
  await page.goto(`${url}/demo/${name}`)
  await page.waitForFunction((n) => location.pathname.startsWith(`/study/${n}/`), {}, name)
  // The page still moves while it fills; a click at a place would now and then miss the link.
  const link = await page.waitForSelector(named('link', 'Settings'))
  await link!.evaluate((e) => (e as HTMLElement).click())
  await page.waitForFunction((n) => location.pathname === `/study/${n}/set`, {}, name)
}

/** Goes to a view of the household on the table as a link of the app does, with nothing loaded anew; to any other as from outside. */
export async function goTo(page: Page, to: string): Promise<void> {
  const inside = (address: string) => /\/study\/([^/]+)\//.exec(address)?.[1]
  if (inside(page.url()) === undefined || inside(page.url()) !== inside(to)) return void (await page.goto(to))
  const { pathname, search } = new URL(to)
  await page.evaluate(async (path) => {
    type Mounted = Element & {
      __vue_app__: { config: { globalProperties: { $router: { push: (p: string) => unknown } } } }
    }
    await (document.querySelector('#__nuxt') as Mounted).__vue_app__.config.globalProperties.$router.push(path)
  }, pathname + search)
}

/** The control with a label, a title or a visible text. */
export const named = (role: string, name: string) => `::-p-aria(${name}[role="${role}"])`

/**
 * Presses it; of a link it is waited until what it leads to is there: the old stage stands while the next is fetched. A page
 * that still fills may move the link away under the hand, as a person's; then it is pressed again.
 */
export async function press(page: Page, role: string, name: string): Promise<void> {
  const target = await page.waitForSelector(named(role, name), { timeout: 10_000 })
  const goal = await target!.evaluate((e) => {
    e.scrollIntoView({ block: 'center' })
    return e instanceof HTMLAnchorElement && e.pathname.startsWith('/study/') ? e.pathname + e.search : null
  })
  await target!.click()
  if (!goal) return
  const there = (timeout: number) =>
    page.waitForFunction((to) => (location.pathname + location.search).startsWith(to), { timeout }, goal)
  await there(3000).catch(async () => {
    await target!.evaluate((e) => (e as HTMLElement).click())
    await there(10_000)
  })
}

/** Types into the field of a label and leaves it. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  const field = await page.waitForSelector(named('textbox', label), { timeout: 10_000 })
  await field!.click({ count: 3 })
  await field!.type(text)
  await page.keyboard.press('Tab')
}

export async function choose(page: Page, label: string, option: string): Promise<void> {
  const field = await page.waitForSelector(named('combobox', label), { timeout: 10_000 })
  const value = await field!.evaluate(
    (select, text) => Array.from((select as HTMLSelectElement).options).find((o) => o.text.trim() === text)?.value,
    option,
  )
  if (value === undefined) throw new Error(`"${label}" offers no "${option}"`)
  await field!.select(value)
}

export async function valueOf(page: Page, label: string): Promise<string> {
  const field = await page.waitForSelector(named('textbox', label), { timeout: 10_000 })
  return field!.evaluate((f) => (f as HTMLInputElement).value)
}

/** A figure of the running totals, as it is written. */
export const total = (page: Page, name: string) =>
  page.$eval(`aside [data-total="${name}"]`, (figure) => figure.textContent!.trim())

/** A figure of money or of energy as a number. */
export const figure = (text: string) => Number(text.replace('−', '-').replace(/[^\d.-]/g, ''))

/** Waits until the total of a year is another than it was, and stands. */
export async function newTotal(page: Page, before: string, name = 'Cost'): Promise<string> {
  await page.waitForFunction(
    (n, old) => {
      const text = document.querySelector(`aside [data-total="${n}"]`)?.textContent?.trim()
      return text !== undefined && text !== old && text !== '…'
    },
    { timeout: 30_000, polling: 20 },
    name,
    before,
  )
  return total(page, name)
}

/** What the focused control is called: its label, or its own text. */
const focusedName = (page: Page) =>
  page.evaluate(() => {
    const at = document.activeElement as (HTMLElement & { labels?: NodeListOf<HTMLLabelElement> | null }) | null
    return (at?.getAttribute('aria-label') ?? at?.labels?.[0]?.textContent ?? at?.textContent ?? '')
      .replace(/\s+/g, ' ')
      .trim()
  })

/** A name without its gaps: what stands beside each other on the screen may have none between in the text. */
const plain = (name: string) => name.replace(/\s+/g, '')

/** Moves by Tab alone until the control of a name is focused. */
export async function tabTo(page: Page, name: string, backwards = false): Promise<void> {
  for (let i = 0; i < 400; i++) {
    if (plain(await focusedName(page)) === plain(name)) return
    if (backwards) await page.keyboard.down('Shift')
    await page.keyboard.press('Tab')
    if (backwards) await page.keyboard.up('Shift')
  }
  throw new Error(`no way by Tab to "${name}"; last was "${await focusedName(page)}"`)
}

/** Types over the field that Tab leads to. */
export async function keyIn(page: Page, name: string, text: string): Promise<void> {
  await tabTo(page, name)
  await page.keyboard.down('Control')
  await page.keyboard.press('a')
  await page.keyboard.up('Control')
  await page.keyboard.type(text)
}

/** Picks of a list that Tab leads to, by the first letters of the option. */
export async function keyChoice(page: Page, name: string, letters: string): Promise<void> {
  await tabTo(page, name)
  await page.keyboard.type(letters)
}

/** Adds the first measure that is found by some words. */
export async function addMeasure(page: Page, words: string): Promise<void> {
  const field = (await page.waitForSelector(named('combobox', 'Add a measure'), { timeout: 10_000 }))!
  await field.evaluate((e) => e.scrollIntoView({ block: 'center' }))
  await field.click()
  await field.type(words)
  await page.waitForSelector('[role="option"]')
  const measures = () => page.$$eval('[data-measure]', (all) => all.length)
  const before = await measures()
  await page.keyboard.press('Enter')
  await page.waitForFunction((n) => document.querySelectorAll('[data-measure]').length === n + 1, {}, before)
}

/** Gives files to be imported, as a person chooses them together: what stands in each, or a study. */
export async function giveFiles(page: Page, ...contents: (string | object)[]): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'bagno-files-'))
  const paths = contents.map((content, k) => {
    const path = join(folder, `${k + 1}.bagno.json`)
    writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
    return path
  })
  const input = await page.waitForSelector('input[type="file"]:not([accept=".csv,text/csv"])')
  await (input as unknown as ElementHandle<HTMLInputElement>).uploadFile(...paths)
}

/** Begins a reading of a kind: the kinds are listed while the log is empty, and when they are asked for. */
export async function takeReading(page: Page, title: string): Promise<void> {
  const list = '[data-reading-kind]'
  await page.waitForSelector(`${list}, button::-p-text(Take a reading)`)
  if (!(await page.$(list))) await press(page, 'button', 'Take a reading')
  await page.waitForSelector(list)
  await page.$$eval(
    list,
    (all, name) => {
      const found = all.find((b) => b.querySelector('span')!.textContent!.trim() === name)
      if (!found) throw new Error(`no reading “${name}” to take`)
      ;(found as HTMLElement).click()
    },
    title,
  )
}

/** Opens the form of every heater: of several each is a line until it is. */
export async function openHeaters(page: Page): Promise<void> {
  await page.waitForSelector('[data-heater]')
  await page.$$eval('[data-heater] > button[aria-expanded="false"]', (all) =>
    all.forEach((b) => (b as HTMLElement).click()),
  )
}

/** Text of the file that is handed over when something is pressed. */
export const handedOver = (page: Page, selector: string): Promise<string> =>
  page.evaluate(
    (pressed) =>
      new Promise<string>((resolve) => {
        const made = URL.createObjectURL
        URL.createObjectURL = (blob) => {
          URL.createObjectURL = made
          void (blob as Blob).text().then(resolve)
          return made(blob)
        }
        document.querySelector<HTMLElement>(pressed)!.click()
      }),
    selector,
  )

/** Waits until a finding is listed, or no longer is: all of them are shown, not the worst five alone. */
export const finding = (page: Page, id: string, there = true) =>
  page.waitForFunction(
    (wanted, is) => {
      document.querySelectorAll<HTMLElement>('ul[aria-label="Findings"] > li > button').forEach((b) => b.click())
      return (document.querySelector(`[data-finding="${wanted}"]`) !== null) === is
    },
    {},
    id,
    there,
  )

/** Fills the heating side of the main demo from nothing, but for the flow temperature. */
export async function fillHeating(page: Page): Promise<void> {
  await press(page, 'button', 'Look at the heating')
  await choose(page, 'Appliance', 'Condensing boiler')
  for (const [label, text] of [
    ['Heated floor area', '140'],
    ['Loss per floor area', '60'],
    ['Energy for heating in a year', '16000'],
    ['All radiators, 75/65/20 °C', '16'],
  ] as const)
    await type(page, label, text)
}

/** Answers all that is asked of a relief valve and its discharge, so that nothing of it is open. */
export async function lookAtRelief(page: Page): Promise<void> {
  for (const [label, answer] of [
    ['Relief valve', 'yes'],
    ['Relief valve type', 'temperature and pressure'],
    ['T&P probe at top of cylinder', 'yes'],
    ['Discharge ends in a safe place', 'yes'],
    ['Isolating valve before the relief valve', 'no'],
    ['Discharge pipe not smaller than valve outlet', 'yes'],
    ['Discharge pipe falls continuously', 'yes'],
    ['Termination open and visible', 'yes'],
    ['Drain can take the discharge', 'yes'],
    ['Discharge guarded: lid, guard or out of reach', 'yes'],
  ] as const)
    await choose(page, label, answer)
  await type(page, 'Relief pressure', '6')
  await type(page, 'Discharge observed by', 'Runa')
}

/** The text of a paper as it comes out of a printer, and how many sheets it takes. */
export async function printed(browser: Browser, html: string): Promise<{ text: string; sheets: number }> {
  const paper = await browser.newPage()
  await paper.setContent(html)
  const pdf = await getDocumentProxy(new Uint8Array(await paper.pdf({ format: 'A4', preferCSSPageSize: true })))
  const { text, totalPages } = await extractText(pdf, { mergePages: true })
  await paper.close()
  return { text: text.replace(/\s+/g, ' '), sheets: totalPages }
}

/** The paper that is shown in the page. */
export const paperOf = async (page: Page): Promise<string> =>
  (await page.waitForSelector('iframe'))!.evaluate((f) => (f as HTMLIFrameElement).srcdoc)
