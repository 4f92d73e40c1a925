import { HEATERS } from '../heaters/kinds'
import { efficiencyOf, isCollector } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Site } from '../study/site'
import type { Study } from '../study/study'
import { answered, type Told } from './check'

type Need = keyof Site['heaterPlace']

/** What another heater needs where it is to stand, in words that stand on the form too, and which heaters need it. */
export const HEATER_PLACE: Record<Need, { asks: string; without: string; needs: (heater: Heater) => boolean }> = {
  flue: {
    asks: 'A way for flue and air',
    without: 'there is no way for its flue and its air',
    needs: ({ kind }) => HEATERS[kind].source === 'burner',
  },
  condensate: {
    asks: 'A drain for condensate',
    without: 'its condensate, some litres a day, has no drain',
    needs: (heater) => efficiencyOf(heater)?.kind === 'condensing' || HEATERS[heater.kind].pumpsHeat,
  },
  socket: {
    asks: 'A socket or a switched supply in reach',
    without: 'its fan, pump or control has no supply in reach',
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
        sentence: `${asks}: ${there === null ? 'not checked' : there ? 'there' : without}.`,
        remedy: there === null ? 'Look, and say so under Heater.' : 'Another place, or another kind of heater.',
        source: 'Maker’s papers; local code',
        asks: `site.heaterPlace.${need}`,
      }
    })
