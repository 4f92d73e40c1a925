import { DAY_S } from '../climate/calendar'
import { CARRIERS, type Carrier } from '../money/carriers'
import { perKwh, waterPerM3 } from '../money/prices'
import { LOOP_RETURN } from '../pipes/network'
import { STILL_DAYS } from '../safety/legionella'
import type { DrawRecord } from '../taps/tap-draw'
import type { Household } from './household'
import { COMES_IN, FLOWS, type Flow, type Ledger } from './ledger'

export type EnergyFlows = { [F in Flow as `${F}Kwh`]: number }

/** Heat of a month or a year, kWh. inputs + recovered + renewable + ambient = all the rest + residual. */
export type Energy = EnergyFlows & {
  inputKwh: Partial<Record<Carrier, number>>
  residualKwh: number
  /** Part of the losses that warmed heated rooms in the heating season. */
  houseHeatKwh: number
}

export interface Cost {
  energy: Partial<Record<Carrier, number>>
  standing: number
  water: number
  /** Space heating bought less, when the study counts it; else 0. */
  houseHeatCredit: number
  total: number
}

export interface Water {
  hotL: number
  mixedL: number
  runOffL: number
  /** Let go by relief valves. */
  reliefL: number
}

/** All water that is paid for, L: used, run off and let go. */
export const drawnL = (water: Water): number => water.mixedL + water.runOffL + water.reliefL

export interface Comfort {
  waitMedianS: number
  waitP90S: number
  coolDraws: number
  draws: number
}

export interface Period {
  energy: Energy
  cost: Cost
  water: Water
  co2Kg: number
}

export interface TapResult {
  id: string
  draws: number
  waitMedianS: number
  runOffL: number
  usefulKwh: number
  coolDraws: number
}

export interface Hygiene {
  storeTepidHoursWeek: number
  loopTepidHoursWeek: number
  leastLogKillWeek: number | null
  loopReturnCoolShare: number | null
  /** Runs that go more than seven days without a draw, and the longest such time, days. */
  stillRuns: { id: string; days: number }[]
}

export interface YearResult extends Period {
  comfort: Comfort & { shortDegreeLitres: number }
  hygiene: Hygiene
  months: Period[]
  runs: { id: string; lossKwh: number }[]
  taps: TapResult[]
  heaterStarts: number
  /** Hours in which collectors stood in the sun with nowhere to put their heat. */
  stagnantHours: number
  seed: number
}

/** Rounds to a millionth, so that the same year prints the same everywhere. */
const r6 = (x: number) => Math.round(x * 1e6) / 1e6

/** Value below which a share of the sorted values lies. */
function quantile(sorted: readonly number[], share: number): number {
  return sorted.length === 0 ? 0 : sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]
}

const ascending = (a: number, b: number) => a - b

/** The figures of some months together. */
function period(home: Household, months: readonly number[]): Period {
  const { ledger, study } = home
  const sum = (a: Float64Array) => months.reduce((s, m) => s + a[m], 0)
  const kwh = (a: Float64Array) => sum(a) / 3600
  const bought = CARRIERS.filter((c) => study.prices.carriers[c] && (sum(ledger.inputs[c]) > 0))
  const flows = Object.fromEntries(FLOWS.map((f) => [`${f}Kwh`, r6(kwh(ledger.flows[f]))])) as EnergyFlows
  const inputKwh = Object.fromEntries(bought.map((c) => [c, r6(kwh(ledger.inputs[c]))]))
  const houseHeatKwh = kwh(ledger.houseHeat)
  const water = {
    hotL: r6(sum(ledger.waters.hot)),
    mixedL: r6(sum(ledger.waters.mixed)),
    runOffL: r6(sum(ledger.waters.runOff)),
    reliefL: r6(sum(ledger.waters.relief)),
  }
  return {
    energy: { ...flows, inputKwh, residualKwh: r6(residual(ledger, months) / 3600), houseHeatKwh: r6(houseHeatKwh) },
    cost: costOf(home, bought, sum, water, houseHeatKwh, months.length),
    water,
    co2Kg: r6(bought.reduce((s, c) => s + kwh(ledger.inputs[c]) * study.prices.carriers[c]!.co2KgKwh, 0)),
  }
}

/** What went in and is not accounted for, kJ. */
function residual(ledger: Ledger, months: readonly number[]): number {
  const flow = (f: Flow) => months.reduce((s, m) => s + ledger.flows[f][m], 0)
  const input = CARRIERS.reduce((s, c) => s + months.reduce((t, m) => t + ledger.inputs[c][m], 0), 0)
  return FLOWS.reduce((left, f) => left + (COMES_IN.includes(f) ? flow(f) : -flow(f)), input)
}

function costOf(
  home: Household,
  bought: Carrier[],
  sum: (a: Float64Array) => number,
  water: Water,
  houseHeatKwh: number,
  months: number,
): Cost {
  const { prices, site } = home.study
  const energy = Object.fromEntries(bought.map((c) => [c, r6(sum(home.ledger.money[c]))]))
  const standing = r6((bought.reduce((s, c) => s + prices.carriers[c]!.standingPerYear, 0) * months) / 12)
  const waterCost = r6((drawnL(water) / 1000) * waterPerM3(prices))
  const heating = prices.carriers[site.heating.carrier]
  const heatPrice = heating ? perKwh(heating) / site.heating.efficiency : 0
  const houseHeatCredit = prices.creditHouseHeat ? r6(houseHeatKwh * heatPrice) : 0
  const total = bought.reduce((s, c) => s + energy[c], 0) + standing + waterCost - houseHeatCredit
  return { energy, standing, water: waterCost, houseHeatCredit, total: r6(total) }
}

function waits(records: readonly DrawRecord[]): number[] {
  return records.filter((r) => r.waits).map((r) => r.waitedS).sort(ascending)
}

function comfortOf(records: readonly DrawRecord[]): YearResult['comfort'] {
  const waited = waits(records)
  return {
    waitMedianS: r6(quantile(waited, 0.5)),
    waitP90S: r6(quantile(waited, 0.9)),
    coolDraws: records.filter((r) => r.cool).length,
    draws: records.length,
    shortDegreeLitres: r6(records.reduce((s, r) => s + (r.waits ? r.shortDegreeLitres : 0), 0)),
  }
}

function tapResult(id: string, records: readonly DrawRecord[]): TapResult {
  return {
    id,
    draws: records.length,
    waitMedianS: r6(quantile(waits(records), 0.5)),
    runOffL: r6(records.reduce((s, r) => s + r.runOffL, 0)),
    usefulKwh: r6(records.reduce((s, r) => s + r.usefulKj, 0) / 3600),
    coolDraws: records.filter((r) => r.cool).length,
  }
}

function hygieneOf(home: Household): Hygiene {
  const log = home.hygiene.result()
  const stillRuns = home.network.branches
    .filter((b) => b.id !== LOOP_RETURN)
    .map((b) => ({ id: b.id, days: r6(Math.max(b.longestStillS, home.nowS - b.lastFlowS) / DAY_S) }))
    .filter((r) => r.days > STILL_DAYS)
  return {
    storeTepidHoursWeek: r6(log.storeTepidHoursWeek),
    loopTepidHoursWeek: r6(log.loopTepidHoursWeek),
    leastLogKillWeek: log.leastLogKillWeek === null ? null : r6(log.leastLogKillWeek),
    loopReturnCoolShare: log.loopReturnCoolShare === null ? null : r6(log.loopReturnCoolShare),
    stillRuns,
  }
}

/** Sums a household's year up. */
export function resultOf(home: Household): YearResult {
  const all = Array.from({ length: 12 }, (_, m) => m)
  return {
    ...period(home, all),
    comfort: comfortOf(home.records),
    hygiene: hygieneOf(home),
    months: all.map((m) => period(home, [m])),
    runs: home.network.branches.map((b, i) => ({ id: b.id, lossKwh: r6(home.branchLostKj[i] / 3600) })),
    taps: home.study.pipes.taps.map((t, i) => tapResult(t.id, home.records.filter((r) => r.tap === i))),
    heaterStarts: Math.round(home.plant.starts()),
    stagnantHours: r6(home.plant.stagnantHours()),
    seed: home.study.people.seed,
  }
}
