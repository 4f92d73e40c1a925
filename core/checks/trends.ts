import { dayAfter } from '../calendar/days'
import { dayNumber } from '../calendar/year'
import { highestSetting } from '../household/hottest'
import { consecutive } from '../readings/pairs'
import { gainKPerHour } from '../readings/store-readings'
import { topUps } from '../readings/top-ups'
import { hasSetpoint } from '../study/heater-kinds'
import { CIRCUITS } from '../study/heating'
import { controlsOf } from '../study/in-force'
import type { Reading } from '../study/readings'
import { writeDay } from '../units/dates'
import type { Display } from '../units/display'
import { density } from '../water/properties'
import type { Rule, Told } from './check'

/** Flows this close are the same, starts this near each other, K, and readings this far apart may show a trend, days. */
const SAME_FLOW_SHARE = 0.1
const SAME_START_K = 4
const TREND_DAYS = 90
/** A rise that fell by more than this share under the same conditions is no accident of a thermometer. */
const TREND_SHARE = 0.08

/** Two readings under the same conditions, months apart, of which the later shows the smaller rise. */
interface Trend {
  title: string
  /** What was the same in both. */
  same: (write: Display) => string
  /** What fell, as it is called in a sentence, K. */
  what: string
  was: number
  is: number
}

/** Same conditions, less rise, nothing changed in between, months later: what hands the heat on is scaled or fouled. */
const trends: Rule = ({ study, write }) =>
  consecutive(study).flatMap(({ before, after, changes }): Told[] => {
    const trend = changes.length === 0 ? trendOf(before, after) : null
    if (!trend) return []
    return [
      {
        id: `trend-${after.id}`,
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'heater', id: after.where },
        title: trend.title,
        sentence: `${trend.same(write)}: ${trend.what} ${write.figure('rise', trend.was)} on ${before.takenAt.slice(0, 10)}, ${write.figure('rise', trend.is)} on ${after.takenAt.slice(0, 10)}; no change logged in between.`,
        figures: {
          wasK: { value: trend.was, quantity: 'rise' },
          isK: { value: trend.is, quantity: 'rise', worse: { when: 'less', by: 1 } },
        },
        source: 'Two readings under the same conditions; scale reduces the rise',
        remedy: 'Check heat exchanger, coil or element for scale and the rated input; measure again after cleaning.',
        settledBy: after.kind,
      },
    ]
  })

const numbers = <K extends string>({ values }: Reading, ...names: K[]): Record<K, number> | null =>
  names.every((n) => typeof values[n] === 'number') ? (values as Record<K, number>) : null

/** What a heater lifts running water by, at one flow. */
function riseTrend(before: Reading, after: Reading): Trend | null {
  const [a, b] = [before, after].map((r) => numbers(r, 'inletC', 'outletC', 'flowLMin'))
  if (!a || !b || Math.abs(a.flowLMin - b.flowLMin) > SAME_FLOW_SHARE * a.flowLMin) return null
  return {
    title: 'Lower temperature rise at the same flow',
    same: (write) => `At ${write.figure('flow', b.flowLMin)}`,
    what: 'rise',
    was: a.outletC - a.inletC,
    is: b.outletC - b.inletC,
  }
}

/** What a heater lifts its store by in an hour, from one start. */
function gainTrend(before: Reading, after: Reading): Trend | null {
  const [a, b] = [before, after].map((r) => numbers(r, 'fromC', 'toC', 'minutes'))
  if (!a || !b || a.minutes <= 0 || b.minutes <= 0) return null
  if (Math.abs(a.fromC - b.fromC) > SAME_START_K || Math.abs(a.toC - b.toC) > 2 * SAME_START_K) return null
  return {
    title: 'Cylinder reheats more slowly',
    same: (write) => `From ${write.temperature(b.fromC)}`,
    what: 'rise per hour',
    was: gainKPerHour(a),
    is: gainKPerHour(b),
  }
}

/** Two readings one after the other as a trend; null where there is none. */
export function trendOf(before: Reading, after: Reading): Trend | null {
  if (dayNumber(after.takenAt) - dayNumber(before.takenAt) < TREND_DAYS) return null
  const trend = after.kind === 'reheat' ? gainTrend(before, after) : riseTrend(before, after)
  return trend && trend.was > 0 && trend.is < (1 - TREND_SHARE) * trend.was ? trend : null
}

/** A sound circuit loses less than this in a month, bar; and a gauge shows a difference from this on. Source: practice. */
const FALLS_BAR_A_MONTH = 0.1
const SEEN_BAR = 0.2
const DAYS_A_MONTH = 365 / 12
/** Nearer to each other two readings say nothing of a month, days. */
const LEAST_APART_DAYS = 7

/** The cold pressure of a circuit since it was last filled, and when it will be at its least. */
const pressureFalls: Rule = ({ study, write }) =>
  CIRCUITS.flatMap((name): Told[] => {
    const bands = study.heating?.circuits[name]
    const filled = name === 'heating' ? (topUps(study).at(-1) ?? '') : ''
    const read = study.readings
      .filter((r) => r.kind === 'circuit' && r.values.circuit === name && r.values.gauge === 'cold')
      .map((r) => ({ on: r.takenAt.slice(0, 10), bar: Number(r.values.pressureBar) }))
      .filter((r) => r.on >= filled)
      .toSorted((a, b) => a.on.localeCompare(b.on))
    const [first, last] = [read[0], read.at(-1)]
    if (!first || !last) return []
    const days = dayNumber(last.on) - dayNumber(first.on)
    const fell = first.bar - last.bar
    const aMonth = (fell / days) * DAYS_A_MONTH
    if (days < LEAST_APART_DAYS || fell < SEEN_BAR || aMonth <= FALLS_BAR_A_MONTH) return []
    const warn = bands?.warnBar ?? null
    const left = warn === null ? null : Math.floor(((last.bar - warn) / aMonth) * DAYS_A_MONTH)
    const bar = (x: number) => write.figure('pressure', x, 1)
    const on = (day: string) => writeDay(day, study.units)
    const until =
      left !== null && left > 0
        ? ` At this rate it is at its lowest level, ${bar(warn!)}, on ${on(dayAfter(last.on, left))}.`
        : ''
    return [
      {
        id: `pressure-falls-${name}`,
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'controller', id: null },
        title: `Pressure falls: ${name} circuit`,
        sentence: `${bar(first.bar)} on ${on(first.on)}, ${bar(last.bar)} on ${on(last.on)}, cold, not topped up in between.${until}`,
        figures: {
          wasBar: { value: first.bar, quantity: 'pressure' },
          isBar: { value: last.bar, quantity: 'pressure', worse: { when: 'less', by: 0.1 } },
        },
        source: `Practice: a sound circuit loses less than ${bar(FALLS_BAR_A_MONTH)} a month`,
        remedy: 'Look for the leak, a weeping valve or a flat expansion vessel before it is topped up again.',
        settledBy: 'circuit',
      },
    ]
  })

/** Water as it comes from the main when a cylinder is heated from cold, °C. */
const COLD_C = 10
/** Where nothing is set higher, °C. */
const SETPOINT_C = 60
/** More than so many times what heating up expands does not come from heating up. */
const EXPANSION_TIMES = 2

/** What a relief valve discharged against what the cylinder expands by when it is heated through. */
const reliefLitres: Rule = ({ study, write }) => {
  const discharged = study.readings
    .filter((r) => r.kind === 'event' && r.values.event === 'relief valve opened')
    .map((r) => r.values.volumeL)
    .filter((v) => typeof v === 'number')
  const { store } = study.plant
  if (!store || discharged.length === 0) return []
  const most = Math.max(...discharged)
  const set = study.plant.heaters.filter(hasSetpoint).map((h) => highestSetting(controlsOf(study).heaters[h.id]))
  const expands = store.litres * (density(COLD_C) / density(Math.max(SETPOINT_C, ...set)) - 1)
  const more = most > EXPANSION_TIMES * expands
  return [
    {
      id: 'relief-litres',
      concern: 'fault',
      level: more ? 'fail' : 'marginal',
      subject: { kind: 'store', id: null },
      title: more ? 'Relief valve discharges more than heating expands' : 'Relief valve takes the expansion',
      sentence: `${write.figure('volume', most, 1)} at once; ${store.name} expands by ${write.figure('volume', expands, 1)} when it is heated through.`,
      source: 'Density of water, cold and at the setpoint',
      remedy: more
        ? 'Measure the pressure of the main, by night too, and have relief and pressure reducing valve looked at.'
        : 'Have the expansion vessel and its charge looked at: a relief valve that opens at each heating up soon scales and drips.',
      settledBy: 'event',
    },
  ]
}

export const TREND_CHECKS = { trends, pressureFalls, reliefLitres }
