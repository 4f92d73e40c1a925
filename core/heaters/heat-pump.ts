import type { Hours } from '../climate/hours'
import { HOUR_S } from '../climate/calendar'
import type { HeaterOf } from '../study/plant'
import type { LayeredStore } from '../stores/layered-store'
import type { Ledger } from '../year/ledger'
import { untilReached } from './direct-heaters'
import { DirectHeater } from './store-heater'

/** Share of the ideal that a small heat pump reaches. */
const CARNOT_SHARE = 0.42
/** Condenser above the water it heats, and evaporator below the air it cools, K. */
const SINK_K = 5
const SOURCE_K = 6
/** Bounds of the coefficient of performance. */
const COP = { low: 1, high: 5 } as const
/** The element helps when the water round the condenser is this far below the setpoint, K. */
const ASKED_MORE_K = 20

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

/** A heat pump on a store: gives its output at the COP of the moment; an element helps in the cold and when much is asked. */
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

  longestStep(store: LayeredStore, setpointC: number): number {
    this.setpointC = setpointC
    return Math.max(60, untilReached(store, setpointC, this.spec.coil.bottom, this.spec.outputKw + this.spec.backupKw))
  }

  protected give(store: LayeredStore, dtS: number, atS: number): void {
    const { spec, ledger } = this
    const { bottom, top } = spec.coil
    const airC = this.airC(atS)
    const waterC = store.meanBetween(bottom, top)
    const runs = airC >= spec.leastAirC
    const pumpKj = runs ? spec.outputKw * dtS : 0
    const helps = !runs || this.setpointC - waterC > ASKED_MORE_K
    const elementKj = helps ? spec.backupKw * dtS : 0
    const paidKj = pumpKj / coefficientOfPerformance(waterC, airC)
    ledger.buy('electricity', paidKj + elementKj, paidKj + elementKj)
    ledger.add('ambient', pumpKj - paidKj)
    if (spec.air === 'where it stands') this.fromRoomKj += pumpKj - paidKj
    this.kw = (pumpKj + elementKj) / dtS
    store.heat(pumpKj + elementKj, bottom, top)
  }

  override takeFromRoom(): number {
    const kj = this.fromRoomKj
    this.fromRoomKj = 0
    return kj
  }
}
