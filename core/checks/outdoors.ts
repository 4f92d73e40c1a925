import { frostCare, leastAir } from '../household/frost-care'
import { isHeatPump, isPointOfUse } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import type { Level, Rule, Told } from './check'

/** Stands in the weather, or draws it in. */
const meetsWeather = (heater: Heater) =>
  heater.place === 'outdoors' || (isHeatPump(heater) && heater.air === 'outdoors')

/** Coldest air of a place against what a heater outdoors may work in, with what it needs there; null for one that is indoors. */
export function outdoorsCheck(
  { site: { designAirC } }: Study,
  heater: Heater,
  write: Display,
): Omit<Told, 'subject' | 'concern'> | null {
  if (!meetsWeather(heater)) return null
  const limit = leastAir(heater)
  const byElement = isHeatPump(heater) && heater.backupKw > 0
  const level: Level =
    designAirC === null || limit === null
      ? 'not checked'
      : limit === undefined || designAirC >= limit || byElement
        ? 'pass'
        : 'fail'
  const against =
    designAirC === null
      ? 'Design outdoor temperature not entered.'
      : `Design outdoor temperature ${write.temperature(designAirC)}; ${
          limit === null
            ? 'minimum operating temperature not checked'
            : limit === undefined
              ? 'it works at any, as long as its water does not freeze'
              : `below ${write.temperature(limit)} ${byElement ? 'only its immersion heater works' : 'it does not work'}`
        }.`
  return {
    id: 'outdoors',
    level,
    title: 'Outdoors',
    sentence: heater.place === 'outdoors' ? `${against} Needs ${frostCare(heater).join('; ')}.` : against,
    source: 'Design outdoor temperature against the limit of the unit; practice; data sheet',
    remedy: 'Enter the design outdoor temperature, check the limit, or install it indoors.',
    asks: 'site.designAirC',
  }
}

/** Heaters that stand outdoors in the house as it is. */
const standsOutdoors: Rule = ({ study, write }) =>
  study.plant.heaters
    .filter((h) => !isPointOfUse(h))
    .flatMap((heater): Told[] => {
      const told = outdoorsCheck(study, heater, write)
      if (!told || told.level === 'pass') return []
      return [
        {
          ...told,
          id: `outdoors-${heater.id}`,
          concern: 'fault',
          subject: { kind: 'heater', id: heater.id },
          title: `Outdoors: ${heater.name}`,
        },
      ]
    })

export const OUTDOORS_CHECKS = { standsOutdoors }
