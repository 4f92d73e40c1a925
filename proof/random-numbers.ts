import fc from 'fast-check'

/** A study keeps no minus zero: JSON knows none. */
export const num = (min: number, max: number) => fc.double({ min, max, noNaN: true }).map((x) => x + 0)
/** Small and large alike: a figure spread evenly over its powers of ten. */
export const wide = (min: number, max: number) =>
  num(Math.log10(min), Math.log10(max)).map((x) => Math.min(max, Math.max(min, 10 ** x)))
