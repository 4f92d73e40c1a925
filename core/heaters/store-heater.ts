import type { LayeredStore } from '../stores/layered-store'

/** What the yearly engine asks of anything that heats a store. */
export interface StoreHeater {
  /** Air around it, °C. */
  ambientC: number
  /** Starts so far. */
  readonly starts: number
  /** Heat given to the store in the last step, kW. */
  readonly kw: number
  /** Longest step for which its model holds while it is called to bring the sensor to a setpoint, s. */
  longestStep(store: LayeredStore, setpointC: number): number
  /** Heats for a step. */
  heat(store: LayeredStore, dtS: number): void
  /** Passes a step without being called. */
  rest(dtS: number, store: LayeredStore): void
  /** Its thermostat is satisfied, or its window has closed. */
  stop(): void
  /** Heat it holds itself, against 0 °C, kJ. */
  heldKj(): number
  /** Heat lost from its own circuit since the last call, kJ. */
  takeLost(): number
}
