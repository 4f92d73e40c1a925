/// <reference lib="dom" />
import { type ChildProcess, spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, launch, type Page } from 'puppeteer-core'

const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium'

/** A port nobody listens on. */
function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })
}

/** Starts the built app and waits until it answers. */
export async function startApp(): Promise<{ url: string; pid: number; stop: () => void }> {
  const port = await freePort()
  const url = `http://127.0.0.1:${port}`
  const server: ChildProcess = spawn(process.execPath, ['.output/server/index.mjs'], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, PORT: String(port), HOST: '127.0.0.1' },
  })
  for (let tries = 0; ; tries++) {
    if (
      await fetch(`${url}/api/demos`).then(
        (r) => r.ok,
        () => false,
      )
    )
      break
    if (tries > 200) throw new Error('the app did not start; is it built?')
    await new Promise((resume) => setTimeout(resume, 100))
  }
  return { url, pid: server.pid!, stop: () => server.kill() }
}

/** A browser with an empty profile of its own, or with one that another had before it was killed. */
export async function openBrowser(
  profile = mkdtempSync(join(tmpdir(), 'bagno-browser-')),
): Promise<{ browser: Browser; profile: string; kill: () => Promise<void>; close: () => Promise<void> }> {
  const browser = await launch({
    executablePath: CHROMIUM,
    userDataDir: profile,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-dev-shm-usage',
      // Its address bar is a page of its own, which takes a core for a second while ours starts.
      '--disable-features=WebUIOmniboxPopup,WebUIOmniboxAimPopup',
    ],
  })
  return {
    browser,
    profile,
    /** Ends it as a power cut would: nothing of it is told. */
    kill: async () => {
      const gone = new Promise((resolve) => browser.process()!.once('exit', resolve))
      browser.process()!.kill('SIGKILL')
      await gone
      rmSync(join(profile, 'SingletonLock'), { force: true })
    },
    close: async () => {
      await browser.close()
      rmSync(profile, { recursive: true, force: true, maxRetries: 5 })
    },
  }
}

/** What looks at something that is not drawn yet fails, and is asked again; left alone, the browser's hand would never ask again. */
function waitPatiently(page: Page): void {
  const wait = page.waitForFunction.bind(page)
  page.waitForFunction = ((met: () => unknown, ...rest: []) => {
    const text = `async (...given) => { try { return await (${String(met)})(...given) } catch { return false } }`
    return wait(
      Object.assign(() => false, { toString: () => text }),
      ...rest,
    )
  }) as typeof wait
}

/** A page of a size, its line of water as who opened it on every stage has it, or folded; whatever goes wrong is collected. */
export async function openPage(
  browser: Browser,
  width: number,
  height: number,
  lineOpen = true,
): Promise<{ page: Page; errors: string[] }> {
  const page = await browser.newPage()
  waitPatiently(page)
  await page.setViewport({ width, height })
  if (lineOpen)
    await page.evaluateOnNewDocument(() => {
      const stages = ['survey', 'measure', 'set', 'improve', 'handover', 'verify']
      localStorage.setItem('bagno-folds', JSON.stringify(Object.fromEntries(stages.map((s) => [s, true]))))
    })
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(String(error)))
  page.on('console', (message) => {
    if (message.type() === 'error') errors.push(`${message.text()} ${message.location().url ?? ''}`)
  })
  return { page, errors }
}

/** Waits until the view is there, the totals of the year stand and nothing is being computed. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(
    () => {
      const totals = document.querySelector('aside[aria-label="Annual totals"]')
      const cost = totals?.querySelector('[data-total="Cost"]')?.textContent ?? '…'
      const work = document.querySelector('#work')
      return (
        totals !== null &&
        (work?.childElementCount ?? 0) > 0 &&
        work!.getAttribute('aria-busy') !== 'true' &&
        cost !== '…' &&
        !/simulating/.test(totals!.querySelector('[role="status"]')?.textContent ?? '')
      )
    },
    { timeout: 30_000, polling: 50 },
  )
}

/** Waits until everything the app is made of is kept and the worker for that is in charge. */
export const keptOffline = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready
    if (!navigator.serviceWorker.controller)
      await new Promise((resolve) =>
        navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true }),
      )
  })
