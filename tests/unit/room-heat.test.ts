import { describe, expect, it } from 'vitest'
import { PLACES, TO_ROOMS } from '../../core/climate/places'
import { courtFlat } from '../../core/demos/court-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { heatingOf } from '../../core/household/space-heating'
import { displayOf } from '../../core/study/display-of'
import { roomHeat, winterCredit, winterCreditSentence } from '../../core/views/room-heat'
import { moneyRows } from '../../core/year/account/money-rows'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'

const all = (on: boolean) => Array<boolean>(12).fill(on)
const sum = (xs: readonly number[]) => xs.reduce((s, x) => s + x, 0)

describe('heat that losses bring to rooms', () => {
  it('is told pipe by pipe and month by month, and both add up to the year', () => {
    for (const { study } of DEMOS) {
      const strewn = changed(study, (s) => {
        s.pipes.runs.forEach((run, i) => void (run.place = PLACES[i % PLACES.length]))
        s.site.cooling = { months: s.site.heatingMonths.map((on) => !on), efficiency: 3 }
        s.packages = []
      })
      const year = simulate(strewn)
      const { runs, rest, months } = roomHeat(strewn, year)
      const rooms = year.energy.houseHeatKwh
      expect(sum(runs.map((r) => r.toRoomsKwh)) + rest.toRoomsKwh).toBeCloseTo(rooms, 3)
      expect(sum(months.map((m) => m.toRoomsKwh))).toBeCloseTo(rooms, 3)
      expect(sum(months.map((m) => m.cooledKwh))).toBeCloseTo(year.energy.cooledHeatKwh, 3)
      for (const r of runs)
        expect(Math.abs(r.toRoomsKwh)).toBeLessThanOrEqual(Math.abs(r.lostKwh) * TO_ROOMS[r.place] + 1e-3)
      expect(sum(moneyRows(year.cost).map((r) => r.money))).toBeCloseTo(year.cost.total, 4)
    }
  })

  it('comes from a slab by half, and from a cellar not at all', () => {
    const at = (place: 'slab' | 'cellar' | 'heated') => {
      const study = changed(hillTown, (s) => {
        s.site.heatingMonths = all(true)
        for (const r of s.pipes.runs) r.place = place
      })
      const year = simulate(study)
      return roomHeat(study, year).runs.find((r) => r.name === study.pipes.runs[0].name)!
    }
    const [slab, cellar, heated] = [at('slab'), at('cellar'), at('heated')]
    expect(cellar.toRoomsKwh).toBe(0)
    expect(slab.toRoomsKwh).toBeCloseTo(slab.lostKwh / 2, 4)
    expect(heated.toRoomsKwh).toBeCloseTo(heated.lostKwh, 4)
  })

  it('has to be taken out again where the house is cooled, by its price and efficiency', () => {
    const cooled = (efficiency: number | null) =>
      simulate(
        changed(hillTown, (s) => {
          s.site.heatingMonths = all(false)
          for (const r of s.pipes.runs) r.place = 'heated'
          s.site.cooling = efficiency === null ? null : { months: all(true), efficiency }
        }),
      )
    const [never, three, six] = [cooled(null), cooled(3), cooled(6)]
    expect(never.cost.coolingCharge).toBe(0)
    expect(three.energy.cooledHeatKwh).toBeGreaterThan(100)
    expect(three.cost.coolingCharge).toBeCloseTo(2 * six.cost.coolingCharge, 3)
    expect(three.cost.total - never.cost.total).toBeCloseTo(three.cost.coolingCharge, 4)
    // A ledger of its own: what is lost is lost once, and the energy of the year is the same.
    expect(three.energy.inputKwh).toEqual(never.energy.inputKwh)
  })

  it('is what gross and net of a saving differ by, whichever of them the study counts', () => {
    for (const study of [hillTown, courtFlat]) {
      const warm = (credit: boolean) =>
        changed(study, (s) => {
          s.prices.creditHouseHeat = credit
          s.packages = []
        })
      const colder = (credit: boolean) =>
        changed(warm(credit), (s) => {
          for (const r of s.pipes.runs) r.insulation = { lambdaWMK: 0.03, thicknessMm: 50 }
        })
      const of = (credit: boolean) => winterCredit(study, simulate(warm(credit)), simulate(colder(credit)))
      const [off, on] = [of(false), of(true)]
      expect(on.grossMoney).toBeCloseTo(off.grossMoney, 3)
      expect(on.netMoney).toBeCloseTo(off.netMoney, 3)
      expect(off.netMoney - off.grossMoney).toBeCloseTo(off.lessHeatKwh * heatingOf(study).perKwh, 6)
      const said = winterCreditSentence(study, simulate(warm(false)), simulate(colder(false)), displayOf(study))
      expect(said === null).toBe(Math.abs(off.lessHeatKwh) < 1)
    }
  })
})
