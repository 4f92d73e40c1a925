import { openBrowser, openPage, settled, startApp } from '../tests/e2e/browser'

/**
 * What the first visit to the main demo costs: bytes over the wire, requests, when the first view and the figures stand, and
 * the longest task of the page's own thread. npm run weight
 */
const LIMITS = { kB: 350, figuresMs: 1500, taskMs: 150 } as const

async function visit(url: string) {
  const session = await openBrowser()
  const { page } = await openPage(session.browser, 1280, 800)
  const wire = await page.createCDPSession()
  await wire.send('Network.enable')
  let [bytes, requests] = [0, 0]
  wire.on('Network.loadingFinished', (e) => ((bytes += e.encodedDataLength), requests++))
  await page.evaluateOnNewDocument(() => {
    const seen = window as unknown as { longest: number }
    seen.longest = 0
    new PerformanceObserver((list) => {
      for (const task of list.getEntries()) seen.longest = Math.max(seen.longest, task.duration)
    }).observe({ type: 'longtask', buffered: true })
  })
  const from = performance.now()
  await page.goto(`${url}/demo/hill-town`, { waitUntil: 'domcontentloaded' })
  await page.waitForSelector('aside[aria-label="Running totals for a year"]')
  const viewMs = performance.now() - from
  await page.waitForFunction(() => /\d/.test(document.querySelector('aside [data-total="Cost"]')?.textContent ?? ''), {
    polling: 20,
  })
  const figuresMs = performance.now() - from
  await settled(page)
  const allMs = performance.now() - from
  const taskMs = await page.evaluate(() => (window as unknown as { longest: number }).longest)
  await session.close()
  return { kB: bytes / 1024, requests, viewMs, figuresMs, allMs, taskMs }
}

const app = await startApp()
try {
  const visits: Awaited<ReturnType<typeof visit>>[] = []
  for (let i = 0; i < 5; i++) visits.push(await visit(app.url))
  const best = (key: keyof (typeof visits)[number]) => Math.round(Math.min(...visits.map((v) => v[key])))
  const median = (key: keyof (typeof visits)[number]) => Math.round(visits.map((v) => v[key]).sort((a, b) => a - b)[2]!)
  console.log(`over the wire ${median('kB')} kB in ${median('requests')} requests (limit ${LIMITS.kB} kB)`)
  console.log(`first view ${best('viewMs')} ms, median ${median('viewMs')}`)
  console.log(`figures ${best('figuresMs')} ms, median ${median('figuresMs')} (limit ${LIMITS.figuresMs})`)
  console.log(`all years ${best('allMs')} ms, median ${median('allMs')}`)
  console.log(`longest task ${best('taskMs')} ms, median ${median('taskMs')} (limit ${LIMITS.taskMs})`)
} finally {
  app.stop()
}
