import { HEATERS } from '../heaters/kinds'
import { efficiencyOf, isHeatPump, isInstantaneous, isOnStore } from '../study/heater-kinds'
import type { Heater } from '../study/plant'

/** What a heater outdoors or in unheated space needs against weather and frost, in the order in which it is looked for. */
export function frostCare(heater: Heater): string[] {
  const { source } = HEATERS[heater.kind]
  return [
    'weather cover that leaves air and flue openings clear',
    ...(source === 'burner' || isInstantaneous(heater)
      ? ['built-in frost protection powered at all times, and on the same supply after a power cut']
      : []),
    'insulation and trace heating on cold and hot pipe up to the wall',
    ...(efficiencyOf(heater)?.kind === 'condensing' || isHeatPump(heater)
      ? ['condensate drain short, falling, insulated or heated']
      : []),
    ...(isOnStore(heater) && !isHeatPump(heater)
      ? ['relief discharge and drain cock where ice does not block them']
      : []),
    'isolating valves and drain points to empty it in a long power cut',
  ]
}

/** Coldest air that a heater may work in, °C: its field, or null where nobody has read it; undefined where its kind has none. */
export const leastAir = (heater: Heater): number | null | undefined =>
  isHeatPump(heater) ? heater.minOperatingAirC : 'minAirC' in heater ? heater.minAirC : undefined
