import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { LEAST_ON_S, shareAtAltitude, startsASecond } from '../../core/heaters/burner'
import { addHeater, changeHeaterKind } from '../../core/household/edits/plant'
import { highestSetting, hottestOf } from '../../core/household/hottest'
import { defaultFunctions } from '../../core/study/controls'
import { hasSetpoint, type HeaterOf, isPointOfUse } from '../../core/study/heater-kinds'
import { Study } from '../../core/study/study'
import { allStarts } from '../../core/year/heaters/plant-model'
import { simulate } from '../../core/year/simulate'
import { firstDays, randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

const boiler = (s: Study) => s.plant.heaters[0] as HeaterOf<'boiler-coil'>

/**
 * Hottest that anything in a plant can be, °C: its hottest source, its setpoints where a heater only carries what it is
 * given, or the room.
 */
function hottestSource(study: Study): number {
  const controls = study.controls.found.heaters
  const central = study.plant.heaters.filter((h) => !isPointOfUse(h))
  return Math.max(
    40,
    ...study.site.monthlyAirC,
    ...central.map((h) => hottestOf(h, controls[h.id]) ?? 0),
    ...central
      .filter(hasSetpoint)
      .map((h) => Math.min(highestSetting(controls[h.id]), hottestOf(h, controls[h.id]) ?? 0)),
  )
}

describe('any plant, to the edges of the schema', () => {
  it('closes its ledger to a millionth, keeps every layer below the hottest source it has seen, and starts a finite number of times', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const limit = hottestSource(study) + 0.05
        let [steps, hottest] = [0, -Infinity]
        const { residual, input, home } = firstDays(study, 3, (h) => {
          if (steps++ % 5) return
          const state = h.plant.state()
          hottest = Math.max(hottest, state.supplyC, ...state.slices)
        })
        expect(hottest).toBeLessThan(limit)
        expect(Math.abs(residual)).toBeLessThan(1e-6 * Math.max(1000, input))
        const starts = allStarts(home.plant.starts())
        expect(Number.isFinite(starts)).toBe(true)
        // Each start is a call, a draw, or a relighting that follows from heat over least fire.
        expect(starts).toBeLessThan(steps + (3 * 86_400) / LEAST_ON_S)
      }),
      { numRuns: 300 },
    )
  })
})

describe('a coil and its store', () => {
  it('end within a kelvin of the setpoint, and what the circuit holds, for any size of either', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(5, 12, 30, 60, 200, 1000, 5000),
        fc.constantFrom(20, 80, 600, 10_000),
        fc.double({ min: 45, max: 65, noNaN: true }),
        fc.constantFrom(0, 300),
        (litres, uaWK, setpointC, overrunS) => {
          const study = changed(hillTown, (s) => {
            s.people.uses = []
            s.controls.found.loop.mode = 'off'
            s.plant.store!.litres = litres
            s.controls.found.heaters.boiler.setpointC = setpointC
            boiler(s).coil.uaWK = uaWK
            boiler(s).primary.overrunS = overrunS
          })
          let most = -Infinity
          const { flows } = firstDays(study, 2, (h) => (most = Math.max(most, ...h.plant.state().slices)))
          const held =
            overrunS > 0
              ? (boiler(study).primary.litres * (boiler(study).primary.flowMaxC - setpointC)) / (0.92 * litres)
              : 0
          expect(most).toBeLessThan(setpointC + 1 + held)
          expect(flows.store).toBeGreaterThan(0)
          expect(Number.isFinite(flows.conversion)).toBe(true)
        },
      ),
      { numRuns: 30 },
    )
  })

  it('a sensor near the foot of the store sends no heat through the relief valve', () => {
    for (const sensorHeight of [0, 0.1, 0.2, 0.45, 1])
      for (const kind of ['boiler-coil', 'heat-pump', 'element'] as const) {
        const base = kind === 'boiler-coil' ? hillTown : changeHeaterKind(hillTown, 'boiler', kind)
        const low = changed(base, (s) => {
          const h = s.plant.heaters[0]
          if ('sensorHeight' in h) h.sensorHeight = sensorHeight
          if (h.kind === 'boiler-coil') h.primary.flowMaxC = 65
          if (h.kind === 'element') h.height = 0.5
          s.controls.found.heaters.boiler.setpointC = 55
        })
        let most = 0
        const { flows } = firstDays(low, 6, (h) => (most = Math.max(most, ...h.plant.state().slices)))
        expect(flows.relief).toBe(0)
        expect(most).toBeLessThan(kind === 'element' ? 88.01 : kind === 'boiler-coil' ? 65.01 : 66)
      }
  })

  it('a circuit whose pump runs on gives its heat to the store instead of the cellar', () => {
    const at = (overrunS: number) =>
      simulate(
        changed(hillTown, (s) => {
          s.controls.found.loop.mode = 'off'
          boiler(s).primary.overrunS = overrunS
        }),
      )
    const [not, on] = [at(0), at(180)]
    expect(on.energy.primaryKwh).toBeLessThan(0.85 * not.energy.primaryKwh)
    expect(on.energy.inputKwh['natural-gas']! / not.energy.inputKwh['natural-gas']!).toBeLessThan(0.99)
    expect(on.energy.usefulKwh).toBeCloseTo(not.energy.usefulKwh, -1)
  })
})

describe('a burner below its least fire', () => {
  it('lights as often as heat, least output and swing say, and no more than its shortest fire allows', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 20, noNaN: true }),
        fc.double({ min: 0.01, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        (asked, least, swing) => {
          const rate = startsASecond(asked, least, swing)
          if (asked >= least) return void expect(rate).toBe(0)
          // Lit for its on-time at its least output, it has made in each cycle what was asked for.
          const onS = Math.max(LEAST_ON_S, swing / (least - asked))
          expect(rate * onS * least).toBeCloseTo(asked, 6)
          expect(rate).toBeLessThanOrEqual(asked / (least * LEAST_ON_S) + 1e-12)
        },
      ),
    )
  })

  it('on a small loop starts some tens of thousands of times a year, not every half minute, and by its hysteresis', () => {
    const loop = (differentialK: number) => {
      const s = changed(changeHeaterKind(hillTown, 'boiler', 'instant-gas'), (x) => {
        x.people.uses = []
        x.controls.found.loop.mode = 'always'
        x.controls.found.heaters.boiler = {
          setpointC: 55,
          differentialK,
          schedule: null,
          keepHot: false,
          ...defaultFunctions(),
        }
        x.pipes.runs[0].insulation = { lambdaWMK: 0.03, thicknessMm: 30 }
      })
      return firstDays(s, 10)
    }
    const [narrow, wide] = [loop(2), loop(10)]
    const heat = narrow.flows.loop
    expect(allStarts(narrow.home.plant.starts())).toBeLessThan(1.15 * (heat / (6 * LEAST_ON_S)) + 20)
    expect(allStarts(wide.home.plant.starts())).toBeLessThan(0.8 * allStarts(narrow.home.plant.starts()))
    expect(narrow.flows.conversion / narrow.input).toBeLessThan(0.3)
  })

  it('loses 4 % of its output for each 300 m above 600 m', () => {
    expect([shareAtAltitude(0), shareAtAltitude(600), shareAtAltitude(900), shareAtAltitude(1500)]).toEqual([
      1, 1, 0.96, 0.88,
    ])
    const high = (outputHolds: 'at sea level' | 'at this height') => {
      const s = changed(harbourFlat, (x) => {
        x.site.altitudeM = 2100
        ;(x.plant.heaters[0] as HeaterOf<'instant-gas'>).outputHolds = outputHolds
      })
      return simulate(s).comfort.unmetDraws
    }
    expect(high('at sea level')).toBeGreaterThan(high('at this height'))
  })
})

describe('the element of a heat pump', () => {
  const pump = changed(changeHeaterKind(hillTown, 'boiler', 'heat-pump'), (s) => {
    s.controls.found.loop.mode = 'off'
    s.people.uses = s.people.uses.filter((h) => h.personId === 'ilva' || h.personId === 'teodor')
    s.controls.found.heaters.boiler.setpointC = 55
  })
  const by = (backup: HeaterOf<'heat-pump'>['backup']) =>
    simulate(changed(pump, (s) => void ((s.plant.heaters[0] as HeaterOf<'heat-pump'>).backup = backup)))

  it('rests for a couple and a store that holds what they draw', () => {
    const year = simulate(pump)
    expect(year.energy.backupKwh).toBeLessThan(0.02 * year.energy.usefulKwh)
    expect(year.comfort.unmetDraws).toBeLessThan(0.005 * year.comfort.draws)
    expect(by({ by: 'boost only' }).energy.backupKwh).toBe(0)
  })

  it('helps the sooner it is asked to, and costs for it', () => {
    const [seldom, often] = [by({ by: 'top of store', belowK: 30 }), by({ by: 'top of store', belowK: 3 })]
    expect(often.energy.backupKwh).toBeGreaterThan(seldom.energy.backupKwh + 50)
    expect(often.energy.inputKwh.electricity!).toBeGreaterThan(seldom.energy.inputKwh.electricity!)
    expect(by({ by: 'recovery time', hours: 0.5 }).energy.backupKwh).toBeGreaterThan(
      by({ by: 'recovery time', hours: 12 }).energy.backupKwh,
    )
  })
})

describe('a store with a flue', () => {
  it('is given what a flue loses, unless somebody measured it', () => {
    const guessed = changeHeaterKind(hillTown, 'boiler', 'gas-store')
    expect(guessed.plant.store!.loss).toEqual({ kind: 'ua', uaWK: 5 })
    expect(guessed.origins['plant.store.loss']).toBe('assumed')
    const measured = changed(hillTown, (s) => {
      s.plant.store!.loss = { kind: 'ua', uaWK: 2.2 }
      s.origins['plant.store.loss'] = 'measured'
    })
    expect(changeHeaterKind(measured, 'boiler', 'gas-store').plant.store!.loss).toEqual({ kind: 'ua', uaWK: 2.2 })
    // Without a loop a piloted burner no longer beats a condensing boiler.
    const still = (s: Study) => simulate(changed(s, (x) => void (x.controls.found.loop.mode = 'off')))
    const [flue, condensing] = [still(guessed), still(hillTown)]
    expect(flue.energy.storeKwh).toBeGreaterThan(2 * condensing.energy.storeKwh)
    expect(flue.energy.inputKwh['natural-gas']!).toBeGreaterThan(1.1 * condensing.energy.inputKwh['natural-gas']!)
  })

  it('collectors and fires are sized to the store, and a small store goes to a basin', () => {
    const solar = addHeater(
      changed(hillTown, (s) => void (s.plant.store!.litres = 300)),
      'solar',
    ).plant.heaters[1] as HeaterOf<'solar'>
    expect(solar.areaM2).toBe(4)
    const fire = addHeater(hillTown, 'wood-coil')
    const { flows, input } = firstDays(
      changed(fire, (s) => void (s.controls.found.loop.mode = 'off')),
      20,
    )
    expect(flows.relief).toBeLessThan(0.01 * input)
    const sink = addHeater(hillTown, 'under-sink').plant.heaters[1] as HeaterOf<'under-sink'>
    expect(hillTown.pipes.taps.find((t) => t.id === sink.tapId)!.kind).toBe('basin')
  })
})
