/**
 * Hardness that a kettle in daily use tells of, mg/L of calcium carbonate: the middle of the usual classes (soft below 75,
 * moderate to 150, hard to 300). Good to about ±40 %; a strip or the supplier replaces it.
 */
export const KETTLES = {
  'clean after months': 40,
  'a thin white film': 110,
  'flakes that loosen': 220,
  'a thick crust within weeks': 350,
} as const

/** Water from this hardness on scales noticeably, mg/L of calcium carbonate, and sharply above this temperature, °C. */
export const HARD_MG_L = 180
export const SCALES_C = 60
