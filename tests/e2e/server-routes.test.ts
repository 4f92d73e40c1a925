import type { Browser } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { DEMOS } from '../../core/demos/index'
import { compared, jobsOf } from '../../core/measures/compare'
import { simulate } from '../../core/year/simulate'
import { openBrowser, openPage, settled } from './browser'
import { figure, openDemo, total } from './hand'

const url = inject('url')
// Each on a connection of its own: one kept alive may be closed by the server just as it is used again.
const headers = { 'content-type': 'application/json', connection: 'close' }
const post = (path: string, body: string | Uint8Array<ArrayBuffer>) =>
  fetch(url + path, { method: 'POST', body, headers })

describe('server routes', () => {
  it('hand out the demos', async () => {
    const demos = await (await fetch(`${url}/api/demos`, { headers })).json()
    expect(demos.map((d: { name: string }) => d.name)).toEqual(DEMOS.map((d) => d.study.id))
    expect(demos[0].study).toEqual(DEMOS[0].study)
  })

  it('simulate the same year as the core, to the byte', async () => {
    const answer = await post('/api/simulate', JSON.stringify(harbourFlat))
    expect(answer.status).toBe(200)
    expect(JSON.stringify(await answer.json())).toBe(JSON.stringify(simulate(harbourFlat)))
  })

  it('compare packages', async () => {
    const answer = await post('/api/compare', JSON.stringify(harbourFlat))
    const here = compared(harbourFlat, new Map(jobsOf(harbourFlat).map((j) => [j.key, simulate(j.study)])))
    expect(await answer.json()).toEqual(JSON.parse(JSON.stringify(here)))
  })

  it('refuse a bad study with the path of the field', async () => {
    const bad = structuredClone(harbourFlat)
    bad.pipes.runs[2].size = '99'
    const answer = await post('/api/simulate', JSON.stringify(bad))
    expect(answer.status).toBe(422)
    expect((await answer.json()).message).toMatch(/pipes › runs › 3 › size: "99" is not made in copper-en/)
    expect((await post('/api/simulate', 'no study')).status).toBe(422)
  })

  it('refuse a body that is too large', async () => {
    expect((await post('/api/simulate', new Uint8Array(9 * 1024 * 1024))).status).toBe(413)
  })

  it('say when they are full and when to come back', async () => {
    const body = JSON.stringify(DEMOS[0].study)
    const answers = await Promise.all(Array.from({ length: 60 }, () => post('/api/simulate', body)))
    const full = answers.filter((a) => a.status === 503)
    expect(full.length).toBeGreaterThan(0)
    expect(Number(full[0].headers.get('retry-after'))).toBeGreaterThan(0)
    expect(answers.every((a) => a.status === 200 || a.status === 503)).toBe(true)
  })
})

describe('a browser without workers', () => {
  let browser: Browser
  let close: () => Promise<void>
  beforeAll(async () => void ({ browser, close } = await openBrowser()))
  afterAll(() => close())

  it('has its years from the server, says so, and shows the same figure', async () => {
    const { page } = await openPage(browser, 1280, 800)
    await page.evaluateOnNewDocument(() => Reflect.deleteProperty(window, 'Worker'))
    await openDemo(page, url, 'harbour-flat')
    await settled(page)
    expect(figure(await total(page, 'Cost'))).toBe(Math.round(simulate(harbourFlat).cost.total))
    expect(await page.$eval('aside', (a) => a.textContent)).toMatch(/computed on the server/)
  })
})
