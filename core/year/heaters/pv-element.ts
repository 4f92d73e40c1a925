import { DAYS, HOUR_S } from '../../calendar/year'
import type { Hours } from '../../climate/hours'
import { generationKw, houseLoadKw } from '../../heaters/photovoltaics'
import type { HeaterOf } from '../../study/heater-kinds'
import type { Ledger } from '../account/ledger'
import type { LayeredStore } from '../stores/layered-store'
import { DirectHeater } from './store-heater'

/** Less surplus than this is left to the grid, kW. */
const LEAST_KW = 0.05
/** Step while there is surplus, s. */
const SUN_STEP_S = 600

/**
 * An element that follows what the sun makes and the house leaves. What it takes is not sold: the price of exported
 * electricity that it forgoes is its cost.
 */
export class PvElementHeater extends DirectHeater {
  private readonly surplusKw: Float64Array

  constructor(
    private readonly spec: HeaterOf<'pv-element'>,
    private readonly ledger: Ledger,
    hours: Hours,
  ) {
    super()
    this.surplusKw = Float64Array.from({ length: DAYS * 24 }, (_, h) => {
      const { beamWM2, skyWM2 } = hours.onPlane(h, spec.tiltDeg, spec.azimuthDeg)
      const surplus =
        generationKw(spec.pvKwp, spec.performance, beamWM2 + skyWM2) - houseLoadKw(spec.houseKwhDay, h % 24)
      return surplus < LEAST_KW ? 0 : Math.min(surplus, spec.powerKw)
    })
  }

  private hour(atS: number): number {
    return Math.min(this.surplusKw.length - 1, Math.floor(atS / HOUR_S))
  }

  longestStep(): number {
    return SUN_STEP_S
  }

  override longestRest(atS: number): number {
    const hour = this.hour(atS)
    if (this.surplusKw[hour] > 0) return Math.min(SUN_STEP_S, Math.max(1, (hour + 1) * HOUR_S - atS))
    let dark = hour + 1
    while (dark < this.surplusKw.length && this.surplusKw[dark] <= 0) dark++
    return Math.max(1, dark * HOUR_S - atS)
  }

  override rest(dtS: number, store: LayeredStore, atS: number): void {
    this.give(store, dtS, atS)
  }

  protected give(store: LayeredStore, dtS: number, atS: number): void {
    const kj = Math.min(
      this.surplusKw[this.hour(atS)] * dtS,
      store.heatToReach(this.spec.storeLimitC, this.spec.height),
    )
    this.kw = kj / dtS
    const runs = kj > 0
    if (runs && !this.on) this.starts++
    this.on = runs
    if (!runs) return
    this.ledger.ownPower(kj)
    store.heat(kj, this.spec.height)
  }
}
