import { RADIATOR_EXPONENT } from '../../heaters/radiator'
import { edited } from '../../study/edited'
import { freshId } from '../../study/fresh-id'
import { type FlowSetting, heatingNotChecked } from '../../study/heating'
import type { Study } from '../../study/study'

/** The study with its heating side begun. */
export const withHeating = (study: Study): Study =>
  study.heating ? study : edited(study, (s) => void (s.heating = heatingNotChecked(RADIATOR_EXPONENT)))

/** The study with one more radiator, of which nothing is known. */
export const withRadiator = (study: Study): Study =>
  edited(study, ({ heating }) => {
    if (!heating) return
    const id = freshId('radiator', heating.radiators)
    heating.radiators.push({
      id,
      name: `Room ${heating.radiators.length + 1}`,
      ratedKw: null,
      lossKw: null,
      valve: 'not checked',
      mark: '',
      measuredC: null,
      clear: null,
    })
  })

/** The study without a radiator; a room control that was in its room is in none that is recorded. */
export const withoutRadiator = (study: Study, id: string): Study =>
  edited(study, ({ heating }) => {
    if (!heating) return
    heating.radiators = heating.radiators.filter((r) => r.id !== id)
    if (heating.sensorIn === id) heating.sensorIn = null
  })

/** A flow temperature to begin with, by how it is set. */
export const beginFlow = (by: FlowSetting['by']): FlowSetting =>
  by === 'fixed'
    ? { by, flowC: 60 }
    : by === 'season'
      ? { by, coldC: 60, mildC: 45, belowC: 3 }
      : { by, slope: 1, shiftK: 5, mostC: 65 }
