import { loopUa } from '../household/loop'
import { storeUa } from '../household/store-connections'
import { USUAL_DOUBT } from '../household/usual-doubt'
import { rangeOf } from '../schema/shape'
import { WaterC } from '../study/fields'
import { rangeAt, takes } from '../study/limits'
import { valueAt, withValueAt } from '../study/paths'
import type { ReadingKindName } from '../study/readings'
import { StoreField } from '../study/store'
import type { Study } from '../study/study'

/** A doubt as a share of the figure (its logarithm), or in the figure's own unit. */
interface Doubt {
  as: 'share' | 'amount'
  of: number
}

/** A kind of figure that a year hangs on and nobody surely knows. */
export interface DoubtedKind {
  /** What it is, where it is told that a reading settles it. */
  name: string
  at: RegExp
  /** How far off it usually is, one standard deviation. */
  usual: Doubt
  /** The figure so many times its usual doubt away, where it is more than a number. */
  moved?: (value: never, steps: number, study: Study) => unknown
  /** A doubt more is less of it, and it is a share itself: told in points of a hundred. */
  worse?: true
  /** The reading that settles it; null: it is looked up or counted. */
  reading: (study: Study) => ReadingKindName | null
  /** Of several all are off alike; otherwise each by itself, and in the sum part of it cancels. */
  alike?: true
  /** Another figure that says all of it once it is measured. */
  settledBy?: string
  /** Of which households; undefined: of all. */
  counts?: (study: Study) => boolean
}

/** Most a store may lose, W/K: a label says it in another way. */
const MOST_UA = rangeOf(StoreField.shape.loss.options[0].shape.uaWK).max

const WATER_C = rangeOf(WaterC)
const clamp = (x: number, { min, max }: { min: number; max: number }) => Math.min(max, Math.max(min, x))

const byShare = (of: number): Doubt => ({ as: 'share', of })
const by = (of: number): Doubt => ({ as: 'amount', of })
const is = (kind: ReadingKindName) => () => kind
const none = () => null

/** Every kind of figure that the cost of a year can hang on noticeably. */
export const DOUBTED_KINDS: readonly DoubtedKind[] = [
  {
    name: 'cold main temperature',
    at: /^site\.monthlyAirC$/,
    usual: by(USUAL_DOUBT.mainsK),
    moved: (months: readonly number[], steps) => months.map((c) => c + USUAL_DOUBT.mainsK * steps),
    reading: is('mains'),
    counts: ({ site }) => site.mains.kind !== 'monthly',
  },
  {
    name: 'cold main temperature',
    at: /^site\.mains$/,
    usual: by(USUAL_DOUBT.mainsK),
    moved: (mains: Extract<Study['site']['mains'], { kind: 'monthly' }>, steps) => ({
      ...mains,
      monthlyC: mains.monthlyC.map((c) => clamp(c + USUAL_DOUBT.mainsK * steps, WATER_C)),
    }),
    reading: is('mains'),
    counts: ({ site }) => site.mains.kind === 'monthly',
  },
  {
    name: 'efficiency',
    at: /^plant\.heaters\.[^.]+\.efficiency$/,
    usual: by(USUAL_DOUBT.efficiency),
    moved: efficiencyMoved,
    worse: true,
    reading: is('meter'),
  },
  {
    name: 'standby and pilot',
    at: /^plant\.heaters\.[^.]+\.(standbyW|pilotW)$/,
    usual: byShare(USUAL_DOUBT.standby),
    reading: none,
  },
  {
    name: 'heater circuit loss',
    at: /^plant\.heaters\.[^.]+\.primary\.uaWK$/,
    usual: byShare(USUAL_DOUBT.loopLoss),
    reading: none,
  },
  {
    name: 'collector or PV size',
    at: /^plant\.heaters\.[^.]+\.(areaM2|pvKwp)$/,
    usual: byShare(USUAL_DOUBT.collector),
    reading: none,
  },
  {
    name: 'setpoint',
    at: /^controls\.(found|set)\.heaters\.[^.]+\.setpointC$/,
    usual: by(USUAL_DOUBT.setpointK),
    reading: ({ plant }) => (plant.store ? 'store-top' : 'tap-temperature'),
  },
  {
    name: 'standing loss',
    at: /^plant\.store\.loss$/,
    usual: byShare(USUAL_DOUBT.storeLoss),
    moved: (_: NonNullable<Study['plant']['store']>['loss'], steps: number, study: Study) => ({
      kind: 'ua',
      uaWK: Math.min(MOST_UA, storeUa(study)! * Math.exp(USUAL_DOUBT.storeLoss * steps)),
    }),
    reading: is('overnight-drop'),
  },
  {
    name: 'circulation loss',
    at: /^pipes\.loop\.measuredUaWK$/,
    // What its pipes say is as much in doubt as what somebody wrote down.
    usual: byShare(USUAL_DOUBT.loopLoss),
    moved: (uaWK: number | null, steps: number, study: Study) =>
      (uaWK ?? loopUa(study)) * Math.exp(USUAL_DOUBT.loopLoss * steps),
    reading: is('loop'),
  },
  {
    name: 'return pipe length',
    at: /^pipes\.loop\.back\.lengthM$/,
    usual: byShare(USUAL_DOUBT.length),
    reading: is('loop'),
  },
  { name: 'pump power', at: /^pipes\.loop\.pumpW$/, usual: byShare(USUAL_DOUBT.loopLoss), reading: is('pump') },
  {
    name: 'pump flow rate',
    at: /^pipes\.loop\.pumpLMin$/,
    usual: byShare(USUAL_DOUBT.loopLoss),
    reading: is('loop'),
  },
  {
    name: 'run lengths',
    at: /^pipes\.runs\.[^.]+\.lengthM$/,
    usual: byShare(USUAL_DOUBT.length),
    reading: is('time-to-hot'),
  },
  {
    name: 'insulation thickness',
    at: /^pipes\.(runs\.[^.]+|loop\.back)\.insulation\.thicknessMm$/,
    usual: byShare(USUAL_DOUBT.insulation),
    reading: none,
  },
  {
    name: 'outlet flow rates',
    at: /^pipes\.taps\.[^.]+\.flowLMin$/,
    usual: byShare(USUAL_DOUBT.flow),
    reading: is('bucket'),
  },
  {
    name: 'volume of use',
    at: /^people\.uses\.[^.]+\.use$/,
    usual: byShare(USUAL_DOUBT.uses),
    moved: useMoved,
    reading: is('hot-litres'),
    alike: true,
    settledBy: 'people.volumeFactor',
    counts: ({ people }) => people.draws.kind === 'routine',
  },
  {
    name: 'temperature wanted',
    at: /^people\.uses\.[^.]+\.requiredC$/,
    usual: by(USUAL_DOUBT.wantedK),
    reading: is('tap-temperature'),
    alike: true,
  },
  { name: 'energy prices', at: /^prices\.carriers\.[^.]+\.price$/, usual: byShare(USUAL_DOUBT.price), reading: none },
  {
    name: 'water prices',
    at: /^prices\.water\.(price|sewer)$/,
    usual: byShare(USUAL_DOUBT.price),
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

/** A figure so many times its usual doubt away. */
function movedBy(study: Study, { usual, moved }: DoubtedKind, value: unknown, steps: number): unknown {
  if (moved) return moved(value as never, steps, study)
  const number = value as number
  return usual.as === 'share' ? number * Math.exp(usual.of * steps) : number + usual.of * steps
}

/** A study with a figure so many times its usual doubt away, no further than the study takes it; as it was where it takes none. */
export function withDoubt(study: Study, kind: DoubtedKind, path: string, steps: number): Study {
  if (steps === 0) return study
  const value = within(study, path, movedBy(study, kind, valueAt(study, path), steps))
  return takes(study, path, value) ? withValueAt(study, path, value) : study
}

/** Numbers no further than the study takes them, those of a choice with figures of its own among them; all else as it is. */
function within(study: Study, path: string, value: unknown): unknown {
  const now = valueAt(study, path) as Record<string, unknown> | undefined
  if (typeof value === 'number') return clamp(value, rangeAt(study, path))
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
  return Object.fromEntries(
    Object.entries(value).map(([key, x]) => [key, now && key in now ? within(study, `${path}.${key}`, x) : x]),
  )
}
