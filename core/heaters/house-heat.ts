/** Sun, people and appliances warm a house by so much, K: below the room less this it is heated. */
export const GAINS_K = 4
/** What a loss by floor area is good to, and two methods further apart than this want a reason, %. */
export const WIDE_GAP = 40

/** Heat loss on the coldest day by floor area, kW. @param wM2 loss for each m² by the age of the building, W/m² */
export const lossByArea = (floorM2: number, wM2: number): number => (floorM2 * wM2) / 1000

/**
 * The same for each kelvin by the energy that heating used in a year, kW/K: energy × efficiency / (degree days × 24 h).
 * @param degreeDays K·d, above 0
 */
export const lossPerKByUse = (usedKwh: number, efficiency: number, degreeDays: number): number =>
  (usedKwh * efficiency) / (degreeDays * 24)

/** How far one loss lies from another, %. */
export const gapOf = (kw: number, from: number): number => 100 * (kw / from - 1)

/** Heat that a house takes at an outdoor temperature, kW: what it loses less what warms it anyway, no less than nothing. */
export const heatTaken = (kwPerK: number, roomC: number, outdoorC: number): number =>
  Math.max(0, kwPerK * (roomC - GAINS_K - outdoorC))

/** Outdoor temperature above which a least output goes on and off, °C. */
export const cyclesAbove = (kwPerK: number, roomC: number, leastKw: number): number =>
  roomC - GAINS_K - leastKw / kwPerK
