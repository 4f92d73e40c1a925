import type { Reading } from '../study/readings'
import type { Study } from '../study/study'

/** Tap, heater or controller that a reading was taken at, by its name; "removed" for one that is gone; null: the household. */
export const placeOf = ({ pipes, plant, controllers }: Study, { where }: Pick<Reading, 'where'>): string | null =>
  where === null
    ? null
    : ([...pipes.taps, ...plant.heaters, ...controllers].find((x) => x.id === where)?.name ?? 'removed')
