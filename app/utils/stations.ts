/** Stations of the line of water that can be opened. */
export const STATIONS = {
  main: 'Cold main and site',
  heater: 'Heater',
  store: 'Cylinder',
  loop: 'Circulation',
  runs: 'Pipework',
  taps: 'Outlets',
  people: 'Occupants and use',
  drain: 'Drain',
  prices: 'Prices',
} as const
export type StationName = keyof typeof STATIONS

export const isStation = (name: unknown): name is StationName =>
  typeof name === 'string' && Object.hasOwn(STATIONS, name)
