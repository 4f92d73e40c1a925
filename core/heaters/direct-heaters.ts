import { CUT_OUT_C } from '../safety/cut-out'
import type { HeaterOf } from '../study/plant'
import type { LayeredStore } from '../stores/layered-store'
import type { Ledger } from '../year/ledger'
import { efficiencyAt } from './efficiency'
import { DirectHeater } from './store-heater'

/** A condensing burner sees the water at the foot of its store, as a share of the height. */
const BURNER_TOP = 0.12
/** Longest step of a heater that is called, s, and shortest near its setpoint. */
const HEATING_STEP_S = { longest: 300, shortest: 0.2 } as const

/** Seconds until a heater of some power has brought all above it to its setpoint; a longest step when that cannot be. */
export function untilReached(store: LayeredStore, setpointC: number, lowestHeated: number, powerKw: number): number {
  const left = store.heatToReach(setpointC, lowestHeated)
  return left <= 0 ? HEATING_STEP_S.longest : Math.min(HEATING_STEP_S.longest, Math.max(HEATING_STEP_S.shortest, left / powerKw))
}

/**
 * A gas burner under a store. The pilot burns at all times; its heat reaches the water with the burner's efficiency,
 * the way the pilot of a standing store carries part of the standing loss.
 */
export class GasStoreBurner extends DirectHeater {
  constructor(
    private readonly spec: HeaterOf<'gas-store'>,
    private readonly ledger: Ledger,
  ) {
    super()
  }

  longestStep(store: LayeredStore, setpointC: number): number {
    return untilReached(store, setpointC, 0, this.spec.outputKw)
  }

  protected override begin(): void {
    this.ledger.buy(this.spec.carrier, this.spec.purgeWh * 3.6, 0)
  }

  protected give(store: LayeredStore, dtS: number): void {
    this.kw = this.spec.outputKw
    this.burn((this.spec.outputKw * dtS) / this.efficiency(store), store)
    this.burn((this.spec.pilotW / 1000) * dtS, store)
  }

  override rest(dtS: number, store: LayeredStore): void {
    this.kw = 0
    this.burn((this.spec.pilotW / 1000) * dtS, store)
  }

  private efficiency(store: LayeredStore): number {
    return efficiencyAt(this.spec.efficiency, store.meanBetween(0, BURNER_TOP), this.spec.carrier)
  }

  private burn(fuelKj: number, store: LayeredStore): void {
    if (fuelKj <= 0) return
    const efficiency = this.efficiency(store)
    const heatKj = Math.min(fuelKj * efficiency, store.heatToReach(CUT_OUT_C, 0))
    this.ledger.buy(this.spec.carrier, heatKj / efficiency, heatKj)
    store.heat(heatKj, 0)
  }
}

/** An electric element: all its power becomes heat in the water at its height and above. */
export class ElementHeater extends DirectHeater {
  constructor(
    private readonly spec: HeaterOf<'element'>,
    private readonly ledger: Ledger,
  ) {
    super()
  }

  longestStep(store: LayeredStore, setpointC: number): number {
    return untilReached(store, setpointC, this.spec.height, this.spec.powerKw)
  }

  protected give(store: LayeredStore, dtS: number): void {
    const kj = Math.min(this.spec.powerKw * dtS, store.heatToReach(CUT_OUT_C, this.spec.height))
    this.kw = kj / dtS
    this.ledger.buy('electricity', kj, kj)
    store.heat(kj, this.spec.height)
  }
}
