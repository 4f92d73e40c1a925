import type { Study } from '../study/study'
import type { YearResult } from './result'
import { simulate } from './simulate'

/**
 * The year of each of several studies by its key, in their order and each only when it is asked for: whoever has seen enough
 * stops after the year under way. What the studies of one household share, their draws above all, is made once (see
 * `drawsOfYear`); nothing else is kept from year to year, so that memory stays flat however many there are.
 * @throws YearRefused as `simulate` does, when it comes to a study whose year is not worked out
 */
export function* simulateMany<K>(studies: Iterable<readonly [K, Study]>): Generator<[K, YearResult], void> {
  for (const [key, study] of studies) yield [key, simulate(study)]
}
