import { KELVIN } from '../units/constants'

/** Conditions that a cubic metre of gas is billed at: 15 °C and the pressure of the sea's level, mbar. */
const BILLED_AT = { c: 15, mbar: 1013.25 } as const
/** Pressure of gas in a household's meter over the air's, mbar, where nobody has read it. */
const USUAL_GAUGE_MBAR = 20

/**
 * Pressure of the air at a height, mbar: the standard atmosphere, 1013.25 (1 − 2.25577e-5 h)^5.2559.
 * Source: ISO 2533. @example airPressure(1700) // 825
 */
const airPressure = (altitudeM: number): number => BILLED_AT.mbar * (1 - 2.25577e-5 * altitudeM) ** 5.2559

/**
 * Billed cubic metres in one that a meter counts: pressure over that of the sea's level, and 288 K over the gas's.
 * @param altitudeM of the meter; @param gasC gas in it, °C; @param gaugeMbar over the air's pressure
 * @example meteredShare(1700, 15, 20) // 0.834
 */
export const meteredShare = (
  altitudeM: number,
  gasC: number = BILLED_AT.c,
  gaugeMbar: number = USUAL_GAUGE_MBAR,
): number => ((airPressure(altitudeM) + gaugeMbar) / BILLED_AT.mbar) * ((BILLED_AT.c + KELVIN) / (gasC + KELVIN))
