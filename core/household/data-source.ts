import type { DataSource } from '../study/fields'
import type { Study } from '../study/study'

/** Whose a figure is, of which day and under which conditions, in words. */
export const citation = (dataSource: DataSource): string =>
  dataSource
    ? [dataSource.source, dataSource.on, dataSource.conditions].filter(Boolean).join(', ')
    : 'data source not recorded'

/** What lives by figures that somebody else said, with whose they are: a maker's curve or limit, a label or test, a certificate. */
export function publishedFigures({ plant, pipes, site, origins }: Study): { name: string; dataSource: DataSource }[] {
  const { store } = plant
  const storesLoss = store && store.loss.kind !== 'ua' && origins['plant.store.loss'] !== 'assumed'
  return [
    ...plant.heaters.filter(
      (h) => ('makerFlow' in h && h.makerFlow.length > 0) || ('maxInletC' in h && h.maxInletC !== null),
    ),
    ...(storesLoss ? [store] : []),
    // The air's model is no papers, and a reading is nobody else's.
    ...(site.mains.kind === 'monthly' && origins['site.mains'] === undefined
      ? [{ name: 'Cold main temperature', dataSource: site.sources.mains }]
      : []),
    ...(site.hardnessMgL !== null && origins['site.hardnessMgL'] === undefined
      ? [{ name: 'Hardness', dataSource: site.sources.hardness }]
      : []),
    ...(pipes.recovery ? [{ name: 'Waste water heat recovery', dataSource: pipes.recovery.dataSource }] : []),
  ].map(({ name, dataSource }) => ({ name, dataSource }))
}
