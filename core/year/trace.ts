import Papa from 'papaparse'
import { DAY_S } from '../calendar/year'
import { CARRIERS } from '../money/carriers'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import { fromMetric, type Quantity, unitOf } from '../units/quantities'
import { House } from './house'
import { FRAME_MIN } from './traced-day'

/** Days run before the traced one, so that what is seen does not depend on how the year began. */
export const LEAD_DAYS = 3

/** A draw that was waited for longer than this, or stayed cool, is shown by itself, s. */
const LONG_WAIT_S = 60
export const LATE_IN_WORDS = 'below required temperature, or more than 1 min to tap'

/** Draws of a traced day that were cool or kept people waiting long. */
export const lateDraws = ({ draws }: DayTrace): DayTrace['draws'] =>
  draws.filter((d) => d.waitedS > LONG_WAIT_S || d.cool)

/** The household at one moment of a day. */
export interface Frame {
  minute: number
  /** Temperature that leaves the plant, °C. */
  supplyC: number
  /** Ten slices of the store, bottom to top, °C. */
  slices: number[]
  heatKw: number
  pumping: boolean
  /** For each run: its plugs from inlet to outlet, [share of the run, °C]. */
  runs: Record<string, [number, number][]>
  loopReturnC: number | null
  /** Small stores at taps: id of the tap, °C at the top. */
  locals: Record<string, number>
  /** What would leave each tap if it were opened, °C: id of the tap. */
  taps: Record<string, number>
  /** Taps that ran since the frame before. */
  open: string[]
  /** Money spent on energy since midnight. */
  money: number
}

export interface DayTrace {
  /** Day of the year, 1 to 365, and of the week, 0 = Monday. */
  day: number
  weekday: number
  mainsC: number
  /** Draws of the day as they ended: when they began, minutes, how long they waited, s, and whether they stayed cool. */
  draws: { tapId: string; atMin: number; waitedS: number; cool: boolean }[]
  frames: Frame[]
}

/**
 * One day of a household in pictures five minutes apart, for the line of water and its clock.
 * The year up to that day is not run; three days before it are.
 */
export function traceDay(study: Study, day: number): DayTrace {
  const home = new House(study)
  const startS = day * DAY_S
  home.startAt((day - LEAD_DAYS) * DAY_S)
  home.runUntil(startS)
  const frames: Frame[] = []
  const began = home.taps.records.length
  const spent = spentOn(home)
  let open = new Set<string>()
  for (let minute = 0; minute < 24 * 60; minute += FRAME_MIN) {
    frames.push(frameOf(home, minute, [...open], spentOn(home) - spent))
    open = new Set()
    home.runUntil(startS + (minute + FRAME_MIN) * 60, FRAME_MIN * 60, () => {
      for (const d of home.taps.active) open.add(study.pipes.taps[d.tapIndex].id)
    })
  }
  return {
    day: day + 1,
    weekday: (study.site.firstWeekday + day) % 7,
    mainsC: home.mainsC,
    draws: home.taps.records
      .slice(began)
      .filter((r) => r.day === day)
      .map((r) => ({ tapId: study.pipes.taps[r.tap].id, atMin: r.minute, waitedS: r.waitedS, cool: r.cool })),
    frames,
  }
}

/** Money for energy so far. */
const spentOn = ({ ledger }: House): number =>
  CARRIERS.reduce((sum, c) => sum + ledger.money[c].reduce((s, x) => s + x, 0), 0)

function frameOf(home: House, minute: number, open: string[], money: number): Frame {
  const state = home.plant.state()
  const tenth = (x: number) => Math.round(x * 10) / 10
  const runs: Frame['runs'] = {}
  for (const b of home.network.branches)
    runs[b.id] = b.run
      .profile(home.nowS)
      .map(([litres, c]) => [Math.round((litres / b.run.warmUpVolumeL) * 1000) / 1000, tenth(c)])
  return {
    minute,
    supplyC: tenth(state.supplyC),
    slices: state.slices.map(tenth),
    heatKw: tenth(state.heatKw),
    pumping: home.pumping,
    runs,
    loopReturnC: home.network.hasLoop ? tenth(home.network.returnC(home.nowS)) : null,
    locals: Object.fromEntries(
      home.taps.locals.map(({ tap, local }) => [home.study.pipes.taps[tap].id, tenth(local.plant.supplyC())]),
    ),
    taps: Object.fromEntries(home.study.pipes.taps.map((t, i) => [t.id, tenth(home.taps.atTapC(i, home.nowS))])),
    open,
    money: Math.round(money * 1e4) / 1e4,
  }
}

/**
 * A day as a table with commas: minute, what leaves the plant, store, return, heat, pump, money, and each tap; in the units and
 * the words of the study.
 */
export function dayCsv(trace: DayTrace, study: Study): string {
  const { taps } = study.pipes
  const as = (quantity: Quantity) => {
    const { label, decimals } = unitOf(quantity, study.units)
    const write = (metric: number) => Number(fromMetric(quantity, study.units, metric).toFixed(Math.max(1, decimals)))
    return { label, write }
  }
  const [warmth, power] = [as('temperature'), as('power')]
  const words = wordsOf(study)
  const head = [
    'minute',
    `${words('Supply temperature')} ${warmth.label}`,
    ...(trace.frames[0]?.slices ?? []).map((_, i) => `${words(`Cylinder, tenth ${i + 1}`)} ${warmth.label}`),
    `${words('Secondary return')} ${warmth.label}`,
    `${words('Heat')} ${power.label}`,
    words('Circulation pump'),
    `${words('Energy since midnight')} ${study.prices.currency}`,
    ...taps.map((t) => `${t.name} ${warmth.label}`),
  ]
  const rows = trace.frames.map((f) => [
    f.minute,
    warmth.write(f.supplyC),
    ...f.slices.map(warmth.write),
    f.loopReturnC === null ? '' : warmth.write(f.loopReturnC),
    power.write(f.heatKw),
    f.pumping ? 1 : 0,
    f.money,
    ...taps.map((t) => warmth.write(f.taps[t.id])),
  ])
  // A tap may be called "=1+1": a spreadsheet is not to work that out.
  return Papa.unparse([head, ...rows], { escapeFormulae: true })
}
