import { everyMonth } from '../../calendar/year'
import type { Loop, Run, Tap } from '../../study/pipes'
import type { Heater } from '../../study/plant'
import type { Store } from '../../study/store'

/** What the parts of a household say of themselves while nobody has looked. Made anew each time: a study shares nothing. */

export const heaterNotChecked = (): Pick<
  Heater,
  'ambientC' | 'months' | 'plate' | 'settingsReviewed' | 'functions' | 'dataSource' | 'note'
> => ({
  ambientC: null,
  months: everyMonth(true),
  plate: null,
  settingsReviewed: null,
  functions: { keepHot: 'not checked', boost: 'not checked', lock: 'not checked', holiday: 'not checked' },
  dataSource: null,
  note: '',
})

export const pipeNotChecked = (): Pick<Run, 'joints' | 'fittings'> => ({
  joints: 'not checked',
  fittings: { bends: 0, tees: 0, valves: 0 },
})

export const tapNotChecked = (): Pick<
  Tap,
  'minHotInletC' | 'saidContentL' | 'stopsWhenWarm' | 'guard' | 'dripLH' | 'drunk'
> => ({
  minHotInletC: null,
  saidContentL: null,
  stopsWhenWarm: false,
  guard: 'not checked',
  dripLH: null,
  drunk: null,
})

export const storeNotChecked = (): Pick<
  Store,
  | 'ambientC'
  | 'dataSource'
  | 'madeYear'
  | 'connections'
  | 'mixing'
  | 'reliefValve'
  | 'reliefPiped'
  | 'reliefC'
  | 'reliefKind'
  | 'reliefBar'
  | 'valveBeforeRelief'
  | 'reliefAtTop'
  | 'discharge'
> => ({
  ambientC: null,
  dataSource: null,
  madeYear: null,
  connections: { heatTraps: null, inlet: null },
  mixing: 'not checked',
  reliefValve: null,
  reliefPiped: null,
  reliefC: 95,
  reliefKind: 'not checked',
  reliefBar: null,
  valveBeforeRelief: null,
  reliefAtTop: null,
  discharge: { fullSize: null, falls: null, endSeen: null, drained: null, covered: null, watchedBy: '' },
})

/** How the pump of a circulation came, and how the valve before it stands. */
export const loopNotChecked = (): Pick<Loop, 'pumpIs' | 'returnValve'> => ({
  pumpIs: 'not checked',
  returnValve: 'not checked',
})

/** What another heater would find where it is to stand. */
export const placeNotChecked = () => ({ flue: null, condensate: null, socket: null })

/** Whether gas and heat are led to the house. */
export const networksNotChecked = () => ({ gas: null, heat: null })

/** What keeps flue gas out of a room. */
export const combustionNotChecked = () => ({
  combustion: {
    flue: 'not checked' as const,
    vent: 'not checked' as const,
    airOpen: null,
    extractor: null,
    alarm: null,
    servicedOn: null,
  },
})

/** What cools a pumped fire when the power is cut. */
export const failSafeNotChecked = () => ({ failSafe: { by: 'not checked' as const, testedBy: '', testedOn: null } })

/** The water's way between a fire and its store. */
export const pipeworkNotChecked = () => ({ rises: null, canBeShut: null, filled: null })
