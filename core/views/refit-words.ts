import type { Moved, RefitStudy } from '../scenarios/refit'
import type { Meter } from '../study/meters'
import type { Display } from '../units/display'
import type { Estimate } from '../verification/change-point'
import type { Refit } from '../verification/refit'
import type { YearFigure } from '../year/figures'
import { spreadText } from './range-words'

/** Figure of a year that a meter counts. */
export const countedFigure = ({ of }: Pick<Meter, 'of'>): YearFigure =>
  of === 'electricity' ? 'electricityKwh' : 'fuelKwh'

/** “20,100 kWh, between 18,000 kWh and 22,200 kWh” */
export const estimateText = ({ low, middle, high }: Estimate, write: (x: number) => string): string =>
  `${write(middle)}, between ${write(low)} and ${write(high)}`

/** What a meter says of the hot water that was calculated, and of the year to come. */
export function refitSentences(
  { factor, hotWater, calculated, next, money, heating }: Refit,
  write: Display,
): string[] {
  const agrees = factor.low <= 1 && factor.high >= 1
  const percent = Math.abs(Math.round(100 * (factor.middle - 1)))
  return [
    `Hot water by this meter: ${estimateText(hotWater, write.energy)} a year (95 of 100). Calculated: ${write.energy(calculated)}.`,
    agrees
      ? 'The two agree.'
      : `The study is ${percent}% too ${factor.middle > 1 ? 'low' : 'high'}: more readings settle which figure of it.`,
    `In the year to come, as it is set now and in usual weather, this meter counts ${estimateText(next, write.energy)}.`,
    money
      ? `That costs ${estimateText(money, write.money)}, at the price of today.`
      : 'Its price differs by the hour, so that no money is told.',
    ...(heating ? ['A mild or a hard winter is in the range; a new price is not.'] : []),
  ]
}

const movedText = ({ by, as }: Moved, write: Display): string =>
  as === 'share'
    ? `${Math.round(100 * Math.abs(by))}%`
    : as === 'K'
      ? write.figure('rise', Math.abs(by))
      : `${Math.abs(by).toFixed(1)} points`

/** What a household is once it is narrowed to a meter, line by line. */
export function refitStudySentences({ year, moved, outside, samples }: RefitStudy, write: Display): string[] {
  if (outside)
    return [
      'The meter lies further off than the doubts of the study allow. Look for a use, a leak or a setting that is not in it before any figure is corrected.',
    ]
  return [
    `Hot water in a year, narrowed to this meter: ${spreadText(year.inputKwh, write.energy)}; ${spreadText(year.cost, write.money)} (8 of 10 of them; ${samples} samples).`,
    moved.length === 0
      ? 'No figure has to move.'
      : `What moved: ${moved.map((m) => `${m.name} ${m.by > 0 ? 'up' : 'down'} by ${movedText(m, write)}`).join('; ')}.`,
  ]
}
