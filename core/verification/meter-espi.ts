import { XMLParser, XMLValidator } from 'fast-xml-parser'
import { dayAfter } from '../calendar/days'
import { DAY_S } from '../calendar/year'
import { CARRIER_NAMES } from '../money/carriers'
import { freshId } from '../study/fresh-id'
import { type Meter, MOST_METER_READINGS } from '../study/meters'
import type { Study } from '../study/study'
import { refused, type Result } from '../units/result'

/** Largest feed that is read, bytes: a year of quarters of an hour is about 12 MB; of hours 3. */
export const LARGEST_ESPI = 16 * 1024 * 1024

/** What a feed may count, by the commodity of its reading type. */
const COMMODITIES: Record<number, Meter['of']> = {
  1: 'electricity',
  2: 'electricity',
  7: 'natural-gas',
  8: 'propane',
  9: 'water',
}
/** Units of measure by their number in ESPI: kWh in one of it of energy, m³ of a volume. */
const UNITS: Record<number, { name: string; kwh?: number; m3?: number }> = {
  42: { name: 'm³', m3: 1 },
  72: { name: 'Wh', kwh: 0.001 },
  119: { name: 'ft³', m3: 0.028316847 },
  128: { name: 'gal', m3: 0.003785412 },
  132: { name: 'Btu', kwh: 0.000293071 },
  134: { name: 'L', m3: 0.001 },
  169: { name: 'therm', kwh: 29.3071 },
}
/** Delivered to the household; what is fed back is another matter. */
const DELIVERED = 1

type Node = Record<string, unknown>
const nodes = (value: unknown): Node[] =>
  (Array.isArray(value) ? value : [value]).filter((x): x is Node => typeof x === 'object' && x !== null)

/** Every element of a name, at any depth. */
function named(root: unknown, name: string): Node[] {
  if (typeof root !== 'object' || root === null) return []
  return Object.entries(root as Node).flatMap(([key, value]) => [
    ...(key === name ? nodes(value) : []),
    ...nodes(value).flatMap((child) => named(child, name)),
  ])
}
const number = (value: unknown): number | null => {
  const x = Number(value)
  return value !== undefined && value !== '' && Number.isFinite(x) ? x : null
}

/** What a feed counts: the first reading type that is delivered and whose unit is known. */
function counted(
  study: Study,
  feed: unknown,
): Result<{ of: Meter['of']; unit: string; perUnit: number; scale: number }> {
  const type = named(feed, 'ReadingType').find(
    (t) => (number(t.flowDirection) ?? DELIVERED) === DELIVERED && UNITS[number(t.uom) ?? -1] !== undefined,
  )
  if (!type) return refused('no reading type of a known unit in it. Accepts ESPI feeds with a ReadingType')
  const { name, kwh, m3 } = UNITS[number(type.uom)!]
  const of = COMMODITIES[number(type.commodity) ?? 1]
  const scale = 10 ** (number(type.powerOfTenMultiplier) ?? 0)
  if (of === 'water' && m3 !== undefined) return { ok: true, value: { of, unit: name, perUnit: m3, scale } }
  if (of !== undefined && of !== 'water' && kwh !== undefined)
    return { ok: true, value: { of, unit: name, perUnit: kwh, scale } }
  if (of !== 'natural-gas' || m3 === undefined)
    return refused(`a meter of commodity ${String(number(type.commodity))} in ${name}. Accepts energy, gas and water`)
  const tariff = study.prices.carriers[of]
  if (tariff?.unit !== 'm3') return refused('gas by volume, and no tariff of the study says how many kWh are in 1 m³')
  return { ok: true, value: { of, unit: name, perUnit: tariff.kwhPerUnit * m3, scale } }
}

/** What was used from one midnight to another, by the clock of the feed, in days since 1970. */
interface Stretch {
  from: number
  to: number
  value: number
}

/** An interval that lasts so much of a day and more stands by itself; shorter ones are summed up day by day. */
const LONG_S = 0.9 * DAY_S

/** The intervals of a feed: short ones as days, those of a day, a week or a month as they are; in order, none over another. */
function stretchesOf(feed: unknown): Result<Stretch[]> {
  const offsetS = number(named(feed, 'LocalTimeParameters')[0]?.tzOffset) ?? 0
  const all: Stretch[] = []
  const days = new Map<number, Stretch>()
  for (const [i, reading] of named(feed, 'IntervalReading').entries()) {
    const period = nodes(reading.timePeriod)[0]
    const [start, value] = [number(period?.start), number(reading.value)]
    if (start === null || start < 0 || start > LATEST_S || value === null || value < 0)
      return refused('has no start or no value', `interval ${i + 1}`)
    const lasts = number(period?.duration) ?? 0
    const long = lasts >= LONG_S
    const at = (start + offsetS) / DAY_S
    const from = long ? Math.round(at) : Math.floor(at)
    const to = long ? Math.round(at + lasts / DAY_S) : from + 1
    if (start + lasts > LATEST_S) return refused('ends later than any meter', `interval ${i + 1}`)
    // Short ones of a day are one; what stands there twice, or once by the day and once by the hour, overlaps.
    const there = long ? undefined : days.get(from)
    if (there) there.value += value
    else {
      const stretch = { from, to, value }
      if (!long) days.set(from, stretch)
      all.push(stretch)
    }
  }
  const inOrder = all.sort((a, b) => a.from - b.from || a.to - b.to)
  const over = inOrder.find((s, i) => i > 0 && s.from < inOrder[i - 1].to)
  if (over) return refused(`intervals overlap on ${dayAfter('1970-01-01', over.from)}. Accepts one after the other`)
  return inOrder.length
    ? { ok: true, value: inOrder }
    : refused('no intervals in it. Accepts ESPI feeds with IntervalReadings')
}
/** The end of 2199, in seconds since 1970. */
const LATEST_S = 7_258_118_399

/**
 * Use of a meter by intervals as a utility hands it out: an Atom feed after NAESB REQ.21 (ESPI). Its intervals are summed
 * up to readings of a dial that begins at nothing, at the end of each day or of each longer interval; over days that are missing
 * nothing is counted. Entities are not expanded.
 */
export function readEspi(study: Study, text: string): Result<Meter[]> {
  if (text.length > LARGEST_ESPI)
    return refused(`the file is too large. Accepts up to ${LARGEST_ESPI / 1024 / 1024} MB`)
  // Entities of one's own are what such files are attacked with; no feed needs them.
  if (/<!(DOCTYPE|ENTITY)/i.test(text))
    return refused('it defines a document type of its own. Accepts plain ESPI feeds')
  const sound = XMLValidator.validate(text)
  if (sound !== true) return refused(sound.err.msg, `line ${sound.err.line}`)
  const feed: unknown = new XMLParser({
    removeNSPrefix: true,
    processEntities: false,
    ignoreAttributes: true,
    parseTagValue: false,
  }).parse(text)
  const what = counted(study, feed)
  if (!what.ok) return what
  const stretches = stretchesOf(feed)
  if (!stretches.ok) return stretches
  const { of, unit, perUnit, scale } = what.value
  const readings = new Map<number, Meter['readings'][number]>()
  const put = (day: number, value: number, exchanged: boolean) =>
    readings.set(day, {
      on: dayAfter('1970-01-01', day),
      value: Math.round(value * 1e6) / 1e6,
      estimated: false,
      exchanged,
    })
  let dial = 0
  let ended: number | null = null
  for (const { from, to, value } of stretches.value) {
    // At the beginning, and after days that are missing, the dial is one of its own.
    if (from !== ended) put(from, dial, true)
    dial += value * scale
    put(to, dial, false)
    ended = to
  }
  const name = `${of === 'water' ? 'Water' : CARRIER_NAMES[of]}, by intervals`
  return {
    ok: true,
    value: [
      {
        id: freshId('meter', study.verification.meters),
        name,
        of,
        unit,
        perUnit,
        others: null,
        readings: [...readings.values()].slice(-MOST_METER_READINGS),
      },
    ],
  }
}
