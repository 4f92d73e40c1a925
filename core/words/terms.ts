import { CONTROLS_TERMS } from './controls'
import { PIPEWORK_TERMS } from './pipework'
import { PLANT_TERMS } from './plant'
import { SUPPLIES_TERMS } from './supplies'
import { USE_TERMS } from './use'

/**
 * The words of the trade: one term for one thing. Every text of ours is written in the metric terms; in a US study the other column
 * takes their place (see dialect.ts).
 */
export const TERMS = { ...PLANT_TERMS, ...SUPPLIES_TERMS, ...PIPEWORK_TERMS, ...USE_TERMS, ...CONTROLS_TERMS } as const
export type Concept = keyof typeof TERMS
