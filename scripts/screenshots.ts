import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { dayAfter } from '../core/calendar/days'
import { everyDay } from '../core/calendar/week'
import { hillTown } from '../core/demos/hill-town'
import { DEMOS } from '../core/demos/index'
import { edited } from '../core/study/edited'
import { meteredYears } from '../proof/bills'
import { openBrowser, openPage, settled, startApp } from '../tests/e2e/browser'
import { choose, fillHeating, press, takeReading, type } from '../tests/e2e/hand'

/**
 * Current pictures of the main views, made from the demo data.
 * npm run screenshots            all of them, into docs/screenshots
 * npm run screenshots -- NAME    one, into tmp/ with another folder: npm run screenshots -- NAME tmp
 */
interface Shot {
  name: string
  path: string
  width: number
  height: number
  /** What to do before the picture, in the page. */
  before?: (page: import('puppeteer-core').Page) => Promise<void>
  /** In the dark scheme. */
  dark?: true
}

const DESK = { width: 1280, height: 800 }
const PHONE = { width: 360, height: 780 }
const HOUSE = '/study/hill-town'

const to = (selector: string) => async (page: import('puppeteer-core').Page) => {
  await page.$eval(selector, (e) => e.scrollIntoView({ block: 'start' }))
}

async function takeReadings(page: import('puppeteer-core').Page) {
  await takeReading(page, 'Circulation flow and return')
  for (const [label, text] of [
    ['Flow temperature', '63.5'],
    ['Return temperature', '59.8'],
    ['Pump flow rate', '4'],
  ] as const)
    await type(page, label, text)
  await press(page, 'button', 'Save to log')
  await press(page, 'button', 'Dismiss')
  await takeReading(page, 'Time to tap')
  await choose(page, 'Outlet', 'Top shower')
  for (const [label, text] of [
    ['Time', '14'],
    ['Flow', '8'],
  ] as const)
    await type(page, label, text)
  await page.$eval('section[aria-label="Time to tap"]', (e) => e.scrollIntoView({ block: 'start' }))
}

async function openSum(page: import('puppeteer-core').Page) {
  await press(page, 'button', 'Calculators')
  await page.waitForSelector('#sum-search')
  await page.type('#sum-search', 'drain')
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-result]')
  await page.click('[role="dialog"] summary')
}

const COURT = '/study/court-flat'

async function card(page: import('puppeteer-core').Page) {
  await press(page, 'button', 'Begin: Top up the heating circuit')
  await page.waitForSelector('[data-step="cold"]')
  await page.$eval('[data-step="cold"] [role="checkbox"]', (b) => (b as HTMLElement).click())
  await to('[data-card]')(page)
}

/** A plan that fits, keyed in with one period otherwise. */
async function entries(page: import('puppeteer-core').Page) {
  await press(page, 'button', 'Display reads as planned')
  await type(page, 'Shows off, Saturday, period 1', '23:30')
}

/** A dial with letters, read twice. */
async function dial(page: import('puppeteer-core').Page) {
  await press(page, 'button', 'Condensing boiler')
  await page.waitForSelector('[data-dial]')
  await type(page, 'Required', '58')
  for (const [marks, c] of [
    ['2', '47'],
    ['4', '65'],
  ] as const) {
    await type(page, 'Dial stands at, in marks', marks)
    await type(page, 'Hot water reads', c)
    await press(page, 'button', 'Save to log')
  }
}

/** A heating side with two rooms and a fixed flow; in the dark of a cellar. */
async function heating(page: import('puppeteer-core').Page) {
  await fillHeating(page)
  await choose(page, 'Flow temperature is', 'outdoor curve')
  await page.waitForSelector('[data-heating-year]')
  await page.$eval('section[aria-label="Flow temperature"]', (e) => e.scrollIntoView({ block: 'start' }))
}

/** Somebody's, filled in as a person would. */
async function ownDefaults(page: import('puppeteer-core').Page) {
  await type(page, 'Name', 'Ada Quill')
  await type(page, 'Firm and mark of the trade', 'Quill Heating')
  await choose(page, 'Units and currency', 'Poland')
  await type(page, 'Natural gas', '0.42')
  await type(page, 'Electricity', '1.05')
  await page.evaluate(() => scrollTo(0, 0))
}

async function modes(page: import('puppeteer-core').Page) {
  await page.waitForSelector('[data-mode="learned"]', { timeout: 60_000 })
}

async function windows(page: import('puppeteer-core').Page) {
  await press(page, 'button', 'Optimise')
  await page.waitForSelector('[data-found]', { timeout: 120_000 })
}

async function connections(page: import('puppeteer-core').Page) {
  await (await page.waitForSelector('[data-measure="drain-recovery"] button'))!.click()
  await page.waitForFunction(
    () =>
      Array.from(document.querySelectorAll('[data-connection]')).filter((b) => /saves/.test(b.textContent!)).length ===
      3,
  )
  await page.waitForSelector('[data-package-cost]')
}

/** A year of readings before a change and a year after it. */
async function metered(page: import('puppeteer-core').Page) {
  const on = '2026-03-02'
  const after = edited(hillTown, (s) => void (s.controls.found.loop.schedule = everyDay([390, 480])))
  const { readings, air } = meteredYears(
    { before: hillTown, after, carrier: 'natural-gas', heatingPerK: 5, balanceC: 15, noise: 0.08, seed: 7 },
    on,
  )
  const rows = readings.map((r) => `natural-gas,${r.on},${r.value.toFixed(0)},kWh`)
  const file = join(tmpdir(), 'bagno-readings.csv')
  writeFileSync(file, ['meter,date,value,unit', ...rows].join('\n'))
  const input = await page.waitForSelector('#meter-file')
  await (input as import('puppeteer-core').ElementHandle<HTMLInputElement>).uploadFile(file)
  await page.waitForSelector('[data-meter]')
  const days = air.c.map((c, i) => `${dayAfter(air.from, i)},${c.toFixed(1)}`)
  writeFileSync(file, ['date,temperature', ...days].join('\n'))
  const weather = await page.waitForSelector('#air-file')
  await (weather as import('puppeteer-core').ElementHandle<HTMLInputElement>).uploadFile(file)
  await page.waitForFunction(
    (n) => document.querySelector('main')!.textContent.includes(`${n} days from`),
    {},
    days.length,
  )
  rmSync(file)
  await press(page, 'link', 'Saving by the meter')
  await type(page, 'Changed on', '2 Mar 2026')
  await page.waitForSelector('[data-saving]')
  await page.evaluate(() => scrollTo(0, 0))
}

const pause = (ms: number) => new Promise((resume) => setTimeout(resume, ms))

const SHOTS: Shot[] = [
  { name: 'new', path: '/new', ...DESK },
  { name: 'home', path: '/', ...DESK },
  {
    name: 'study',
    path: `${HOUSE}/set`,
    ...DESK,
    before: (page) => press(page, 'button', 'Expand system diagram'),
  },
  { name: 'week', path: `${HOUSE}/set?view=week`, ...DESK },
  { name: 'setpoint-checks', path: `${HOUSE}/set?view=board`, ...DESK },
  { name: 'modes', path: `${HOUSE}/set?view=modes`, ...DESK, before: modes },
  { name: 'optimise', path: `${HOUSE}/set?view=schedule`, ...DESK, before: windows },
  { name: 'defaults', path: '/defaults', ...DESK, before: ownDefaults },
  { name: 'survey', path: `${HOUSE}/survey?at=runs`, ...DESK },
  { name: 'improve', path: `${COURT}/improve`, ...DESK, before: connections },
  { name: 'measure', path: `${HOUSE}/measure`, ...DESK, before: takeReadings },
  { name: 'calculators', path: `${HOUSE}/set`, ...DESK, before: openSum },
  { name: 'study-phone', path: `${HOUSE}/set`, ...PHONE },
  { name: 'handover', path: `${HOUSE}/handover`, ...DESK },
  { name: 'verify', path: `${HOUSE}/verify?view=meters`, ...DESK, before: metered },
  // What these leave in the household would stand among the findings of others.
  { name: 'entries', path: `${HOUSE}/set?view=entries`, ...DESK, before: entries },
  { name: 'dials', path: `${HOUSE}/set?view=dials`, ...DESK, before: dial },
  { name: 'heating', path: `${HOUSE}/set?view=heating`, ...DESK, before: heating, dark: true },
  { name: 'steps-phone', path: `${HOUSE}/set?view=steps`, ...PHONE, before: card },
]

const [only, folder = 'docs/screenshots'] = process.argv.slice(2)
mkdirSync(folder, { recursive: true })
const app = await startApp()
const { browser, close } = await openBrowser()
try {
  for (const shot of SHOTS.filter((s) => !only || only === 'all' || s.name === only || s.name.startsWith(`${only}*`))) {
    const { page, errors } = await openPage(browser, shot.width, shot.height, false)
    await page.evaluateOnNewDocument(() => localStorage.removeItem('bagno-folds'))
    for (const name of DEMOS.map((d) => d.study.id).reverse()) {
      await page.goto(`${app.url}/demo/${name}`)
      await page.waitForFunction((n) => location.pathname.startsWith(`/study/${n}`), {}, name)
    }
    if (shot.dark) await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }])
    await page.goto(app.url + shot.path)
    if (shot.path.startsWith('/study')) await settled(page)
    await new Promise((resume) => setTimeout(resume, 1200))
    await shot.before?.(page)
    await new Promise((resume) => setTimeout(resume, 300))
    // A busy page asks late for its letters; those that never come are not waited for for ever.
    const letters = page.evaluate(async () => {
      const faces: FontFace[] = []
      document.fonts.forEach((face) => faces.push(face))
      await Promise.all(faces.map((face) => face.load().catch(() => null)))
    })
    await Promise.race([letters, pause(5000)])
    await pause(200)
    await page.screenshot({ path: `${folder}/${shot.name}.png` as `${string}.png` })
    console.log(`${shot.name}${errors.length ? `: ${errors.join('; ')}` : ''}`)
    await page.close()
  }
} finally {
  await close()
  app.stop()
}
