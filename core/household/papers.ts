import type { Papers } from '../study/fields'
import { isRunning } from '../study/heater-kinds'
import type { Study } from '../study/study'

/** Whose a figure is, of which day and under which conditions, in words. */
export const cited = (papers: Papers): string =>
  papers ? [papers.source, papers.on, papers.conditions].filter(Boolean).join(', ') : 'data source not recorded'

/** What lives by figures that somebody else said, with whose they are: a maker's curve or limit, a label or test, a certificate. */
export function borrowed({ plant, pipes, origins }: Study): { name: string; papers: Papers }[] {
  const { store } = plant
  const storesLoss = store && store.loss.kind !== 'ua' && origins['plant.store.loss'] !== 'assumed'
  return [
    ...plant.heaters.filter((h) => isRunning(h) && (h.makerFlow.length > 0 || h.mostInletC !== null)),
    ...(storesLoss ? [store] : []),
    ...(pipes.recovery ? [{ name: 'Waste water heat recovery', papers: pipes.recovery.papers }] : []),
  ].map(({ name, papers }) => ({ name, papers }))
}
