import type { Claim, ClaimBase } from '../study/claims'
import type { MeasureKind, Package } from '../study/measures'
import { cameInKwh, type EnergyGoes, energyGoes } from '../year/account/where-it-goes'
import { drawnL, purchasedKwh, type YearResult } from '../year/result'
import type { Ranges, Spread } from './ranges'

const LOSSES = ['runs', 'loop', 'standing', 'conversion'] as const
const LESS_USED = ['useful', 'runs', 'standing', 'conversion'] as const

/** Where the energy goes that a kind of measure can save at all: no more than that is within its reach. */
const REACHES: Record<MeasureKind, readonly (keyof EnergyGoes)[]> = {
  'insulate-runs': ['runs', 'loop', 'conversion'],
  jacket: ['standing', 'conversion'],
  'store-connections': ['standing', 'conversion'],
  setpoint: LOSSES,
  'heater-schedule': LOSSES,
  'heater-control': LOSSES,
  'loop-mode': LOSSES,
  'loop-schedule': LOSSES,
  'lay-loop': ['runs', 'conversion'],
  'tap-flow': LESS_USED,
  'stop-when-warm': LESS_USED,
  'mend-drip': LESS_USED,
  'shorter-draws': LESS_USED,
  'bath-to-shower': LESS_USED,
  repipe: LOSSES,
  'own-run': LOSSES,
  'move-heater': LOSSES,
  'drain-recovery': ['useful', 'standing', 'conversion'],
  'heat-source': ['useful', ...LOSSES],
}

/** The figure of a year that a claim is held against: money, kWh that are bought, or litres. */
type ClaimFigure = 'cost' | 'inputKwh' | 'waterL'
const CLAIM_FIGURE: Record<ClaimBase, ClaimFigure> = {
  cost: 'cost',
  energy: 'inputKwh',
  'standing-loss': 'inputKwh',
  'pipe-loss': 'inputKwh',
  water: 'waterL',
}

export type ClaimVerdict =
  'of what?' | 'per what?' | 'out of reach' | 'optimistic' | 'plausible' | 'cautious' | 'not judged'

export interface JudgedClaim {
  verdict: ClaimVerdict
  /** What the share comes to a year, and the most that the package can reach at all, in the figure; null: nobody said of what. */
  figure: ClaimFigure | null
  claimed: number | null
  reach: number | null
  /** What the package saves in this house, as far as its range is known. */
  range: Spread | null
}

/** Energy that is bought for each kWh that comes in, kWh: the sun, the air and the drain give the rest. */
const boughtShare = (year: YearResult) => (cameInKwh(year) > 0 ? purchasedKwh(year) / cameInKwh(year) : 0)

/** What a whole base comes to in a year: money, kWh bought for it, or litres. */
function wholeOf(base: ClaimBase, year: YearResult): number {
  const goes = energyGoes(year)
  // What a loss takes with it in making its heat is bought too.
  const made = 1 + goes.conversion / Math.max(1e-9, cameInKwh(year) - goes.conversion)
  const bought = (kwh: number) => kwh * made * boughtShare(year)
  const whole: Record<ClaimBase, () => number> = {
    cost: () => year.cost.total,
    energy: () => purchasedKwh(year),
    'standing-loss': () => bought(goes.standing),
    'pipe-loss': () => bought(goes.runs + goes.loop),
    water: () => drawnL(year.water),
  }
  return whole[base]()
}

/** The most that a package can save of a figure, whatever it is made of: all that its measures reach. */
function reachOf(figure: ClaimFigure, { measures }: Package, year: YearResult): number {
  const kinds = measures.map((m) => m.kind)
  // What uses less hot water saves of all of it; the rest only what runs off before it is hot.
  const water = kinds.some((k) => REACHES[k] === LESS_USED) ? drawnL(year.water) : year.water.toWasteL
  if (figure === 'waterL') return water
  const reached = new Set(kinds.flatMap((k) => REACHES[k]))
  const goes = energyGoes(year)
  const kwh = [...reached].reduce((s, part) => s + goes[part], 0)
  const share = cameInKwh(year) > 0 ? Math.min(1, kwh / cameInKwh(year)) : 0
  if (figure === 'inputKwh') return share * purchasedKwh(year)
  const drawn = drawnL(year.water)
  const waterMoney = drawn > 0 ? (year.cost.water * water) / drawn : 0
  return share * (year.cost.total - year.cost.water - year.cost.standing) + waterMoney
}

/**
 * A claim held against this house.
 * @param year as the household stands; @param pack the package that is meant; @param ranges of that package, where they are known
 */
export function judgedClaim(claim: Claim, year: YearResult, pack: Package | null, ranges: Ranges | null): JudgedClaim {
  const { of, per, percent } = claim
  if (of === null) return { verdict: 'of what?', figure: null, claimed: null, reach: null, range: null }
  const figure = CLAIM_FIGURE[of]
  const claimed = (percent / 100) * wholeOf(of, year)
  const reach = pack && pack.measures.length > 0 ? reachOf(figure, pack, year) : null
  const range = ranges?.savings?.[figure] ?? null
  const judged = { figure, claimed, reach, range }
  // A share of a day or of one use says nothing of the year until the year is told.
  if (per !== 'year') return { verdict: 'per what?', ...judged }
  if (reach !== null && claimed > reach) return { verdict: 'out of reach', ...judged }
  if (!range) return { verdict: 'not judged', ...judged }
  if (claimed > range.p90) return { verdict: 'optimistic', ...judged }
  return { verdict: claimed < range.p10 ? 'cautious' : 'plausible', ...judged }
}

/** Several claims at once, as shares of the purchased energy. */
export interface ClaimsTogether {
  /** Added up, as they are told, and compounded, each weighted by what it is a share of. */
  added: number
  compounded: number
}

/**
 * What claims on energy come to together: of one base each takes its share of what the others left, bases count by their
 * weight in the purchased energy, and what is said of all of it takes from what is left of that. Null with fewer than two.
 */
export function claimsTogether(claims: readonly Claim[], year: YearResult): ClaimsTogether | null {
  const told = claims.filter(
    (c) => c.per === 'year' && (c.of === 'energy' || c.of === 'standing-loss' || c.of === 'pipe-loss'),
  )
  if (told.length < 2) return null
  const bought = purchasedKwh(year)
  if (bought <= 0) return null
  const left = (base: ClaimBase) => told.filter((c) => c.of === base).reduce((l, c) => l * (1 - c.percent / 100), 1)
  const weight = (base: ClaimBase) => wholeOf(base, year) / bought
  const parts = (['standing-loss', 'pipe-loss'] as const).reduce((s, base) => s + weight(base) * (1 - left(base)), 0)
  return {
    added: told.reduce((s, c) => s + (c.percent / 100) * (c.of === 'energy' ? 1 : weight(c.of!)), 0),
    compounded: 1 - left('energy') * (1 - parts),
  }
}
