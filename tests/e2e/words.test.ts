import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { wordsOf } from '../../core/study/words-of'
import { NEVER_SAY } from '../never-say'
import { keptIn } from './attacks'
import { openBrowser, openPage, settled } from './browser'
import { choose, goTo, openDemo } from './hand'

const url = inject('url')
let browser: Browser
let close: () => Promise<void>
let page: Page
beforeAll(async () => {
  ;({ browser, close } = await openBrowser())
  ;({ page } = await openPage(browser, 1280, 900))
})
afterAll(() => close())

const VIEWS = [
  ...['main', 'heater', 'store', 'loop', 'runs', 'taps', 'people', 'drain', 'prices'].map((at) => `survey?at=${at}`),
  'measure',
  ...[
    '',
    'board',
    'week',
    'modes',
    'schedule',
    'day',
    'heating',
    'controllers',
    'dials',
    'entries',
    'others',
    'steps',
  ].map((view) => `set?view=${view}`),
  'improve',
  'handover',
  'verify',
  'verify?view=meters',
  'verify?view=weeks',
  'verify?view=bills',
  'verify?view=next',
  ...['tests', 'details', 'sheet', 'report'].map((view) => `handover?view=${view}`),
  ...['sizes', 'beside', 'work', 'claims'].map((view) => `improve?view=${view}`),
]

/** All that is read or heard on the page, text by text, but for what was typed into the study. */
const said = (typed: string[]) =>
  page.evaluate((own) => {
    const texts: string[] = []
    for (const fold of Array.from(document.querySelectorAll('details'))) fold.open = true
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (walker.nextNode())
      if (!walker.currentNode.parentElement!.closest('script, style')) texts.push(walker.currentNode.textContent!)
    for (const e of Array.from(document.querySelectorAll('[aria-label], [title], [placeholder], [alt]')))
      for (const name of ['aria-label', 'title', 'placeholder', 'alt']) texts.push(e.getAttribute(name) ?? '')
    return texts
      .map((text) => own.reduce((t, name) => t.replaceAll(name, '…'), text))
      .filter((text) => /[a-z]/i.test(text))
  }, typed)

/** What somebody typed: names and notes, the longest first. */
function typedInto(study: unknown): string[] {
  const own: string[] = []
  const walk = (value: unknown): void => {
    if (typeof value === 'string') own.push(value)
    else if (value && typeof value === 'object')
      for (const [key, held] of Object.entries(value))
        if (typeof held !== 'string' || /name|note|reason|text|source|watchedBy|testedBy/i.test(key)) walk(held)
  }
  walk(study)
  return [...new Set(own)].filter((s) => s.trim().length > 2).sort((a, b) => b.length - a.length)
}

describe('the words of every view', () => {
  it.each([
    ['hill-town', 'metric'],
    ['duplex', 'us'],
    ['forest-farm', 'us'],
    ['harbour-flat', 'us'],
    ['mountain-refuge', 'metric'],
  ] as const)('are the trade’s, of %s in %s units', async (name, units) => {
    await openDemo(page, url, name)
    await settled(page)
    if ((await keptIn(page, name))!.units !== units) {
      await choose(page, 'Units', units === 'us' ? 'US' : 'metric')
      await settled(page)
    }
    await page.waitForFunction(() => /saved in this browser/.test(document.querySelector('header')!.textContent!))
    const study = (await keptIn(page, name))!
    const typed = typedInto(study)
    const wrong: string[] = []
    const look = async (where: string) => {
      for (const text of await said(typed)) {
        const found =
          NEVER_SAY.exec(text) ??
          // Whatever still reads otherwise in US words was not said in them.
          (units === 'us' && wordsOf({ ...study, people: { ...study.people, persons: [] } })(text) !== text
            ? [text]
            : null)
        if (found) wrong.push(`${where}: “${found[0]}” in “${text.trim().slice(0, 120)}”`)
      }
    }
    for (const view of VIEWS) {
      await goTo(page, `${url}/study/${name}/${view}`)
      await settled(page)
      await look(view)
    }
    expect([...new Set(wrong)]).toEqual([])
  })

  it.each(['/', '/new', '/defaults'])('are the trade’s on %s, before there is a household', async (path) => {
    await page.goto(`${url}${path}`)
    await page.waitForSelector('#work')
    await page.waitForFunction(() => !/Loading|…$/.test(document.querySelector('#work')!.textContent!.trim()))
    for (const text of await said([])) expect(text).not.toMatch(NEVER_SAY)
  })
})
