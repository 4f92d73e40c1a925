import { HOUR_S } from '../../calendar/year'
import type { Hours } from '../../climate/hours'
import { coefficientOfPerformance, HEAT_PUMP_LIMIT_C } from '../../heaters/heat-pump'
import { SAFETY } from '../../safety/limits'
import type { HeaterOf } from '../../study/heater-kinds'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { LayeredStore } from '../stores/layered-store'
import { DirectHeater } from './store-heater'

/**
 * A heat pump on a store: gives its output at the COP of the moment to the water round its condenser. An element stands by:
 * it works where the air is too cold for the heat pump and above the hottest water that makes, and helps by its control.
 */
export class HeatPumpHeater extends DirectHeater {
  private fromRoomKj = 0
  private setpointC = 0

  constructor(
    private readonly spec: HeaterOf<'heat-pump'>,
    private readonly ledger: Ledger,
    private readonly hours: Hours,
  ) {
    super()
  }

  private airC(atS: number): number {
    if (this.spec.air === 'where it stands') return this.ambientC
    return this.hours.airC[Math.min(this.hours.airC.length - 1, Math.floor(atS / HOUR_S))]
  }

  longestStep(store: LayeredStore, setpointC: number, _atS: number, takenKw: number): number {
    this.setpointC = setpointC
    const { bottom } = this.spec.coil
    const target = store.heatToReach(HEAT_PUMP_LIMIT_C, bottom) > 0 ? Math.min(setpointC, HEAT_PUMP_LIMIT_C) : setpointC
    return this.pace.during(store.heatToReach(target, bottom), this.spec.outputKw + this.spec.backupKw - takenKw)
  }

  /** Whether the element helps although the heat pump runs. */
  private helps(store: LayeredStore): boolean {
    const { backup, coil, outputKw } = this.spec
    switch (backup.by) {
      case 'top of store':
        return store.topC < this.setpointC - backup.belowK
      case 'recovery time':
        return store.heatToReach(this.setpointC, coil.bottom) > outputKw * backup.hours * HOUR_S
      case 'boost only':
        return false
    }
  }

  protected give(store: LayeredStore, dtS: number, atS: number): void {
    const { spec, ledger } = this
    const { bottom, top } = spec.coil
    const airC = this.airC(atS)
    const most = store.heatToReach(HEAT_PUMP_LIMIT_C, bottom)
    const pumpKj = airC >= spec.leastAirC ? Math.min(spec.outputKw * dtS, most) : 0
    const elementKj =
      pumpKj === 0 || this.helps(store)
        ? Math.min(spec.backupKw * dtS, store.heatToReach(SAFETY.cutOut.value, bottom))
        : 0
    if (pumpKj > 0) {
      // The water half a step ahead: it warms while it is heated.
      const waterC =
        store.meanBetween(bottom, top, HEAT_PUMP_LIMIT_C) +
        pumpKj / (2 * KJ_PER_LITRE_K * store.litres * (top - bottom))
      const paidKj = pumpKj / coefficientOfPerformance(waterC, airC)
      ledger.buy('electricity', paidKj, paidKj)
      ledger.add('ambient', pumpKj - paidKj)
      if (spec.air === 'where it stands') this.fromRoomKj += pumpKj - paidKj
    }
    if (elementKj > 0) ledger.backup(elementKj)
    this.kw = (pumpKj + elementKj) / dtS
    store.heat(pumpKj + elementKj, bottom)
  }

  override takeFromRoom(): number {
    const kj = this.fromRoomKj
    this.fromRoomKj = 0
    return kj
  }
}
