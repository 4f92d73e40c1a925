import { againstPhysics, type CurveAgainst } from '../heaters/maker-curve'
import type { InstantaneousHeater } from '../study/heater-kinds'
import type { Study } from '../study/study'
import { atAltitude } from './at-altitude'
import { mainsOnColdest } from './lookups'

/** Each point of a heater's curve against what its output makes of it at the height of the house and its coldest inlet. */
export const curveInHouse = (heater: InstantaneousHeater, study: Study): CurveAgainst[] =>
  againstPhysics(heater.makerFlow, atAltitude(heater, study.site.altitudeM).outputKw, mainsOnColdest(study))
