import { freshId } from '../study/fresh-id'
import type { Measure, Package } from '../study/measures'
import type { Study } from '../study/study'
import type { Plan } from './optimise-schedule'

/** A plan of windows as a package of measures, to be weighed beside others; to set a timer costs nothing. */
export function planPackage(study: Study, plan: Plan, heaterId: string | null): Package {
  const { loop, heater } = plan
  const on = loop?.some((day) => day.length > 0)
  const measures: Measure[] = []
  if (loop)
    measures.push({
      kind: 'loop-mode',
      id: 'mode',
      name: on ? 'Circulation schedule' : 'Circulation off',
      costMoney: 0,
      partPrices: {},
      mode: on ? 'clock' : 'off',
    })
  if (loop && on)
    measures.push({
      kind: 'loop-schedule',
      id: 'loop',
      name: 'Circulation schedule',
      costMoney: 0,
      partPrices: {},
      schedule: loop,
    })
  if (heater && heaterId)
    measures.push({
      kind: 'heater-schedule',
      id: 'heater',
      name: 'Hot water schedule',
      costMoney: 0,
      partPrices: {},
      heaterId,
      schedule: heater,
    })
  return { id: freshId('schedule', study.packages), name: 'Optimised schedule', measures }
}
