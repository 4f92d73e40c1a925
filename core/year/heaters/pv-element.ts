import { DAYS } from '../../calendar/year'
import type { Hours } from '../../climate/hours'
import { generationKw, houseLoadKw } from '../../heaters/photovoltaics'
import type { HeaterOf } from '../../study/heater-kinds'
import type { Ledger } from '../account/ledger'
import type { LayeredStore } from '../stores/layered-store'
import { DirectHeater } from './store-heater'
import { SUN_STEP_S, SunHours } from './sun-step'

/** Less surplus than this is left to the grid, kW. */
const LEAST_KW = 0.05

/**
 * An element that follows what the sun makes and the house leaves. What it takes is not sold: the price of exported
 * electricity that it forgoes is its cost.
 */
export class PvElementHeater extends DirectHeater {
  private readonly surplusKw: SunHours

  constructor(
    private readonly spec: HeaterOf<'pv-element'>,
    private readonly ledger: Ledger,
    hours: Hours,
  ) {
    super()
    const surplusKw = Float64Array.from({ length: DAYS * 24 }, (_, h) => {
      const { beamWM2, skyWM2 } = hours.onPlane(h, spec.tiltDeg, spec.azimuthDeg)
      const surplus =
        generationKw(spec.pvKwp, spec.performance, beamWM2 + skyWM2) - houseLoadKw(spec.houseKwhDay, h % 24)
      return surplus < LEAST_KW ? 0 : Math.min(surplus, spec.powerKw)
    })
    this.surplusKw = new SunHours(surplusKw)
  }

  longestStep(): number {
    return SUN_STEP_S
  }

  override longestRest(atS: number): number {
    return this.surplusKw.longestRest(atS, SUN_STEP_S)
  }

  override rest(dtS: number, store: LayeredStore, atS: number): void {
    this.give(store, dtS, atS)
  }

  protected give(store: LayeredStore, dtS: number, atS: number): void {
    const surplusKw = this.surplusKw.at(atS)
    const kj = surplusKw > 0 ? Math.min(surplusKw * dtS, store.heatToReach(this.spec.storeLimitC, this.spec.height)) : 0
    this.kw = kj / dtS
    const runs = kj > 0
    if (runs && !this.on) this.starts++
    this.on = runs
    if (!runs) return
    this.ledger.ownPower(kj)
    store.heat(kj, this.spec.height)
  }
}
