/** Stations of the line of water that can be opened. */
export const STATIONS = {
  main: 'Cold main and place',
  heater: 'Heater',
  store: 'Store',
  loop: 'Loop',
  runs: 'Runs of pipe',
  taps: 'Taps',
  people: 'People and routine',
  drain: 'Drain',
  prices: 'Prices',
} as const
export type StationName = keyof typeof STATIONS

export const isStation = (name: unknown): name is StationName =>
  typeof name === 'string' && Object.hasOwn(STATIONS, name)
