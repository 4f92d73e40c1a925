import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { placeTemperature } from '../../core/climate/places'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { absorbed, circuitLossWK, gain } from '../../core/heaters/collector'
import { circuitFlow } from '../../core/heaters/fire'
import { deadLegVolumes } from '../../core/household/dead-leg-limit'
import { storeNotChecked } from '../../core/household/defaults/not-checked'
import { addHeater, changeHeaterKind } from '../../core/household/edits/plant'
import { defaultFunctions } from '../../core/study/controls'
import type { HeaterOf, StoreHeaterSpec } from '../../core/study/heater-kinds'
import { KJ_PER_LITRE_K } from '../../core/water/properties'
import { heatFlow } from '../../core/year/account/heat-flow'
import { Ledger } from '../../core/year/account/ledger'
import { moneyByStation } from '../../core/year/account/where-it-goes'
import { LoopTee } from '../../core/year/heaters/loop-tee'
import { SolarHeater } from '../../core/year/heaters/solar-collector'
import { StorePlant } from '../../core/year/heaters/store-plant'
import { Outflow } from '../../core/year/pipes/outflow'
import { resultOf } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { LayeredStore } from '../../core/year/stores/layered-store'
import { hoursOf } from '../../core/year/weather/site-hours'
import { engineFraction, fChartFraction, solarFlat } from '../../proof/f-chart'
import { firstDays, randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

const total = (a: Float64Array) => a.reduce((s, x) => s + x, 0)

describe('collectors, against their own equation', () => {
  const solar = addHeater(hillTown, 'solar').plant.heaters.find((h): h is HeaterOf<'solar'> => h.kind === 'solar')!
  const hours = hoursOf(hillTown.site)
  const noon = 172 * 24 + 12

  it('give in a step what area, light and temperature give, with the lift of coil and flow', () => {
    const ledger = new Ledger()
    const store = new LayeredStore(4000, 2, 0, 25)
    const heater = new SolarHeater(solar, ledger, hours)
    heater.rest(60, store, noon * 3600)
    const kw = (store.heldKj() - 4000 * KJ_PER_LITRE_K * 25) / 60
    const light = absorbed(solar, hours.onPlane(noon, solar.tiltDeg, solar.azimuthDeg))
    const flowKwK = (solar.flowLMin / 60) * KJ_PER_LITRE_K
    // The water at the coil is taken half a step ahead: it warms while it is heated.
    const zoneKjK = (1 - solar.coil.bottom) * 4000 * KJ_PER_LITRE_K
    const meanK = 25 + kw * (1000 / solar.coil.uaWK + 1 / (2 * flowKwK) + 60 / (2 * zoneKjK)) - hours.airC[noon]
    expect(kw).toBeGreaterThan(0.5)
    // Of what the collectors give, the circuit loses its share on the way.
    const lost = (circuitLossWK(solar.areaM2) * meanK) / 1000
    expect(kw).toBeCloseTo(gain(solar, light, meanK) - lost, 3)
    expect(total(ledger.flows.renewable)).toBeCloseTo((kw + lost) * 60, 3)
    expect(heater.takeLost()).toBeCloseTo(lost * 60, 3)
    expect(total(ledger.inputs.electricity)).toBeCloseTo((solar.pumpW / 1000) * 60, 9)
  })

  it('rest at night and under a hot store, and count the hours they stand', () => {
    const ledger = new Ledger()
    const heater = new SolarHeater(solar, ledger, hours)
    heater.rest(600, new LayeredStore(300, 1.5, 0, 30), (172 * 24 + 1) * 3600)
    heater.rest(600, new LayeredStore(300, 1.5, 0, 86), noon * 3600)
    expect(total(ledger.flows.renewable)).toBe(0)
    expect(heater.collectorStagnationHours).toBeCloseTo(600 / 3600, 9)
    expect(heater.starts).toBe(0)
  })

  it('never give more for a hotter store or a cooler air', () => {
    const kw = (storeC: number, airShift: number) => {
      const ledger = new Ledger()
      const shifted = hoursOf({ ...hillTown.site, monthlyAirC: hillTown.site.monthlyAirC.map((c) => c + airShift) })
      new SolarHeater(solar, ledger, shifted).rest(60, new LayeredStore(1000, 1.5, 0, storeC), noon * 3600)
      return total(ledger.flows.renewable)
    }
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 70, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (c, hotter, colder) => {
          expect(kw(c + hotter, 0)).toBeLessThanOrEqual(kw(c, 0) + 1e-9)
          expect(kw(c, -colder)).toBeLessThanOrEqual(kw(c, 0) + 1e-9)
        },
      ),
      { numRuns: 25 },
    )
  })
})

/**
 * The f-chart is a fit to whole months: in the dark ones of a dull place it gives the sun nothing, in bright ones all, where
 * days in turn leave some of either. There the half-years lie further apart than the years.
 */
describe('collectors, against the f-chart in winter and in summer', () => {
  it.each([
    ['temperate inland', 0.05],
    ['warm and dry', 0.05],
    ['warm and humid', 0.05],
    ['cold inland', 0.08],
    ['cool coast', 0.08],
    ['high mountain', 0.08],
  ] as const)('in the %s give the share that it gives within %d', (climate, within) => {
    const study = solarFlat(climate)
    for (const months of [
      [9, 10, 11, 0, 1, 2],
      [3, 4, 5, 6, 7, 8],
    ])
      expect(Math.abs(engineFraction(study, months) - fChartFraction(study, months)), String(months)).toBeLessThan(
        within,
      )
  })
})

describe('a store alone, with one heater', () => {
  const site = hillTown.site
  const storeOf = (uaWK: number) => ({
    ...hillTown.plant.store!,
    ...storeNotChecked(),
    litres: 200,
    loss: { kind: 'ua' as const, uaWK },
  })
  const make = (spec: StoreHeaterSpec, uaWK: number, setpointC: number) => {
    const ledger = new Ledger()
    const plant = new StorePlant(
      {
        store: storeOf(uaWK),
        uaWK,
        heaters: [spec],
        controls: { [spec.id]: { setpointC, differentialK: 3, schedule: null, ...defaultFunctions() } },
        site,
        empty: new Set<number>(),
        loop: null,
      },
      ledger,
    )
    plant.setMonth(0)
    plant.atClock({ atS: 0, minuteFor: () => 0, heating: false, cheapest: new Set() })
    return { ledger, plant }
  }
  const heatPump = changeHeaterKind(hillTown, 'boiler', 'heat-pump').plant.heaters[0] as HeaterOf<'heat-pump'>

  it('a heat pump makes good the loss: electricity and air together are what was lost', () => {
    const { ledger, plant } = make(heatPump, 2, 50)
    const before = plant.heldKj()
    for (let t = 0; t < 20 * 86_400;) {
      const dt = plant.longestStep(0, 0, NaN)
      plant.advance(dt, 10)
      t += dt
    }
    plant.settle(ledger, { heating: true, cooling: false })
    const stored = plant.heldKj() - before
    expect(total(ledger.inputs.electricity) + total(ledger.flows.ambient)).toBeCloseTo(
      total(ledger.flows.store) + stored,
      3,
    )
    const airC = placeTemperature('cellar', 0, site.monthlyAirC)
    expect(total(ledger.flows.store) / (20 * 86.4 * 2 * (48.5 - airC))).toBeCloseTo(1, 1)
  })

  it('draws and refills keep the litres and the heat, whatever is mixed in behind it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 35, max: 65, noNaN: true }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.double({ min: 0.1, max: 30, noNaN: true }),
        (mixesToC, mainsC, litres) => {
          const ledger = new Ledger()
          const plant = new StorePlant(
            {
              store: { ...storeOf(0), mixing: { mixesToC, testedOn: null } },
              uaWK: 0,
              heaters: [heatPump],
              controls: { [heatPump.id]: { setpointC: 62, differentialK: 3, schedule: null, ...defaultFunctions() } },
              site,
              empty: new Set<number>(),
              loop: null,
            },
            ledger,
          )
          const before = plant.heldKj()
          const out = new Outflow()
          plant.supply(litres, 0, mainsC, 60, out)
          plant.refill(litres, mainsC, null)
          expect(out.total).toBeCloseTo(litres, 9)
          expect(out.meanC).toBeCloseTo(Math.min(62, mixesToC), 6)
          expect(before - plant.heldKj()).toBeCloseTo(litres * KJ_PER_LITRE_K * (out.meanC - mainsC), 4)
        },
      ),
    )
  })
})

describe('the tee of a loop', () => {
  it('keeps the heat that comes back and gives what came before', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.array(fc.tuple(fc.double({ min: 0.01, max: 5, noNaN: true }), fc.double({ min: 5, max: 60, noNaN: true })), {
          minLength: 1,
          maxLength: 20,
        }),
        (startC, steps) => {
          const tee = new LoopTee(startC)
          let heat = tee.heldKj()
          for (const [litres, c] of steps) {
            heat += litres * KJ_PER_LITRE_K * (c - tee.tempC)
            const back = new Outflow()
            back.add(litres, c)
            tee.take(back)
            expect(tee.heldKj()).toBeCloseTo(heat, 6)
          }
          tee.take(null)
          expect(tee.heldKj()).toBeCloseTo(heat, 6)
        },
      ),
    )
  })
})

describe('gravity between fire and store', () => {
  it('moves more for more height, a wider bore and less pipe', () => {
    const base = { pump: null, heightM: 1.5, lengthM: 6, horizontalM: 2, boreMm: 26.2, fittingsM: 4, portsApartM: 0.3 }
    fc.assert(
      fc.property(
        fc.double({ min: 1.05, max: 3, noNaN: true }),
        fc.double({ min: 1, max: 8, noNaN: true }),
        (more, kw) => {
          const flow = circuitFlow(base, kw)
          expect(circuitFlow({ ...base, heightM: base.heightM * more }, kw)).toBeGreaterThan(flow)
          expect(circuitFlow({ ...base, boreMm: base.boreMm * more }, kw)).toBeGreaterThan(flow)
          expect(circuitFlow({ ...base, lengthM: base.lengthM * more }, kw)).toBeLessThan(flow)
        },
      ),
      { numRuns: 30 },
    )
  })
})

describe('laws of the year', () => {
  it('more sun never buys more, and more collectors never less of it', () => {
    const study = addHeater(harbourFlat, 'solar')
    const at = (sun: number, areaM2: number) => {
      const s = changed(study, (x) => {
        x.site.monthlySunKwhM2 = x.site.monthlySunKwhM2.map((k) => k * sun)
        ;(x.plant.heaters.find((h) => h.kind === 'solar') as HeaterOf<'solar'>).areaM2 = areaM2
      })
      return simulate(s).energy
    }
    const rows = [at(0.5, 4), at(0.8, 4), at(1.1, 4)]
    for (let i = 1; i < rows.length; i++) {
      expect(rows[i].renewableKwh).toBeGreaterThan(rows[i - 1].renewableKwh)
      expect(rows[i].inputKwh['natural-gas']!).toBeLessThan(rows[i - 1].inputKwh['natural-gas']!)
    }
    expect(at(1, 6).renewableKwh).toBeGreaterThan(at(1, 3).renewableKwh)
  })

  it('a heat pump pays more for a hotter store and in a colder place', () => {
    const pump = changed(changeHeaterKind(hillTown, 'boiler', 'heat-pump'), (s) => {
      s.controls.found.loop.mode = 'off'
      ;(s.plant.heaters[0] as HeaterOf<'heat-pump'>).air = 'outdoors'
    })
    const bought = (setpointC: number, shift: number) =>
      simulate(
        changed(pump, (s) => {
          s.controls.found.heaters.boiler.setpointC = setpointC
          s.site.monthlyAirC = s.site.monthlyAirC.map((c) => c + shift)
        }),
      ).energy.inputKwh.electricity!
    expect(bought(58, 0)).toBeGreaterThan(bought(50, 0))
    expect(bought(52, -6)).toBeGreaterThan(bought(52, 0))
  })

  it('prices scale the money and nothing else', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 4, noNaN: true }), (factor) => {
        const dear = changed(forestFarm, (s) => {
          for (const t of Object.values(s.prices.carriers)) {
            t.price *= factor
            for (const b of t.bands) b.price *= factor
          }
          s.prices.creditHouseHeat = false
        })
        const [a, b] = [firstDays(forestFarm, 8), firstDays(dear, 8)]
        expect(b.flows).toEqual(a.flows)
        for (const c of ['electricity', 'wood-logs'] as const)
          expect(total(b.home.ledger.money[c])).toBeCloseTo(factor * total(a.home.ledger.money[c]), 6)
      }),
      { numRuns: 6 },
    )
  })

  it('the picture of the heat is in balance at every joint, and the money of the stations is the bill', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const { home } = firstDays(study, 6)
        const result = resultOf(home)
        const { nodes, links } = heatFlow(result)
        const into = (id: string) => links.filter((l) => l.to === id).reduce((s, l) => s + l.kwh, 0)
        const outOf = (id: string) => links.filter((l) => l.from === id).reduce((s, l) => s + l.kwh, 0)
        for (const l of links) for (const end of [l.from, l.to]) expect(nodes.some((n) => n.id === end)).toBe(true)
        // What is left out is under half a kWh an end; what is left in store and pipes has no end of its own.
        const slack =
          6 +
          Math.abs(result.energy.storedChangeKwh) +
          Math.max(0, -result.energy.deadLegKwh) +
          Math.max(0, -result.energy.toWasteKwh) +
          Math.max(0, -result.energy.loopKwh) +
          Math.max(0, -result.energy.primaryKwh) +
          Math.max(0, -result.energy.storeKwh) +
          // Pipes in the frost give colder water than a warm main does.
          Math.max(0, -result.energy.usefulKwh)
        expect(Math.abs(into('water') - outOf('water'))).toBeLessThan(slack)
        if (nodes.some((n) => n.id === 'heater')) expect(Math.abs(into('heater') - outOf('heater'))).toBeLessThan(1)
        // What of each carrier became no heat is all that was lost in conversion, and a burner loses no more than it burns.
        const lost = Object.values(result.energy.lostKwh).reduce((s, x) => s + x, 0)
        expect(Math.abs(lost - result.energy.conversionKwh)).toBeLessThan(1e-4)
        const bill = Object.values(result.cost.energy).reduce((s, x) => s + x, 0)
        const parts = Object.values(moneyByStation(result)).reduce((s, x) => s + x, 0)
        const came =
          Object.values(result.energy.inputKwh).reduce((s, x) => s + x, 0) +
          result.energy.renewableKwh +
          result.energy.ambientKwh
        if (came > 1)
          expect(Math.abs(parts - bill)).toBeLessThan((Math.abs(result.energy.storedChangeKwh) / came) * bill + 1e-3)
      }),
      { numRuns: 25 },
    )
  })

  it('a larger limit of waste never marks a run earlier', () => {
    fc.assert(
      fc.property(
        randomStudy,
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (study, limit, more) => {
          const rank = (
            at: ReturnType<typeof deadLegVolumes> extends Map<string, infer M>
              ? M extends { at: infer A }
                ? A
                : never
              : never,
          ) => (at === 'past' ? 0 : at === 'within' ? 1 : at)
          const [small, large] = [deadLegVolumes(study, limit), deadLegVolumes(study, limit + more)]
          for (const [id, mark] of small) {
            expect(large.get(id)!.litres).toBe(mark.litres)
            expect(rank(large.get(id)!.at)).toBeGreaterThanOrEqual(rank(mark.at) - 1e-12)
          }
        },
      ),
      { numRuns: 40 },
    )
  })
})
