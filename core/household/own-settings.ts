import { edited } from '../study/edited'
import { freshId } from '../study/fresh-id'
import type { Study } from '../study/study'

/** The study with one more setting of the engineer's own, begun on a day by whoever is at work. */
export const withOwnSetting = (study: Study, on: string): Study =>
  edited(study, ({ controls }) => {
    controls.own.push({
      id: freshId('own', controls.own),
      kind: 'parameter',
      place: 'Panel of the appliance',
      what: 'Parameter',
      unit: '',
      found: '',
      now: null,
      factory: '',
      shows: '',
      effects: '',
      on,
      by: controls.by,
      why: '',
    })
  })
