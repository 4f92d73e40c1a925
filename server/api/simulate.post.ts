import type { YearResult } from '../../core/year/result'

/** POST a study, get its year. 413 too large, 422 not a sound study, 503 busy. */
export default defineEventHandler((event) => answerWith<YearResult>(event, 'simulate'))
