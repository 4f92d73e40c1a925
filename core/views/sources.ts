import type { Level } from '../checks/check'
import { type HeaterKind, HEATERS } from '../heaters/kinds'
import { type Choice, heatSource, type How, sourcesFor } from '../household/edits/heat-source'
import { putHeater } from '../household/edits/plant'
import { beginHeatSource } from '../measures/begin'
import { upkeepOf } from '../measures/bought'
import { costOf } from '../measures/parts'
import { type Carrier, CARRIER_NAMES } from '../money/carriers'
import { displayOf } from '../study/display-of'
import { carrierOf } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { purchasedKwh, type YearResult } from '../year/result'
import { appraised } from './appraisal'
import { type Sizes, sizes } from './sizes'

/** A heat source as it would stand in a house, and the household with it. */
export interface SourceJob {
  kind: HeaterKind
  how: How
  heater: Heater
  study: Study
  level: Level
  /** What of it is assumed and decides its year, in words. */
  assumedFigures: string[]
  /** Money a year for buying and fitting it over its service life, by the price book; null: not priced. */
  boughtAYear: number | null
  /** Upkeep in that, money; null: not priced. */
  upkeepAYear: number | null
}

/** What a heat source costs a year over its life, upkeep with it; null as long as a part of it is not priced. */
function ownedAYear(
  study: Study,
  kind: HeaterKind,
  how: How,
  choice: Choice,
): Pick<SourceJob, 'boughtAYear' | 'upkeepAYear'> {
  const measure = beginHeatSource(study, kind, how, 'source', choice)
  if (!measure) return { boughtAYear: null, upkeepAYear: null }
  return {
    boughtAYear: appraised(study, [measure], [costOf(study, measure)], NOTHING_SAVED)?.aYear ?? null,
    upkeepAYear: upkeepOf(measure, study.economics),
  }
}
const NOTHING_SAVED = { money: 0, kwh: 0, waitedMinutes: 0 }

/** Every heat source that could serve the whole house instead of what is there or beside it, as it is chosen. */
export function sourceJobs(
  study: Study,
  choiceOf: (kind: HeaterKind, how: How) => Choice = () => ({}),
  sized: Sizes = sizes(study, choiceOf),
): SourceJob[] {
  const write = displayOf(study)
  return (['instead', 'beside'] as const).flatMap((how) =>
    sourcesFor(study, how)
      .filter((kind) => HEATERS[kind].heats !== 'tap')
      .map((kind): SourceJob => {
        const { replaces, heater, control, store } = heatSource(study, kind, how, choiceOf(kind, how))!
        return {
          kind,
          how,
          heater,
          study: putHeater(study, replaces, heater, control, store),
          ...ownedAYear(study, kind, how, choiceOf(kind, how)),
          level: sized[how].find((s) => s.kind === kind)?.level ?? 'not checked',
          assumedFigures:
            'pvKwp' in heater
              ? [
                  `${heater.pvKwp} kWp of modules`,
                  `${write.energy(heater.houseKwhDay)} a day of other household electricity`,
                ]
              : [],
        }
      }),
  )
}

/** Whether something in the house lives on a carrier already. */
const burntAlready = ({ plant }: Study, carrier: Carrier) => plant.heaters.some((h) => carrierOf(h) === carrier)

/** Sources in the order of their worth: what fits or may fit by its cost, then what does not, last what rests on assumed figures. */
export const ranked = <S extends Pick<SourceYear, 'totalMoney' | 'level' | 'assumedFigures'>>(
  years: readonly S[],
): S[] => {
  const last = (y: S) => (y.assumedFigures.length ? 2 : y.level === 'fail' ? 1 : 0)
  return [...years].sort((a, b) => last(a) - last(b) || a.totalMoney - b.totalMoney)
}

/** The price of what a source mainly burns at which a year with it costs as much as a year without. */
export interface BreakEven {
  carrier: Carrier
  /** Money per kWh at which both cost the same, and what a kWh of it costs on average now. */
  perKwh: number
  nowPerKwh: number
}

export interface SourceYear {
  kind: HeaterKind
  how: How
  /** Money a year less than now; negative: it costs more. What it costs to buy and fit is not in it. */
  savesMoney: number
  totalMoney: number
  /** The same with what buying and fitting it costs a year over its service life; null: not priced. */
  ownedMoney: number | null
  /** Upkeep in that, money a year; null: not priced. */
  upkeepMoney: number | null
  purchasedKwh: number
  /** kg a year less than now. */
  savesCo2Kg: number
  /** Draws that come too cool, more than now. */
  moreCoolDraws: number
  breakEven: BreakEven | null
  /** Carriers that the household had no price for: one was assumed. */
  assumedPrices: Carrier[]
  /** How its size stands: what does not fit is ranked after all that does. */
  level: Level
  /** Figures of its own that decide its year and were assumed; while there are any it is not ranked. */
  assumedFigures: string[]
}

/** A year with a source against a year as the household stands. */
export function sourceYear(study: Study, now: YearResult, job: SourceJob, then: YearResult): SourceYear {
  return {
    kind: job.kind,
    how: job.how,
    savesMoney: now.cost.total - then.cost.total,
    totalMoney: then.cost.total,
    ownedMoney: job.boughtAYear === null ? null : then.cost.total + job.boughtAYear,
    upkeepMoney: job.upkeepAYear,
    purchasedKwh: purchasedKwh(then),
    savesCo2Kg: now.co2Kg - then.co2Kg,
    moreCoolDraws: then.comfort.unmetDraws - now.comfort.unmetDraws,
    breakEven:
      HEATERS[job.kind].source === 'sun' || burntAlready(study, carrierOf(job.heater))
        ? null
        : breakEven(carrierOf(job.heater), now, then),
    level: job.level,
    assumedFigures: job.assumedFigures,
    assumedPrices: (Object.keys(then.energy.inputKwh) as Carrier[]).filter((c) => !study.prices.carriers[c]),
  }
}

/**
 * Money is linear in the price of a carrier, and what is bought does not depend on it, so both years cost the same where
 * f (E₁ − E₀) = R₀ − R₁: E what the carrier costs, R the rest, 0 now and 1 with the source, f the factor on its price.
 * @returns null where no price above nought makes them equal
 */
export function breakEven(carrier: Carrier, now: YearResult, then: YearResult): BreakEven | null {
  const kwh = then.energy.inputKwh[carrier] ?? 0
  if (kwh <= 0) return null
  const [e0, e1] = [now.cost.energy[carrier] ?? 0, then.cost.energy[carrier] ?? 0]
  const factor = (now.cost.total - e0 - (then.cost.total - e1)) / (e1 - e0)
  if (!Number.isFinite(factor) || factor <= 0) return null
  const nowPerKwh = e1 / kwh
  return { carrier, perKwh: nowPerKwh * factor, nowPerKwh }
}

/** A price as it is written: three decimals, since a kWh costs cents. */
const price = (write: Display, perKwh: number) => write.value({ unit: 'money', decimals: 3 }, perKwh)

/** A year with a source in words, the figures first. */
export function sourceSentences(year: SourceYear, write: Display): string[] {
  const { breakEven: even, moreCoolDraws: cool, assumedPrices } = year
  const against = (less: number, write: (amount: number) => string, what = '') =>
    Math.abs(less) < 0.5 ? `no change${what}` : `${write(Math.abs(less))} ${less > 0 ? 'less' : 'more'}${what} than now`
  const names = assumedPrices.map((c) => CARRIER_NAMES[c].toLowerCase()).join(' and ')
  return [
    `${write.wholeMoney(year.totalMoney)} a year, ${against(year.savesMoney, write.wholeMoney)}.`,
    year.ownedMoney === null
      ? 'Purchase and work not priced.'
      : `${write.wholeMoney(year.ownedMoney)} a year with purchase and work over its service life${year.upkeepMoney === null ? '; upkeep not priced' : ` and ${write.wholeMoney(year.upkeepMoney)} of upkeep`}.`,
    `Purchased energy ${write.energy(year.purchasedKwh)}, ${against(year.savesCo2Kg, write.mass, ' carbon dioxide')}.`,
    ...(even
      ? [
          `Break-even ${CARRIER_NAMES[even.carrier].toLowerCase()} price ${price(write, even.perKwh)} per kWh (${assumedPrices.includes(even.carrier) ? 'assumed' : 'average'} ${price(write, even.nowPerKwh)}).`,
        ]
      : []),
    ...(cool === 0 ? [] : [`${Math.abs(cool)} ${cool > 0 ? 'more' : 'fewer'} unmet draw-offs a year.`]),
    ...(year.assumedFigures.length
      ? [`Based on assumed ${year.assumedFigures.join(' and ')}: enter the actual values before comparing.`]
      : []),
    ...(year.level === 'fail' ? ['Fails the sizing checks.'] : []),
    ...(names ? [`Price of ${names} assumed.`] : []),
  ]
}
