import type { Firing } from '../../study/fire'
import type { Drain } from '../../study/pipes'
import type { Study } from '../../study/study'

/** A drain as it is taken to be until somebody has measured it: a 110 mm stack under the showers. */
export const assumedDrain = ({ pipes }: Study): Drain => ({
  stackHeightM: 1.5,
  diameterMm: 110,
  toMainM: 5,
  toHeaterM: 8,
  toShowerM: null,
  tapIds: pipes.taps.filter((t) => t.drains && t.kind === 'shower').map((t) => t.id),
  access: null,
})

/** A fire as it is begun in a diary: every evening from five for three hours. */
export const assumedFiring = (): Firing => ({ days: Array<boolean>(7).fill(true), atMin: 17 * 60, hours: 3, kg: 7 })
