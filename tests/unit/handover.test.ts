import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { DEMOS } from '../../core/demos'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { outletTest, proposedTests, sameTest, testStands, testText } from '../../core/household/acceptance'
import { setAnew } from '../../core/household/changes'
import { dueAgain } from '../../core/household/due-again'
import { removeTap } from '../../core/household/edits/people'
import { removeHeater, removeLoop } from '../../core/household/edits/plant'
import { tapFigures } from '../../core/household/tap-figures'
import { jobsOf } from '../../core/measures/jobs'
import { html, page } from '../../core/papers/html'
import { inputsOf } from '../../core/papers/inputs'
import { report } from '../../core/papers/report'
import { settingsSheet } from '../../core/papers/settings-sheet'
import { displayOf } from '../../core/study/display-of'
import { edited } from '../../core/study/edited'
import type { AcceptanceTest } from '../../core/study/handover'
import { valueAt } from '../../core/study/paths'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { wordsOf } from '../../core/study/words-of'
import { comparedInFull } from '../../core/views/compare'
import { findingsOf, inTheWay } from '../../core/views/findings'
import { openItems } from '../../core/views/open-items'
import { remindersOf } from '../../core/views/reminders'
import { simulate } from '../../core/year/simulate'
import { randomStudy } from '../../proof/random-study'
import { changed, readingOf } from '../../proof/studies'
import { METRIC_UNITS, NEVER_SAY, ours, US_UNITS } from '../never-say'

const withTests = (study: Study) =>
  changed(study, (s) => {
    s.handover.tests = proposedTests(study).map((t, i) => ({ ...t, id: `test-${i}` }))
  })
const ON = '2026-03-02'
const open = (study: Study) => openItems(study, checksOf(study, null), ON, displayOf(study))

describe('acceptance tests', () => {
  it('what is proposed can be kept in any household, each once, and can be told', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const all = proposedTests(study)
        expect(readStudy(JSON.parse(JSON.stringify(withTests(study)))).ok).toBe(true)
        expect(all.filter((a, i) => all.findIndex((b) => sameTest(a, b)) !== i)).toEqual([])
        for (const t of all) {
          const { title, how, pass } = testText(study, t, displayOf(study))
          expect(`${title} ${how} ${pass}`).not.toMatch(/undefined|NaN|null/)
          expect(testStands(t)).toBe('not done')
        }
      }),
      { numRuns: 60 },
    )
  })

  it('each outlet has the mark of its own pipes, not that of the one that waits longest', () => {
    for (const { study } of DEMOS)
      for (const tap of study.pipes.taps) {
        const { waitS } = tapFigures(study, tap)
        const { at, passS } = outletTest(study, tap.id)
        expect(at).toBe(tap.id)
        expect(passS! - 1.2 * waitS).toBeGreaterThan(-1e-9)
        expect(passS! - Math.max(5, 1.2 * waitS)).toBeLessThan(5)
      }
  })

  it('a test passes at its mark and not a tenth below; within its time and not a second later', () => {
    const test: AcceptanceTest = {
      id: 'a',
      kind: 'outlet',
      at: 'kitchen-sink',
      beside: null,
      passC: 40,
      passS: 30,
      on: null,
      c: null,
      seconds: null,
    }
    const at = (c: number | null, seconds: number | null, passS: number | null = 30) =>
      testStands({ ...test, c, seconds, passS })
    expect([at(40, 30), at(39.9, 30), at(40, 31), at(40, null), at(40, null, null), at(null, 3)]).toEqual([
      'passed',
      'failed',
      'failed',
      'not done',
      'passed',
      'not done',
    ])
    const dial = (c: number) => testStands({ ...test, kind: 'dial', passC: 55, passS: null, c })
    expect([dial(53), dial(57), dial(52.9), dial(57.1)]).toEqual(['passed', 'passed', 'failed', 'failed'])
  })

  it('go with the outlet, the heater and the circulation they are about', () => {
    const study = withTests(hillTown)
    expect(study.handover.tests.map((t) => t.kind)).toEqual(['outlet', 'two outlets', 'return'])
    expect(removeLoop(study).handover.tests.map((t) => t.kind)).toEqual(['outlet', 'two outlets'])
    const two = withTests(duplex)
    for (const study of [two, withTests(hillTown)])
      for (const { id } of study.pipes.taps)
        expect(readStudy(JSON.parse(JSON.stringify(removeTap(study, id)))).ok).toBe(true)
    for (const { id } of two.plant.heaters)
      expect(readStudy(JSON.parse(JSON.stringify(removeHeater(two, id)))).ok).toBe(true)
  })
})

describe('open items', () => {
  it('hold all that stands in the way of completing, first', () => {
    for (const { study } of DEMOS) {
      const checks = checksOf(study, simulate(study))
      const items = openItems(study, checks, ON, displayOf(study))
      const blocking = items.filter((i) => i.blocks)
      expect(blocking.map((i) => i.id)).toEqual(inTheWay(findingsOf(checks)).map((f) => f.id))
      expect(items.slice(0, blocking.length)).toEqual(blocking)
    }
  })

  it('have one name each in any household, and end in no figure that is none', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const items = open(study)
        expect(new Set(items.map((i) => i.id)).size).toBe(items.length)
        expect(items.map((i) => `${i.title} ${i.says}`).join('\n')).not.toMatch(/undefined|NaN|\[object/)
      }),
      { numRuns: 40 },
    )
  })

  it('a setting that was changed is read again, from the day after, until it has been', () => {
    const set = setAnew(
      hillTown,
      edited(hillTown.controls.found, (c) => void (c.heaters.boiler.setpointC = 60)),
      ON,
    )
    expect(dueAgain(hillTown)).toEqual([])
    expect(dueAgain(set)).toMatchObject([{ kind: 'tap-temperature', changedOn: ON, due: '2026-03-03' }])
    expect(open(set).find((i) => i.id === 'again-tap-temperature')).toMatchObject({ at: 'log', due: '2026-03-03' })
    expect(remindersOf(set, ON, displayOf(set)).some((e) => e.title.startsWith('Measure again'))).toBe(true)
    const reading = (takenAt: string, kind: 'tap-temperature' | 'event', values = {}) => ({
      id: `r-${takenAt.slice(0, 10)}`,
      takenAt,
      kind,
      sum: null,
      where: kind === 'event' ? null : 'kitchen-sink',
      values,
      note: '',
      photo: null,
      adopted: null,
    })
    const read = (day: string) =>
      changed(set, (s) => s.readings.push(reading(`${day}T10:00:00+01:00`, 'tap-temperature', { hotC: 58 })))
    // On the very day it may have been read before the change.
    expect(dueAgain(read(ON))).toHaveLength(1)
    expect(dueAgain(read('2026-03-03'))).toEqual([])
  })

  it('works make old only what had been read before them', () => {
    const log = (kind: 'event' | 'loop', day: string, values: Record<string, string | number>) => ({
      id: `${kind}-${day}`,
      takenAt: `${day}T10:00:00+01:00`,
      kind,
      sum: null,
      where: null,
      values,
      note: '',
      photo: null,
      adopted: null,
    })
    const works = log('event', '2026-05-01', { event: 'works done' })
    const loop = (day: string) => log('loop', day, { supplyC: 58, returnC: 54, flowLMin: 4 })
    const kinds = (...all: ReturnType<typeof log>[]) =>
      dueAgain(changed(hillTown, (s) => s.readings.push(...all))).map((d) => d.kind)
    expect(kinds(works)).toEqual([])
    expect(kinds(loop('2026-04-01'), works)).toEqual(['loop'])
    expect(kinds(loop('2026-04-01'), works, loop('2026-05-02'))).toEqual([])
  })
})

describe('papers', () => {
  it('nothing that is typed can break out of them', () => {
    const piece = html`${'<script>"&\''}|${[html`${1}`, null, false]}`.text.replace(/\s/g, '')
    expect(piece).toBe('&lt;script&gt;&quot;&amp;&#39;|1')
    const nasty = changed(hillTown, (s) => {
      s.name = '<img src=x onerror=alert(1)>'
      s.plant.heaters[0].name = '</style><script>alert(1)</script>'
      s.handover.phone = '"><svg onload=alert(1)>'
      s.handover.leaveAlone = [{ id: 'a', what: '<b>valve', why: '&amp;', picture: null, at: null }]
    })
    const text = settingsSheet(nasty)
    expect(text).not.toMatch(/<script|<img|<svg|<b>valve/)
    expect(text).toContain('&lt;b&gt;valve')
    expect(page('t', 'en', html`<p>x</p>`)).toContain("default-src 'none'")
  })

  it('what is left alone is numbered, and its number stands on the picture where it was marked', () => {
    const photo = 'data:image/png;base64,AAAA'
    const marked = changed(hillTown, (s) => {
      s.readings.push({ ...readingOf('note', {}, { id: 'photo-1' }), photo })
      s.handover.leaveAlone = [
        { id: 'a', what: 'Filling valve', why: '', picture: null, at: null },
        { id: 'b', what: 'Mixing valve', why: '', picture: 'photo-1', at: { x: 0.25, y: 0.8 } },
      ]
    })
    const text = settingsSheet(marked)
    expect(text).toMatch(/2\. <b>Mixing valve<\/b>/)
    expect(text).toMatch(/<span\s+class="mark"\s+style="left:25\.0%;top:80\.0%"\s*>2<\/span/)
    expect(settingsSheet(changed(marked, (s) => void (s.handover.leaveAlone[1].at = null)))).not.toMatch(/class="mark"/)
  })

  it('the sheet says every setpoint, every period and what must read empty, in the units of the study', () => {
    const text = settingsSheet(hillTown)
    expect(text).toContain('65.0 °C')
    expect(text).toContain('05:30–23:00')
    expect(text).toMatch(/2–4\. must read empty/)
    expect(settingsSheet(changed(hillTown, (s) => void (s.units = 'us')))).toMatch(/149 °F[\s\S]*5:30/)
  })

  it('sheets of any household are whole, and fetch nothing', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const text = settingsSheet(study)
        expect(text).not.toMatch(/undefined|NaN|\[object|https?:|<script/)
        expect(text.trimEnd().endsWith('</html>')).toBe(true)
        for (const { phone } of [study.handover]) expect(text.includes('<1234>') && phone !== '').toBe(false)
      }),
      { numRuns: 60 },
    )
  })

  it.each(DEMOS.flatMap(({ study }) => (['metric', 'us'] as const).map((units) => [study.id, units] as const)))(
    'speak the words of the trade, of %s in %s units',
    (id, units) => {
      const study = changed(DEMOS.find((d) => d.study.id === id)!.study, (s) => void (s.units = units))
      const years = new Map(jobsOf(study).map((j) => [j.key, simulate(j.study)]))
      const whole = report({ study, comparison: comparedInFull(study, years), ranges: new Map(), on: ON })
      const pieces = [settingsSheet(study), whole].flatMap((text) =>
        text
          .replace(/<style>[\s\S]*?<\/style>/g, ' ')
          // The inputs stand there as the file has them.
          .replace(/<div class="inputs">[\s\S]*?<\/div>/g, ' ')
          .replace(/<[^>]*aria-label="([^"]*)"[^>]*>/g, '\n$1\n')
          .split(/<[^>]*>|\n/)
          .map((piece) => piece.replace(/\s+/g, ' ').trim())
          // A name that was typed, cut to its place in a drawing.
          .filter((piece) => !piece.endsWith('…'))
          .map((piece) => ours(study, piece)),
      )
      const nobody = { ...study, people: { ...study.people, persons: [] } }
      const wrong = pieces.filter(
        (piece) =>
          NEVER_SAY.test(piece) ||
          (units === 'us' && (METRIC_UNITS.test(piece) || wordsOf(nobody)(piece) !== piece)) ||
          (units === 'metric' && US_UNITS.test(piece)),
      )
      expect([...new Set(wrong)]).toEqual([])
    },
  )

  it('the appendix has every input with its tag', () => {
    for (const { study } of DEMOS) {
      const inputs = inputsOf(study)
      expect(inputs.find((i) => i.path === 'site.altitudeM')?.value).toBe(String(study.site.altitudeM))
      const assumed = Object.entries(study.origins).filter(
        ([path, o]) => o === 'assumed' && valueAt(study, path) !== undefined,
      )
      for (const [path] of assumed)
        expect(inputs.filter((i) => i.path === path || i.path.startsWith(`${path}.`)).map((i) => i.origin)).toContain(
          'assumed',
        )
      expect(inputs.map((i) => i.value).join()).not.toMatch(/undefined|\[object/)
    }
  })

  it('a house of many runs has each of them in the appendix', () => {
    const many = changed(hillTown, (s) => {
      s.pipes.runs.push(
        ...Array.from({ length: 30 }, (_, i) => ({ ...s.pipes.runs[1], id: `more-${i}`, name: `More ${i}` })),
      )
    })
    expect(inputsOf(many).filter((i) => /^pipes\.runs\.[^.]+\.lengthM$/.test(i.path))).toHaveLength(
      many.pipes.runs.length,
    )
  })

  it('the report has the totals of the years, each package, and the open safety items', () => {
    const study = duplex
    const years = new Map(jobsOf(study).map((j) => [j.key, simulate(j.study)]))
    const comparison = comparedInFull(study, years)
    const text = report({ study, comparison, ranges: new Map(), on: ON })
    const write = displayOf(study)
    expect(text).toContain(write.money(comparison.asFound.cost.total))
    for (const p of comparison.packages) expect(text).toContain(write.money(p.result.cost.total))
    for (const f of inTheWay(findingsOf(comparison.checks))) expect(text).toContain(html`${f.title}`.text)
    expect(text).not.toMatch(/undefined|NaN|\[object|<script/)
  })
})
