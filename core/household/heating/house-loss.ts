import { DAYS_IN_MONTH } from '../../calendar/year'
import { GAINS_K, gapOf, lossByArea, lossPerKByUse } from '../../heaters/house-heat'
import type { HouseHeating } from '../../study/heating'
import type { Study } from '../../study/study'

/** Where no design temperature was asked: so far below the mean of the coldest month, K. */
const BELOW_COLDEST_MONTH_K = 10

/** Outdoor temperature of the coldest day that is reckoned with, °C, and whether it is only assumed. */
export function designOutdoor({ site }: Study): { c: number; assumed: boolean } {
  return site.designAirC === null
    ? { c: Math.min(...site.monthlyAirC) - BELOW_COLDEST_MONTH_K, assumed: true }
    : { c: site.designAirC, assumed: false }
}

/** Degree days of the months with heating, K·d: days × (room − gains − mean air), where that is above nothing. */
export const degreeDaysOf = ({ site }: Study, roomC: number): number =>
  DAYS_IN_MONTH.reduce(
    (sum, days, m) => sum + (site.heatingMonths[m] ? days * Math.max(0, roomC - GAINS_K - site.monthlyAirC[m]) : 0),
    0,
  )

/** Heat loss of a house on the coldest day, kW, by each method there are figures for. */
export interface HouseLoss {
  byAreaKw: number | null
  byUseKw: number | null
  statedKw: number | null
  /** By use over by area, %; null without both. */
  gap: number | null
  /** What is reckoned with: stated, else the mean of the two, else the one there is; null: none. */
  kw: number | null
  /** The same for each kelvin between room and outdoors, W/K. */
  wK: number | null
}

/**
 * Loss by floor area (W/m² of its age), and by the energy that heating used: energy × efficiency / (degree days × 24 h) ×
 * (room − design).
 */
export function houseLoss(study: Study, heating: HouseHeating): HouseLoss {
  const { floorM2, wM2, usedKwh, statedKw } = heating.loss
  const overK = heating.roomC - designOutdoor(study).c
  const degreeDays = degreeDaysOf(study, heating.roomC)
  const byAreaKw = floorM2 !== null && wM2 !== null ? lossByArea(floorM2, wM2) : null
  const byUseKw =
    usedKwh !== null && degreeDays > 0 && overK > 0
      ? lossPerKByUse(usedKwh, study.site.heating.efficiency, degreeDays) * overK
      : null
  const two = byAreaKw !== null && byUseKw !== null ? (byAreaKw + byUseKw) / 2 : (byAreaKw ?? byUseKw)
  const kw = statedKw ?? two
  return {
    byAreaKw,
    byUseKw,
    statedKw,
    gap: byAreaKw !== null && byUseKw !== null ? gapOf(byUseKw, byAreaKw) : null,
    kw,
    wK: kw === null || overK <= 0 ? null : (1000 * kw) / overK,
  }
}
