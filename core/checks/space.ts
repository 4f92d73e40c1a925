import { HEATERS } from '../heaters/kinds'
import { ventFor } from '../household/vent'
import { burnsFuel, efficiencyOf, isCollector } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Site } from '../study/site'
import type { Study } from '../study/study'
import { answered, type Told } from './check'

type Need = keyof Site['heaterPlace']

/** What another heater needs where it is to stand, in words that stand on the form too, and which heaters need it. */
export const HEATER_PLACE: Record<Need, { asks: string; without: string; needs: (heater: Heater) => boolean }> = {
  flue: {
    asks: 'Flue and combustion air route',
    without: 'no flue and combustion air route',
    needs: ({ kind }) => HEATERS[kind].source === 'burner',
  },
  condensate: {
    asks: 'Condensate drain',
    without: 'no condensate drain',
    needs: (heater) => efficiencyOf(heater)?.kind === 'condensing' || HEATERS[heater.kind].pumpsHeat,
  },
  socket: {
    asks: 'Power supply within reach',
    without: 'no power supply within reach',
    needs: (heater) =>
      ('standbyW' in heater && heater.standbyW > 0 && HEATERS[heater.kind].source !== 'electricity') ||
      isCollector(heater),
  },
}

/** What a heater that is put where none like it stood must find there; one that stands has found it. */
export const placeChecks = ({ site }: Study, heater: Heater): Told[] =>
  (Object.keys(HEATER_PLACE) as Need[])
    .filter((need) => HEATER_PLACE[need].needs(heater))
    .map((need) => {
      const { asks, without } = HEATER_PLACE[need]
      const there = site.heaterPlace[need]
      return {
        id: need,
        subject: { kind: 'measure', id: null },
        concern: 'fault',
        level: answered(there, true),
        title: asks,
        sentence: `${asks}: ${there === null ? 'not checked' : there ? 'there' : without}.${need === 'flue' && burnsFuel(heater) ? ` ${ventFor(heater)}.` : ''}`,
        remedy: there === null ? 'Inspect, and record it under Heater.' : 'Choose another location or type of heater.',
        source: 'data sheet; local code',
        asks: `site.heaterPlace.${need}`,
      }
    })
