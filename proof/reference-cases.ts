import { APPLIANCES } from './references/appliances'
import type { ReferenceCase } from './references/case'
import { PIPES } from './references/pipes'
import { PLANT } from './references/plant'
import { STORES } from './references/stores'
import { SUM_CASES } from './references/sums'
import { SOLAR_YEARS, SUN } from './references/sun'
import { WATER } from './references/water'

export const REFERENCE_CASES: ReferenceCase[] = [
  ...WATER,
  ...PIPES,
  ...PLANT,
  ...STORES,
  ...APPLIANCES,
  ...SUN,
  ...SOLAR_YEARS,
  ...SUM_CASES,
]

/** How far off a case is, as a share of what it allows: 1 is the limit. */
export function strain(c: ReferenceCase, got: number): number {
  const off = Math.abs(got - c.expected)
  return 'share' in c.within ? off / (c.within.share * Math.abs(c.expected)) : off / c.within.amount
}
