import type { Figure as SumFigure } from '../calculators/calculator'
import { calculatorNamed } from '../calculators/registry'
import { dayAfter } from '../calendar/days'
import { runsTo, tapOf } from '../household/lookups'
import { FAULTS_LOGGED } from '../readings/events'
import { judge, titleOf } from '../readings/kinds'
import { consecutive, isCompared, pairsOf, thingOf } from '../readings/pairs'
import { agrees } from '../readings/reading-kind'
import { writeDay } from '../units/dates'
import type { Figure, Rule, Told } from './check'
import { trendOf } from './trends'

/** A wait of this many times the contents is no slip of the tape. */
const WASTE_TIMES = 1.5

/** Two readings of one thing further apart than this share contradict each other. */
const CONTRADICTS_SHARE = 0.25

/** A reading older than the newest by this many years is stale. */
const STALE_YEARS = 2

const waste: Rule = ({ study, write }) =>
  study.readings.flatMap((r): Told[] => {
    if (r.kind !== 'time-to-hot' || r.adopted) return []
    const verdict = judge(study, r)?.verdict
    if (verdict?.figure.quantity !== 'volume' || verdict.measured < WASTE_TIMES * verdict.modelled) return []
    const tap = tapOf(study, r.where)
    const hidden = runsTo(study, tap).filter((run) => !run.reachable || run.place === 'ground')
    return [
      {
        id: `waste-${r.id}`,
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'tap', id: tap.id },
        title: `Draw-off to waste exceeds pipe volume: ${tap.name}`,
        sentence: `Measured ${write.figure('volume', verdict.measured, 1)}; calculated ${write.figure('volume', verdict.modelled, 1)}${hidden.length ? `; not visible: ${hidden.map((h) => h.name).join(', ')}` : ''}.`,
        source: 'Plug flow: pipe volume × (1 + C wall / C water)',
        remedy: 'Check for a longer or larger run, a bare or buried section, or cold crossover.',
        settledBy: 'time-to-hot',
      },
    ]
  })

const noPowerFactor: Rule = ({ study }) =>
  study.readings
    .filter((r) => r.kind === 'pump' && r.values.powerFactor === undefined)
    .slice(-1)
    .map((r) => ({
      id: 'power-factor',
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'loop', id: null },
      title: 'Pump power from volt-amperes',
      sentence: `Pump read at ${r.values.volts} V and ${r.values.amps} A without power factor; small pumps take about half of the product.`,
      source: 'P = V × A × power factor',
      remedy: 'Measure with a wattmeter.',
      settledBy: 'pump',
    }))

/** Two readings with a change between them say what it did, unless more than one was made. */
const pairs: Rule = ({ study, write }) =>
  pairsOf(study).map(({ before, after, changes, figure, was, is, uncertainty }): Told => {
    const several = changes.length > 1
    const share = was !== 0 ? `, ${Math.abs(Math.round(100 * (is / was - 1)))}% ${is < was ? 'less' : 'more'}` : ''
    const within = Math.abs(is - was) <= uncertainty
    return {
      id: `pair-${after.id}`,
      concern: 'record',
      level: several ? 'marginal' : 'pass',
      subject: { kind: 'reading', id: after.id },
      title: several ? 'More than one change between two readings' : `Before and after: ${titleOf(after)}`,
      sentence: `${figure.label}: ${write.value(figure, was)} on ${before.takenAt.slice(0, 10)}, ${write.value(figure, is)} on ${after.takenAt.slice(0, 10)}${within ? ', no difference beyond their uncertainty' : share}. In between: ${changes.map((c) => `${c.what} on ${c.on}`).join(', ')}.${several ? ' Their effects cannot be separated.' : ''}`,
      figures: { before: figureOf(figure, was), after: figureOf(figure, is) },
      source: 'Log of readings; one change at a time',
      remedy: several
        ? 'Measure between changes, or reverse one and measure again.'
        : 'None: this is the effect of the change.',
    }
  })

const figureOf = ({ quantity, unit }: SumFigure, value: number): Figure => ({
  value,
  ...(quantity ? { quantity } : unit ? { unit } : {}),
})

/** Notes of faults that a finding repeats. */
const MOST_NOTES = 3

const FAULT_TITLES: Record<(typeof FAULTS_LOGGED)[number], string> = {
  'topped up': 'Topped up',
  reset: 'Reset',
  'relief valve opened': 'Relief valve opened',
  'fault code': 'Fault code shown',
}

/** Faults this near to each other are one that returns, days. */
const REPEATED_DAYS = 365

const repeatedEvents: Rule = ({ study }) =>
  FAULTS_LOGGED.flatMap((event): Told[] => {
    const all = study.readings.filter((r) => r.kind === 'event' && r.values.event === event)
    const last = all.reduce((day, r) => (r.takenAt > day ? r.takenAt : day), '').slice(0, 10)
    // What happens once in some years is no fault that returns.
    const logged = all.filter((r) => r.takenAt.slice(0, 10) > dayAfter(last, -REPEATED_DAYS))
    const times = logged.length
    if (times < 2) return []
    const notes = [...new Set(logged.map((r) => r.note.trim()).filter(Boolean))]
    return [
      {
        id: `repeated-${event.replaceAll(' ', '-')}`,
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'reading', id: null },
        title: `${FAULT_TITLES[event]} ${times} times within a year`,
        sentence: `Recurring after correction: possible leak, expansion vessel without charge, or scaled heat exchanger.${event === 'fault code' && notes.length ? ` Noted: ${notes.slice(0, MOST_NOTES).join('; ')}.` : ''}`,
        source: 'Practice',
        remedy: 'Have the cause found by a registered installer; close the filling valve each time.',
      },
    ]
  })

/** A relief valve that opened and was not dry again afterwards does not seat; how much it let go stands beside it. */
const reliefDrips: Rule = ({ study, write }) => {
  const opened = study.readings
    .filter((r) => r.kind === 'event' && r.values.event === 'relief valve opened')
    .toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))
  const last = opened.at(-1)
  if (!last || last.values.dryAgain === 'yes') return []
  const litres = opened.reduce((sum, r) => sum + (typeof r.values.volumeL === 'number' ? r.values.volumeL : 0), 0)
  const drips = last.values.dryAgain === 'no'
  return [
    {
      id: 'relief-drips',
      concern: 'fault',
      level: drips ? 'fail' : 'not checked',
      subject: { kind: 'reading', id: null },
      title: drips ? 'Relief valve does not seat' : 'Relief valve dry again',
      sentence: `${drips ? '' : 'Not checked. '}Opened on ${writeDay(last.takenAt.slice(0, 10), study.units)}${litres > 0 ? `, ${write.figure('volume', litres)} in all` : ''}${drips ? ', and it goes on dripping' : ''}.`,
      source: 'Log of events',
      remedy: drips
        ? 'Have it replaced by a registered installer; nothing is tied, plugged or shut meanwhile.'
        : 'Look at its discharge a day later, and log the event with the answer.',
      settledBy: 'event',
    },
  ]
}

const years = (iso: string) => Number(iso.slice(0, 4)) + Number(iso.slice(5, 7)) / 12

const staleOrContradictory: Rule = ({ study }) => {
  const things = new Map<string, number>()
  for (const r of study.readings) things.set(thingOf(r), (things.get(thingOf(r)) ?? 0) + 1)
  // A log may be long: what is neither in the study nor read twice says nothing here and is not worked out.
  const compared = study.readings.flatMap((r) => {
    const verdict = isCompared(r) && (r.adopted || things.get(thingOf(r))! > 1) ? judge(study, r)?.verdict : null
    return verdict ? [{ r, verdict }] : []
  })
  const newest = study.readings.reduce((y, r) => Math.max(y, years(r.takenAt)), 0)
  // What was changed in between, and what fell over months, is told as such.
  const explained = new Set(
    consecutive(study)
      .filter(({ before, after, changes }) => changes.length > 0 || trendOf(before, after))
      .map(({ before }) => before.id),
  )
  const next = new Map<string, number>()
  const later = new Array<number | undefined>(compared.length)
  for (let i = compared.length - 1; i >= 0; i--) {
    later[i] = next.get(thingOf(compared[i].r))
    next.set(thingOf(compared[i].r), compared[i].verdict.measured)
  }
  return compared.flatMap(({ r, verdict }, i): Told[] => {
    const found: Told[] = []
    const [a, b] = [verdict.measured, later[i]]
    if (
      b !== undefined &&
      !explained.has(r.id) &&
      // A pressure that falls is judged by how fast it does (see trends.ts).
      !(r.kind === 'circuit' && b < a) &&
      Math.abs(a - b) > CONTRADICTS_SHARE * Math.max(Math.abs(a), Math.abs(b))
    )
      found.push({
        id: `contradicts-${r.id}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'reading', id: null },
        title: `Readings disagree: ${titleOf(r)}`,
        sentence: 'Same quantity, more than 25% apart.',
        source: 'Log of readings',
        remedy: 'Measure again and delete the wrong reading.',
        settledBy: r.kind,
      })
    if (r.adopted && !agrees(verdict))
      found.push({
        id: `overruled-${r.id}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'reading', id: null },
        title: `Applied reading changed since: ${titleOf(r)}`,
        sentence: 'The study differs from this applied reading.',
        source: 'Log of readings',
        remedy: 'Undo apply, or restore its value.',
      })
    if (r.adopted && newest - years(r.takenAt) > STALE_YEARS)
      found.push({
        id: `stale-${r.id}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'reading', id: null },
        title: `Old reading: ${titleOf(r)}`,
        sentence: `More than ${STALE_YEARS} years older than the newest reading.`,
        source: 'Log of readings',
        remedy: 'Measure again.',
        settledBy: r.kind,
      })
    return found
  })
}

/** An amount of money, energy or water, and the words that say per what. */
const AMOUNT =
  /(?:[€$£]\s?\d[\d.,]*|\d[\d.,]*\s?(?:[€$£]|euros?\b|dollars?\b|pounds?\b|EUR\b|USD\b|GBP\b|kWh\b|therms?\b|m³|litres?\b|L\b|gal(?:lons)?\b))/i

const PERIOD =
  /\b(?:per|an?|each|every|in)\s+(?:\d+\s+)?(?:hour|day|night|week|month|quarter|winter|year|shower|bath|draw|person|unit|kWh|m³|therm)s?\b|\/\s?(?:h|d|day|week|month|mo|yr|year|a|kWh|m³)\b|\b(?:daily|weekly|monthly|yearly|annual|a year)\b|\b(?:19|20)\d{2}\b/i

const noPeriod: Rule = ({ study }) =>
  study.readings
    .filter((r) => AMOUNT.test(r.note) && !PERIOD.test(r.note) && !(r.kind === 'sum' && calculatorNamed(r.sum ?? '')))
    .map((r) => ({
      id: `period-${r.id}`,
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'reading', id: null },
      title: 'Figure without a period',
      sentence: `“${r.note.length > 80 ? `${r.note.slice(0, 80)}…` : r.note}”: period not stated (day, month, winter or year).`,
      source: 'Practice',
      remedy: 'Ask, and record the period.',
    }))

export const LOG_CHECKS = {
  waste,
  noPowerFactor,
  pairs,
  repeatedEvents,
  reliefDrips,
  staleOrContradictory,
  noPeriod,
}
