import { request } from 'node:http'
import { connect, type Socket } from 'node:net'
import type { Browser } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { DEMOS } from '../../core/demos/index'
import { jobsOf } from '../../core/measures/jobs'
import { comparedInFull } from '../../core/views/compare'
import { simulate } from '../../core/year/simulate'
import { EXTREMES } from '../../proof/extreme-studies'
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
    const here = comparedInFull(harbourFlat, new Map(jobsOf(harbourFlat).map((j) => [j.key, simulate(j.study)])))
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

  it('say when they are full and when to come back', async () => {
    const body = JSON.stringify(DEMOS[0].study)
    const answers = await Promise.all(Array.from({ length: 60 }, () => post('/api/simulate', body)))
    const full = answers.filter((a) => a.status === 503)
    expect(full.length).toBeGreaterThan(0)
    expect(Number(full[0].headers.get('retry-after'))).toBeGreaterThan(0)
    expect(answers.every((a) => a.status === 200 || a.status === 503)).toBe(true)
  })
})

/** What a raw request is answered: its status, and its headers. */
const asked = (path: string, options: Record<string, unknown>, body?: Buffer) =>
  new Promise<{ status: number; headers: Record<string, unknown> }>((resolve, reject) => {
    const { hostname, port } = new URL(url)
    const sent = request({ hostname, port, path, agent: false, ...options }, (answer) => {
      answer.resume()
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers }))
    })
    sent.on('error', reject)
    sent.end(body)
  })
const json = { 'content-type': 'application/json' }

describe('the server lets nobody in', () => {
  it.each([
    ['a page under a name it does not have', 403, '/', { headers: { host: 'elsewhere.example' } }],
    ['a path where nothing is', 404, '/wp-login.php', {}],
    ['a path out of its folder', 404, '/..%2f..%2fetc/passwd', {}],
    ['a method that a page has not', 405, '/', { method: 'DELETE' }],
    ['a study asked for by GET', 405, '/api/simulate', {}],
    [
      'a body that does not say it is JSON',
      415,
      '/api/simulate',
      { method: 'POST', headers: { 'content-type': 'text/plain' } },
    ],
    [
      'a post from another site',
      403,
      '/api/simulate',
      { method: 'POST', headers: { ...json, origin: 'http://elsewhere.example' } },
    ],
    [
      'a post that a browser says is from another site',
      403,
      '/api/simulate',
      { method: 'POST', headers: { ...json, 'sec-fetch-site': 'cross-site' } },
    ],
  ])('%s: %i', async (_, status, path, options) => expect((await asked(path, options)).status).toBe(status))

  it('a body that is not UTF-8: 400', async () =>
    expect(
      (await asked('/api/simulate', { method: 'POST', headers: json }, Buffer.from([0xff, 0xfe, 0x22]))).status,
    ).toBe(400))

  it('says on every answer what a page may do, and not what it was made with', async () => {
    for (const path of ['/', '/bagno.svg', '/api/demos', '/nothing']) {
      const { headers } = await asked(path, {})
      expect(headers['x-content-type-options'], path).toBe('nosniff')
      expect(headers['x-powered-by'], path).toBeUndefined()
      const policy = String(headers['content-security-policy'])
      const scripts = /script-src ([^;]*)/.exec(policy)?.[1] ?? /default-src ([^;]*)/.exec(policy)?.[1]
      expect(scripts, path).not.toMatch(/unsafe|\*|http/)
      expect(policy, path).toContain("frame-ancestors 'none'")
    }
  })

  it('compares no more years than it says, and tells how many these would be', async () => {
    const many = structuredClone(DEMOS[0].study)
    const [measure] = many.packages[0].measures
    many.packages = Array.from({ length: 20 }, (_, p) => ({
      id: `p${p}`,
      name: `P ${p}`,
      measures: Array.from({ length: 40 }, (_, m) => ({ ...measure, id: `m${m}` })),
    }))
    const answer = await post('/api/compare', JSON.stringify(many))
    expect(answer.status).toBe(422)
    // As found; each package whole, its measures alone, without each, and one after the other (2 of them to 38).
    const years = 1 + 20 * (1 + 40 + 40 + 37)
    expect((await answer.json()).message).toContain(
      `take ${years.toLocaleString('en-GB')} years to compare; at most 60`,
    )
  })

  it('gives a reason for a year that it does not work out', async () => {
    const endless = EXTREMES.find(([name]) => name === '20,000 draws a day')![1]
    const answer = await post('/api/simulate', JSON.stringify(endless))
    expect([answer.status, (await answer.json()).message]).toEqual([
      422,
      expect.stringMatching(/accepts up to 200,000/),
    ])
  })
})

describe('callers that say little and slowly', () => {
  const { hostname, port } = new URL(url)
  const open: Socket[] = []
  afterAll(() => open.forEach((socket) => socket.destroy()))
  /** A connection on which something is sent, and when it was ended by the other side. */
  const caller = (text: string, localAddress?: string) => {
    const socket = connect({ host: hostname, port: Number(port), localAddress })
    open.push(socket)
    let heard = ''
    const ended = new Promise<string>((resolve) => socket.on('close', () => resolve(heard)))
    socket.on('data', (d: Buffer) => (heard += d.toString()))
    socket.on('error', () => {})
    socket.write(text)
    return { socket, ended, heard: () => heard }
  }
  const head = (more: string) =>
    `POST /api/simulate HTTP/1.1\r\nhost: localhost\r\ncontent-type: application/json\r\n${more}\r\n\r\n`

  it('hold no place: others are answered meanwhile, and they are let go', async () => {
    const begun = Array.from({ length: 40 }, () => caller(`${head('content-length: 5000')}{`))
    const heads = Array.from({ length: 10 }, () => caller('POST /api/simulate HTTP/1.1\r\nhost: localhost\r\n'))
    await new Promise((resume) => setTimeout(resume, 300))
    for (let k = 0; k < 10; k++) expect((await post('/api/simulate', JSON.stringify(harbourFlat))).status).toBe(200)
    for (const { ended } of begun) expect(await ended).toMatch(/^HTTP\/1\.1 408/)
    for (const { ended } of heads) expect(await ended).toMatch(/^HTTP\/1\.1 408/)
  })

  it('a body that says it is too large is refused before it is sent', async () => {
    // A client that sends on meanwhile may find the connection closed before it has read the answer.
    const { ended } = caller(head(`content-length: ${9 * 1024 * 1024}`))
    expect(await ended).toMatch(/^HTTP\/1\.1 413/)
  })

  it('a body without end that is too large is refused, its connection closed, and the server goes on', async () => {
    const { socket, ended } = caller(head('transfer-encoding: chunked'))
    const piece = `100000\r\n${' '.repeat(0x100000)}\r\n`
    const sending = setInterval(() => socket.writable && socket.write(piece), 5)
    const heard = await ended
    clearInterval(sending)
    expect(heard).toMatch(/^HTTP\/1\.1 413/)
    expect((await post('/api/simulate', JSON.stringify(harbourFlat))).status).toBe(200)
  })

  it('one address leaves room for others', async () => {
    const study = JSON.stringify(DEMOS[0].study)
    const crowd = Array.from({ length: 12 }, () => post('/api/compare', study))
    await new Promise((resume) => setTimeout(resume, 100))
    const body = JSON.stringify(harbourFlat)
    const other = caller(
      `${head(`content-length: ${Buffer.byteLength(body)}\r\nconnection: close`)}${body}`,
      '127.0.0.2',
    )
    expect(await other.ended).toMatch(/^HTTP\/1\.1 200/)
    const statuses = (await Promise.all(crowd)).map((a) => a.status)
    expect(statuses).toContain(200)
    expect(statuses).toContain(503)
  })

  it('what can be got can be asked after by its head', async () => {
    for (const path of ['/', '/api/demos', '/bagno.svg'])
      expect((await fetch(url + path, { method: 'HEAD', headers })).status, path).toBe(200)
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
    expect(await page.$eval('aside', (a) => a.textContent)).toMatch(/runs on the server/)
  })
})
