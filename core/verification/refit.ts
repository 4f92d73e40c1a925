import { dayAfter } from '../calendar/days'
import { DAYS, DAYS_IN_MONTH } from '../calendar/year'
import { perKwh } from '../money/tariff'
import type { Meter } from '../study/meters'
import type { Study } from '../study/study'
import type { YearResult } from '../year/result'
import { billsOf } from './bills'
import { awayTerm, type Estimate, estimateOf, fitTerms, type Observed, tQuantile } from './change-point'
import { observedOf } from './observed'
import { joined, useOf, type UsePeriod } from './periods'
import { LEAST_PERIODS } from './saving'
import { SEASON_SD_K, usualBelow } from './weather'

/** What a meter says of hot water against what was calculated, and what it will count in the year to come. */
export interface Refit {
  /** Hot water by the meter over that calculated: 1 where the two agree. */
  factor: Estimate
  /** Its standard error. */
  factorSd: number
  /** Hot water in a year as it is set now, by the meter, and as calculated, kWh. */
  hotWater: Estimate
  calculated: number
  heating: { balanceC: number } | null
  /** All that the meter will count in a year of usual weather, kWh, and what that costs; null: its price is not one figure. */
  next: Estimate
  money: Estimate | null
  periods: number
}

/** A refit, or why there is none yet. */
export type RefitAnswer = { refit: Refit } | { missing: string }

/**
 * How the hot water of a household spreads over its year is known no better than this, as a share: what a house loses and what
 * its people draw follow the seasons differently, and a meter cannot tell. Tried on hidden houses (tests/unit/refit.test.ts).
 */
const SHAPE_SD = 0.03

/** Hot water that was calculated for a day, kWh, of the year that was in force then. */
function calculatedPerDay({ of }: Meter, year: YearResult, day: string): number {
  const month = Number(day.slice(5, 7)) - 1
  return of === 'water' ? 0 : (year.months[month].energy.inputKwh[of] ?? 0) / DAYS_IN_MONTH[month]
}

/** Money for a kWh at a meter: as its last bill came to, else as the study has it where that is one figure. */
function moneyPerKwh(study: Study, meter: Meter): { perKwh: number; standing: number } | null {
  const last = billsOf(study, meter).findLast((b) => b.perUnit !== null)
  if (last) return { perKwh: last.perUnit! / meter.perUnit, standing: DAYS * last.standingPerDay }
  const tariff = meter.of === 'water' ? undefined : study.prices.carriers[meter.of]
  return tariff && tariff.bands.length === 0 ? { perKwh: perKwh(tariff), standing: tariff.standingPerYear } : null
}

/**
 * Holds a year that was calculated against a meter: use a day = factor × hot water as calculated for the day + slope × kelvins
 * below the balance temperature + what else the meter counts. The factor says how far the household is from what is known of it.
 * @param found the year as found; @param set the year as set, null where nothing was; @param setOn day from which it holds
 */
export function refitTo(
  study: Study,
  meter: Meter,
  found: YearResult,
  set: YearResult | null,
  setOn: string | null,
): RefitAnswer {
  if (meter.of === 'water') return { missing: 'A water meter counts cold water too: read hot litres apart.' }
  const { of, others } = meter
  if (study.controls.set && !set) return { missing: 'The year as it is set is not known yet.' }
  const now = set ?? found
  const calculated = now.energy.inputKwh[of] ?? 0
  if (calculated <= 0) return { missing: 'Hot water takes nothing from this meter by the study.' }
  if (others === null)
    return { missing: 'Say what else this meter counts in a year: cooking, appliances; 0 where nothing.' }
  const all = joined(useOf(meter).periods)
  // A period in which the setting changed belongs to neither year.
  const periods = set && setOn ? all.filter((p) => p.to <= setOn || p.from >= setOn) : all
  if (periods.length < 2 * LEAST_PERIODS)
    return {
      missing: `Too few readings: ${periods.length} periods of at least a week, ${2 * LEAST_PERIODS} are needed.`,
    }
  const yearOf = (p: UsePeriod) => (set && setOn && p.from < setOn ? found : now)
  const hot = new Map<Observed, number>()
  const observed = observedOf(study, periods, false).map((o, i): Observed => {
    const p = periods[i]
    const days = Array.from({ length: p.days }, (_, d) => calculatedPerDay(meter, yearOf(p), dayAfter(p.from, d)))
    const one = { ...o, perDay: o.perDay - others / DAYS }
    hot.set(one, days.reduce((s, x) => s + x, 0) / p.days)
    return one
  })
  const away = awayTerm(observed)
  const fit = fitTerms(observed, [(o) => hot.get(o)!, ...away])
  if (!fit) return { missing: 'The readings cannot be told apart: they are too few, or all alike.' }
  if (fit.beta[0] <= 0)
    return {
      missing: 'No hot water is left beside the other use of this meter: other use is less, or rooms take all of it.',
    }
  const { balanceC, dof } = fit
  const sd = Math.hypot(fit.errorOf(fit.beta.map((_, i) => (i === 0 ? 1 : 0))), SHAPE_SD * fit.beta[0])
  const factor = estimateOf(fit.beta[0], sd, dof)
  const scaled = (e: Estimate, by: number): Estimate => ({ low: e.low * by, middle: e.middle * by, high: e.high * by })
  const usual = balanceC === null ? null : usualBelow(study, balanceC)
  const days = observed.reduce((s, o) => s + o.days, 0)
  const awayUsual = observed.reduce((s, o) => s + o.days * o.away, 0) / days
  const times = [calculated / DAYS, ...away.map(() => awayUsual), ...(usual ? [usual.kelvins] : [])]
  const middle = DAYS * times.reduce((s, x, i) => s + x * fit.beta[i], 0) + others
  // What is not known of the coefficients, days that are not alike, and a milder or colder season.
  const error = Math.hypot(
    DAYS * fit.errorOf(times),
    fit.daySd * Math.sqrt(DAYS),
    usual ? DAYS * fit.beta.at(-1)! * SEASON_SD_K * usual.share : 0,
  )
  const half = tQuantile(dof) * error
  const next: Estimate = { low: Math.max(0, middle - half), middle, high: middle + half }
  const price = moneyPerKwh(study, meter)
  const money = (kwh: number) => price!.standing + price!.perKwh * kwh
  return {
    refit: {
      factor,
      factorSd: sd,
      hotWater: scaled(factor, calculated),
      calculated,
      heating: balanceC === null ? null : { balanceC },
      next,
      money: price && { low: money(next.low), middle: money(next.middle), high: money(next.high) },
      periods: periods.length,
    },
  }
}
