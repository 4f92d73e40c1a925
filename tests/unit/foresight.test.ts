import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DAY_S } from '../../core/calendar/year'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import type { Study } from '../../core/study/study'
import { sameEverywhere } from '../../core/units/same-everywhere'
import { drawsOfYear } from '../../core/year/draws/draws'
import { SensorDrift } from '../../core/year/heaters/sensor-drift'
import { House } from '../../core/year/house'
import { simulate } from '../../core/year/simulate'
import { simulateMany } from '../../core/year/simulate-many'
import { changed } from '../../proof/studies'

describe('a sensor that is warmed or cooled', () => {
  const k = fc.double({ min: 0.5, max: 20, noNaN: true })
  it('meets a temperature when it was foreseen to: never past it by more than half a kelvin, never short by much', () => {
    fc.assert(
      fc.property(k, fc.double({ min: 300, max: 20_000, noNaN: true }), k, (startC, tauS, leftK) => {
        // It nears `goal` by an exponential, as what it is heated by is left behind; the setpoint lies on the way.
        const goal = startC + leftK + 8
        const at = (s: number) => goal - (goal - startC) * Math.exp(-s / tauS)
        const drift = new SensorDrift(at(0))
        drift.look(at(120), 120, 'heater')
        drift.look(at(240), 120, 'heater')
        const left = startC + leftK - at(240)
        if (left <= 0.1) return
        const met = at(240 + drift.untilRisen(left, 1.25))
        expect(met).toBeLessThan(startC + leftK + 0.5 + 1e-9)
        expect(startC + leftK - met).toBeLessThan(0.75 * left)
      }),
    )
  })

  it('tells nothing from a step in which something else moved the water, or after it was content', () => {
    const drift = new SensorDrift(50)
    drift.look(52, 300, 'several')
    expect([drift.untilRisen(3, 1), drift.untilFallen(3)]).toEqual([Infinity, Infinity])
    drift.look(54, 300, 'heater')
    expect(drift.untilRisen(3, 1)).toBeCloseTo(450, 6)
    expect(drift.untilFallen(3)).toBe(Infinity)
    drift.rest()
    expect(drift.untilRisen(3, 1)).toBe(Infinity)
    drift.look(53, 300, 'loop')
    expect(drift.untilFallen(2)).toBeCloseTo(600, 6)
  })
})

describe('figures that are the same everywhere', () => {
  it('have nine digits, those of the decimal figure', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e12, max: 1e12, noNaN: true }), (x) => {
        expect(sameEverywhere(x)).toBe(Number(x.toPrecision(9)) || 0)
      }),
    )
  })
})

describe('years of many studies', () => {
  it('are those that each would have alone, whatever was worked out before, and end with whoever stops', () => {
    const [flat, other] = [DEMOS[1].study, structuredClone(DEMOS[1].study)]
    other.people.seed++
    const asked: number[] = []
    function* studies() {
      for (const [i, study] of [flat, other, flat].entries()) {
        asked.push(i)
        yield [i, study] as const
      }
      throw new Error('nobody asked for a fourth')
    }
    const years = []
    for (const [i, year] of simulateMany(studies())) {
      years.push(year)
      if (i === 2) break
    }
    expect(asked).toEqual([0, 1, 2])
    expect(years[0]).toEqual(simulate(structuredClone(flat)))
    expect(years[2]).toEqual(years[0])
    expect(years[1].cost.total).not.toBe(years[0].cost.total)
  })

  it('draw what their people draw, though the draws of others were asked for between', () => {
    const first = drawsOfYear(hillTown.people, hillTown.site)
    const key = JSON.stringify(first)
    for (let seed = 1; seed < 8; seed++) drawsOfYear({ ...hillTown.people, seed }, hillTown.site)
    expect(JSON.stringify(drawsOfYear(structuredClone(hillTown.people), hillTown.site))).toBe(key)
    // One that is changed where it stands is another.
    const people = structuredClone(hillTown.people)
    drawsOfYear(people, hillTown.site)
    people.volumeFactor *= 2
    const more = drawsOfYear(people, hillTown.site).reduce((sum, d) => sum + d.amount, 0)
    expect(more).toBeGreaterThan(1.9 * first.reduce((sum, d) => sum + d.amount, 0))
  })
})

describe('long steps', () => {
  const [FROM_DAY, DAYS] = [165, 12]
  const valve = changed(hillTown, (s) => void (s.plant.store!.mixing = { mixesToC: 50, testedOn: null }))
  const HOUSES: [string, Study][] = [...DEMOS.map((d): [string, Study] => [d.study.id, d.study]), ['a valve', valve]]
  const lived = (study: Study, longestS?: number) => {
    const home = new House(study)
    let steps = 0
    // In June, when somebody is in each of them.
    home.startAt(FROM_DAY * DAY_S)
    home.runUntil((FROM_DAY + DAYS) * DAY_S, longestS, () => steps++)
    home.closeMonth()
    const sum = (a: Float64Array) => a.reduce((all, x) => all + x, 0)
    const { flows, inputs, waters } = home.ledger
    return {
      steps,
      input: Object.values(inputs).reduce((all, a) => all + sum(a), 0) + sum(flows.renewable) + sum(flows.ambient),
      stored: sum(flows.storedChange),
      useful: sum(flows.useful),
      loop: sum(flows.loop),
      mixed: sum(waters.mixed),
    }
  }

  it.each(HOUSES)('of %s tell what steps of ten seconds do', (_, study) => {
    const [free, short] = [lived(study), lived(study, 10)]
    expect(free.steps).toBeLessThan(short.steps / 20)
    // What is held at the end depends on where in its cycle the heater is.
    const taken = (l: typeof free) => l.input - l.stored
    expect(Math.abs(taken(free) / taken(short) - 1)).toBeLessThan(0.02)
    expect(Math.abs(free.useful / short.useful - 1)).toBeLessThan(0.02)
    expect(Math.abs(free.mixed / short.mixed - 1)).toBeLessThan(0.02)
    expect(Math.abs(free.loop - short.loop)).toBeLessThan(0.01 * taken(short))
  })
})
