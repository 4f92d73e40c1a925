import type { Commanded, Controller, ControllerClock, Grid } from './controllers'

/** What is reckoned with where no controller is recorded. */
export const USUAL_GRID: Grid = { stepMin: 30, periodsPerDay: 4, days: 'each' }

/** A clock that is right. */
export const RIGHT_CLOCK: ControllerClock = { aheadMin: 0, daysAhead: 0, summerTime: 'follows' }

/** A controller as it begins: nothing of it has been looked at. */
export const newController = (id: string, commands: Commanded[], grid: Grid = USUAL_GRID): Controller => ({
  id,
  name: 'Controller',
  commands,
  panel: 'not checked',
  grid,
  unused: 'not checked',
  timeoutS: null,
  range: null,
  lockAboveC: null,
  unlocking: '',
  changedBy: '',
  account: '',
  batteryOn: null,
  ratingA: null,
  permitted: null,
  dial: null,
  note: '',
})

/** The controller of a household that has one. */
export const oneController = (commands: Commanded[], grid?: Grid): Controller[] => [
  newController('controller-1', commands, grid),
]
