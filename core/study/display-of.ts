import { type Display, display } from '../units/display'
import type { Study } from './study'

/** Writes figures the way a study is written: its units, its currency, and what it counts energy in. */
export const displayOf = (study: Pick<Study, 'units' | 'energyIn' | 'prices'>): Display =>
  display(study.units, study.prices.currency, study.energyIn)
