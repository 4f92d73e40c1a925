import type { Recovery } from '../study/pipes'
import type { Study } from '../study/study'
import { supplyOf } from './supply'

/** Water for washing leaves the drain no warmer than it was used, °C: a drain unit brings nothing above it. */
const USED_AT_C = 38

/** Warmest that a drain unit can bring the cold water to, °C: what runs down it, less what that lost on its way. */
export const warmestPreheated = (study: Study, { dropK }: Pick<Recovery, 'dropK'>): number =>
  Math.min(supplyOf(study).setpointC, USED_AT_C) - dropK
