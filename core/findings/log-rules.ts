import { changesBetween } from '../household/changes'
import { runsTo, tapOf } from '../household/ways'
import { judge, kindOf, titleOf } from '../readings/kinds'
import { agrees } from '../readings/reading-kind'
import type { Reading } from '../study/readings'
import type { Finding, Rule } from './finding'

/** A wait of this many times the contents is no slip of the tape. */
const WASTE_TIMES = 1.5
/** Two readings of one thing further apart than this share contradict each other. */
const CONTRADICTS_SHARE = 0.25
/** A reading older than the newest by this many years is stale. */
const STALE_YEARS = 2

export const waste: Rule = ({ study, write }) =>
  study.readings.flatMap((r): Finding[] => {
    if (r.kind !== 'time-to-hot' || r.adopted) return []
    const verdict = judge(study, r)?.verdict
    if (!verdict || verdict.measured < WASTE_TIMES * verdict.modelled) return []
    const tap = tapOf(study, r.where)
    const hidden = runsTo(study, tap).filter((run) => !run.reachable || run.place === 'ground')
    return [
      {
        id: `waste-${r.id}`,
        severity: 'mend',
        station: 'taps',
        on: tap.id,
        what: `${tap.name} runs off far more than its pipes hold`,
        why: `${write.figure('volume', verdict.measured, 1)} were run off where the runs hold ${write.figure('volume', verdict.modelled, 1)}${hidden.length ? `; ${hidden.map((h) => h.name).join(', ')} cannot be seen` : ''}.`,
        source: 'Plug flow: contents × (1 + C wall / C water)',
        mend: 'Look for a longer or wider run, a bare or buried stretch, or cold water crossing over.',
        reading: 'time-to-hot',
      },
    ]
  })

export const noPowerFactor: Rule = ({ study }) =>
  study.readings
    .filter((r) => r.kind === 'pump' && r.values.powerFactor === undefined)
    .slice(-1)
    .map((r) => ({
      id: 'power-factor',
      severity: 'look',
      station: 'loop',
      on: null,
      what: 'Volt-amperes are not watts',
      why: `The pump was read at ${r.values.volts} V and ${r.values.amps} A with no power factor; small pumps draw about half of that product.`,
      source: 'P = V × A × power factor',
      mend: 'Read it with a wattmeter.',
      reading: 'pump',
    }))

/** Readings of one thing before and after a change say what it did, unless more than one was made in between. */
export const changedTogether: Rule = ({ study }) => {
  const last = new Map<string, Reading>()
  return study.readings
    .filter((r) => kindOf(r) !== undefined)
    .toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))
    .flatMap((r): Finding[] => {
      const before = last.get(thingOf(r))
      last.set(thingOf(r), r)
      if (!before) return []
      const made = changesBetween(study, { from: before.takenAt.slice(0, 10), to: r.takenAt.slice(0, 10) })
      if (new Set(made.map((m) => m.setting.path)).size < 2) return []
      const words = made.map((m) => `${m.setting.what.toLowerCase()} of ${m.setting.place} on ${m.change.on}`)
      return [
        {
          id: `together-${r.id}`,
          severity: 'look',
          station: 'log',
          on: null,
          what: 'More than one thing changed between two readings',
          why: `${titleOf(r)} was read on ${before.takenAt.slice(0, 10)} and on ${r.takenAt.slice(0, 10)}; in between: ${words.join(', ')}. What each of them did cannot be told from these.`,
          source: 'One change at a time',
          mend: 'Read it between two changes, or put one back and read again.',
        },
      ]
    })
}

export const repeatedEvents: Rule = ({ study }) =>
  (['topped up', 'reset', 'relief valve opened'] as const).flatMap((event): Finding[] => {
    const times = study.readings.filter((r) => r.kind === 'event' && r.values.event === event).length
    if (times < 2) return []
    return [
      {
        id: `repeated-${event.replaceAll(' ', '-')}`,
        severity: 'mend',
        station: 'log',
        on: null,
        what: `${event === 'topped up' ? 'Topped up' : event === 'reset' ? 'Reset' : 'The relief valve opened'} ${times} times`,
        why: 'A fault that returns after it was put right is a fault: a leak, a vessel without air, a scaled exchanger.',
        source: 'Practice',
        mend: 'Have the cause found by the licensed; shut the filling valve again each time.',
      },
    ]
  })

const years = (iso: string) => Number(iso.slice(0, 4)) + Number(iso.slice(5, 7)) / 12
/** What a reading is of: readings of one thing can contradict each other. */
const thingOf = (r: Reading) => `${r.kind} ${r.where ?? ''}`

export const staleOrContradictory: Rule = ({ study }) => {
  const things = new Map<string, number>()
  for (const r of study.readings) things.set(thingOf(r), (things.get(thingOf(r)) ?? 0) + 1)
  // A log may be long: what is neither in the study nor read twice says nothing here and is not worked out.
  const compared = study.readings.flatMap((r) => {
    const verdict = kindOf(r) && (r.adopted || things.get(thingOf(r))! > 1) ? judge(study, r)?.verdict : null
    return verdict ? [{ r, verdict }] : []
  })
  const newest = study.readings.reduce((y, r) => Math.max(y, years(r.takenAt)), 0)
  const next = new Map<string, number>()
  const later = new Array<number | undefined>(compared.length)
  for (let i = compared.length - 1; i >= 0; i--) {
    later[i] = next.get(thingOf(compared[i].r))
    next.set(thingOf(compared[i].r), compared[i].verdict.measured)
  }
  return compared.flatMap(({ r, verdict }, i): Finding[] => {
    const found: Finding[] = []
    const [a, b] = [verdict.measured, later[i]]
    if (b !== undefined && Math.abs(a - b) > CONTRADICTS_SHARE * Math.max(Math.abs(a), Math.abs(b)))
      found.push({
        id: `contradicts-${r.id}`,
        severity: 'look',
        station: 'log',
        on: null,
        what: `Two readings contradict each other: ${titleOf(r)}`,
        why: 'They were taken of the same thing and lie more than a quarter apart.',
        source: 'The visit log',
        mend: 'Take it once more and drop the one that was wrong.',
        reading: r.kind,
      })
    if (r.adopted && !agrees(verdict))
      found.push({
        id: `overruled-${r.id}`,
        severity: 'look',
        station: 'log',
        on: null,
        what: `Adopted, and changed since: ${titleOf(r)}`,
        why: 'The study no longer says what this reading said.',
        source: 'The visit log',
        mend: 'Take the reading back out of the study, or put its figure back.',
      })
    if (r.adopted && newest - years(r.takenAt) > STALE_YEARS)
      found.push({
        id: `stale-${r.id}`,
        severity: 'look',
        station: 'log',
        on: null,
        what: `Read years ago: ${titleOf(r)}`,
        why: `It is more than ${STALE_YEARS} years older than the newest reading.`,
        source: 'The visit log',
        mend: 'Read it again.',
        reading: r.kind,
      })
    return found
  })
}
