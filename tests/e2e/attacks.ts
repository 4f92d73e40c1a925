/// <reference lib="dom" />
import { rmSync } from 'node:fs'
import type { Page } from 'puppeteer-core'
import type { Study } from '../../core/study/study'
import { openBrowser, openPage } from './browser'
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
