/// <reference lib="dom" />
import { rmSync } from 'node:fs'
import type { Page } from 'puppeteer-core'
import { harbourFlat } from '../../core/demos/harbour-flat'
import type { Reading } from '../../core/study/readings'
import type { Study } from '../../core/study/study'
import { openBrowser, openPage, settled } from './browser'
import { openDemo } from './hand'

/** Attacks on what is kept, counted: the tests run a few of each, `npm run attack` many. */

/** A study as the browser keeps it, or undefined. */
export const keptIn = (page: Page, id: string): Promise<Study | undefined> =>
  page.evaluate(
    (key) =>
      new Promise<Study | undefined>((resolve, reject) => {
        const open = indexedDB.open('bagno')
        open.onerror = () => reject(new Error('the store does not open'))
        open.onsuccess = () => {
          const asked = open.result.transaction('studies').objectStore('studies').get(key)
          asked.onsuccess = () => {
            open.result.close()
            resolve((asked.result as { study: Study } | undefined)?.study)
          }
        }
      }),
    id,
  )

/** Moves the setpoint's slider, as a finger does: an input at each stop. */
export const slideTo = (page: Page, setpoint: number) =>
  page.$eval(
    'input[aria-label="Setpoint slider"]',
    (slider, value) => {
      ;(slider as HTMLInputElement).value = String(value)
      slider.dispatchEvent(new Event('input', { bubbles: true }))
    },
    setpoint,
  )

/** Types a setpoint and leaves the field: one single change. */
const setTo = (page: Page, setpoint: number) =>
  page.evaluate((value) => {
    const label = Array.from(document.querySelectorAll('label')).find((l) => l.textContent!.trim() === 'Setpoint')!
    const field = document.getElementById(label.htmlFor) as HTMLInputElement
    field.value = String(value)
    field.dispatchEvent(new Event('input', { bubbles: true }))
    field.dispatchEvent(new Event('change', { bubbles: true }))
  }, setpoint)

/**
 * Changes a study and kills the browser some time after; counts the changes that the next start does not know.
 * @param how one single change, or the last of a slide of a second
 */
export async function kills(url: string, times: number, afterMs: number, how: 'change' | 'slide'): Promise<number> {
  let lost = 0
  let session = await openBrowser()
  const opened = async () => {
    const { page } = await openPage(session.browser, 1000, 800)
    await openDemo(page, url, 'harbour-flat')
    await page.goto(`${url}/study/harbour-flat/set`)
    await page.waitForSelector('input[aria-label="Setpoint slider"]')
    return page
  }
  try {
    let page = await opened()
    for (let k = 0; k < times; k++) {
      const setpoint = 45 + (k % 20)
      if (how === 'slide')
        for (let c = 0; c < 10; c++) {
          await slideTo(page, c === 9 ? setpoint : 40 + c)
          await new Promise((resume) => setTimeout(resume, c === 9 ? 0 : 100))
        }
      else await setTo(page, setpoint)
      await new Promise((resume) => setTimeout(resume, afterMs))
      await session.kill()
      session = await openBrowser(session.profile)
      page = await opened()
      const kept = await keptIn(page, 'harbour-flat')
      if ((kept?.controls.set ?? kept?.controls.found)?.heaters['wall-heater']?.setpointC !== setpoint) lost++
    }
  } finally {
    await session.close()
    rmSync(session.profile, { recursive: true, force: true, maxRetries: 5 })
  }
  return lost
}

/** A reading of a log that is only to be long. */
export const plainReading = (k: number, photo: string | null = null): Reading => ({
  id: `r-${k}`,
  takenAt: '2026-03-02T10:00:00+01:00',
  kind: 'mains',
  sum: null,
  where: null,
  values: { coldC: 9 },
  note: '',
  photo,
  adopted: null,
})

/** A picture of about as many bytes as are asked for, that no other is. */
export const plainPicture = (k: number, bytes = 100_000) =>
  `data:image/jpeg;base64,${Buffer.from(Array.from({ length: bytes }, (_, i) => (i * (k + 3) + k) % 251)).toString('base64')}`

/** Puts studies where the browser keeps its own, as imports do; the app at home has made the place for them. */
export async function putIn(page: Page, ...studies: Study[]): Promise<void> {
  await page.waitForFunction(() => !/Loading saved studies/.test(document.querySelector('main')!.textContent!))
  await page.evaluate(
    (documents) =>
      new Promise<void>((done) => {
        const open = indexedDB.open('bagno')
        open.onsuccess = () => {
          const work = open.result.transaction('studies', 'readwrite')
          for (const study of documents as unknown as { id: string }[])
            work.objectStore('studies').put({ id: study.id, changedAt: '2026-03-02T10:00:00Z', mark: study.id, study })
          work.oncomplete = () => (open.result.close(), done())
        }
      }),
    studies as never,
  )
}

/**
 * Edits a study with a long log, and goes through all stages, again and again; what of the page's memory stays in use, MB: after
 * the first few, and at the end.
 */
export async function memory(page: Page, url: string, edits: number, rounds: number): Promise<[number, number]> {
  const study = { ...harbourFlat, id: 'long-log', readings: Array.from({ length: 5000 }, (_, k) => plainReading(k)) }
  await page.goto(url)
  await page.waitForSelector('section[aria-label="Households"]')
  await putIn(page, study)
  await page.goto(`${url}/study/long-log/set`)
  await settled(page)
  const session = await page.createCDPSession()
  await session.send('HeapProfiler.enable')
  const used = async () => {
    // What is let go of by one collection is found by the next.
    for (let k = 0; k < 3; k++) await session.send('HeapProfiler.collectGarbage')
    return (await page.metrics()).JSHeapUsedSize! / 1e6
  }
  const edit = async (k: number) => {
    await setTo(page, 45 + (k % 17))
    await settled(page)
  }
  const round = async () => {
    for (const stage of ['survey', 'measure', 'improve', 'handover', 'verify', 'set']) {
      await page.evaluate((s) => document.querySelector<HTMLAnchorElement>(`nav a[href$="/${s}"]`)!.click(), stage)
      await page.waitForFunction((s) => location.pathname.endsWith(s), {}, stage)
      await settled(page)
    }
  }
  // What is kept once, such as code, years that were simulated and steps back, is there after some of both.
  for (let k = 0; k < Math.min(20, edits); k++) await edit(k)
  for (let k = 0; k < Math.min(10, 2 * rounds); k++) await round()
  const first = await used()
  for (let k = 0; k < edits; k++) await edit(k)
  for (let k = 0; k < rounds; k++) await round()
  return [first, await used()]
}

/** Slides a setpoint and leaves the page in the same moment, beside so many pictures; how often the next start does not know it. */
export async function picturesLeft(url: string, pictures: number, times: number): Promise<number> {
  const { browser, close } = await openBrowser()
  const { page } = await openPage(browser, 1000, 700)
  await page.goto(url)
  await page.waitForSelector('section[aria-label="Households"]')
  const readings = Array.from({ length: pictures }, (_, k) => plainReading(k, plainPicture(k)))
  await putIn(page, { ...harbourFlat, id: 'pictures', readings })
  let lost = 0
  for (let k = 0; k < times; k++) {
    await page.goto(`${url}/study/pictures/set`)
    await settled(page)
    await page.waitForFunction(() => /saved in this browser/.test(document.querySelector('header')!.textContent!))
    await slideTo(page, 45 + k)
    await page.goto(url)
    await page.waitForSelector('a[href="/study/pictures"]')
    const kept = await keptIn(page, 'pictures')
    if ((kept?.controls.set ?? kept?.controls.found)?.heaters['wall-heater']?.setpointC !== 45 + k) lost++
  }
  await close()
  return lost
}
