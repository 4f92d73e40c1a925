import { failSafeNotChecked, pipeworkNotChecked, storeNotChecked } from '../../household/defaults/not-checked'
import { emptyDays } from '../../household/empty-days'
import { type HeaterOf, isFedHot, type PointOfUseHeater } from '../../study/heater-kinds'
import { controlsOf } from '../../study/in-force'
import type { Store } from '../../study/plant'
import type { Study } from '../../study/study'
import type { Ledger } from '../account/ledger'
import { StorePlant } from '../heaters/store-plant'
import { Outflow } from '../pipes/outflow'
import type { Arriving } from './arriving'
import type { Stretch } from './stretch'

/** Height of a small store, m: it conducts a little from layer to layer. */
const SMALL_HEIGHT_M = 0.35

const storeOf = (h: PointOfUseHeater): Store => ({
  name: h.name,
  place: h.place,
  litres: h.litres,
  heightM: SMALL_HEIGHT_M,
  loss: { kind: 'ua', uaWK: h.uaWK },
  sensorHeight: 0.5,
  inletMix: 0.05,
  ...storeNotChecked(),
})

/** A reservoir sits on its fire: heat needs no circuit. */
const ON_THE_FIRE = {
  pump: { flowLMin: 60, watts: 0 },
  heightM: 0,
  lengthM: 1,
  horizontalM: 0,
  boreMm: 28,
  fittingsM: 0,
  portsApartM: 0,
  ...failSafeNotChecked(),
}

const heaterOf = (h: PointOfUseHeater): HeaterOf<'element' | 'wood-coil'> =>
  h.kind === 'under-sink'
    ? { ...h, kind: 'element', height: 0.05, sensorHeight: null }
    : { ...h, kind: 'wood-coil', circuit: ON_THE_FIRE, way: pipeworkNotChecked(), coil: { bottom: 0, top: 0.5 } }

/** A small store at one tap: what the tap draws comes from its top, and cold or hot water takes its place. */
export class PointOfUseTap implements Stretch {
  readonly plant: StorePlant
  readonly warmUpVolumeL: number
  /** Whether the hot run fills it; else the cold main. */
  readonly fedHot: boolean
  readonly run: Stretch = this
  readonly out = new Outflow()
  flowLMin = 0

  constructor(study: Study, heater: PointOfUseHeater, ledger: Ledger) {
    this.warmUpVolumeL = heater.litres
    this.fedHot = isFedHot(heater)
    this.plant = new StorePlant(
      {
        store: storeOf(heater),
        heaters: [heaterOf(heater)],
        controls: controlsOf(study).heaters,
        site: study.site,
        empty: emptyDays(study.people),
        loop: null,
      },
      ledger,
    )
  }

  exitC(): number {
    return this.plant.store.topC
  }

  hottestC(): number {
    return this.plant.store.topC
  }

  litresBelow(tempC: number): number {
    return this.plant.store.litresBelow(tempC)
  }

  showTo(arriving: Arriving, _atS: number, secondsPerLitre: number): void {
    this.plant.store.showTo(arriving, secondsPerLitre)
  }

  /** Draws a step's litres; what replaces them is cold water, or what arrived in the hot run. */
  pass(litres: number, arrived: Outflow | null, mainsC: number, dtS: number): void {
    this.out.clear()
    this.plant.supply(litres, 0, mainsC, dtS, this.out)
    this.plant.refill(litres, arrived ? arrived.meanC : mainsC, null)
  }
}
