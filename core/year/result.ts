import { DAY_S, HOUR_S } from '../calendar/year'
import { coolingOf, heatingOf } from '../household/space-heating'
import { type Carrier, CARRIERS } from '../money/carriers'
import { waterMoney } from '../money/tariff'
import { SAFETY } from '../safety/limits'
import { COMES_IN, type Flow, FLOWS, type Ledger } from './account/ledger'
import { allStarts, type HeaterStarts } from './heaters/plant-model'
import type { House } from './house'
import { LOOP_RETURN } from './pipes/network'
import type { DrawRecord } from './taps/tap-draw'
import { finite } from './work'

/** All energy bought, kWh. */
export function purchasedKwh(result: Pick<YearResult, 'energy'>): number {
  return Object.values(result.energy.inputKwh).reduce((s, x) => s + x, 0)
}

export type EnergyFlows = { [F in Flow as `${F}Kwh`]: number }

/** Heat of a month or a year, kWh. inputs + recovered + renewable + ambient = all the rest + residual. */
export type Energy = EnergyFlows & {
  inputKwh: Partial<Record<Carrier, number>>
  /** Of what is bought of a carrier, what became no heat in the water: together the conversion. */
  lostKwh: Partial<Record<Carrier, number>>
  residualKwh: number
  /** Part of the losses that warmed heated rooms in the heating season. */
  houseHeatKwh: number
  /** Heat that heat pumps took out of heated rooms in the heating season, which the house's heating makes again. */
  roomHeatKwh: number
  /** Losses to rooms that are cooled, less what heat pumps took out of them: the cooling takes it out again. */
  cooledHeatKwh: number
  /** Electricity of the loop's pump or cable: a part of what is bought. */
  loopPumpKwh: number
  /** Heat that the elements of heat pumps made: a part of what is bought. */
  backupKwh: number
}

export interface Cost {
  energy: Partial<Record<Carrier, number>>
  standing: number
  water: number
  /** Space heating bought less, when the study counts it; else 0. */
  houseHeatCredit: number
  /** Space heating bought more, for heat that heat pumps took out of heated rooms: always counted. */
  roomHeatCharge: number
  /** Electricity of cooling that takes the losses out of the rooms again, less what heat pumps saved of it: always counted. */
  coolingCharge: number
  /** What electricity of its own would have brought if it had been sold: always counted. */
  exportForgone: number
  /** Electricity of the loop's pump: a part of the electricity above. */
  loopPump: number
  total: number
}

export interface Water {
  hotL: number
  mixedL: number
  toWasteL: number
  /** Let go by relief valves. */
  reliefL: number
  /** Of the cold water at taps, what came warm because a loop comes back through the cold line. */
  warmColdL: number
}

/** All water that is paid for, L: used, run off and let go. */
export const drawnL = (water: Water): number => water.mixedL + water.toWasteL + water.reliefL

/** Waits that a share of draws is held against, s. */
export const WAITS_S = [5, 10, 15, 20, 30, 45, 60, 90, 120] as const

export interface Comfort {
  waitMedianS: number
  waitP90S: number
  unmetDraws: number
  draws: number
  /** Draws of which somebody waits for the hot water: the others take what comes, and none of them can be too cool. */
  waiting: number
  /** Days of the year (0–364) on which at least one draw came too cool, ascending. */
  unmetOn: number[]
  /** Waits at a last run that had rested for half an hour or more, and at one drawn from since. */
  coldPipe: Waits
  warmPipe: Waits
  /** Minutes that people waited in all. */
  waitedMinutes: number
  /** Share of the draws that wait that were not cool and came within each of `WAITS_S`; 1 where none waits. */
  warmWithin: number[]
  /** Day of the year (0–364) whose morning kept people waiting longest, a cool draw counting as two minutes; null without any. */
  worstMorning: number | null
}

/** Waits of those who wait, s. */
export interface Waits {
  draws: number
  medianS: number
  p90S: number
}

/** How the loop's pump ran. */
export interface PumpRun {
  hours: number
  starts: number
}

export interface Period {
  energy: Energy
  cost: Cost
  water: Water
  pump: PumpRun
  /** Hours in which the house was not heated because hot water went first. */
  heatingLostHours: number
  co2Kg: number
}

export interface TapResult {
  id: string
  draws: number
  waitMedianS: number
  toWasteL: number
  usefulKwh: number
  unmetDraws: number
  waiting: number
  /** Hottest water that arrived in the year, °C; null where none was drawn. */
  hottestC: number | null
}

export interface Hygiene {
  storeTepidHoursWeek: number
  drawnTepidHoursWeek: number
  /** Days of the year (0–364) on which what would be drawn was tepid for more than an hour, ascending. */
  tepidOn: number[]
  loopTepidHoursWeek: number
  weeklyLogReductionMin: number | null
  weeklyLogReductionDrawn: number | null
  loopReturnCoolShare: number | null
  /** Runs that go more than seven days without a draw, and the longest such time, days. */
  stagnantRuns: { id: string; days: number }[]
  /** The small stores at taps: hours a week in which what would be drawn is tepid, and tenfold kills in the worst week. */
  locals: { id: string; tepidHoursWeek: number; weeklyLogReductionDrawn: number }[]
}

export interface YearResult extends Period {
  comfort: Comfort & { shortDegreeLitres: number; unmetByHour: number[] }
  hygiene: Hygiene
  /** Hot runs against growth that were begun in the year, and those that reached their temperature and held it. */
  pasteurisationCycles: { begun: number; held: number }
  months: Period[]
  /** What each run lost, and what of it came to heated rooms in the heating season. */
  runs: { id: string; lossKwh: number; toRoomsKwh: number }[]
  taps: TapResult[]
  /** Starts of all heaters, and of each; those of a small store at a tap too. */
  heaterStarts: number
  startsOf: HeaterStarts[]
  /** Hours in which collectors stood in the sun with nowhere to put their heat. */
  collectorStagnationHours: number
  seed: number
}

/** Rounds to a millionth, so that the same year prints the same everywhere; adding nought turns −0 into 0. */
const r6 = (x: number) => Math.round(finite(x) * 1e6) / 1e6 + 0

/** Value below which a share of the sorted values lies. */
function quantile(sorted: readonly number[], share: number): number {
  return sorted.length === 0 ? 0 : sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]
}

const ascending = (a: number, b: number) => a - b

/** Carriers of which anything was bought in the year. */
const boughtIn = ({ ledger, study }: House) =>
  CARRIERS.filter((c) => study.prices.carriers[c] && ledger.inputs[c].some((kj) => kj > 0))

/** The figures of some months together. */
function period(home: House, months: readonly number[]): Period {
  const { ledger, study } = home
  const sum = (a: Float64Array) => months.reduce((s, m) => s + a[m], 0)
  const kwh = (a: Float64Array) => r6(sum(a) / 3600)
  const bought = boughtIn(home)
  const flows = Object.fromEntries(FLOWS.map((f) => [`${f}Kwh`, kwh(ledger.flows[f])])) as EnergyFlows
  const used = bought.filter((c) => sum(ledger.inputs[c]) > 0)
  const inputKwh = Object.fromEntries(used.map((c) => [c, kwh(ledger.inputs[c])]))
  const water = {
    hotL: r6(sum(ledger.waters.hot)),
    mixedL: r6(sum(ledger.waters.mixed)),
    toWasteL: r6(sum(ledger.waters.toWaste)),
    reliefL: r6(sum(ledger.waters.relief)),
    warmColdL: r6(sum(ledger.waters.warmCold)),
  }
  const energy: Energy = {
    ...flows,
    inputKwh,
    lostKwh: Object.fromEntries(used.map((c) => [c, kwh(ledger.losses[c])])),
    residualKwh: r6(residual(ledger, months) / 3600),
    houseHeatKwh: kwh(ledger.houseHeat),
    roomHeatKwh: kwh(ledger.roomHeat),
    cooledHeatKwh: kwh(ledger.cooledHeat),
    loopPumpKwh: kwh(ledger.pump.kj),
    backupKwh: kwh(ledger.backupHeat),
  }
  const heating = heatingOf(study)
  const boughtCo2 = bought.reduce(
    (s, c) => s + ((inputKwh[c] as number | undefined) ?? 0) * study.prices.carriers[c]!.co2KgKwh,
    0,
  )
  const moreHeat = energy.roomHeatKwh - (study.prices.creditHouseHeat ? energy.houseHeatKwh : 0)
  return {
    energy,
    cost: costOf(home, bought, sum, water, energy, months.length),
    water,
    pump: { hours: r6(sum(ledger.pump.seconds) / HOUR_S), starts: sum(ledger.pump.starts) },
    heatingLostHours: r6(sum(ledger.heatingLostS) / HOUR_S),
    co2Kg: r6(boughtCo2 + moreHeat * heating.co2KgKwh + energy.cooledHeatKwh * coolingOf(study).co2KgKwh),
  }
}

/** What went in and is not accounted for, kJ. */
function residual(ledger: Ledger, months: readonly number[]): number {
  const flow = (f: Flow) => months.reduce((s, m) => s + ledger.flows[f][m], 0)
  const input = CARRIERS.reduce((s, c) => s + months.reduce((t, m) => t + ledger.inputs[c][m], 0), 0)
  return FLOWS.reduce((left, f) => left + (COMES_IN.includes(f) ? flow(f) : -flow(f)), input)
}

function costOf(
  home: House,
  bought: readonly Carrier[],
  sum: (a: Float64Array) => number,
  water: Water,
  heat: Energy,
  months: number,
): Cost {
  const { prices, site } = home.study
  const energy = Object.fromEntries(
    bought.filter((c) => sum(home.ledger.inputs[c]) > 0).map((c) => [c, r6(sum(home.ledger.money[c]))]),
  ) as Cost['energy']
  const standing = r6((bought.reduce((s, c) => s + prices.carriers[c]!.standingPerYear, 0) * months) / 12)
  const waterCost = r6(waterMoney(drawnL(water), site, prices.water))
  const heatPrice = heatingOf(home.study).perKwh
  const houseHeatCredit = prices.creditHouseHeat ? r6(heat.houseHeatKwh * heatPrice) : 0
  const roomHeatCharge = r6(heat.roomHeatKwh * heatPrice)
  const cooling = coolingOf(home.study)
  const coolingCharge = r6(heat.cooledHeatKwh * cooling.perKwh)
  const exportForgone = r6(sum(home.ledger.forgone))
  const total =
    Object.values(energy).reduce((s, x) => s + x, 0) +
    standing +
    waterCost -
    houseHeatCredit +
    roomHeatCharge +
    coolingCharge +
    exportForgone
  return {
    energy,
    standing,
    water: waterCost,
    houseHeatCredit,
    roomHeatCharge,
    coolingCharge,
    exportForgone,
    loopPump: r6(sum(home.ledger.pump.money)),
    total: r6(total),
  }
}

function waits(records: readonly DrawRecord[]): number[] {
  return records
    .filter((r) => r.waits)
    .map((r) => r.waitedS)
    .sort(ascending)
}

function waitsOf(records: readonly DrawRecord[]): Waits {
  const waited = waits(records)
  return { draws: waited.length, medianS: r6(quantile(waited, 0.5)), p90S: r6(quantile(waited, 0.9)) }
}

function unmetByHour(records: readonly DrawRecord[]): number[] {
  const hours = Array.from({ length: 24 }, () => 0)
  for (const r of records) if (r.cool) hours[r.hour]++
  return hours
}

/** Share of the draws that wait that were warm within a time, s. What takes what comes, hot or cold, is none of them. */
function warmShare(records: readonly DrawRecord[], withinS: number): number {
  const waiting = records.filter((r) => r.waits)
  return waiting.length === 0 ? 1 : r6(waiting.filter((r) => !r.cool && r.waitedS <= withinS).length / waiting.length)
}

/** What hours of a day count as its morning, and what a cool draw counts for in them, s. */
const MORNING = { fromHour: 4, toHour: 11, coolS: 120 } as const

function worstMorning(records: readonly DrawRecord[]): number | null {
  const waited = new Map<number, number>()
  for (const r of records)
    if (r.waits && r.hour >= MORNING.fromHour && r.hour < MORNING.toHour)
      waited.set(r.day, (waited.get(r.day) ?? 0) + r.waitedS + (r.cool ? MORNING.coolS : 0))
  let worst: number | null = null
  for (const [day, s] of waited) if (worst === null || s > waited.get(worst)!) worst = day
  return worst
}

function comfortOf(records: readonly DrawRecord[]): YearResult['comfort'] {
  const waited = waits(records)
  return {
    coldPipe: waitsOf(records.filter((r) => r.first)),
    warmPipe: waitsOf(records.filter((r) => !r.first)),
    waitMedianS: r6(quantile(waited, 0.5)),
    waitP90S: r6(quantile(waited, 0.9)),
    unmetDraws: records.filter((r) => r.cool).length,
    draws: records.length,
    waiting: waited.length,
    unmetOn: [...new Set(records.filter((r) => r.cool).map((r) => r.day))].sort((a, b) => a - b),
    waitedMinutes: r6(waited.reduce((s, x) => s + x, 0) / 60),
    warmWithin: WAITS_S.map((s) => warmShare(records, s)),
    worstMorning: worstMorning(records),
    /** Cool draws by the hour they began in. */
    unmetByHour: unmetByHour(records),
    shortDegreeLitres: r6(records.reduce((s, r) => s + (r.waits ? r.shortDegreeLitres : 0), 0)),
  }
}

function tapResult(id: string, records: readonly DrawRecord[]): TapResult {
  return {
    id,
    draws: records.length,
    waitMedianS: r6(quantile(waits(records), 0.5)),
    toWasteL: r6(records.reduce((s, r) => s + r.toWasteL, 0)),
    usefulKwh: r6(records.reduce((s, r) => s + r.usefulKj, 0) / 3600),
    unmetDraws: records.filter((r) => r.cool).length,
    waiting: records.filter((r) => r.waits).length,
    hottestC: records.length ? r6(records.reduce((c, r) => Math.max(c, r.hottestC), -Infinity)) : null,
  }
}

function hygieneOf(home: House): Hygiene {
  const store = home.hygiene.store?.result() ?? null
  const loop = home.hygiene.loop.result()
  const orNull = (x: number | null | undefined) => (x === null || x === undefined ? null : r6(x))
  const stagnantRuns = home.network.branches
    .filter((b) => b.id !== LOOP_RETURN)
    .map((b) => ({ id: b.id, days: r6(Math.max(b.longestStillS, home.nowS - b.lastFlowS) / DAY_S) }))
    .filter((r) => r.days > SAFETY.still.value)
  return {
    storeTepidHoursWeek: r6(store?.storeTepidHoursWeek ?? 0),
    drawnTepidHoursWeek: r6(store?.drawnTepidHoursWeek ?? 0),
    tepidOn: store?.tepidOn ?? [],
    loopTepidHoursWeek: r6(loop.loopTepidHoursWeek),
    weeklyLogReductionMin: orNull(store?.weeklyLogReductionMin),
    weeklyLogReductionDrawn: orNull(store?.weeklyLogReductionDrawn),
    loopReturnCoolShare: orNull(loop.loopReturnCoolShare),
    stagnantRuns,
    locals: home.hygiene.locals.map(({ id, log }) => {
      const { drawnTepidHoursWeek, weeklyLogReductionDrawn } = log.result()
      return { id, tepidHoursWeek: r6(drawnTepidHoursWeek), weeklyLogReductionDrawn: r6(weeklyLogReductionDrawn) }
    }),
  }
}

/** The plant and the small stores at taps. */
const plantsOf = (home: House) => [home.plant, ...home.taps.locals.map(({ local }) => local.plant)]

function pasteurisationCyclesOf(home: House): YearResult['pasteurisationCycles'] {
  const all = plantsOf(home).map((p) => p.pasteurisations())
  return { begun: all.reduce((s, r) => s + r.begun, 0), held: all.reduce((s, r) => s + r.held, 0) }
}

/** Sums a household's year up. */
export function resultOf(home: House): YearResult {
  const all = Array.from({ length: 12 }, (_, m) => m)
  const startsOf = plantsOf(home)
    .flatMap((plant) => plant.starts())
    .map(({ id, starts }) => ({ id, starts: Math.round(starts) }))
  return {
    ...period(home, all),
    comfort: comfortOf(home.taps.records),
    hygiene: hygieneOf(home),
    months: all.map((m) => period(home, [m])),
    runs: home.network.branches.map((b, i) => ({
      id: b.id,
      lossKwh: r6(home.branchLostKj[i] / 3600),
      toRoomsKwh: r6(home.branchToRoomsKj[i] / 3600),
    })),
    taps: home.study.pipes.taps.map((t, i) =>
      tapResult(
        t.id,
        home.taps.records.filter((r) => r.tap === i),
      ),
    ),
    heaterStarts: allStarts(startsOf),
    startsOf,
    pasteurisationCycles: pasteurisationCyclesOf(home),
    collectorStagnationHours: r6(home.plant.collectorStagnationHours()),
    seed: home.study.people.seed,
  }
}
