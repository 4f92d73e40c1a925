import { blankStudy } from '../household/defaults/blank'
import { bookUsable, firstAnswers, pricesIn, withDefaults } from '../household/engineer/begin-with'
import type { EngineerDefaults } from '../household/engineer/defaults'
import { HOUR_OF_WORK, UPKEEP_LINES, upkeepKey } from '../household/engineer/price-book'
import { REGIONS } from '../household/quick-start/regions'
import type { Measure } from '../study/measures'
import type { Study } from '../study/study'
import { beginMeasure, measuresFor } from './begin'
import { type Part, partsOf } from './parts'

/** Parts of measures, and upkeep of heat sources, that the price book prices and the household does not yet, or otherwise: their keys. */
export function pricesToTake(study: Study, measures: readonly Measure[], own: EngineerDefaults): string[] {
  if (!bookUsable(study, own)) return []
  const parts = [
    ...measures.flatMap((m) => partsOf(study, m)).filter((p) => p.priceFrom !== 'offer'),
    ...measures.flatMap((m) =>
      m.kind === 'heat-source' && m.upkeepAYear === null ? [{ key: upkeepKey(m.heater.kind) }] : [],
    ),
  ]
  const differs = ({ key }: { key: string }) => {
    const [line, here] = [own.book[key], study.economics.book[key]]
    return (
      Object.hasOwn(own.book, key) &&
      !(
        Object.hasOwn(study.economics.book, key) &&
        here.low === line.low &&
        here.likely === line.likely &&
        here.high === line.high
      )
    )
  }
  return [...new Set(parts.filter(differs).map((p) => p.key))]
}

/** Parts that usual measures take at a household which this engineer begins, and an hour of work: what a price book begins with. */
export function usualParts(own: EngineerDefaults): Pick<Part, 'key' | 'name' | 'unit'>[] {
  const { units } = REGIONS[firstAnswers(own).region]
  const study = withDefaults(blankStudy('household', units, pricesIn(own)), own)
  const parts = measuresFor(study).flatMap((kind) =>
    partsOf(study, beginMeasure(study, kind, 'measure', own.insulation)),
  )
  const all = [HOUR_OF_WORK, ...parts, ...UPKEEP_LINES].map(
    ({ key, name, unit }): [string, Pick<Part, 'key' | 'name' | 'unit'>] => [key, { key, name, unit }],
  )
  return [...new Map(all).values()]
}
