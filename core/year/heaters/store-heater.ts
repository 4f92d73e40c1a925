import type { LayeredStore } from '../stores/layered-store'
import { Pace } from './pace'

/** What the yearly engine asks of anything that heats a store. */
export interface StoreHeater {
  /** Air around it, °C. */
  ambientC: number
  /** Starts so far. */
  readonly starts: number
  /** Heat given to the store in the last step, kW. */
  readonly kw: number
  /**
   * Longest step for which its model holds while it is called to bring the sensor to a setpoint, s.
   * @param takenKw heat that a loop takes out of the store meanwhile
   */
  longestStep(store: LayeredStore, setpointC: number, atS: number, takenKw: number): number
  /** Longest step for which it holds while it is not called, s: the sun and a fire act by themselves. */
  longestRest(atS: number, store: LayeredStore): number
  /** Heats for a step that begins at a moment of the year. */
  heat(store: LayeredStore, dtS: number, atS: number): void
  /** Passes a step without being called. */
  rest(dtS: number, store: LayeredStore, atS: number): void
  /** Its thermostat is satisfied, or its window has closed. */
  stop(): void
  /** Heat it holds itself, against 0 °C, kJ. */
  heldKj(): number
  /** Heat lost from its own circuit since the last call, kJ. */
  takeLost(): number
  /** Heat taken out of the air around it since the last call, kJ. */
  takeFromRoom(): number
}

/** What heaters that put their heat straight into the store have in common: no circuit of their own. */
export abstract class DirectHeater implements StoreHeater {
  ambientC = 15
  starts = 0
  kw = 0
  protected on = false
  protected readonly pace = new Pace()

  abstract longestStep(store: LayeredStore, setpointC: number, atS: number, takenKw: number): number
  protected abstract give(store: LayeredStore, dtS: number, atS: number): void
  protected begin(): void {}

  longestRest(_atS: number, _store: LayeredStore): number {
    return Infinity
  }

  heat(store: LayeredStore, dtS: number, atS: number): void {
    if (!this.on) {
      this.on = true
      this.starts++
      this.begin()
    }
    this.give(store, dtS, atS)
  }

  rest(_dtS: number, _store: LayeredStore, _atS: number): void {
    this.kw = 0
  }

  stop(): void {
    this.on = false
    this.kw = 0
    this.pace.rest()
  }

  heldKj(): number {
    return 0
  }

  takeLost(): number {
    return 0
  }

  takeFromRoom(): number {
    return 0
  }
}
