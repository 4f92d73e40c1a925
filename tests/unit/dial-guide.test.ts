import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DIAL_READINGS, DIAL_WITHIN_K, dialText, dialWork } from '../../core/heaters/dial'
import {
  dialGuides,
  dialNext,
  dialReading,
  dialSteps,
  drawToCall,
  unnamed,
  waitAfterDraw,
} from '../../core/household/dial-guide'
import { withDial } from '../../core/household/edits/controllers'
import { withHeating } from '../../core/household/heating/edits'
import { judge } from '../../core/readings/kinds'
import { SPACE_HEATING } from '../../core/study/commanded'
import { displayOf } from '../../core/study/display-of'
import type { HeaterOf } from '../../core/study/heater-kinds'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { dialAt } from '../../proof/dial'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

const sound = (study: Study) => {
  const read = readStudy(JSON.parse(JSON.stringify(study)))
  return read.ok ? [] : read.faults
}

describe('a place on a dial', () => {
  it('reads as a person standing before it says it', () => {
    const marks = ['A', 'B', 'C', 'D']
    expect(dialText(marks, 3)).toBe('C')
    expect(dialText(marks, 2.5)).toBe('half a mark before C')
    expect(dialText(marks, 2.3)).toBe('a quarter of a mark past B')
    expect(dialText(marks, 2.75)).toBe('a quarter of a mark before C')
    expect(dialText(marks, 5.5)).toBe('1.5 marks past D')
    expect(dialText(marks, 0)).toBe('one mark before A')
    expect(unnamed([{ division: 6.5, tempC: 60 }])).toEqual(['1', '2', '3', '4', '5', '6', '7'])
  })
})

describe('work on a dial', () => {
  it('of any thermostat ends right or gives up in five readings, and never says verified before it was read there', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 45, noNaN: true }),
        fc.double({ min: 4, max: 12, noNaN: true }),
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        fc.double({ min: 45, max: 65, noNaN: true }),
        fc.boolean(),
        (coldC, perMark, bend, requiredC, clockwise) => {
          const thermostat = dialAt({ coldC, perMark, bend })
          const at = (division: number) => ({ division, tempC: thermostat(clockwise ? division : 6 - division) })
          const marks = [at(2), at(4)]
          for (let n = 0; n < DIAL_READINGS; n++) {
            const work = dialWork(marks, requiredC)
            if (work.does === 'stop') {
              expect(Math.abs(marks.at(-1)!.tempC - requiredC)).toBeLessThanOrEqual(DIAL_WITHIN_K)
              return
            }
            if (work.does !== 'turn') return
            const known = marks.some((m) => m.division === work.to && Math.abs(m.tempC - requiredC) <= DIAL_WITHIN_K)
            expect(work.verified).toBe(known)
            marks.push(at(work.to))
          }
        },
      ),
    )
  })

  it('one that answers alike wherever it is turned to is given up', () => {
    const worn = [2, 3, 4, 5, 2.5].map((division, i) => ({ division, tempC: 70 + (i % 2) * 4 }))
    expect(dialWork(worn, 55)).toMatchObject({ does: 'give up' })
    expect(dialWork(worn.slice(0, 1), 55)).toMatchObject({ does: 'read' })
  })
})

describe('the guide', () => {
  it('says how much is drawn until the thermostat calls, and how long it heats', () => {
    const [boiler] = hillTown.plant.heaters
    // 200 L with its sensor at 0.45 of the height, and a fifth more.
    expect(drawToCall(hillTown, boiler)).toBeCloseTo(108, 6)
    const minutes = waitAfterDraw(hillTown, boiler, 108)!
    expect(minutes).toBeGreaterThan(10)
    expect(minutes).toBeLessThan(25)
    expect(waitAfterDraw(hillTown, boiler, 54)).toBeCloseTo(minutes / 2, 6)
    const tall = changed(hillTown, (s) => (s.plant.store!.sensorHeight = 0.9))
    expect(drawToCall(tall, boiler)).toBeCloseTo(216, 6)
  })

  it('is there for a heater with a dial or with readings; a second thermostat of one cylinder is named', () => {
    expect(dialGuides(hillTown, () => 60)).toEqual([])
    const dial = withDial(hillTown, 'boiler')
    expect(sound(dial)).toEqual([])
    expect(dial.controllers).toHaveLength(1)
    expect(dialGuides(dial, () => 60)).toMatchObject([{ of: 'boiler', pair: null, marks: [] }])
    // One controller commands both of the farm's: the dial gets a record of its own.
    const farm = withDial(forestFarm, 'top-element')
    expect(sound(farm)).toEqual([])
    expect(farm.controllers.map((c) => [c.commands, c.dial !== null])).toEqual([
      [['workshop-store'], false],
      [['top-element'], true],
    ])
  })

  it('of the heating is read at the flow pipe, and says so when its lowest position is off', () => {
    const study = changed(withDial(withHeating(hillTown), SPACE_HEATING), (s) => {
      const read = (division: number, tempC: number, day: number) =>
        s.readings.push({
          id: `reading-${day}`,
          takenAt: `2026-01-0${day}T10:00:00+01:00`,
          sum: null,
          ...dialReading(SPACE_HEATING, division, tempC),
          note: '',
          photo: null,
          adopted: null,
        })
      read(2, 42, 1)
      read(4, 62, 2)
      s.controllers.at(-1)!.dial!.lowestIsOff = true
    })
    expect(sound(study)).toEqual([])
    const write = displayOf(study)
    const next = (requiredC: number) => dialGuides(study, () => requiredC).map((g) => dialNext(g, write))
    expect(next(52)).toEqual(['Turn to C (3.0), from 2 readings. Unverified until it is read there.'])
    expect(next(34)).toEqual([
      'Turn to a quarter of a mark past A (1.2), from 2 readings. Unverified until it is read there. Its lowest position is off.',
    ])
    const [guide] = dialGuides(study, () => 52)
    expect(dialSteps(guide, write).map((s) => s.text)).toContain('Wait until the flow pipe holds steady, about 10 min.')
    expect(judge(study, study.readings[0])!.worked.out).toEqual({ division: 2, supplyC: 42 })
  })

  it('a small store at an outlet is drawn whole and waited for; what heats as it runs is not', () => {
    const small = forestFarm.plant.heaters.find((h) => h.id === 'workshop-store') as HeaterOf<'under-sink'>
    expect(drawToCall(forestFarm, small)).toBeCloseTo(1.2 * small.litres, 6)
    expect(waitAfterDraw(forestFarm, small, 10)!).toBeGreaterThan(1)
    const [wall] = harbourFlat.plant.heaters
    expect(waitAfterDraw(harbourFlat, wall, drawToCall(harbourFlat, wall))).toBeNull()
  })

  it('of any household and any readings has a next step in words', () => {
    fc.assert(
      fc.property(randomStudy, fc.double({ min: 30, max: 85, noNaN: true }), (study, requiredC) => {
        const write = displayOf(study)
        for (const guide of dialGuides(study, () => requiredC)) {
          const said = [dialNext(guide, write), ...dialSteps(guide, write).map((s) => s.text)].join(' ')
          expect(said).not.toMatch(/undefined|NaN|null|Infinity/)
          expect(guide.marks.length > 0 || guide.controller !== null).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })
})
