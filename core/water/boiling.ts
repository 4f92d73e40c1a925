/** Water boils about this much cooler for each metre of height, °C. */
const LESS_C_M = 1 / 300

/** Temperature at which open water boils at a height, °C: 100 °C at the sea, about 1 °C less in 300 m. */
export const boilsAt = (altitudeM: number): number => 100 - altitudeM * LESS_C_M
