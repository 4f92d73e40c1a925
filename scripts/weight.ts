import { openBrowser, openPage, settled, startApp } from '../tests/e2e/browser'
import { carried, FIRST_VIEW_KB } from '../tests/e2e/carried'

/**
 * What the first visit to the main demo costs: bytes over the wire, requests, when the first view and the figures stand, and
 * the longest task of the page's own thread. npm run weight
 */
const LIMITS = { kB: FIRST_VIEW_KB, figuresMs: 1500, taskMs: 150 } as const

async function visit(url: string, lineOpen: boolean) {
  const session = await openBrowser()
  const { page } = await openPage(session.browser, 1280, 800, lineOpen)
  await page.evaluateOnNewDocument(() => {
    const seen = window as unknown as { longest: number }
    seen.longest = 0
    new PerformanceObserver((list) => {
      for (const task of list.getEntries()) seen.longest = Math.max(seen.longest, task.duration)
    }).observe({ type: 'longtask', buffered: true })
  })
  const from = performance.now()
  await page.goto(`${url}/demo/hill-town`, { waitUntil: 'domcontentloaded' })
  await page.waitForSelector('aside[aria-label="Annual totals"]')
  const viewMs = performance.now() - from
  await page.waitForFunction(() => /\d/.test(document.querySelector('aside [data-total="Cost"]')?.textContent ?? ''), {
    polling: 20,
  })
  const figuresMs = performance.now() - from
  const { bytes, requests } = await page.evaluate(carried)
  await settled(page)
  const allMs = performance.now() - from
  const taskMs = await page.evaluate(() => (window as unknown as { longest: number }).longest)
  let inWorkers = 0
  for (const worker of page.workers()) inWorkers += (await worker.evaluate(carried)).bytes
  const allBytes = (await page.evaluate(carried)).bytes + inWorkers
  await session.close()
  return { kB: bytes / 1024, requests, allKb: allBytes / 1024, viewMs, figuresMs, allMs, taskMs }
}

const VISITS = 7

const app = await startApp()
try {
  for (const lineOpen of [false, true]) {
    const visits: Awaited<ReturnType<typeof visit>>[] = []
    for (let i = 0; i < VISITS; i++) visits.push(await visit(app.url, lineOpen))
    const sorted = (key: keyof (typeof visits)[number]) => visits.map((v) => Math.round(v[key])).sort((a, b) => a - b)
    const said = (key: keyof (typeof visits)[number]) =>
      `best ${sorted(key)[0]}, median ${sorted(key)[(VISITS - 1) / 2]}, worst ${sorted(key).at(-1)}`
    console.log(lineOpen ? 'with the line of water opened' : 'as it first comes')
    console.log(`  until the figures, kB (limit ${LIMITS.kB}): ${said('kB')}, in ${sorted('requests')[0]} requests`)
    console.log(`  with what follows them, kB: ${said('allKb')}`)
    console.log(`  first view, ms: ${said('viewMs')}`)
    console.log(`  figures, ms (limit ${LIMITS.figuresMs}): ${said('figuresMs')}`)
    console.log(`  all years, ms: ${said('allMs')}`)
    console.log(`  longest task, ms (limit ${LIMITS.taskMs}): ${said('taskMs')}`)
  }
} finally {
  app.stop()
}
