import type { Hours } from '../climate/hours'
import { HOUR_S } from '../climate/calendar'
import type { HeaterOf } from '../study/plant'
import type { LayeredStore } from '../stores/layered-store'
import { CUT_OUT_C } from '../safety/cut-out'
import { KJ_PER_LITRE_K } from '../water/properties'
import type { Ledger } from '../year/ledger'
import { DirectHeater } from './store-heater'

/** Share of the ideal that a small heat pump reaches. */
const CARNOT_SHARE = 0.42
/** Condenser above the water it heats, and evaporator below the air it cools, K. */
const SINK_K = 5
const SOURCE_K = 6
/** Bounds of the coefficient of performance. */
const COP = { low: 1, high: 5 } as const
/** Hottest store that the refrigerant of a small heat pump makes, °C; the element does what is above it. Makers' figures lie between 55 and 70. */
export const HEAT_PUMP_LIMIT_C = 65

/**
 * Coefficient of performance of a heat pump on a store: heat over electricity.
 * COP = 0.42 × T_sink / (T_sink − T_source), in kelvin, T_sink = water + 5 K, T_source = air − 6 K, held between 1 and 5.
 * Source: the handbook's default; a share of Carnot that a maker's table replaces. Defrosting is within the share.
 * @example coefficientOfPerformance(50, 15) // 3.00
 */
export function coefficientOfPerformance(waterC: number, airC: number): number {
  const sinkK = waterC + SINK_K + 273.15
  const liftK = sinkK - (airC - SOURCE_K + 273.15)
  return liftK <= 0 ? COP.high : Math.min(COP.high, Math.max(COP.low, (CARNOT_SHARE * sinkK) / liftK))
}

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
    const elementKj = pumpKj === 0 || this.helps(store) ? Math.min(spec.backupKw * dtS, store.heatToReach(CUT_OUT_C, bottom)) : 0
    if (pumpKj > 0) {
      // The water half a step ahead: it warms while it is heated.
      const waterC = store.meanBetween(bottom, top, HEAT_PUMP_LIMIT_C) + pumpKj / (2 * KJ_PER_LITRE_K * store.litres * (top - bottom))
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
