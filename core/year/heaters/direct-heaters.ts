import { efficiencyAt } from '../../heaters/efficiency'
import { SAFETY } from '../../safety/limits'
import type { HeaterOf } from '../../study/heater-kinds'
import type { Ledger } from '../account/ledger'
import type { LayeredStore } from '../stores/layered-store'
import { DirectHeater } from './store-heater'

/** An element is no thinner than this share of the store's height. */
export const ELEMENT_BAND = 0.05
/** A condensing burner sees the water at the foot of its store, as a share of the height. */
const BURNER_TOP = 0.12
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

  longestStep(store: LayeredStore, setpointC: number, _atS: number, takenKw: number): number {
    return this.pace.during(store.heatToReach(setpointC, 0), this.spec.outputKw - takenKw)
  }

  protected override begin(): void {
    this.ledger.buy(this.spec.carrier, this.spec.startLossWh * 3.6, 0)
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
    const heatKj = Math.min(fuelKj * efficiency, store.heatToReach(SAFETY.cutOut.value, 0))
    this.ledger.buy(this.spec.carrier, heatKj / efficiency, heatKj)
    store.heat(heatKj, 0)
  }
}

/** An electric element: all its power becomes heat in the water at its height and above. */
export class ElementHeater extends DirectHeater {
  private readonly lowest: number

  constructor(
    private readonly spec: HeaterOf<'element'>,
    private readonly ledger: Ledger,
  ) {
    super()
    this.lowest = Math.min(spec.height, 1 - ELEMENT_BAND)
  }

  longestStep(store: LayeredStore, setpointC: number, _atS: number, takenKw: number): number {
    return this.pace.during(store.heatToReach(setpointC, this.lowest), this.spec.powerKw - takenKw)
  }

  protected give(store: LayeredStore, dtS: number): void {
    const kj = Math.min(this.spec.powerKw * dtS, store.heatToReach(SAFETY.cutOut.value, this.lowest))
    this.kw = kj / dtS
    this.ledger.buy('electricity', kj, kj)
    store.heat(kj, this.lowest)
  }
}
