import { freshId } from '../study/fresh-id'
import { type Measure, NOT_PRICED, type Package } from '../study/measures'
import type { Study } from '../study/study'
import type { Plan } from './optimise-schedule'

/** To set a timer costs nothing. */
const FREE = { ...NOT_PRICED, costMoney: 0 }

/** A plan of windows as a package of measures, to be weighed beside others. */
export function planPackage(study: Study, plan: Plan, heaterId: string | null): Package {
  const { loop, heater } = plan
  const on = loop?.some((day) => day.length > 0)
  const measures: Measure[] = []
  if (loop)
    measures.push({
      kind: 'loop-mode',
      id: 'mode',
      name: on ? 'Circulation schedule' : 'Circulation off',
      ...FREE,
      mode: on ? 'clock' : 'off',
    })
  if (loop && on)
    measures.push({
      kind: 'loop-schedule',
      id: 'loop',
      name: 'Circulation schedule',
      ...FREE,
      schedule: loop,
    })
  if (heater && heaterId)
    measures.push({
      kind: 'heater-schedule',
      id: 'heater',
      name: 'Hot water schedule',
      ...FREE,
      heaterId,
      schedule: heater,
    })
  return { id: freshId('schedule', study.packages), name: 'Optimised schedule', measures }
}
