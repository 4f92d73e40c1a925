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
  /** Litres at the outlet within a band of a temperature, K either way. */
  litresNear(tempC: number, restartDifferentialK: number, atS: number): number
}
