import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { placeTemperature } from '../core/climate/places'
import { hillTown } from '../core/demos/hill-town'
import { mainsOn } from '../core/household/lookups'
import { meteredShare } from '../core/money/gas-meter'
import { adopt } from '../core/readings/adopt'
import { fit } from '../core/readings/fit'
import type { Reading } from '../core/study/readings'
import type { Study } from '../core/study/study'
import { House } from '../core/year/house'
import { purchasedKwh } from '../core/year/result'
import { simulate } from '../core/year/simulate'
import { readingOf } from './studies'

/** A made-up house whose true values nobody has written down, and the readings an engineer would take in it. */

const TAKEN = '2026-01-19T09:00:00Z'
/** Waits are timed while the loop rests. */
const BEFORE_DAWN = '2026-01-19T04:30:00Z'
const DAY = 18

/** What a survey by eye writes down: the main demo, with an efficiency off the plate. */
export function surveyed(): Study {
  const study = structuredClone(hillTown)
  const boiler = study.plant.heaters[0]
  if (boiler.kind === 'boiler-coil') boiler.efficiency = { kind: 'fixed', share: 0.92 }
  study.packages = []
  return study
}

/** The same house as it really is. */
export function hiddenTruth(): Study {
  const study = surveyed()
  study.id = 'hidden'
  study.plant.store!.loss = { kind: 'ua', uaWK: 3.1 }
  study.controls.found.heaters.boiler.setpointC = 61
  const boiler = study.plant.heaters[0]
  if (boiler.kind === 'boiler-coil') {
    boiler.efficiency = { kind: 'fixed', share: 0.83 }
    boiler.outputKw = 21.5
  }
  const monthly = [7.2, 7, 8, 10.2, 13, 15.8, 17.8, 18, 16.4, 13.4, 10.4, 8.2]
  study.site.mains = { kind: 'monthly', monthlyC: monthly }
  const factor: Record<string, number> = {
    'cellar-main': 1.25,
    'riser-top': 0.85,
    'kitchen-branch': 1.3,
    'first-shower-run': 0.8,
    'top-shower-run': 1.2,
  }
  for (const run of study.pipes.runs) run.lengthM *= factor[run.id] ?? 1
  study.pipes.loop!.back.insulation = null
  const flows: Record<string, number> = {
    'kitchen-sink': 6.1,
    'first-shower': 10.6,
    'top-shower': 9.2,
    'first-bath': 12.5,
  }
  for (const tap of study.pipes.taps) tap.flowLMin = flows[tap.id] ?? tap.flowLMin
  return study
}

/** Normal noise from a seed. */
function noise(seed: number): () => number {
  const rng = xoroshiro128plus(seed)
  const even = () => ((rng.next() >>> 0) + 0.5) / 0x1_0000_0000
  return () => Math.sqrt(-2 * Math.log(even())) * Math.cos(2 * Math.PI * even())
}

/** Runs the house from a midnight of January, doing without its people, and looks at it. */
function quietNight(truth: Study, change: (s: Study) => void, hours: number, look: (home: House) => void): void {
  const study = structuredClone(truth)
  study.people.uses = []
  change(study)
  const home = new House(study)
  home.startAt((DAY - 1) * 86_400)
  home.runUntil((DAY - 1) * 86_400 + hours * 3600, 300, () => look(home))
}

/** What the instruments show in the true house, with their noise. */
export function readingsOf(truth: Study, seed: number): Reading[] {
  const n = noise(seed)
  let count = 0
  const reading = (kind: Reading['kind'], values: Reading['values'], where: string | null = null) =>
    readingOf(kind, values, { id: `r${++count}`, where, takenAt: TAKEN })
  const air = placeTemperature('cellar', 0, truth.site.monthlyAirC)
  const out: Reading[] = [reading('mains', { coldC: mainsOn(truth, TAKEN) + 0.3 * n() })]

  // The engine's own store, left alone for ten hours after it was heated.
  const cold = (s: Study) => {
    s.controls.found.loop.mode = 'off'
    s.controls.found.heaters.boiler.schedule = Array.from({ length: 7 }, () => [{ fromMin: 0, toMin: 120 }])
  }
  let [from, to] = [0, 0]
  quietNight(truth, cold, 14, (home) => {
    const mean = home.plant.state().slices.reduce((s, c) => s + c / 10, 0)
    if (home.nowS <= (DAY - 1) * 86_400 + 4 * 3600) from = mean
    to = mean
  })
  out.push(reading('overnight-drop', { fromC: from + 0.2 * n(), toC: to + 0.2 * n(), hours: 10, ambientC: air }))

  // Its loop, logged twice over an evening because the boiler comes and goes, with a pair of pipe thermometers.
  let [supplyC, returnC, seconds, last] = [0, 0, 0, 0]
  quietNight(
    truth,
    (s) => void (s.controls.found.loop.mode = 'always'),
    24,
    (home) => {
      const dt = last === 0 ? 0 : home.nowS - last
      last = home.nowS
      if (home.nowS < (DAY - 1) * 86_400 + 12 * 3600) return
      supplyC += home.plant.state().supplyC * dt
      returnC += home.network.returnC(home.nowS) * dt
      seconds += dt
    },
  )
  for (let k = 0; k < 2; k++)
    out.push(
      reading('loop', {
        supplyC: supplyC / seconds + 0.1 * n(),
        returnC: returnC / seconds + 0.1 * n(),
        pumpLMin: truth.pipes.loop!.pumpLMin * (1 + 0.03 * n()),
      }),
    )

  // The store right after it was heated.
  let top = 0
  quietNight(
    truth,
    (s) => void (s.controls.found.loop.mode = 'off'),
    30,
    (home) => (top = Math.max(top, home.plant.state().supplyC)),
  )
  out.push(
    reading('store-top', { storeC: Math.min(top, truth.controls.found.heaters.boiler.setpointC + 1) + 0.4 * n() }),
  )

  for (const tap of truth.pipes.taps.filter((t) =>
    ['kitchen-sink', 'first-shower', 'top-shower', 'first-bath'].includes(t.id),
  )) {
    const seconds = (8 / tap.flowLMin) * 60 + 0.4 * n()
    out.push(reading('bucket', { volumeL: 8, seconds, water: 'mixed', taps: 'alone' }, tap.id))
    // A draw of hot water only on cold pipes, as the engine runs it.
    const study = structuredClone(truth)
    study.controls.found.loop.mode = 'off'
    study.people = {
      ...study.people,
      winterSwing: 0,
      absences: [],
      uses: [
        {
          ...truth.people.uses[0],
          id: 'test-draw',
          tapId: tap.id,
          days: Array(7).fill(true),
          atMin: 540,
          spreadMin: 0,
          chance: 1,
          use: { kind: 'timed', minutes: 3 },
          amountSpread: 0,
          requiredC: 42,
          waits: true,
        },
      ],
    }
    const home = new House(study)
    home.startAt(DAY * 86_400)
    home.runUntil(DAY * 86_400 + 11 * 3600)
    out.push({
      ...reading(
        'time-to-hot',
        { seconds: home.taps.records[0].waitedS + 0.7 * n(), flowLMin: tap.flowLMin * (1 + 0.02 * n()), hotC: 40 },
        tap.id,
      ),
      takenAt: BEFORE_DAWN,
    })
  }

  const boiler = truth.plant.heaters[0]
  if (boiler.kind === 'boiler-coil' && boiler.efficiency.kind === 'fixed') {
    const kw = boiler.outputKw
    const flowLMin = (kw * 60) / (4.17 * 35)
    out.push(
      reading(
        'heater-display',
        { inletC: 10, outletC: 45, flowLMin: flowLMin * (1 + 0.02 * n()), gave: 'all it has' },
        boiler.id,
      ),
    )
    const m3 = ((kw / boiler.efficiency.share) * 180) / 3600 / 11 / meteredShare(truth.site.altitudeM)
    out.push(
      reading(
        'meter',
        {
          fuel: 'gas-m3',
          amount: m3 * (1 + 0.01 * n()),
          seconds: 180,
          calorificKwh: 11,
          powerKw: kw * (1 + 0.015 * n()),
        },
        boiler.id,
      ),
    )
  }
  return out
}

export const HIDDEN_SEEDS = [1, 2, 3] as const

/** Yearly energy of the survey, of the adopted study and of the fitted one, each off the truth by a share. */
export function hiddenHouse(seed: number): { guess: number; adopted: number; fitted: number; study: Study } {
  const truth = hiddenTruth()
  const energy = (s: Study) => purchasedKwh(simulate(s))
  const wanted = energy(truth)
  const read: Study = { ...surveyed(), readings: readingsOf(truth, seed) }
  const adopted = read.readings.reduce((s, r) => adopt(s, r.id), read)
  const { study } = fit(adopted)!
  return {
    guess: energy(surveyed()) / wanted - 1,
    adopted: energy(adopted) / wanted - 1,
    fitted: energy(study) / wanted - 1,
    study,
  }
}
