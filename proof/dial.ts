/** A thermostat behind a dial: so hot at division 1, so much hotter for each, and so far from a straight line in its middle, K. */
export const dialAt =
  ({ coldC, perMark, bend }: { coldC: number; perMark: number; bend: number }) =>
  (division: number): number =>
    coldC + perMark * (division - 1) + bend * perMark * Math.sin(((division - 1) / 4) * Math.PI)
