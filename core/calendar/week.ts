import { DAYS_A_WEEK, MINUTES_A_DAY } from './clock'

/** A stretch of a day, minutes from midnight; `toMin` may be 1440, the end of the day. */
export interface Window {
  fromMin: number
  toMin: number
}

/** Seven days of windows, Monday first. */
export type Schedule = Window[][]

export const DAY_NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const

/** The same windows on every day. @example everyDay([360, 540], [1080, 1320]) */
export function everyDay(...spans: [number, number][]): Schedule {
  return Array.from({ length: DAYS_A_WEEK }, () => spans.map(([fromMin, toMin]) => ({ fromMin, toMin })))
}

/** One set of windows for Monday to Friday and another for the weekend. */
export function workAndRest(work: [number, number][], rest: [number, number][]): Schedule {
  return Array.from({ length: DAYS_A_WEEK }, (_, d) =>
    (d < 5 ? work : rest).map(([fromMin, toMin]) => ({ fromMin, toMin })),
  )
}

/** The whole week. */
export const ALWAYS: Schedule = everyDay([0, MINUTES_A_DAY])

/** Whether a minute of the week (0 = Monday midnight) lies in a window. */
export function isOn(week: Schedule, minuteOfWeek: number): boolean {
  const day = Math.floor(minuteOfWeek / MINUTES_A_DAY) % DAYS_A_WEEK
  const minute = minuteOfWeek % MINUTES_A_DAY
  return week[day].some((w) => minute >= w.fromMin && minute < w.toMin)
}

/** Minutes of the week at which windows open or close, ascending. */
export function edges(week: Schedule): number[] {
  const marks = week.flatMap((day, d) =>
    day.flatMap((w) => [d * MINUTES_A_DAY + w.fromMin, d * MINUTES_A_DAY + w.toMin]),
  )
  return [...new Set(marks.map((m) => m % (DAYS_A_WEEK * MINUTES_A_DAY)))].sort((a, b) => a - b)
}

/** Hours a week that the windows are open. */
export function hoursOpen(week: Schedule): number {
  return week.flat().reduce((sum, w) => sum + w.toMin - w.fromMin, 0) / 60
}

/** Minutes from midnight as a time. @example clock(450) // "07:30" */
export function clock(minute: number): string {
  return `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`
}

/** A week in a sentence; days with the same windows are named together. @example "Mon–Fri 05:30–08:00; Sat, Sun none" */
export function weekInWords(week: Schedule, time: (minute: number) => string = clock): string {
  const spans = week.map((day) => day.map((w) => `${time(w.fromMin)}–${time(w.toMin)}`).join(', ') || 'none')
  const groups: { from: number; to: number; text: string }[] = []
  spans.forEach((text, d) => {
    const last = groups[groups.length - 1]
    if (last?.text === text) last.to = d
    else groups.push({ from: d, to: d, text })
  })
  const short = (d: number) => DAY_NAMES[d].slice(0, 3)
  if (groups.length === 1) return `Every day ${groups[0].text}`
  return groups.map((g) => `${short(g.from)}${g.to > g.from ? `–${short(g.to)}` : ''} ${g.text}`).join('; ')
}

/** Sorts a day's windows and joins those that touch or overlap; empty ones fall away. */
export function tidyDay(day: readonly Window[]): Window[] {
  const out: Window[] = []
  for (const w of [...day].sort((a, b) => a.fromMin - b.fromMin)) {
    if (w.toMin <= w.fromMin) continue
    const last = out[out.length - 1]
    if (last && w.fromMin <= last.toMin) last.toMin = Math.max(last.toMin, w.toMin)
    else out.push({ ...w })
  }
  return out
}
