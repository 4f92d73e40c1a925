import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { DAY_S, DAYS, HOUR_S, midwinterDay } from '../../calendar/year'
import { STANDARD_DAYS } from '../../people/standard-days'
import type { Guests, People, Use } from '../../study/people'
import type { Site } from '../../study/site'
import { sameEverywhere } from '../../units/same-everywhere'
import { MOST_DRAWS, YearRefused } from '../work'

/** A draw as it is asked for. `amount` is seconds, litres at the tap, or kJ of heat, by `measure`. */
export interface Draw {
  startS: number
  tapId: string
  requiredC: number
  waits: boolean
  /** It runs on unused for so long once it is warm, s. */
  unattendedS: number
  measure: 'seconds' | 'litres' | 'kj'
  amount: number
  /** Flow of hot water alone that is taken, L/min, as a standard test does; null: the tap's, mixed as it mixes. */
  hotLMin: number | null
}

/** What of a site the draws of its household depend on. */
type Calendar = Pick<Site, 'firstWeekday' | 'latitudeDeg'>

/** A number that depends on every letter of a text (FNV-1a). */
function hash(text: string, seed: number): number {
  let h = 0x811c9dc5 ^ seed
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193)
  return h | 0
}

/** Evenly spread numbers in (0, 1) from a seed. */
function uniform(seed: number): () => number {
  const rng = xoroshiro128plus(seed)
  return () => ((rng.next() >>> 0) + 0.5) / 0x1_0000_0000
}

/** A normal deviate from two even ones (Box & Muller 1958), cut at ±2.5 so that nobody showers at the other end of the night. */
function normal(u: number, v: number): number {
  return Math.max(-2.5, Math.min(2.5, Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * v)))
}

/** Days (0–364) on which a habit's person is away. */
function awayDays(people: People, habit: Use): Set<number> {
  const out = new Set<number>()
  for (const a of people.absences)
    if (a.personId === null || a.personId === habit.personId) for (let d = a.fromDay - 1; d < a.toDay; d++) out.add(d)
  return out
}

/**
 * Draws of one habit. Every day uses up the same count of random numbers whether or not the draw happens, and every
 * habit has a stream of its own, so changing one habit or one absence leaves all other draws as they were.
 */
function habitDraws(
  people: People,
  habit: Use,
  site: Calendar,
  stream = habit.id,
  away = awayDays(people, habit),
): Draw[] {
  const next = uniform(hash(stream, people.seed))
  const midwinter = midwinterDay(site.latitudeDeg)
  const out: Draw[] = []
  for (let day = 0; day < DAYS; day++) {
    const [happens, a, b, c, d] = [next(), next(), next(), next(), next()]
    if (!habit.days[(site.firstWeekday + day) % 7] || away.has(day) || happens >= habit.chance) continue
    const season = 1 + people.winterSwing * Math.cos((2 * Math.PI * (day - midwinter)) / DAYS)
    const amount = Math.max(0.2, 1 + habit.amountSpread * normal(c, d)) * season * people.volumeFactor
    const minute = habit.atMin + habit.spreadMin * normal(a, b)
    out.push({
      startS: sameEverywhere(Math.min(DAYS * DAY_S - HOUR_S, Math.max(0, day * DAY_S + minute * 60))),
      tapId: habit.tapId,
      requiredC: habit.requiredC,
      waits: habit.waits,
      unattendedS: habit.waits ? habit.unattendedS : 0,
      measure: habit.use.kind === 'timed' ? 'seconds' : 'litres',
      amount: sameEverywhere(amount * (habit.use.kind === 'timed' ? habit.use.minutes * 60 : habit.use.litres)),
      hotLMin: null,
    })
  }
  return out
}

/** Guests live as the one they are like, each by a stream of their own, on the days they are there. */
function guestDraws(people: People, guests: Guests, index: number, site: Calendar): Draw[] {
  const away = new Set(
    Array.from({ length: DAYS }, (_, d) => d).filter((d) => d < guests.fromDay - 1 || d >= guests.toDay),
  )
  return people.uses
    .filter((h) => h.personId === guests.likePersonId)
    .flatMap((h) =>
      Array.from({ length: guests.count }, (_, k) =>
        habitDraws(people, h, site, `${h.id}/guest ${index}.${k}`, away),
      ).flat(),
    )
}

/** A log repeated from the first day of the year that falls on its weekday; the days before it take the log's end. */
function loggedDraws(log: Extract<People['draws'], { kind: 'logged' }>, firstWeekday: number): Draw[] {
  const lead = (log.firstWeekday - firstWeekday + 7) % 7
  const out: Draw[] = []
  for (let start = lead - Math.ceil(lead / log.days) * log.days; start < DAYS; start += log.days)
    for (const d of log.draws) {
      const startS = sameEverywhere(start * DAY_S + d.atMin * 60)
      if (startS < 0 || startS > DAYS * DAY_S - HOUR_S) continue
      out.push({
        startS,
        tapId: d.tapId,
        requiredC: d.requiredC,
        waits: false,
        unattendedS: 0,
        measure: 'litres',
        amount: d.litres,
        hotLMin: null,
      })
    }
  return out
}

const inTime = (a: Draw, b: Draw) => a.startS - b.startS

/** A standard day at a tap: hot water alone, which counts from a temperature on. */
function standardDraws(draws: Extract<People['draws'], { kind: 'standard' }>): Draw[] {
  const day = STANDARD_DAYS[draws.cycle].map((d) => ({
    minute: d.minute,
    draw: {
      tapId: draws.tapId,
      requiredC: d.peakC ?? d.fromC,
      waits: d.peakC === null,
      unattendedS: 0,
      measure: 'kj' as const,
      amount: d.kwh * 3600,
      hotLMin: d.flowLMin,
    },
  }))
  return Array.from({ length: DAYS }, (_, i) =>
    day.map(({ minute, draw }): Draw => ({ ...draw, startS: i * DAY_S + minute * 60 })),
  ).flat()
}

/** Draws that a year may come to when every chance is taken. */
function mostDraws({ draws, uses, guests }: People): number {
  if (draws.kind === 'logged') return draws.draws.length * (Math.ceil(DAYS / draws.days) + 1)
  if (draws.kind === 'standard') return STANDARD_DAYS[draws.cycle].length * DAYS
  const like = (id: string) => uses.filter((h) => h.personId === id).length
  return guests.reduce(
    (sum, g) => sum + g.count * Math.max(0, g.toDay - g.fromDay + 1) * like(g.likePersonId),
    uses.length * DAYS,
  )
}

/** Households whose draws are kept: packages, ranges and a slider ask for the same ones again and again. */
const KEPT = 4
const kept: { people: string; draws: readonly Draw[] }[] = []

/**
 * Every draw of the year in order of time: the household's routine with its guests, a standard tapping cycle each day, or a
 * log. The same people in the same calendar have the same draws, so that those of the last few asked for are kept.
 * @throws YearRefused when there may be more draws than a household has
 */
export function drawsOfYear(people: People, site: Calendar): readonly Draw[] {
  const key = JSON.stringify([people, site.firstWeekday, site.latitudeDeg])
  const at = kept.findIndex((k) => k.people === key)
  const [found] = at >= 0 ? kept.splice(at, 1) : [{ people: key, draws: drawsOf(people, site) }]
  kept.unshift(found)
  kept.length = Math.min(kept.length, KEPT)
  return found.draws
}

function drawsOf(people: People, site: Calendar): Draw[] {
  const { draws } = people
  const most = mostDraws(people)
  if (most > MOST_DRAWS)
    throw new YearRefused(
      `uses, guests and log give up to ${most.toLocaleString('en-GB')} draw-offs a year; accepts up to ${MOST_DRAWS.toLocaleString('en-GB')}`,
    )
  if (draws.kind === 'standard') return standardDraws(draws)
  if (draws.kind === 'logged') return loggedDraws(draws, site.firstWeekday).sort(inTime)
  const own = people.uses.flatMap((h) => habitDraws(people, h, site))
  return [...own, ...people.guests.flatMap((g, i) => guestDraws(people, g, i, site))].sort(inTime)
}
