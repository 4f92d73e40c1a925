import type { Arriving } from './arriving'

/** A stretch of the water's way to a tap: a run of pipe, or a small store at its end. */
export interface Stretch {
  /** Water in it with its wall counted as water, L. */
  readonly warmUpVolumeL: number
  /** Temperature of the water that would leave next, °C. */
  exitC(atS: number): number
  /** Hottest water in it, °C. */
  hottestC(atS: number): number
  /** Litres at the outlet that are colder than a temperature. */
  litresBelow(tempC: number, atS: number): number
  /**
   * Shows what leaves it from now on, in order, until that has seen enough or all has been shown.
   * @param secondsPerLitre at the flow in it
   */
  showTo(arriving: Arriving, atS: number, secondsPerLitre: number): void
}
