import { checksOf } from '../checks/catalogue'
import type { Study } from '../study/study'
import { findingsOf } from './findings'

/** What is said beside a setpoint that can do harm, before its year is known; empty for one that cannot. */
export function setpointCautions(study: Study, heaterId: string): string[] {
  const hangs = checksOf(study, null).filter(
    (c) => c.concern === 'harm' && (c.board === 'all' || c.board.includes(heaterId)),
  )
  return findingsOf(hangs).map((f) => f.sentence)
}
