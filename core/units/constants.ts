/** Absolute zero on the Celsius scale is −273.15 °C. */
export const KELVIN = 273.15
