import { HOUR_S } from '../../calendar/year'
import type { Hours } from '../../climate/hours'
import { coefficientOfPerformance, HEAT_PUMP_LIMIT_C } from '../../heaters/heat-pump'
import { SAFETY } from '../../safety/limits'
import type { HeaterOf } from '../../study/heater-kinds'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { LayeredStore } from '../stores/layered-store'
import { ELEMENT_BAND } from './direct-heaters'
import { DirectHeater } from './store-heater'

/** While its element helps it is looked at no later than this, s: what it is called for by changes as the water warms. */
const HELPING_STEP_S = 30
/** Where a recovery time decides, so much past the moment at which it will, s. */
const PAST_S = 1

/**
 * A heat pump on a store: gives its output at the COP of the moment to the water round its condenser. An element stands by:
 * it works where the air is too cold for the heat pump and above the hottest water that makes, and helps by its control.
 */
export class HeatPumpHeater extends DirectHeater {
  private fromRoomKj = 0
  private setpointC = 0
  /** Height of its element, no nearer to the top than one is thick. */
  private readonly elementAt: number

  constructor(
    private readonly spec: HeaterOf<'heat-pump'>,
    private readonly ledger: Ledger,
    private readonly hours: Hours,
  ) {
    super()
    this.elementAt = Math.min(spec.backupHeight, 1 - ELEMENT_BAND)
  }

  private airC(atS: number): number {
    if (this.spec.air === 'where it stands') return this.ambientC
    return this.hours.airC[Math.min(this.hours.airC.length - 1, Math.floor(atS / HOUR_S))]
  }

  longestStep(store: LayeredStore, setpointC: number, _atS: number, takenKw: number): number {
    this.setpointC = setpointC
    const { bottom } = this.spec.coil
    const target = store.heatToReach(HEAT_PUMP_LIMIT_C, bottom) > 0 ? Math.min(setpointC, HEAT_PUMP_LIMIT_C) : setpointC
    const works = this.pace.during(store.heatToReach(target, bottom), this.spec.outputKw + this.spec.backupKw - takenKw)
    return Math.min(works, this.untilDecides(store, takenKw))
  }

  /** Seconds until its element may begin or cease to help. */
  private untilDecides(store: LayeredStore, takenKw: number): number {
    const { backup, coil, outputKw, backupKw } = this.spec
    if (backupKw <= 0 || backup.by === 'boost only') return Infinity
    if (backup.by === 'top of store') return this.helps(store) ? HELPING_STEP_S : Infinity
    // What is left to give falls by what is given: it helps until that is within what the pump does in its hours.
    const over = store.heatToReach(this.setpointC, coil.bottom) - outputKw * backup.hours * HOUR_S
    return over > 0 ? Math.max(PAST_S, over / Math.max(outputKw + backupKw - takenKw, 0.01) + PAST_S) : Infinity
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
    const pumpKj = airC >= spec.minOperatingAirC ? Math.min(spec.outputKw * dtS, most) : 0
    const elementKj =
      pumpKj === 0 || this.helps(store)
        ? Math.min(spec.backupKw * dtS, store.heatToReach(SAFETY.cutOut.value, this.elementAt))
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
    store.heat(pumpKj, bottom)
    store.heat(elementKj, this.elementAt)
  }

  override takeFromRoom(): number {
    const kj = this.fromRoomKj
    this.fromRoomKj = 0
    return kj
  }
}
