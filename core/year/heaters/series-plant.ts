import type { Ledger, Season } from '../account/ledger'
import type { ClockNow } from '../controls/clock'
import { Outflow } from '../pipes/outflow'
import type { InstantPlant } from './instant-plant'
import type { HeaterStarts, PlantModel, PlantState } from './plant-model'
import type { StorePlant } from './store-plant'

/**
 * A store that warms the water before a heater that finishes it as it runs: sun, wood or a heat pump first, gas or
 * electricity for the rest. A loop comes back to the heater, not to the store.
 */
export class SeriesPlant implements PlantModel {
  private readonly warmed = new Outflow()

  constructor(
    private readonly store: StorePlant,
    private readonly heater: InstantPlant,
  ) {}

  startAt(atS: number): void {
    this.store.startAt(atS)
    this.heater.startAt(atS)
  }

  get mostAtOnceL(): number {
    return this.heater.mostAtOnceL
  }

  longestStep(tapLMin: number, loopLMin: number): number {
    return Math.min(this.store.longestStep(tapLMin, 0, NaN), this.heater.longestStep(tapLMin, loopLMin))
  }

  supplyC(): number {
    return this.heater.supplyC()
  }

  evenAhead(tempC: number, restartDifferentialK: number): number {
    return this.heater.evenAhead(tempC, restartDifferentialK)
  }

  supply(tapLitres: number, loopLitres: number, mainsC: number, dtS: number, out: Outflow): void {
    let inletC = mainsC
    if (tapLitres > 0) {
      this.warmed.clear()
      this.store.supply(tapLitres, 0, mainsC, dtS, this.warmed)
      inletC = this.warmed.meanC
    }
    this.heater.supply(tapLitres, loopLitres, inletC, dtS, out)
  }

  refill(tapLitres: number, mainsC: number, back: Outflow | null): void {
    if (tapLitres > 0) this.store.refill(tapLitres, mainsC, null)
    this.heater.refill(tapLitres, mainsC, back)
  }

  advance(dtS: number, mainsC: number): void {
    this.store.advance(dtS, mainsC)
    this.heater.advance(dtS)
  }

  atClock(now: ClockNow): void {
    this.store.atClock(now)
    this.heater.atClock(now)
  }

  makes(heaterId: string): boolean {
    return this.store.makes(heaterId) || this.heater.makes(heaterId)
  }

  pasteurisations(): { begun: number; held: number } {
    return this.store.pasteurisations()
  }

  setMonth(month: number): void {
    this.store.setMonth(month)
    this.heater.setMonth(month)
  }

  settle(ledger: Ledger, season: Season): void {
    this.store.settle(ledger, season)
    this.heater.settle(ledger, season)
  }

  heldKj(): number {
    return this.store.heldKj() + this.heater.heldKj()
  }

  state(): PlantState {
    const [store, heater] = [this.store.state(), this.heater.state()]
    return { supplyC: heater.supplyC, slices: store.slices, heatKw: store.heatKw + heater.heatKw }
  }

  starts(): HeaterStarts[] {
    return [...this.store.starts(), ...this.heater.starts()]
  }

  collectorStagnationHours(): number {
    return this.store.collectorStagnationHours()
  }

  coolestC(): number {
    return this.store.coolestC()
  }

  storedTopC(): number {
    return this.store.storedTopC()
  }

  shareBetween(fromC: number, toC: number): number {
    return this.store.shareBetween(fromC, toC)
  }
}
