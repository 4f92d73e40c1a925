import { kindOf } from '../readings/kinds'
import type { Next, Spread } from '../scenarios/ranges'

/** “P10 to P90, median P50”, where the three are written apart; the figure alone where they are not. */
export function spreadText({ p10, p50, p90 }: Spread, write: (x: number) => string): string {
  const [low, middle, high] = [p10, p50, p90].map(write)
  return low === high ? middle : `${low} to ${high}, median ${middle}`
}

/** What to find out next, as it is told: the reading by its title, or what is looked up. */
export const nextText = ({ reading, figures }: Next): string =>
  reading ? kindOf({ kind: reading })!.title : `Look up: ${figures.join(', ')}`

/** “narrows the range by 14%” */
export const narrowsText = ({ narrowsBy }: Next): string => `narrows the range by ${Math.round(100 * narrowsBy)}%`

/** How many samples the engine refused, where it refused any. @example "3 samples could not be simulated and are left out." */
export const refusedText = (refused: number): string =>
  refused === 0
    ? ''
    : `${refused} ${refused === 1 ? 'sample' : 'samples'} could not be simulated and ${refused === 1 ? 'is' : 'are'} left out.`
