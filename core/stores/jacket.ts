/** What a jacket leaves clear, each cut out before it goes on, and round which stores: of one with its flue inside more depends on it. */
const CLEAR = {
  'top and draught hood': 'flue',
  flue: 'flue',
  'air inlet and burner door': 'flue',
  controls: 'any',
  'immersion heater covers': 'no flue',
  connections: 'no flue',
  'relief valve and its pipe': 'any',
} as const satisfies Record<string, 'flue' | 'no flue' | 'any'>
export type JacketClear = keyof typeof CLEAR
export const JACKET_CLEAR = Object.keys(CLEAR) as [JacketClear, ...JacketClear[]]

/** What has to stay clear of one store. */
export const staysClear = (flueInside: boolean): JacketClear[] =>
  JACKET_CLEAR.filter((part) => CLEAR[part] === 'any' || CLEAR[part] === (flueInside ? 'flue' : 'no flue'))
