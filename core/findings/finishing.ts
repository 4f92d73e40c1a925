import type { Finding } from './finding'

/**
 * What stands in the way of calling a visit finished: every danger, and what has to be known before a fire is lit. The rest
 * can be mended later.
 */
export const standsInTheWay = (findings: readonly Finding[]): Finding[] =>
  findings.filter((f) => f.severity === 'danger' || f.holdsUp)
