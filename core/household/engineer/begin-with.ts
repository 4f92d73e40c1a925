import { CARRIERS } from '../../money/carriers'
import type { PartPrice } from '../../study/economics'
import { edited } from '../../study/edited'
import type { Run } from '../../study/pipes'
import type { Study } from '../../study/study'
import { waterBilledBy } from '../edits/prices'
import { FIRST_ANSWERS, type QuickAnswers } from '../quick-start/answers'
import { regionOf } from '../quick-start/regions'
import type { EngineerDefaults, PipeUse } from './defaults'

/** What prices that the engineer brings along are put down to. */
export const PRICES_FROM = 'Engineer’s defaults'

/** Name and mark as they stand beside a change. */
export const signedBy = ({ name, mark }: Pick<EngineerDefaults, 'name' | 'mark'>): string =>
  [name, mark].filter(Boolean).join(', ')

/** What the nine questions stand at for an engineer before anybody has answered. */
export const firstAnswers = ({ region, climate }: EngineerDefaults): QuickAnswers => ({
  ...structuredClone(FIRST_ANSWERS),
  ...(region ? { region } : {}),
  ...(climate ? { climate } : {}),
})

/** What is paid with in a region: there the engineer's own currency goes before the usual one. */
export const currencyIn = (region: QuickAnswers['region'], own: EngineerDefaults): string =>
  (own.currency !== null && (own.region === null || own.region === region) ? own.currency : null) ??
  regionOf(region).currency

/** The currency that the engineer's own prices are in: that of the region where the work is. */
export const pricesIn = (own: EngineerDefaults): string => currencyIn(firstAnswers(own).region, own)

/** Other defaults of place and currency: prices of one currency are none of another, and are left behind. */
export function movedTo(own: EngineerDefaults, part: Partial<EngineerDefaults>): EngineerDefaults {
  const next = { ...own, ...part }
  return pricesIn(next) === pricesIn(own) ? next : { ...next, carriers: {}, water: null, pricesAsOf: null, book: {} }
}

/** What a run is to an engineer who buys pipe: it feeds other runs, goes to an outlet, or to nothing but basins. */
function useOf(run: Run, { runs, taps }: Study['pipes']): PipeUse {
  if (runs.some((r) => r.from === run.id)) return 'trunk'
  const fed = taps.filter((t) => t.runId === run.id)
  return fed.length > 0 && fed.every((t) => t.kind === 'basin') ? 'small' : 'branch'
}

/** Puts the price book into a study that is being edited: all of it, so that a part chosen later has its price too. */
function takeBook(study: Study, own: EngineerDefaults): void {
  study.economics.book = Object.fromEntries(
    Object.entries(own.book).map(([key, { low, likely, high }]): [string, PartPrice] => [key, { low, likely, high }]),
  )
  study.economics.bookFrom = signedBy(own)
  study.economics.bookAsOf = own.pricesAsOf
}

/** Whether the price book is in the currency of a household. */
export const bookUsable = ({ prices }: Study, own: EngineerDefaults): boolean => pricesIn(own) === prices.currency

/** A household with the price book as it is now; as it was where the book is in another currency. */
export const withBook = (study: Study, own: EngineerDefaults): Study =>
  bookUsable(study, own) ? edited(study, (s) => takeBook(s, own)) : study

/**
 * A new household as this engineer begins one. All of it stays assumed: prices of a region are not this household's bill. Own
 * prices count only where they are in the household's currency.
 */
export function withDefaults(study: Study, own: EngineerDefaults): Study {
  return edited(study, (s) => {
    s.controls.by = signedBy(own)
    for (const run of s.pipes.runs) Object.assign(run, own.pipes[useOf(run, s.pipes)])
    if (s.pipes.loop) Object.assign(s.pipes.loop.back, own.pipes.branch)
    if (!bookUsable(s, own)) return
    takeBook(s, own)
    const said = { source: PRICES_FROM, asOf: own.pricesAsOf }
    for (const carrier of CARRIERS) {
      const [tariff, price] = [s.prices.carriers[carrier], own.carriers[carrier]]
      if (tariff && price) Object.assign(tariff, price, said)
    }
    const { unit, price, sewer } = own.water ?? { unit: s.prices.water.unit, price: null, sewer: null }
    if (price === null && sewer === null) return
    s.prices.water = waterBilledBy(s, unit).prices.water
    Object.assign(s.prices.water, price === null ? {} : { price }, sewer === null ? {} : { sewer }, said)
  })
}
