import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, inject, it, vi } from 'vitest'
import { keptOffline, openBrowser, openPage, settled } from './browser'
import { named, openDemo, press } from './hand'
import { type Answer, serveBefore } from './proxy'

/** What a network that wants a login answers, whatever it is asked for. */
const LOGIN: Answer = {
  status: 200,
  headers: { 'content-type': 'text/html' },
  body: Buffer.from('<!doctype html><title>Guests</title><p>Please accept the terms of this network.</p>'),
}
/** The one of `pieces`: which of several would be met first hangs on how the build named them. */
function only(pieces: string[]) {
  if (pieces.length !== 1) throw new Error(`one piece expected, found: ${pieces.join(', ') || 'none'}`)
  return pieces[0]!
}
/** The piece of the app that the stage Improve is. */
const PIECES = '.output/public/_nuxt'
const IMPROVE = `/_nuxt/${only(
  readdirSync(PIECES).filter(
    (name) => name.endsWith('.js') && readFileSync(join(PIECES, name), 'utf8').includes('"aria-label":"Heat balance"'),
  ),
)}`
const EMPTY: Answer = { status: 200, headers: { 'content-type': 'text/javascript' }, body: Buffer.alloc(0) }

describe('a network that answers 200 with something else', () => {
  let server: Awaited<ReturnType<typeof serveBefore>>
  /** Paths that are answered wrongly now, what with, and which were. */
  let wrong: (path: string) => Answer | null = () => null
  let answered: string[] = []
  let browser: Browser
  let close: () => Promise<void>
  let page: Page
  beforeAll(async () => {
    server = await serveBefore(inject('url'), {
      answer: (path, from) => {
        const other = wrong(path)
        if (other) answered.push(path)
        return other ?? from
      },
    })
  })
  afterAll(() => server.stop())
  beforeEach(async () => {
    answered = []
    wrong = () => null
    ;({ browser, close } = await openBrowser())
    ;({ page } = await openPage(browser, 1280, 800))
  })
  afterEach(() => close())

  /** Waits until an installation has met a wrong answer and has come to its end; what is in charge then. */
  async function ended() {
    await vi.waitUntil(() => answered.length > 0, { timeout: 60_000, interval: 50 })
    await page.waitForFunction(async () => {
      const is = await navigator.serviceWorker.getRegistration()
      return !is || is.installing === null
    })
    return page.evaluate(async () => {
      const is = await navigator.serviceWorker.getRegistration()
      return is?.waiting?.state ?? is?.active?.state ?? 'none'
    })
  }
  /** Presses the link to a stage and waits for nothing: the page may begin anew. */
  const reachFor = async (stage: string) => (await page.waitForSelector(named('link', stage)))!.click()

  it.each([
    ['a login page', LOGIN],
    ['nothing', EMPTY],
  ])('%s for one piece ends the installation; at the next start it is kept', async (_, answer) => {
    wrong = (path) => (path === IMPROVE ? answer : null)
    await page.goto(server.url)
    expect(await ended()).toBe('none')
    wrong = () => null
    await page.reload()
    await keptOffline(page)
  })

  it('a wrong page ends the installation too', async () => {
    await page.goto(server.url)
    await page.waitForSelector('section[aria-label="Households"]')
    wrong = (path) => (path === '/' ? LOGIN : null)
    expect(await ended()).toBe('none')
    expect(answered).toEqual(['/'])
  })

  it('a wrong piece that lies in the cache is not handed out, and is mended', async () => {
    await openDemo(page, server.url, 'harbour-flat')
    await settled(page)
    await keptOffline(page)
    const spoiled = await page.evaluate(async (piece) => {
      const spoiled: string[] = []
      for (const name of await caches.keys()) {
        const cache = await caches.open(name)
        for (const request of await cache.keys())
          if (new URL(request.url).pathname === piece) {
            await cache.put(request, new Response('<p>a login</p>', { headers: { 'content-type': 'text/html' } }))
            spoiled.push(request.url)
          }
      }
      return spoiled
    }, IMPROVE)
    expect(spoiled.length).toBeGreaterThan(0)
    await page.reload()
    await settled(page)
    await press(page, 'link', 'Improve')
    await page.waitForSelector('section[aria-label="Heat balance"]')
    const types = await page.evaluate(
      async (url) => (await (await caches.match(url))?.text())?.slice(0, 5),
      spoiled[0]!,
    )
    expect(types).not.toBe('<p>a ')
  })

  it('a stage whose piece came wrong once is there after all, with what was typed', async () => {
    await page.evaluateOnNewDocument(() => Object.defineProperty(navigator, 'serviceWorker', { value: undefined }))
    await openDemo(page, server.url, 'harbour-flat')
    await settled(page)
    let once = 0
    wrong = (path) => (path === IMPROVE && once++ === 0 ? LOGIN : null)
    await reachFor('Improve')
    await page.waitForSelector('section[aria-label="Heat balance"]')
    expect(answered.length).toBe(1)
  })

  it('one that stays wrong is said, with a button that mends', async () => {
    await openDemo(page, server.url, 'harbour-flat')
    await settled(page)
    await keptOffline(page)
    await page.evaluate(async () => {
      for (const name of await caches.keys()) await caches.delete(name)
    })
    wrong = (path) => (path === IMPROVE ? LOGIN : null)
    await reachFor('Improve')
    await page.waitForFunction(() => /could not be loaded|cannot be shown/.test(document.body.textContent!))
    wrong = () => null
    // A notice comes first and a page after it, each with the button: a click at a place may come between the two.
    await page.waitForFunction(() => {
      if (location.pathname === '/') return true
      const mends = Array.from(document.querySelectorAll<HTMLElement>('button, a'))
      mends.find((e) => e.textContent!.trim() === 'Reload the app')?.click()
      return false
    })
    await page.goto(`${server.url}/study/harbour-flat/improve`)
    await settled(page)
    await page.waitForSelector('section[aria-label="Heat balance"]')
  })
})
