import { pipeOf } from '../pipes/catalogue'
import { connectionUa } from '../stores/connections'
import { standingUa } from '../stores/standing-loss'
import type { Store } from '../study/store'
import type { Study } from '../study/study'
import { loopRuns } from './runs'

type Connections = Store['connections']

/** The pipes of a store that stand hot at its top, each with what it takes while nothing flows, W/K. */
function connectionsAt(
  { pipes, plant }: Pick<Study, 'pipes' | 'plant'>,
  hot: boolean,
  { heatTraps, inlet }: Connections,
) {
  const { store } = plant
  const first = pipes.runs.find((r) => r.from === null)!
  const trapless = heatTraps === false
  return [
    ...(heatTraps === null || !hot
      ? []
      : [connectionUa(pipeOf(first.material, first.size), first.insulation, first.place, trapless)]),
    ...(inlet === null || (inlet.at === 'top' && heatTraps === null)
      ? []
      : [
          connectionUa(
            pipeOf(inlet.material, inlet.size),
            inlet.insulation,
            store!.place,
            trapless && inlet.at === 'top',
          ),
        ]),
  ]
}

/**
 * What the first lengths of the pipes at a store take besides, W/K: of what somebody has looked at. The hot pipe of a loop in
 * use is the loop's, and its loss is counted there.
 */
export function connectionsUa(study: Study, connections = study.plant.store?.connections): number {
  if (!study.plant.store || !connections) return 0
  const onLoop = loopRuns(study)
  const hot = !study.pipes.runs.some((r) => r.from === null && onLoop.has(r.id))
  return connectionsAt(study, hot, connections).reduce((s, ua) => s + ua, 0)
}

/**
 * What the store loses for each kelvin above the room, its connections among it, W/K; null without a store. A loss that was
 * measured where it stands has them in it; a label and a test have not.
 */
export function storeUa(study: Study): number | null {
  const { store } = study.plant
  if (!store) return null
  return standingUa(store.loss, store.litres) + (store.loss.kind === 'ua' ? 0 : connectionsUa(study))
}
