import type { Place } from '../climate/places'
import { heatingOf } from '../household/space-heating'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { lostToAirKwh } from '../year/account/house-heat'
import { LOOP_RETURN } from '../year/pipes/network'
import type { YearResult } from '../year/result'

/** A length of pipe with what it lost in a year, and what of it came to heated rooms in the heating season, kWh. */
export interface RunHeat {
  name: string
  place: Place
  reachable: boolean
  lostKwh: number
  toRoomsKwh: number
}

/** Where the losses of a year went: pipe by pipe, the rest, and month by month, kWh. */
export interface RoomHeat {
  runs: RunHeat[]
  /** Cylinder, primary circuit, heaters and what stands at outlets. */
  rest: { lostKwh: number; toRoomsKwh: number }
  months: { lostKwh: number; toRoomsKwh: number; cooledKwh: number }[]
}

/** The losses of a year by where they came from and when, with what of them heated the rooms. */
export function roomHeat({ pipes }: Study, year: YearResult): RoomHeat {
  const runs = year.runs.flatMap(({ id, lossKwh, toRoomsKwh }): RunHeat[] => {
    const run =
      id === LOOP_RETURN
        ? pipes.loop && { ...pipes.loop.back, name: 'Secondary return' }
        : pipes.runs.find((r) => r.id === id)
    return run ? [{ name: run.name, place: run.place, reachable: run.reachable, lostKwh: lossKwh, toRoomsKwh }] : []
  })
  const inRuns = (of: 'lostKwh' | 'toRoomsKwh') => runs.reduce((s, r) => s + r[of], 0)
  return {
    runs,
    rest: {
      lostKwh: Math.max(0, lostToAirKwh(year.energy) - inRuns('lostKwh')),
      toRoomsKwh: Math.max(0, year.energy.houseHeatKwh - inRuns('toRoomsKwh')),
    },
    months: year.months.map(({ energy }) => ({
      lostKwh: lostToAirKwh(energy),
      toRoomsKwh: energy.houseHeatKwh,
      cooledKwh: energy.cooledHeatKwh,
    })),
  }
}

/**
 * A change of the year's cost before and after the heat that the rooms get less of: space heating has to make it again,
 * whether the study counts it or not. Less cost is negative.
 */
export interface WinterCredit {
  lessHeatKwh: number
  grossMoney: number
  netMoney: number
}

export function winterCredit(study: Study, from: YearResult, to: YearResult): WinterCredit {
  const lessHeatKwh = from.energy.houseHeatKwh - to.energy.houseHeatKwh
  const grossMoney = to.cost.total + to.cost.houseHeatCredit - (from.cost.total + from.cost.houseHeatCredit)
  return { lessHeatKwh, grossMoney, netMoney: grossMoney + lessHeatKwh * heatingOf(study).perKwh }
}

/** Less heat to the rooms than this is not worth a word, kWh. */
const WORTH_KWH = 1

/** The same in a sentence; null where the rooms get as much as before. */
export function winterCreditSentence(study: Study, from: YearResult, to: YearResult, write: Display): string | null {
  const { lessHeatKwh, grossMoney, netMoney } = winterCredit(study, from, to)
  if (Math.abs(lessHeatKwh) < WORTH_KWH) return null
  return `Gross of space heating ${write.moneyChange(grossMoney)} a year; net ${write.moneyChange(netMoney)}, as heated spaces get ${write.energy(Math.abs(lessHeatKwh))} ${lessHeatKwh > 0 ? 'less' : 'more'} in the heating season. ${study.prices.creditHouseHeat ? 'The net figure is counted.' : 'The gross figure is counted.'}`
}
