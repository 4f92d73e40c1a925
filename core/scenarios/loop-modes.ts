import { waterMoney } from '../money/tariff'
import { edited } from '../study/edited'
import { controlsOf } from '../study/in-force'
import { LOOP_MODES, type LoopMode } from '../study/loop-modes'
import type { Study } from '../study/study'
import { LOOP_RETURN } from '../year/pipes/network'
import { drawnL, purchasedKwh, type YearResult } from '../year/result'

/** The household with its loop in a mode, all else as it is set. */
export const inMode = (study: Study, mode: LoopMode): Study =>
  edited(study, ({ controls }) => {
    controls.set ??= structuredClone(controlsOf(study))
    controls.set.loop.mode = mode
  })

/** The year of each mode, for whoever simulates them; none without a loop. */
export const modeJobs = (study: Study): { mode: LoopMode; study: Study }[] =>
  study.pipes.loop ? LOOP_MODES.map((mode) => ({ mode, study: inMode(study, mode) })) : []

/** A mode beside the others, on the household's own draws. */
export interface ModeRow {
  mode: LoopMode
  /** Electricity of the pump or the cable, kWh; hours and starts of the pump. */
  pumpKwh: number
  pumpHours: number
  pumpStarts: number
  /** Heat lost on the way out and on the way back, kWh; what cools in the pipes beside the loop. */
  outKwh: number
  backKwh: number
  deadLegKwh: number
  toWasteL: number
  /** Everything that is bought but the pump's electricity, kWh. */
  fuelKwh: number
  heaterStarts: number
  costYear: number
  /** Against the loop off, money a year; more is positive: the pump's electricity, the water, and the rest, which is heat. */
  net: { pump: number; water: number; heat: number; total: number }
  /** The same in all by month. */
  netMonths: number[]
  waitMedianS: number
  waitP90S: number
  /** Draw-offs that wait for hot water: those that the waits are of. */
  waiting: number
  unmetDraws: number
  /** Minutes waited in the year, and money for each minute that is not waited; null where none is saved. */
  waitedMinutes: number
  moneyPerMinute: number | null
  /** Hours a week that the return is tepid. */
  tepidHoursWeek: number
}

/** Modes side by side from their years; the one that rests must be among them. */
export function modeRows(study: Study, years: ReadonlyMap<LoopMode, YearResult>): ModeRow[] {
  const off = years.get('off')
  if (!off) throw new RangeError('the year with the circulation off was not simulated')
  return LOOP_MODES.flatMap((mode) => {
    const year = years.get(mode)
    return year ? [rowOf(study, mode, year, off)] : []
  })
}

function rowOf(study: Study, mode: LoopMode, year: YearResult, off: YearResult): ModeRow {
  const backKwh = year.runs.find((r) => r.id === LOOP_RETURN)?.lossKwh ?? 0
  const money = (y: YearResult) => waterMoney(drawnL(y.water), study.site, study.prices.water)
  const pump = year.cost.loopPump - off.cost.loopPump
  const water = money(year) - money(off)
  const total = year.cost.total - off.cost.total
  const saved = off.comfort.waitedMinutes - year.comfort.waitedMinutes
  return {
    mode,
    pumpKwh: year.energy.loopPumpKwh,
    pumpHours: year.pump.hours,
    pumpStarts: year.pump.starts,
    outKwh: year.energy.loopKwh > 0 ? year.energy.loopKwh - backKwh : 0,
    backKwh: year.energy.loopKwh > 0 ? backKwh : 0,
    deadLegKwh: year.energy.deadLegKwh,
    toWasteL: year.water.toWasteL,
    fuelKwh: purchasedKwh(year) - year.energy.loopPumpKwh,
    heaterStarts: year.heaterStarts,
    costYear: year.cost.total,
    net: { pump, water, heat: total - pump - water, total },
    netMonths: year.months.map((m, i) => m.cost.total - off.months[i].cost.total),
    waitMedianS: year.comfort.waitMedianS,
    waitP90S: year.comfort.waitP90S,
    waiting: year.comfort.waiting,
    unmetDraws: year.comfort.unmetDraws,
    waitedMinutes: year.comfort.waitedMinutes,
    moneyPerMinute: saved > 0.5 ? total / saved : null,
    tepidHoursWeek: year.hygiene.loopTepidHoursWeek,
  }
}

/** How often a sampled loop is tested in a day's windows: at the opening and after each interval, the closing not counted beyond it. */
export const testsADay = (schedule: readonly { fromMin: number; toMin: number }[], everyMin: number): number =>
  schedule.reduce((sum, w) => sum + Math.floor((w.toMin - w.fromMin - 1e-9) / everyMin) + 1, 0)

/** Modes of which none is both cheaper and quicker, by the cheapest first: the edge that is worth choosing from. */
export const cheapAndQuick = (rows: readonly ModeRow[]): ModeRow[] =>
  rows
    .filter(
      (r) =>
        !rows.some(
          (o) =>
            o.costYear <= r.costYear &&
            o.waitP90S <= r.waitP90S &&
            (o.costYear < r.costYear || o.waitP90S < r.waitP90S),
        ),
    )
    .sort((a, b) => a.costYear - b.costYear || a.waitP90S - b.waitP90S)
