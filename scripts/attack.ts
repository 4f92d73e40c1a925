import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { readStudyText } from '../core/study/read'
import { simulate } from '../core/year/simulate'
import { YearRefused } from '../core/year/work'
import { EXTREMES, extremeStudy } from '../proof/extreme-studies'
import { hostileDocument } from '../proof/hostile-documents'
import { kills, memory, picturesLeft } from '../tests/e2e/attacks'
import { openBrowser, openPage, startApp } from '../tests/e2e/browser'

/**
 * Attacks what is kept, read, simulated and served, with counts. Loopback only; some minutes in all.
 * npm run attack [-- kills|files|years|server|pictures|memory|answers|tabs|storage|offline]
 */
const only = process.argv[2]
const KILLS = Number(process.env.KILLS ?? 100)
const FILES = Number(process.env.FILES ?? 10_000)
/** Pages left beside pictures, edits of a long log, and rounds through all stages. */
const PICTURES = Number(process.env.PICTURES ?? 10)
const EDITS = Number(process.env.EDITS ?? 150)
const STAGES = Number(process.env.STAGES ?? 100)
const YEARS = Number(process.env.YEARS ?? 200)
/** How often the tests of tabs, storage and life without a server are gone through. */
const ROUNDS = Number(process.env.ROUNDS ?? 5)
const INTERFACE = {
  answers: ['wrong-answers'],
  tabs: ['two-tabs', 'two-versions'],
  storage: ['kept'],
  offline: ['offline'],
} as const
/** A year that has worked for longer than this counts as hung, s of one core, whatever else the machine does meanwhile. */
const HUNG_S = 10

let failed = false
function report(what: string, ok: boolean) {
  console.log(`${ok ? 'held  ' : 'BROKE '} ${what}`)
  failed ||= !ok
}

async function browserKilled(url: string) {
  for (const [ms, times] of [
    [0, Math.ceil(KILLS / 4)],
    [50, KILLS],
  ] as const) {
    const lost = await kills(url, times, ms, 'change')
    const what = `${lost} of ${times} changes lost, killed ${ms} ms after`
    // Nothing is promised of the very moment.
    if (ms === 0) console.log(`       ${what}`)
    else report(what, lost === 0)
  }
}

function hostileFiles() {
  let [thrown, silent, long, taken] = [0, 0, 0, 0]
  for (const text of fc.sample(hostileDocument, { numRuns: FILES, seed: 9 }))
    try {
      const read = readStudyText(text)
      if (read.ok) taken++
      else if (read.faults.length === 0 || read.faults.some((f) => f.message === '')) silent++
      else if (read.faults.some((f) => Math.max(f.path.length, f.message.length) > 300)) long++
    } catch {
      thrown++
    }
  report(
    `${thrown} thrown, ${silent} silent, ${long} endless of ${FILES} hostile files; ${taken} were sound`,
    thrown + silent + long === 0,
  )
}

function extremeYears() {
  let [years, refused, hung, broken, longest] = [0, 0, 0, 0, 0]
  const studies = [
    ...EXTREMES.map(([, s]) => s),
    ...fc.sample(extremeStudy, { numRuns: YEARS - EXTREMES.length, seed: 9 }),
  ]
  for (const study of studies) {
    const from = process.cpuUsage()
    try {
      if (Number.isFinite(simulate(study).cost.total)) years++
      else broken++
    } catch (error) {
      if (error instanceof YearRefused) refused++
      else broken++
    }
    const { user, system } = process.cpuUsage(from)
    const s = (user + system) / 1e6
    longest = Math.max(longest, s)
    if (s > HUNG_S) hung++
  }
  report(
    `${hung} hung, ${broken} broken of ${YEARS} extreme studies; ${years} years, ${refused} refused with a reason, the longest took ${longest.toFixed(1)} s of a core`,
    hung + broken === 0,
  )
}

async function flooded(url: string, pid: number) {
  const rss = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024
  const json = { 'content-type': 'application/json', connection: 'close' }
  const demos = (await (await fetch(`${url}/api/demos`)).json()) as { study: object }[]
  await fetch(`${url}/api/simulate`, { method: 'POST', headers: json, body: JSON.stringify(demos[0]!.study) })
  const first = rss()
  const endless = JSON.stringify(EXTREMES.find(([name]) => name === '200 showers of 120 minutes')![1])
  const bodies = [
    endless,
    '['.repeat(200_000),
    'x'.repeat(4_000_000),
    JSON.stringify(demos[0]!.study),
    `{"format":"bagno-study","version":5,"a":"${'y'.repeat(2_000_000)}"}`,
  ]
  let [slow, odd] = [0, 0]
  const counts = new Map<number, number>()
  let flooding = true
  const asked = async () => {
    while (flooding) {
      const from = performance.now()
      const answer = await fetch(`${url}/api/demos`, { headers: { connection: 'close' } }).catch(() => null)
      if (!answer?.ok) odd++
      if (performance.now() - from > 2000) slow++
      await new Promise((resume) => setTimeout(resume, 100))
    }
  }
  const watching = asked()
  await Promise.all(
    Array.from({ length: 200 }, async (_, i) => {
      const gone = new AbortController()
      // Some callers leave.
      if (i % 7 === 0) setTimeout(() => gone.abort(), 500)
      const answer = await fetch(`${url}/api/${i % 3 ? 'simulate' : 'compare'}`, {
        method: 'POST',
        headers: json,
        body: bodies[i % bodies.length],
        signal: gone.signal,
      }).catch(() => null)
      const status = answer?.status ?? 0
      counts.set(status, (counts.get(status) ?? 0) + 1)
      if (![0, 200, 408, 413, 422, 503].includes(status)) odd++
    }),
  )
  flooding = false
  await watching
  await new Promise((resume) => setTimeout(resume, 15_000))
  await fetch(`${url}/api/demos`)
  const after = rss()
  report(
    `${slow} answers slower than 2 s and ${odd} odd ones while 200 hostile requests came at once (${[...counts].map(([s, n]) => `${n} × ${s || 'left'}`).join(', ')})`,
    slow + odd === 0,
  )
  report(`memory ${Math.round(after)} MB afterwards, ${Math.round(first)} MB at first`, after < 1.3 * first)
}

/** A page that is left the moment something was slid, beside many pictures. */
async function beside(url: string) {
  for (const pictures of [0, 40, 100]) {
    const lost = await picturesLeft(url, pictures, PICTURES)
    report(`${lost} of ${PICTURES} slides lost as the page was left beside ${pictures} pictures`, lost === 0)
  }
}

async function remembered(url: string) {
  const { browser, close } = await openBrowser()
  const { page } = await openPage(browser, 1000, 700)
  const [first, last] = await memory(page, url, EDITS, STAGES)
  report(
    `memory ${last.toFixed(1)} MB after ${EDITS} edits of 5,000 readings and ${STAGES} rounds through all stages, ${first.toFixed(1)} MB at first`,
    last < 1.2 * first,
  )
  await close()
}

/** Goes through tests of the real interface again and again: what depends on the moment shows in one round of many. */
function rounds(what: keyof typeof INTERFACE) {
  let [passed, broke] = [0, 0]
  for (let i = 0; i < ROUNDS; i++) {
    const files = INTERFACE[what].map((name) => `tests/e2e/${name}.test.ts`)
    const run = spawnSync('npx', ['vitest', 'run', '--project', 'interface', '--reporter=json', ...files], {
      encoding: 'utf8',
      maxBuffer: 64e6,
    })
    const at = run.stdout.indexOf('{"numTotalTestSuites')
    const told = at < 0 ? null : (JSON.parse(run.stdout.slice(at)) as Record<string, number>)
    passed += told?.numPassedTests ?? 0
    broke += told?.numFailedTests ?? 1
  }
  report(`${broke} broke and ${passed} held in ${ROUNDS} rounds of the tests of ${what}`, broke === 0 && passed > 0)
}

if (!only || only === 'files') hostileFiles()
if (!only || only === 'years') extremeYears()
if (!only || ['kills', 'server', 'pictures', 'memory'].includes(only)) {
  const app = await startApp()
  try {
    if (!only || only === 'server') await flooded(app.url, app.pid)
    if (!only || only === 'kills') await browserKilled(app.url)
    if (!only || only === 'pictures') await beside(app.url)
    if (!only || only === 'memory') await remembered(app.url)
  } finally {
    app.stop()
  }
}
for (const what of Object.keys(INTERFACE) as (keyof typeof INTERFACE)[]) if (!only || only === what) rounds(what)
process.exit(failed ? 1 : 0)
