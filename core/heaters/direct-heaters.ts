import type { HeaterOf } from '../study/plant'
import type { LayeredStore } from '../stores/layered-store'
import type { Ledger } from '../year/ledger'
import { efficiencyAt } from './efficiency'
import { DirectHeater } from './store-heater'

/** A burner heats the lowest part of its store, as a share of the height. */
const BURNER_TOP = 0.12
/** An element heats the water from its own height a little upwards. */
const ELEMENT_BAND = 0.1
/** Store at which the safety cut-off of a gas store shuts all gas, the pilot's too, °C. */
export const CUT_OFF_C = 88

/** Longest step of a heater of some power near its setpoint, s: it overshoots by no more than this gives. */
export const untilReached = (store: LayeredStore, setpointC: number, lowestHeated: number, powerKw: number) =>
  Math.min(120, Math.max(20, store.heatToReach(setpointC, lowestHeated) / powerKw))

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
    return efficiencyAt(this.spec.efficiency, store.meanBetween(0, BURNER_TOP))
  }

  private burn(fuelKj: number, store: LayeredStore): void {
    if (fuelKj <= 0 || store.topC >= CUT_OFF_C) return
    const heatKj = fuelKj * this.efficiency(store)
    this.ledger.buy(this.spec.carrier, fuelKj, heatKj)
    store.heat(heatKj, 0, BURNER_TOP)
  }
}

/** An electric element: all its power becomes heat, at its height and above. */
export class ElementHeater extends DirectHeater {
  private readonly lowestHeated: number

  constructor(
    private readonly spec: HeaterOf<'element'>,
    private readonly ledger: Ledger,
  ) {
    super()
    this.lowestHeated = Math.min(spec.height, 1 - ELEMENT_BAND)
  }

  longestStep(store: LayeredStore, setpointC: number): number {
    return untilReached(store, setpointC, this.lowestHeated, this.spec.powerKw)
  }

  protected give(store: LayeredStore, dtS: number): void {
    const kj = this.spec.powerKw * dtS
    this.kw = this.spec.powerKw
    this.ledger.buy('electricity', kj, kj)
    store.heat(kj, this.lowestHeated, this.lowestHeated + ELEMENT_BAND)
  }
}
