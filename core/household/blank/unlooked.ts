import { everyMonth } from '../../calendar/year'
import type { Run, Tap } from '../../study/pipes'
import type { Heater, Store } from '../../study/plant'

/** What the parts of a household say of themselves while nobody has looked. Made anew each time: a study shares nothing. */

export const unlookedHeater = (): Pick<
  Heater,
  'ambientC' | 'months' | 'plate' | 'settingsReviewed' | 'functions' | 'papers' | 'note'
> => ({
  ambientC: null,
  months: everyMonth(true),
  plate: null,
  settingsReviewed: null,
  functions: { keepHot: 'not looked', boost: 'not looked', lock: 'not looked', holiday: 'not looked' },
  papers: null,
  note: '',
})

export const unlookedPipe = (): Pick<Run, 'joints' | 'fittings'> => ({
  joints: 'not looked',
  fittings: { bends: 0, tees: 0, valves: 0 },
})

export const unlookedTap = (): Pick<Tap, 'leastHotC' | 'saidContentL' | 'stopsWhenWarm' | 'guard' | 'dripLH'> => ({
  leastHotC: null,
  saidContentL: null,
  stopsWhenWarm: false,
  guard: 'not looked',
  dripLH: null,
})

export const unlookedStore = (): Pick<
  Store,
  | 'ambientC'
  | 'papers'
  | 'mixing'
  | 'reliefValve'
  | 'reliefPiped'
  | 'reliefC'
  | 'valveBeforeRelief'
  | 'reliefAtTop'
  | 'discharge'
> => ({
  ambientC: null,
  papers: null,
  mixing: 'not looked',
  reliefValve: null,
  reliefPiped: null,
  reliefC: 95,
  valveBeforeRelief: null,
  reliefAtTop: null,
  discharge: { fullSize: null, falls: null, endSeen: null, drained: null, covered: null, watchedBy: '' },
})

/** What another heater would find where it is to stand. */
export const unlookedPlace = () => ({ flue: null, condensate: null, socket: null })

/** Whether gas and heat are led to the house. */
export const unlookedNetworks = () => ({ gas: null, heat: null })

/** What keeps flue gas out of a room. */
export const unlookedCombustion = () => ({
  combustion: { flue: 'not looked' as const, airOpen: null, extractor: null, alarm: null, servicedOn: null },
})

/** What cools a pumped fire when the power is cut. */
export const unlookedFailSafe = () => ({ failSafe: { by: 'not looked' as const, testedBy: '', testedOn: null } })

/** The water's way between a fire and its store. */
export const unlookedWay = () => ({ rises: null, canBeShut: null, filled: null })
