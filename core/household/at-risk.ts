import { SAFETY } from '../safety/limits'
import { scaldSeconds } from '../safety/scald'
import type { Person } from '../study/people'
import type { Study } from '../study/study'

/** Who burns sooner, or cannot feel or flee it: children, the old, people of reduced sensation. */
export const atRisk = ({ people }: Pick<Study, 'people'>): Person[] => people.persons.filter((p) => p.kind !== 'adult')

/** The limit of water at the taps of a household, °C: one for all it is held against, lower where somebody at risk lives. */
export const scaldLimitOf = (study: Pick<Study, 'people'>) =>
  atRisk(study).length > 0 ? SAFETY.scaldsAtRisk : SAFETY.scalds

/** Seconds in which water burns whoever burns soonest in a household. */
export function burnsInS(study: Pick<Study, 'people'>, tempC: number): number {
  const { adultS, childS } = scaldSeconds(tempC)
  return atRisk(study).length > 0 ? childS : adultS
}
