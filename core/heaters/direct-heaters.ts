import type { HeaterOf } from '../study/plant'
import type { LayeredStore } from '../stores/layered-store'
import type { Ledger } from '../year/ledger'
import { efficiencyAt } from './efficiency'
import type { StoreHeater } from './store-heater'

/** A burner heats the lowest part of its store, as a share of the height. */
const BURNER_TOP = 0.12
/** An element heats the water from its own height a little upwards. */
const ELEMENT_BAND = 0.1
/** Store at which the safety cut-off of a gas store shuts all gas, the pilot's too, °C. */
export const CUT_OFF_C = 88

/** What heaters that put their heat straight into the store have in common: no circuit of their own. */
abstract class DirectHeater implements StoreHeater {
  ambientC = 15
  starts = 0
  kw = 0
  protected on = false

  protected abstract readonly powerKw: number
  /** Height below which it heats nothing, 0 to 1. */
  protected abstract readonly lowestHeated: number
  protected abstract give(store: LayeredStore, dtS: number): void
  protected begin(): void {}

  longestStep(store: LayeredStore, setpointC: number): number {
    return Math.min(120, Math.max(20, store.heatToReach(setpointC, this.lowestHeated) / this.powerKw))
  }

  heat(store: LayeredStore, dtS: number): void {
    if (!this.on) {
      this.on = true
      this.starts++
      this.begin()
    }
    this.kw = this.powerKw
    this.give(store, dtS)
  }

  rest(_dtS: number, _store: LayeredStore): void {
    this.kw = 0
  }

  stop(): void {
    this.on = false
    this.kw = 0
  }

  heldKj(): number {
    return 0
  }

  takeLost(): number {
    return 0
  }
}

/**
 * A gas burner under a store. The pilot burns at all times; its heat reaches the water with the burner's efficiency,
 * the way the pilot of a standing store carries part of the standing loss.
 */
export class GasStoreBurner extends DirectHeater {
  protected readonly powerKw: number
  protected readonly lowestHeated = 0

  constructor(
    private readonly spec: HeaterOf<'gas-store'>,
    private readonly ledger: Ledger,
  ) {
    super()
    this.powerKw = spec.outputKw
  }

  protected override begin(): void {
    this.ledger.buy(this.spec.carrier, this.spec.purgeWh * 3.6, 0)
  }

  protected give(store: LayeredStore, dtS: number): void {
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
  protected readonly powerKw: number
  protected readonly lowestHeated: number

  constructor(
    spec: HeaterOf<'element'>,
    private readonly ledger: Ledger,
  ) {
    super()
    this.powerKw = spec.powerKw
    this.lowestHeated = Math.min(spec.height, 1 - ELEMENT_BAND)
  }

  protected give(store: LayeredStore, dtS: number): void {
    const kj = this.powerKw * dtS
    this.ledger.buy('electricity', kj, kj)
    store.heat(kj, this.lowestHeated, this.lowestHeated + ELEMENT_BAND)
  }
}
