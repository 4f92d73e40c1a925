import type { Study } from '../study/study'

/** What the cost of a year is made of, as a study counts it. @example "energy, standing charges and hot-tap water" */
export function costBasisText({ site, prices }: Study): string {
  const parts = ['energy', 'standing charges', ...(site.metered === false ? [] : ['hot water'])]
  const unmetered = site.metered === false ? '; water not metered' : ''
  const credit = prices.creditHouseHeat ? '; less credit for heat gains' : ''
  const cooling = site.cooling ? '; plus cooling against heat losses' : ''
  return `${parts.slice(0, -1).join(', ')} and ${parts[parts.length - 1]}${unmetered}${credit}${cooling}`
}
