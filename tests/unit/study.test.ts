import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ALWAYS, edges, everyDay, hoursOpen, isOn, tidyDay, workAndRest } from '../../core/calendar/week'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { blankStudy } from '../../core/household/defaults/blank'
import { daysTogether, misfits, snap } from '../../core/household/grid'
import { priceAt } from '../../core/money/tariff'
import { checkEdit } from '../../core/study/check-edit'
import type { Grid } from '../../core/study/controllers'
import { edited } from '../../core/study/edited'
import {
  LARGEST_FILE,
  readStudiesText,
  readStudy,
  readStudyText,
  writeStudies,
  writeStudy,
} from '../../core/study/read'
import { VERSION } from '../../core/study/shape'
import { Study } from '../../core/study/study'
import { faultText } from '../../core/units/result'
import { largeHouse } from '../../proof/large-house'

/** What the reader says of a changed demo. */
function faults(change: (s: Study) => void, base: Study = hillTown) {
  const study = structuredClone(base)
  change(study)
  const read = readStudy(JSON.parse(JSON.stringify(study)))
  return read.ok ? [] : read.faults.map(faultText)
}

describe('the check of an edit', () => {
  it.each<[string, (s: Study) => void]>([
    ['nothing wrong', (s) => void (s.name = 'Mill')],
    ['a reading taken away', (s) => void s.readings.splice(0, 1)],
    ['a reading that is none', (s) => void (s.readings[0] = { ...s.readings[0], takenAt: 'yesterday' })],
    ['a reading changed in its place', (s) => void (s.readings[0].note = 'x'.repeat(100_000))],
    ['something else, with all readings as they were', (s) => void (s.pipes.taps[0].flowLMin = -1)],
  ])('finds what the whole check finds: %s', (_, edit) => {
    const before = largeHouse()
    const after = edited(before, edit)
    const whole = Study.safeParse(after)
    expect(checkEdit(before, after).length > 0).toBe(!whole.success)
  })
})

describe('the reader of study files', () => {
  it('takes a new household', () => expect(readStudy(blankStudy('new')).ok).toBe(true))

  it.each<[string, (s: Study) => void, RegExp]>([
    [
      'a size that is not made',
      (s) => void (s.pipes.runs[2].size = '23'),
      /pipes › runs › 3 › size: "23" is not made in copper-en; it comes in 10, 12/,
    ],
    [
      'a setpoint out of range',
      (s) => void (s.controls.found.heaters.boiler.setpointC = 95),
      /controls › found › heaters › boiler › setpointC: must be 85 or less/,
    ],
    [
      'a run from nowhere',
      (s) => void (s.pipes.runs[1].from = 'attic'),
      /pipes › runs › 2 › from: there is no run "attic"/,
    ],
    ['runs in a circle', (s) => void (s.pipes.runs[0].from = 'riser-top'), /connects to itself/],
    ['two runs of one name', (s) => void (s.pipes.runs[1].id = 'cellar-main'), /used twice/],
    ['a tap on no run', (s) => void (s.pipes.taps[0].runId = 'x'), /pipes › taps › 1 › runId: there is no run "x"/],
    [
      'a use at no outlet',
      (s) => void (s.people.uses[0].tapId = 'x'),
      /people › uses › 1 › tapId: there is no outlet "x"/,
    ],
    [
      'a carrier without a price',
      (s) => void delete s.prices.carriers['natural-gas'],
      /prices › carriers › natural-gas: needs a price/,
    ],
    ['a missing setpoint', (s) => void (s.controls.found.heaters = {}), /heaters › boiler: needs a setpoint/],
    [
      'windows that overlap',
      (s) =>
        void (s.controls.found.loop.schedule[0] = [
          { fromMin: 0, toMin: 600 },
          { fromMin: 500, toMin: 700 },
        ]),
      /on periods in order, not overlapping/,
    ],
    [
      'a window that ends before it starts',
      (s) => void (s.controls.found.loop.schedule[0] = [{ fromMin: 600, toMin: 500 }]),
      /must end after it starts/,
    ],
    ['eleven months', (s) => void s.site.monthlyAirC.pop(), /site › monthlyAirC: twelve values/],
    ['a field nobody knows', (s) => void ((s.site as Record<string, unknown>).colour = 'red'), /not known: colour/],
    [
      'a figure that is text',
      (s) => void ((s.plant.store as unknown as Record<string, unknown>).litres = '200'),
      /plant › store › litres: expected number/,
    ],
    ['a store missing under a boiler', (s) => void (s.plant.store = null), /plant › store: needs a cylinder/],
    [
      'an absence that ends before it starts',
      (s) => void (s.people.absences[0] = { personId: null, fromDay: 9, toDay: 3 }),
      /absences › 1 › toDay/,
    ],
  ])('names %s', (_, change, want) => expect(faults(change).join('\n')).toMatch(want))

  it('says that a loop is missing', () => {
    expect(faults((s) => void (s.controls.found.loop.mode = 'always'), harbourFlat).join()).toMatch(
      /loop › mode: must be "off": there is no circulation/,
    )
  })

  it('says what is wrong with a foreign, newer, broken or enormous file', () => {
    const message = (text: string) => {
      const read = readStudyText(text)
      return read.ok ? '' : read.faults[0].message
    }
    expect(message('{"a":1}')).toMatch(/not a Bagno study/)
    expect(message('[1,2]')).toMatch(/JSON object/)
    expect(message(`{"format":"bagno-study","version":${VERSION + 1}}`)).toMatch(
      new RegExp(`newer Bagno \\(version ${VERSION + 1}\\)`),
    )
    expect(message('{"format":"bagno-study"}')).toMatch(new RegExp(`reads version ${VERSION}`))
    expect(message('{"format":"bagno-st')).toMatch(/not JSON/)
    expect(message(' '.repeat(LARGEST_FILE + 1))).toMatch(/at most 32 MB/)
    expect(message(`{"__proto__":{"format":"bagno-study","version":1}}`)).toMatch(/not a Bagno study/)
  })
})

describe('weeks', () => {
  it('are on inside their windows, ends excluded', () => {
    const week = workAndRest([[360, 480]], [[600, 720]])
    expect([isOn(week, 359), isOn(week, 360), isOn(week, 479), isOn(week, 480)]).toEqual([false, true, true, false])
    expect(isOn(week, 5 * 1440 + 360)).toBe(false)
    expect(isOn(week, 6 * 1440 + 719)).toBe(true)
    expect(hoursOpen(week)).toBe(5 * 2 + 2 * 2)
    expect(hoursOpen(ALWAYS)).toBe(168)
    expect(edges(everyDay([0, 1440]))).toEqual([0, 1440, 2880, 4320, 5760, 7200, 8640])
  })

  const schedule = fc.array(
    fc
      .tuple(fc.integer({ min: 0, max: 1440 }), fc.integer({ min: 0, max: 1440 }))
      .map(([a, b]) => ({ fromMin: Math.min(a, b), toMin: Math.max(a, b) })),
    { maxLength: 8 },
  )

  it('tidied cover the same minutes, in order and apart', () => {
    fc.assert(
      fc.property(schedule, fc.integer({ min: 0, max: 1439 }), (day, minute) => {
        const tidy = tidyDay(day)
        const inside = (list: typeof day) => list.some((w) => minute >= w.fromMin && minute < w.toMin)
        expect(inside(tidy)).toBe(inside(day))
        for (let i = 1; i < tidy.length; i++) expect(tidy[i].fromMin).toBeGreaterThan(tidy[i - 1].toMin)
      }),
    )
  })
})

describe('the grid of a controller', () => {
  const grid: Grid = { stepMin: 30, periodsPerDay: 2, days: 'work-sat-sun' }

  it('says which days go together and where a time falls', () => {
    expect(daysTogether(grid, 2)).toEqual([0, 1, 2, 3, 4])
    expect(daysTogether(grid, 6)).toEqual([6])
    expect(daysTogether({ ...grid, days: 'same' }, 6)).toHaveLength(7)
    expect([snap(grid, 44), snap(grid, 46), snap(grid, 1439)]).toEqual([30, 60, 1440])
  })

  it('names what cannot be entered', () => {
    expect(misfits(grid, everyDay([360, 480]))).toEqual([])
    expect(misfits(grid, everyDay([0, 30], [60, 90], [120, 150])).join()).toMatch(/3 on periods; controller limit 2/)
    expect(misfits(grid, everyDay([365, 480])).join()).toMatch(/steps of 30 min/)
    const mixed = everyDay([360, 480])
    mixed[3] = []
    expect(misfits(grid, mixed)).toEqual(['Thursday differs from Monday; the controller has one day group for both.'])
  })
})

describe('prices', () => {
  it('follow their bands through the week', () => {
    const tariff = hillTown.prices.carriers.electricity!
    expect(priceAt(tariff, 6 * 60, 0)).toBe(0.22)
    expect(priceAt(tariff, 7 * 60, 0)).toBe(0.31)
    expect(priceAt(tariff, 23 * 60, 0)).toBe(0.22)
    expect(priceAt(tariff, 5 * 1440 + 12 * 60, 0)).toBe(0.22)
  })
})

describe('several households in a file', () => {
  it('come back as they went, and one in a file of its own does too', () => {
    const both = [hillTown, harbourFlat]
    expect(readStudiesText(writeStudies(both)).map(({ read }) => read)).toEqual(
      both.map((value) => ({ ok: true, value })),
    )
    expect(readStudiesText(writeStudy(hillTown))).toEqual([{ name: '', read: { ok: true, value: hillTown } }])
  })

  it('that cannot be read are named, and take none of the others with them', () => {
    const read = readStudiesText(writeStudies([hillTown, { name: 'Old mill', format: 'other' }, 7, null]))
    expect(read.map(({ name, read: r }) => [name, r.ok])).toEqual([
      [hillTown.name, true],
      ['Old mill', false],
      ['household 3', false],
      ['household 4', false],
    ])
  })

  it('of any bytes are refused with a reason', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        for (const { read } of readStudiesText(text)) expect(read.ok ? '' : read.faults[0]!.message).not.toBe('')
      }),
    )
    const one = (document: unknown) => readStudiesText(JSON.stringify(document))[0]!.read
    expect(one({ format: 'bagno-studies', studies: 3 })).toMatchObject({ ok: false })
    expect(one({ format: 'bagno-studies', studies: Array.from({ length: 2001 }, () => 0) })).toMatchObject({
      ok: false,
    })
  })
})
