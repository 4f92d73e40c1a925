import { emptyDays } from '../../household/empty-days'
import { storeUa } from '../../household/store-connections'
import { instantaneousOf, isOnStore } from '../../study/heater-kinds'
import { controlsOf } from '../../study/in-force'
import type { Study } from '../../study/study'
import type { Ledger } from '../account/ledger'
import { InstantPlant } from './instant-plant'
import type { PlantModel } from './plant-model'
import { SeriesPlant } from './series-plant'
import { StorePlant } from './store-plant'

/** The plant that serves all taps: a store, a heater as the water runs, or one after the other. */
export function plantOf(study: Study, ledger: Ledger): PlantModel {
  const { store, heaters } = study.plant
  const running = instantaneousOf(heaters)
  const { loop } = study.pipes
  const controls = controlsOf(study)
  const common = { site: study.site, empty: emptyDays(study.people) }
  const instant = () => {
    if (!running) throw new RangeError('nothing here heats water as it runs')
    return new InstantPlant({ ...common, heater: running, controls, loop }, ledger)
  }
  if (!store) return instant()
  const back =
    loop && !running
      ? { pumpLMin: loop.pumpLMin, height: loop.returns.by === 'own pipe' ? loop.returns.height : 0 }
      : null
  const parts = {
    store,
    uaWK: storeUa(study)!,
    heaters: heaters.filter(isOnStore),
    ...common,
    controls: controls.heaters,
    loop: back,
  }
  const first = new StorePlant(parts, ledger)
  return running ? new SeriesPlant(first, instant()) : first
}
