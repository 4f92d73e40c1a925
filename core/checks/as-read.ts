import { FIELDS } from '../calculators/fields'
import { scaldLimitOf } from '../household/at-risk'
import { wantedAt } from '../household/lookups'
import { isPassing } from '../readings/taken-with'
import type { Tap } from '../study/pipes'
import type { Reading } from '../study/readings'
import type { Rule, Told, Visit } from './check'
import { NO_HANDS } from './scald'

interface AtTap {
  tap: Tap
  hotC: number
}

/** A reading this close to what is wanted is what is wanted, K. */
const THERE_K = 1

/** Temperatures of the last day on which any was read at an outlet, one for each: those that held steady, as read last. */
function lastDay({ study }: Visit): { on: string; taps: AtTap[] } {
  const steady = study.readings.filter(
    (r): r is Reading & { values: { hotC: number } } =>
      r.kind === 'tap-temperature' && !isPassing(r) && FIELDS.hotC.safeParse(r.values.hotC).success,
  )
  const on = steady.reduce((day, r) => (r.takenAt.slice(0, 10) > day ? r.takenAt.slice(0, 10) : day), '')
  const byTap = new Map<string, AtTap>()
  for (const r of steady
    .filter((s) => s.takenAt.startsWith(on))
    .toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))) {
    // An outlet that is gone is judged no more.
    const tap = study.pipes.taps.find((t) => t.id === r.where)
    if (tap && !NO_HANDS.has(tap.kind)) byTap.set(tap.id, { tap, hotC: r.values.hotC })
  }
  return { on, taps: [...byTap.values()] }
}

/** Two outlets read on one day: burns are judged by the hotter, comfort by the one that falls furthest short of its use. */
const outletsAsRead: Rule = (visit) => {
  const { study, write } = visit
  const { on, taps } = lastDay(visit)
  if (taps.length < 2) return []
  const hottest = taps.reduce((a, b) => (b.hotC > a.hotC ? b : a))
  const limit = scaldLimitOf(study)
  const burns = hottest.hotC > limit.value
  const short = taps
    .flatMap((t) => {
      const wantedC = wantedAt(study, t.tap.id)
      return wantedC === null ? [] : [{ ...t, wantedC, shortK: wantedC - t.hotC }]
    })
    .toSorted((a, b) => b.shortK - a.shortK)[0]
  const read = `Read on ${on}: ${taps.map((t) => `${t.tap.name} ${write.temperature(t.hotC)}`).join(', ')}.`
  const told: Told[] = [
    {
      id: 'read-hottest',
      concern: 'harm',
      level: burns ? 'marginal' : 'pass',
      subject: { kind: 'tap', id: hottest.tap.id },
      title: `Hottest outlet as read: ${hottest.tap.name}`,
      sentence: `${read} The hottest is ${burns ? 'above' : 'within'} the limit of ${write.temperature(limit.value)}.`,
      figures: { read: { value: hottest.hotC, quantity: 'temperature', worse: { when: 'more', by: 1 } } },
      source: limit.source,
      remedy: burns ? 'Check the mixing valve at this outlet, and measure again after each change.' : 'None.',
      settledBy: 'tap-temperature',
    },
  ]
  if (short)
    told.push({
      id: 'read-coolest',
      concern: 'comfort',
      level: short.shortK > THERE_K ? 'fail' : 'pass',
      subject: { kind: 'tap', id: short.tap.id },
      title: `Coolest outlet as read: ${short.tap.name}`,
      sentence: `${read} Wanted at ${short.tap.name}: ${write.temperature(short.wantedC)}.`,
      figures: { read: { value: short.hotC, quantity: 'temperature', worse: { when: 'less', by: 1 } } },
      source: 'Temperatures as read, against the uses entered',
      remedy: short.shortK > THERE_K ? 'Find what cools the way there before raising the setpoint.' : 'None.',
      settledBy: 'tap-temperature',
    })
  return told
}

export const AS_READ_CHECKS = { outletsAsRead }
