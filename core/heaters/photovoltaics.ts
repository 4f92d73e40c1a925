import { sameEverywhere } from '../units/same-everywhere'

/**
 * Course of what a house uses besides hot water through a day: half of it at all hours, half in the morning (7 to 9) and the
 * evening (17 to 22). Assumed: nobody has measured it.
 */
const BUSY_HOURS = [7, 8, 17, 18, 19, 20, 21]
const EVEN = 0.5

/** Power that the house uses in an hour of the day, kW. @param kwhDay on the mean of the year */
export const houseLoadKw = (kwhDay: number, hour: number): number =>
  (kwhDay * EVEN) / 24 + (BUSY_HOURS.includes(hour) ? (kwhDay * (1 - EVEN)) / BUSY_HOURS.length : 0)

/** What modules make of the light on their plane: peak power is at 1000 W/m². */
export const generationKw = (kwp: number, performance: number, lightWM2: number): number =>
  sameEverywhere((kwp * performance * lightWM2) / 1000)
