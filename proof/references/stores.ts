import { everyDay } from '../../core/calendar/week'
import { hillTown } from '../../core/demos/hill-town'
import { changeHeaterKind } from '../../core/household/edits/plant'
import { runsTo } from '../../core/household/lookups'
import { runWarmUpVolumeL } from '../../core/household/runs'
import { SAFETY } from '../../core/safety/limits'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Study } from '../../core/study/study'
import { KJ_PER_LITRE_K } from '../../core/water/properties'
import { StoreHygiene } from '../../core/year/account/hygiene'
import { House } from '../../core/year/house'
import { Outflow } from '../../core/year/pipes/outflow'
import { LayeredStore } from '../../core/year/stores/layered-store'
import { firstDays } from '../random-study'
import { changed } from '../studies'
import { amount, type ReferenceCase, share } from './case'

const HOUR_S = 3600
/** Nobody draws, nothing goes round, and the store hardly loses. */
const still = (study: Study, edit: (s: Study) => void): Study =>
  changed(study, (s) => {
    s.people.uses = []
    s.packages = []
    s.controls.found.loop.mode = 'off'
    s.plant.store!.loss = { kind: 'ua', uaWK: 0.1 }
    for (const t of s.pipes.taps) t.dripLH = null
    edit(s)
  })

/** kJ that have crossed the middle of a store whose upper half began 40 K warmer, by conduction alone. */
function conducted(hours: number): number {
  const store = new LayeredStore(200, 1.3, 0, 60)
  const out = new Outflow()
  for (let l = 0; l < 100; l++) {
    store.draw(1, out)
    store.fillBottom(1, 20)
    store.settle()
    out.clear()
  }
  const lower = () => store.meanBetween(0, 0.5) * 100 * KJ_PER_LITRE_K
  const before = lower()
  for (let h = 0; h < hours; h++) {
    store.stand(HOUR_S)
    store.settle()
  }
  return lower() - before
}
/** Long enough that the front is wider than a layer. */
const CONDUCTS_H = 48
/** Conductivity of the water upright with the store's wall, W/mK. */
const UPRIGHT_W_MK = 1.2

/** Hours in which a store left to cool is in the growth range, in steps of an hour. */
function hoursInRange(): number {
  const store = new LayeredStore(150, 1.2, 3, 60)
  store.ambientC = 18
  const hygiene = new StoreHygiene(new Set())
  const { low, high } = SAFETY.tepid.value
  for (let h = 1; h <= 7 * 24; h++) {
    store.stand(HOUR_S)
    store.settle()
    hygiene.step(store.shareBetween(low, high), store.bottomC, store.topC, h * HOUR_S, HOUR_S)
  }
  return hygiene.result().drawnTepidHoursWeek
}
const coolingTauH = (150 * KJ_PER_LITRE_K) / (3 * 3.6)
const inRangeH = coolingTauH * Math.log((SAFETY.tepid.value.high - 18) / (SAFETY.tepid.value.low - 18))

/** A fire of 6 kW for ten hours, alone on a store whose relief valve opens at 85 °C, nobody drawing. */
const FIRE = { kw: 6, hours: 10, litres: 150, reliefC: 85 }
const overheated = still(changeHeaterKind(hillTown, 'boiler', 'wood-coil'), (s) => {
  Object.assign(s.plant.store!, { litres: FIRE.litres, reliefC: FIRE.reliefC })
  const fire = s.plant.heaters[0] as HeaterOf<'wood-coil'>
  Object.assign(fire, {
    waterKw: FIRE.kw,
    firings: [{ days: Array(7).fill(true), atMin: 60, hours: FIRE.hours, kg: 40 }],
  })
  fire.coil.bottom = 0
  Object.assign(fire.circuit, { heightM: 3, boreMm: 40 })
})
const beginC = new House(overheated).plant.state().supplyC
/** Share of the fire's heat that left by the valve. */
const relieved = () => firstDays(overheated, 0.5).flows.relief / (FIRE.kw * FIRE.hours * HOUR_S)

/** Share of a store, emptied before dawn, that the element of a heat pump warms while it is too cold for the pump. */
function warmedByElement(height: number): number {
  const study = still(changeHeaterKind(hillTown, 'boiler', 'heat-pump'), (s) => {
    const pump = s.plant.heaters[0] as HeaterOf<'heat-pump'>
    Object.assign(pump, { backupKw: 6, backupHeight: height, minOperatingAirC: 20, air: 'outdoors', place: 'outdoors' })
    Object.assign(s.plant.store!, { litres: 200, sensorHeight: 0.9 })
    Object.assign(s.controls.found.heaters.boiler, { setpointC: 60, schedule: everyDay([6 * 60, 24 * 60]) })
    s.site.monthlyAirC = Array(12).fill(2)
    s.people = {
      ...s.people,
      winterSwing: 0,
      absences: [],
      uses: [
        {
          ...hillTown.people.uses[0],
          days: Array(7).fill(true),
          atMin: 120,
          spreadMin: 0,
          chance: 1,
          use: { kind: 'timed', minutes: 60 },
          amountSpread: 0,
          waits: false,
        },
      ],
    }
    for (const t of s.pipes.taps) Object.assign(t, { mixes: false, flowLMin: 12 })
  })
  const home = new House(study)
  home.runUntil(12 * HOUR_S)
  const { slices } = home.plant.state()
  return slices.filter((c) => c > 40).length / slices.length
}

/** Seconds that the valve of a cold-line loop stays open from cold, its pump always on. */
function valveOpenS(): number {
  const home = new House(coldLine)
  for (let t = 1; t <= 3600; t++) {
    home.runUntil(t)
    if (t > 1 && home.network.loopReturn.flowLMin <= 0) return t
  }
  return Infinity
}
const coldLine = still(hillTown, (s) => {
  s.pipes.loop!.returns = { by: 'cold line', closesAtC: 38 }
  s.controls.found.loop.mode = 'always'
})

export const STORES: ReferenceCase[] = [
  {
    what: `Heat conducted across the middle of a store of 200 L in ${CONDUCTS_H} h, 60 °C over 20 °C`,
    source: 'ΔT λ A √(t / πα)',
    unit: 'kJ',
    expected:
      (((40 * UPRIGHT_W_MK * (0.2 / 1.3)) / 1000) * Math.sqrt((CONDUCTS_H * HOUR_S) / Math.PI)) /
      Math.sqrt(UPRIGHT_W_MK / (KJ_PER_LITRE_K * 1e6)),
    within: share(0.05),
    got: () => conducted(CONDUCTS_H),
  },
  {
    what: 'Hours in the growth range of a store of 150 L, 3 W/K, left to cool from 60 °C at 18 °C',
    source: 'τ ln((45 − Ta) / (25 − Ta))',
    unit: 'h',
    expected: inRangeH,
    within: share(0.01),
    got: hoursInRange,
  },
  {
    what: 'Share of a store that the element of a heat pump at 0.3 of its height warms',
    source: 'what lies above it',
    unit: 'of the height',
    expected: 0.7,
    within: amount(0.1),
    got: () => warmedByElement(0.3),
  },
  {
    what: 'Cold-line valve that closes at 38 °C, from the start of its pump to its closing',
    source: 'front of the way out / flow of the pump',
    unit: 's',
    expected:
      (runsTo(coldLine, { runId: coldLine.pipes.loop!.returnConnectionRunId }).reduce(
        (s, r) => s + runWarmUpVolumeL(r),
        0,
      ) /
        coldLine.pipes.loop!.pumpLMin) *
      60,
    within: share(0.05),
    got: valveOpenS,
  },
  {
    what: 'Heat let go by a relief valve, of a fire of 6 kW for 10 h',
    source: '1 − V ρc (setting − begin) / Q t',
    unit: 'of the heat',
    expected: 1 - (FIRE.litres * KJ_PER_LITRE_K * (FIRE.reliefC - beginC)) / (FIRE.kw * FIRE.hours * HOUR_S),
    within: amount(0.005),
    got: relieved,
  },
]
