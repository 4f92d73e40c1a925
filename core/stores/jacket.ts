/** What a jacket leaves clear round a store, each cut out before it goes on; of one with its flue inside more depends on it. */
export const JACKET_CLEAR = [
  'top and draught hood',
  'flue',
  'air inlet and burner door',
  'controls',
  'immersion heater covers',
  'connections',
  'relief valve and its pipe',
] as const
export type JacketClear = (typeof JACKET_CLEAR)[number]

const WITH_FLUE: readonly JacketClear[] = [
  'top and draught hood',
  'flue',
  'air inlet and burner door',
  'controls',
  'relief valve and its pipe',
]
const WITHOUT: readonly JacketClear[] = [
  'controls',
  'immersion heater covers',
  'connections',
  'relief valve and its pipe',
]

/** What has to stay clear of one store. */
export const staysClear = (flueInside: boolean): readonly JacketClear[] => (flueInside ? WITH_FLUE : WITHOUT)
