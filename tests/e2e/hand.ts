import type { Page } from 'puppeteer-core'

/** What a person does with a page, by the names they read on it. */

/** Opens a demo household and waits for its year. */
export async function openDemo(page: Page, url: string, name: string): Promise<void> {
  await page.goto(`${url}/demo/${name}`)
  await page.waitForFunction((n) => location.pathname.startsWith(`/study/${n}/`), {}, name)
}

/** The control with a label, a title or a visible text. */
export const named = (role: string, name: string) => `::-p-aria(${name}[role="${role}"])`

export async function press(page: Page, role: string, name: string): Promise<void> {
  const target = await page.waitForSelector(named(role, name), { timeout: 10_000 })
  await target!.evaluate((e) => e.scrollIntoView({ block: 'center' }))
  await target!.click()
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

export const valueOf = (page: Page, label: string) =>
  page.$eval(named('textbox', label), (field) => (field as HTMLInputElement).value)

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
