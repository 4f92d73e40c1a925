import { openBrowser, openPage, settled, startApp } from '../tests/e2e/browser'
import { carried, FIRST_VIEW_KB } from '../tests/e2e/carried'
import { openDemo } from '../tests/e2e/hand'

/**
 * What the first visit to the main demo costs: bytes over the wire, requests, when the first view and the figures stand, and
 * the longest task of the page's own thread; then what a slide of a setpoint takes. npm run weight
 */
const LIMITS = { kB: FIRST_VIEW_KB, figuresMs: 1500, taskMs: 150, slideMs: 150, slideTaskMs: 50 } as const

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

const SLIDES = 16

/** A setpoint on its slider, place by place: from each place to its figures, and the page's longest tasks meanwhile, ms. */
async function slide(url: string) {
  const session = await openBrowser()
  const { page } = await openPage(session.browser, 1280, 800, false)
  await openDemo(page, url, 'hill-town')
  await settled(page)
  // What is tried for the findings is not what is measured.
  await page.waitForFunction(() => !/Simulating/.test(document.querySelector('#work')!.textContent!))
  const measured = await page.evaluate(async (slides) => {
    const tasks: number[] = []
    new PerformanceObserver((list) => tasks.push(...list.getEntries().map((t) => t.duration))).observe({
      type: 'longtask',
    })
    const slider = document.querySelector<HTMLInputElement>('input[aria-label="Setpoint slider"]')!
    const cost = document.querySelector('aside [data-total="Cost"]')!
    const times: number[] = []
    for (let k = 0; k < slides; k++) {
      const before = cost.textContent
      const from = performance.now()
      slider.value = String(50 + k)
      slider.dispatchEvent(new Event('input', { bubbles: true }))
      while (cost.textContent === before && performance.now() - from < 10_000) await new Promise(requestAnimationFrame)
      times.push(performance.now() - from)
    }
    slider.dispatchEvent(new Event('change', { bubbles: true }))
    return { times: times.map(Math.round), tasks: tasks.map(Math.round) }
  }, SLIDES)
  await session.close()
  return measured
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
  const { times, tasks } = await slide(app.url)
  const middle = [...times].sort((a, b) => a - b)[SLIDES / 2]
  console.log(
    `a slide, ms from a place to its figures: middle ${middle} (limit ${LIMITS.slideMs}) of ${times.join(', ')}`,
  )
  console.log(`  tasks over 50 ms (limit ${LIMITS.slideTaskMs}): ${tasks.join(', ') || 'none'}`)
} finally {
  app.stop()
}
