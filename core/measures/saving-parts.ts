import type { Study } from '../study/study'
import { purchasedKwh, type YearResult } from '../year/result'

/** What a change saves, part by part, kWh a year; less is negative: what is bought is the sum of the parts. */
export interface SavingParts {
  /** Water used at taps that mix: hardly depends on the setting. */
  mixedKwh: number
  /** Water taken as hot as it comes. */
  unmixedKwh: number
  /** Cooled in the runs and run off while waiting. */
  runsKwh: number
  storeKwh: number
  loopKwh: number
  /** Heater circuit and exchanger. */
  primaryKwh: number
  /** Lost in turning what is bought into heat; electricity of pumps and controls is among it. */
  conversionKwh: number
  /** Through the relief valve, and what is left in store and pipes at the year's end. */
  restKwh: number
  /** Heat from sun, air and drain; more of it is less to buy. */
  freeKwh: number
  purchasedKwh: number
  money: number
}

/** From one year of a household to another on the same draws. */
export function savingParts(study: Study, from: YearResult, to: YearResult): SavingParts {
  const mixes = new Set(study.pipes.taps.filter((t) => t.mixes).map((t) => t.id))
  const atTaps = (year: YearResult, mixed: boolean) =>
    year.taps.filter((t) => mixes.has(t.id) === mixed).reduce((s, t) => s + t.usefulKwh, 0)
  const energy = (part: (y: YearResult['energy']) => number) => part(to.energy) - part(from.energy)
  const unmixedKwh = atTaps(to, false) - atTaps(from, false)
  return {
    // What the ledger calls useful, less what was taken unmixed: to the last digit the two are all of it.
    mixedKwh: energy((e) => e.usefulKwh) - unmixedKwh,
    unmixedKwh,
    runsKwh: energy((e) => e.deadLegKwh + e.toWasteKwh),
    storeKwh: energy((e) => e.storeKwh),
    loopKwh: energy((e) => e.loopKwh),
    primaryKwh: energy((e) => e.primaryKwh),
    conversionKwh: energy((e) => e.conversionKwh),
    restKwh: energy((e) => e.reliefKwh + e.storedChangeKwh + e.residualKwh),
    freeKwh: -energy((e) => e.renewableKwh + e.ambientKwh + e.recoveredKwh),
    purchasedKwh: purchasedKwh(to) - purchasedKwh(from),
    money: to.cost.total - from.cost.total,
  }
}

/** What each part is called, in the order of the water. */
export const SAVING_WORDS: Record<keyof Omit<SavingParts, 'purchasedKwh' | 'money'>, string> = {
  mixedKwh: 'Useful heat, mixed outlets',
  unmixedKwh: 'Useful heat, unmixed outlets',
  runsKwh: 'Dead legs and draw-off to waste',
  loopKwh: 'Circulation loss',
  storeKwh: 'Standing loss',
  primaryKwh: 'Primary circuit and heat exchanger loss',
  conversionKwh: 'Conversion loss',
  restKwh: 'T&P valve discharge, change in storage, balance error',
  freeKwh: 'Solar, ambient and recovered heat',
}
