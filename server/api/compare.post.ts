import type { FullComparison } from '../../core/views/compare'

/** POST a study, get it as found, as set and with each of its packages. 413 too large, 422 not a sound study, 503 busy. */
export default defineEventHandler((event) => answerWith<FullComparison>(event, 'compare'))
