import { type FirstStep, stationOf } from '../household/first-steps'
import { USUAL_DOUBT } from '../household/usual-doubt'
import { rangeOf } from '../schema/shape'
import { standingUa } from '../stores/standing-loss'
import { rangeAt, takes } from '../study/limits'
import { valueAt, withValueAt } from '../study/paths'
import { StoreField } from '../study/plant'
import type { ReadingKindName } from '../study/readings'
import type { Study } from '../study/study'
import type { YearResult } from '../year/result'

/** A kind of figure that may be assumed. */
interface Kind {
  /** What it is, where it is told that a reading settles it. */
  name: string
  at: RegExp
  /** The figure so many times its usual doubt away. */
  moved: (value: never, steps: number, study: Study) => unknown
  /** The reading that settles it; null: it is looked up or counted. */
  reading: (study: Study) => ReadingKindName | null
  /** Of several all are off alike; otherwise each by itself, and in the sum part of it cancels. */
  alike?: true
}

/** Most a store may lose, W/K: a label says it in another way. */
const MOST_UA = rangeOf(StoreField.shape.loss.options[0].shape.uaWK).max

const byFactor = (sigma: number) => (value: number, steps: number) => value * Math.exp(sigma * steps)
const by = (kelvin: number) => (value: number, steps: number) => value + kelvin * steps
const is = (kind: ReadingKindName) => () => kind
const none = () => null

/** Every kind of figure that the cost of a year can hang on noticeably while it is assumed. */
const KINDS: readonly Kind[] = [
  {
    name: 'cold main temperature',
    at: /^site\.monthlyAirC$/,
    moved: (months: readonly number[], steps) => months.map((c) => c + USUAL_DOUBT.mainsK * steps),
    reading: is('mains'),
  },
  {
    name: 'efficiency',
    at: /^plant\.heaters\.[^.]+\.efficiency$/,
    moved: efficiencyMoved,
    reading: is('meter'),
  },
  {
    name: 'standby and pilot',
    at: /^plant\.heaters\.[^.]+\.(standbyW|pilotW)$/,
    moved: byFactor(USUAL_DOUBT.standby),
    reading: none,
  },
  {
    name: 'heater circuit loss',
    at: /^plant\.heaters\.[^.]+\.primary\.uaWK$/,
    moved: byFactor(USUAL_DOUBT.loopLoss),
    reading: none,
  },
  {
    name: 'collector or PV size',
    at: /^plant\.heaters\.[^.]+\.(areaM2|pvKwp)$/,
    moved: byFactor(USUAL_DOUBT.collector),
    reading: none,
  },
  {
    name: 'setpoint',
    at: /^controls\.found\.heaters\.[^.]+\.setpointC$/,
    moved: by(USUAL_DOUBT.setpointK),
    reading: ({ plant }) => (plant.store ? 'store-top' : 'tap-temperature'),
  },
  {
    name: 'standing loss',
    at: /^plant\.store\.loss$/,
    moved: (loss: NonNullable<Study['plant']['store']>['loss'], steps: number, { plant }: Study) => ({
      kind: 'ua',
      uaWK: Math.min(MOST_UA, standingUa(loss, plant.store!.litres) * Math.exp(USUAL_DOUBT.storeLoss * steps)),
    }),
    reading: is('overnight-drop'),
  },
  {
    name: 'return pipe length',
    at: /^pipes\.loop\.back\.lengthM$/,
    moved: byFactor(USUAL_DOUBT.length),
    reading: is('loop'),
  },
  { name: 'pump power', at: /^pipes\.loop\.pumpW$/, moved: byFactor(USUAL_DOUBT.loopLoss), reading: is('pump') },
  {
    name: 'pump flow rate',
    at: /^pipes\.loop\.pumpLMin$/,
    moved: byFactor(USUAL_DOUBT.loopLoss),
    reading: is('loop'),
  },
  {
    name: 'run lengths',
    at: /^pipes\.runs\.[^.]+\.lengthM$/,
    moved: byFactor(USUAL_DOUBT.length),
    reading: is('time-to-hot'),
  },
  {
    name: 'insulation thickness',
    at: /^pipes\.(runs\.[^.]+|loop\.back)\.insulation\.thicknessMm$/,
    moved: byFactor(USUAL_DOUBT.insulation),
    reading: none,
  },
  {
    name: 'outlet flow rates',
    at: /^pipes\.taps\.[^.]+\.flowLMin$/,
    moved: byFactor(USUAL_DOUBT.flow),
    reading: is('bucket'),
  },
  {
    name: 'volume of use',
    at: /^people\.uses\.[^.]+\.use$/,
    moved: useMoved,
    reading: is('hot-litres'),
    alike: true,
  },
  {
    name: 'temperature wanted',
    at: /^people\.uses\.[^.]+\.requiredC$/,
    moved: by(USUAL_DOUBT.wantedK),
    reading: is('tap-temperature'),
    alike: true,
  },
  { name: 'energy prices', at: /^prices\.carriers\.[^.]+\.price$/, moved: byFactor(USUAL_DOUBT.price), reading: none },
  {
    name: 'water prices',
    at: /^prices\.water\.(price|sewer)$/,
    moved: byFactor(USUAL_DOUBT.price),
    reading: none,
    alike: true,
  },
]

/** A fire's efficiency is a number, a burner's one of two kinds. */
function efficiencyMoved(
  value: number | { kind: 'fixed'; share: number } | { kind: 'condensing'; shift: number },
  steps: number,
) {
  const worse = USUAL_DOUBT.efficiency * steps
  if (typeof value === 'number') return value - worse
  return value.kind === 'fixed' ? { ...value, share: value.share - worse } : { ...value, shift: value.shift - worse }
}

function useMoved(use: { kind: 'timed'; minutes: number } | { kind: 'filled'; litres: number }, steps: number) {
  const factor = Math.exp(USUAL_DOUBT.uses * steps)
  return use.kind === 'timed' ? { ...use, minutes: use.minutes * factor } : { ...use, litres: use.litres * factor }
}

/** Figures of one kind at one station that are assumed, and the household with all of them off by their usual doubt. */
export interface Doubted {
  name: string
  station: FirstStep['station']
  reading: ReadingKindName | null
  study: Study
}

/** The household once for each kind of figure that is still assumed in it, with that kind off. */
export function doubtedIn(study: Study): Doubted[] {
  const assumed = Object.keys(study.origins).filter((path) => study.origins[path] === 'assumed')
  return KINDS.flatMap(({ name, at, moved, reading, alike }) => {
    const paths = assumed.filter((path) => at.test(path) && valueAt(study, path) !== undefined)
    const station = paths.length ? stationOf(paths[0]) : undefined
    if (!station) return []
    const steps = alike ? 1 : 1 / Math.sqrt(paths.length)
    const then = paths.reduce((s, path) => {
      const value = within(s, path, moved(valueAt(s, path) as never, steps, s))
      return takes(s, path, value) ? withValueAt(s, path, value) : s
    }, study)
    return then === study ? [] : [{ name, station, reading: reading(study), study: then }]
  })
}

/** Numbers no further than the study takes them, those of a choice with figures of its own among them; all else as it is. */
function within(study: Study, path: string, value: unknown): unknown {
  const now = valueAt(study, path) as Record<string, unknown> | undefined
  if (typeof value === 'number') {
    const { min, max } = rangeAt(study, path)
    return Math.min(max, Math.max(min, value))
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
  return Object.fromEntries(
    Object.entries(value).map(([key, x]) => [key, now && key in now ? within(study, `${path}.${key}`, x) : x]),
  )
}

/** How much of a year's cost hangs on what is assumed of one kind, money a year either way. */
export interface Depends extends Omit<Doubted, 'study'> {
  money: number
}

/** The kinds by how much hangs on each, the most first; `years` are those of the doubted studies, null where one was refused. */
export const dependsOnAssumed = (
  doubted: readonly Doubted[],
  year: YearResult,
  years: readonly (YearResult | null)[],
): Depends[] =>
  doubted
    .flatMap(({ study: _, ...kind }, i) => {
      const then = years[i]
      return then ? [{ ...kind, money: Math.abs(then.cost.total - year.cost.total) }] : []
    })
    .sort((a, b) => b.money - a.money)

/** Money that hangs on several kinds together: they are off each by itself, so their squares add up. */
export const together = (kinds: readonly Depends[]): number =>
  Math.sqrt(kinds.reduce((s, { money }) => s + money ** 2, 0))
