import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { forestFarm } from '../../core/demos/forest-farm'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { assumedDrain, assumedFiring } from '../../core/household/defaults/drain'
import { addTap, keepsTap, removePerson, removeTap } from '../../core/household/edits/people'
import { billedBy, waterBilledBy } from '../../core/household/edits/prices'
import { supplyOf } from '../../core/household/supply'
import { apply } from '../../core/measures/apply'
import { beginMeasure, measuresFor } from '../../core/measures/begin'
import { paybackYears } from '../../core/measures/payback'
import { BILLED, type BillUnit, WATER_UNIT_KEYS } from '../../core/money/billing'
import type { Carrier } from '../../core/money/carriers'
import { priceAt, waterPerM3 } from '../../core/money/tariff'
import { edited } from '../../core/study/edited'
import { Firing } from '../../core/study/fire'
import { NOT_PRICED } from '../../core/study/measures'
import { Drain } from '../../core/study/pipes'
import { Study } from '../../core/study/study'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

const sound = (study: Study) => expect(Study.safeParse(study).success).toBe(true)

describe('an edited document', () => {
  it('shares what the edit leaves alone, and is the document itself when nothing changes', () => {
    const after = edited(hillTown, (d) => void (d.pipes.taps[0].flowLMin = 4))
    expect([hillTown.pipes.taps[0].flowLMin === 4, after.pipes.taps[0].flowLMin]).toEqual([false, 4])
    expect(after.people).toBe(hillTown.people)
    expect(after.pipes.runs).toBe(hillTown.pipes.runs)
    expect(edited(hillTown, (d) => void (d.name = hillTown.name))).toBe(hillTown)
    expect(Object.isFrozen(after)).toBe(false)
  })
})

describe('people and taps', () => {
  it('a household stays sound whoever leaves and whatever tap goes, and is not touched itself', () => {
    fc.assert(
      fc.property(randomStudy, fc.nat(), fc.nat(), (study, p, t) => {
        const was = JSON.stringify(study)
        const { persons } = study.people
        if (persons.length) sound(removePerson(study, persons[p % persons.length].id))
        const tap = study.pipes.taps[t % study.pipes.taps.length]
        const left = removeTap(study, tap.id)
        sound(left)
        expect(left === study).toBe(keepsTap(study, tap.id) !== null)
        sound(addTap(study))
        expect(JSON.stringify(study)).toBe(was)
      }),
      { numRuns: 60 },
    )
  })

  it('takes what was proposed for a tap and what drains there with it', () => {
    const more = changed(addTap(hillTown), (s) => {
      const { id } = s.pipes.taps.at(-1)!
      s.pipes.drain = { ...assumedDrain(s), tapIds: [id] }
      s.packages[0].measures.push({
        id: 'less',
        kind: 'tap-flow',
        name: 'Less',
        ...NOT_PRICED,
        tapId: id,
        flowLMin: 4,
      })
    })
    const left = removeTap(more, more.pipes.taps.at(-1)!.id)
    expect(left.pipes.drain!.tapIds).toEqual([])
    expect(left.packages[0].measures.some((m) => m.id === 'less')).toBe(false)
    sound(left)
  })
})

describe('a change of the unit on the bill', () => {
  it('leaves every price worth what it was, bands too', () => {
    for (const { study } of DEMOS)
      for (const [carrier, tariff] of Object.entries(study.prices.carriers) as [Carrier, never][])
        for (const unit of Object.keys(BILLED[carrier]) as BillUnit[]) {
          const after = billedBy(study, carrier, unit).prices.carriers[carrier]!
          expect(after.unit).toBe(unit)
          for (const minute of [0, 7 * 60, 20 * 60])
            expect(priceAt(after, minute, 0) / priceAt(tariff, minute, 0)).toBeCloseTo(1, 3)
        }
    for (const unit of WATER_UNIT_KEYS)
      expect(waterPerM3(waterBilledBy(hillTown, unit).prices.water) / waterPerM3(hillTown.prices.water)).toBeCloseTo(
        1,
        3,
      )
    expect(() => billedBy(hillTown, 'natural-gas', 'cord')).toThrow(RangeError)
  })
})

describe('what is begun', () => {
  it('is sound in any household: every measure it has something for, the drain, a fire', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        for (const kind of measuresFor(study)) {
          const measure = beginMeasure(study, kind, 'one')
          sound({ ...study, claims: [], packages: [{ id: 'p', name: 'P', measures: [measure] }] })
          sound(apply(study, measure))
        }
        expect(Drain.safeParse(assumedDrain(study)).success).toBe(true)
      }),
      { numRuns: 40 },
    )
    expect(Firing.safeParse(assumedFiring()).success).toBe(true)
  })

  it('never raises what it says it lowers', () => {
    for (const setpointC of [35, 48, 50, 53, 65]) {
      const study = changed(hillTown, (s) => void (s.controls.found.heaters.boiler.setpointC = setpointC))
      const measure = beginMeasure(study, 'setpoint', 'one')
      expect(measure).toMatchObject({ heaterId: supplyOf(study).heaterId })
      expect((measure as { setpointC: number }).setpointC).toBe(Math.min(setpointC, Math.max(50, setpointC - 5)))
    }
    expect(measuresFor(forestFarm)).not.toContain('loop-schedule')
  })

  it('pays back by what it costs over what it saves; an unknown cost never says when', () => {
    expect(paybackYears(300, 60)).toBe(5)
    expect(paybackYears(0, -5)).toBe(0)
    expect(paybackYears(300, 0)).toBe(Infinity)
    expect(paybackYears(300, -20)).toBe(Infinity)
    expect(paybackYears(null, 60)).toBeNull()
  })
})
