import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { hillTown } from '../core/demos/hill-town'
import { assumedIn, originsOf } from '../core/household/defaults/assumed'
import { mainsOn } from '../core/household/lookups'
import { loopUa } from '../core/household/loop'
import { standingUa } from '../core/stores/standing-loss'
import { edited } from '../core/study/edited'
import type { Study } from '../core/study/study'

/** A house surveyed by eye: every figure is there, and none of them was read. */
export const surveyedByEye: Study = {
  ...hillTown,
  origins: originsOf(
    (['site', 'people', 'pipes', 'plant', 'controls', 'prices'] as const).map((part) =>
      assumedIn(hillTown[part], part),
    ),
  ),
}

/**
 * The same house as it might really be: each figure off by an even throw within what practice meets, each run, tap and price by
 * its own. Drawn by other rules than the ranges are, and without what they know of usual doubts.
 */
export function madeUpHouse(seed: number): Study {
  const rng = xoroshiro128plus(seed)
  const between = (low: number, high: number) => low + ((high - low) * ((rng.next() >>> 0) + 0.5)) / 0x1_0000_0000
  const loop = loopUa(surveyedByEye)
  const months = Array.from({ length: 12 }, (_, m) =>
    mainsOn(surveyedByEye, `2026-${String(m + 1).padStart(2, '0')}-15T12:00:00Z`),
  )
  return edited(surveyedByEye, ({ pipes, plant, controls, people, site, prices }) => {
    for (const run of pipes.runs) run.lengthM *= between(0.75, 1.35)
    for (const tap of pipes.taps) tap.flowLMin *= between(0.75, 1.25)
    for (const run of pipes.runs) if (run.insulation) run.insulation.thicknessMm *= between(0.5, 1.3)
    pipes.loop!.measuredUaWK = loop * between(0.65, 1.5)
    pipes.loop!.back.lengthM *= between(0.75, 1.35)
    pipes.loop!.pumpLMin *= between(0.7, 1.4)
    plant.store!.loss = { kind: 'ua', uaWK: standingUa(plant.store!.loss, plant.store!.litres) * between(0.6, 1.7) }
    const boiler = plant.heaters[0]
    if (boiler.kind === 'boiler-coil' && boiler.efficiency.kind === 'condensing')
      boiler.efficiency.shift -= between(-0.04, 0.1)
    controls.found.heaters.boiler.setpointC += between(-5, 5)
    const uses = between(0.6, 1.5)
    for (const { use } of people.uses) {
      if (use.kind === 'timed') use.minutes *= uses
      else use.litres *= uses
    }
    const colder = between(-3, 3)
    site.mains = { kind: 'monthly', monthlyC: months.map((c) => Math.max(1, c + colder)) }
    for (const tariff of Object.values(prices.carriers)) tariff.price *= between(0.85, 1.2)
  })
}
