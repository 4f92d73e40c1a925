import { failSafeNotChecked, pipeworkNotChecked, storeNotChecked } from '../../household/defaults/not-checked'
import { emptyDays } from '../../household/empty-days'
import { type HeaterOf, isFedHot, type PointOfUseHeater, type StoreAtTapHeater } from '../../study/heater-kinds'
import { controlsOf } from '../../study/in-force'
import type { Store } from '../../study/store'
import type { Study } from '../../study/study'
import type { Ledger } from '../account/ledger'
import { InstantPlant } from '../heaters/instant-plant'
import type { PlantModel } from '../heaters/plant-model'
import { StorePlant } from '../heaters/store-plant'
import { Outflow } from '../pipes/outflow'
import type { Arriving } from './arriving'
import type { Stretch } from './stretch'

/** Height of a small store, m: it conducts a little from layer to layer. */
const SMALL_HEIGHT_M = 0.35

const storeOf = (h: StoreAtTapHeater): Store => ({
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

const heaterOf = (h: StoreAtTapHeater): HeaterOf<'element' | 'wood-coil'> =>
  h.kind === 'under-sink'
    ? { ...h, kind: 'element', height: 0.05, sensorHeight: null }
    : { ...h, kind: 'wood-coil', circuit: ON_THE_FIRE, way: pipeworkNotChecked(), coil: { bottom: 0, top: 0.5 } }

/** What heats the water of one tap alone: the last stretch of the way to it. */
export interface PointOfUse extends Stretch {
  readonly plant: PlantModel
  /** Whether the hot run fills it; else the cold main. */
  readonly fedHot: boolean
  readonly run: Stretch
  /** What left it in a step. */
  readonly out: Outflow
  flowLMin: number
  /** Draws a step's litres; what replaces them is cold water, or what arrived in the hot run. */
  pass(litres: number, arrived: Outflow | null, mainsC: number, dtS: number): void
}

/** A small store at one tap: what the tap draws comes from its top, and cold or hot water takes its place. */
class StoreAtTap implements PointOfUse {
  readonly plant: StorePlant
  readonly warmUpVolumeL: number
  readonly fedHot: boolean
  readonly run: Stretch = this
  readonly out = new Outflow()
  flowLMin = 0

  constructor(study: Study, heater: StoreAtTapHeater, ledger: Ledger) {
    this.warmUpVolumeL = heater.litres
    this.fedHot = isFedHot(heater)
    this.plant = new StorePlant(
      {
        store: storeOf(heater),
        uaWK: heater.uaWK,
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

  pass(litres: number, arrived: Outflow | null, mainsC: number, dtS: number): void {
    this.out.clear()
    this.plant.supply(litres, 0, mainsC, dtS, this.out)
    this.plant.refill(litres, arrived ? arrived.meanC : mainsC, null)
  }
}

/** What leaves it within this of what leaves it now is as good as even, K. */
const EVEN_K = 0.7

/**
 * A heater that warms the water of one tap as it runs. What leaves it follows from what it makes and not from what stands in
 * the run before it, so that a look along the way ends here: as far as what it holds is even, or as long as it holds what it
 * makes.
 */
class HeaterAtTap implements PointOfUse {
  readonly plant: InstantPlant
  readonly warmUpVolumeL: number
  readonly fedHot: boolean
  readonly run: Stretch = this
  readonly out = new Outflow()
  flowLMin = 0

  constructor(study: Study, heater: HeaterOf<'tap-electric'>, ledger: Ledger) {
    const { powerKw, tapId: _tap, feed: _feed, ...spec } = heater
    this.warmUpVolumeL = heater.contentL
    this.fedHot = isFedHot(heater)
    this.plant = new InstantPlant(
      {
        heater: {
          ...spec,
          kind: 'instant-electric',
          outputKw: powerKw,
          units: 1,
          unitsShare: 'in turn',
          makerFlow: [],
          minAirC: null,
        },
        controls: controlsOf(study),
        site: study.site,
        empty: emptyDays(study.people),
        loop: null,
      },
      ledger,
    )
  }

  exitC(): number {
    return this.plant.supplyC()
  }

  hottestC(): number {
    return this.plant.supplyC()
  }

  /** A little less than all that it holds: cold water in the run before it is warmed on its way, and is not waited for. */
  litresBelow(tempC: number): number {
    return this.exitC() < tempC ? 0.999 * this.warmUpVolumeL : 0
  }

  showTo(arriving: Arriving, _atS: number, secondsPerLitre: number): void {
    const exitC = this.exitC()
    // What the hot run brings may change at any time: as far as this holds water and no further.
    const evenL = Math.min(this.plant.evenAhead(exitC, EVEN_K), this.fedHot ? this.warmUpVolumeL : Infinity)
    arriving.show(exitC, exitC, Math.max(evenL, this.warmUpVolumeL) * secondsPerLitre)
    arriving.end()
  }

  pass(litres: number, arrived: Outflow | null, mainsC: number, dtS: number): void {
    const inletC = arrived ? arrived.meanC : mainsC
    this.out.clear()
    this.plant.supply(litres, 0, inletC, dtS, this.out)
    this.plant.refill(litres, inletC, null)
  }
}

/** What stands at one tap, by its kind. */
export const pointOfUseAt = (study: Study, heater: PointOfUseHeater, ledger: Ledger): PointOfUse =>
  heater.kind === 'tap-electric' ? new HeaterAtTap(study, heater, ledger) : new StoreAtTap(study, heater, ledger)
