import { beforeAll, describe, expect, it } from 'vitest'
import { ALWAYS } from '../../core/calendar/week'
import { placeTemperature } from '../../core/climate/places'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { emptyDays } from '../../core/household/empty-days'
import { runUa } from '../../core/household/runs'
import { standardKwh } from '../../core/people/standard-days'
import { standingUa } from '../../core/stores/standing-loss'
import { defaultFunctions } from '../../core/study/controls'
import { edited } from '../../core/study/edited'
import { asFound } from '../../core/study/in-force'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { KJ_PER_LITRE_K } from '../../core/water/properties'
import { heatFlow } from '../../core/year/account/heat-flow'
import { cameInKwh, energyGoes, meanPrice, moneyByStation } from '../../core/year/account/where-it-goes'
import { purchasedKwh, type YearResult } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { firstDays } from '../../proof/random-study'

const nobody = (study: Study): Study => ({
  ...study,
  people: { ...study.people, uses: [], draws: { kind: 'routine' } },
})

describe.each(DEMOS.map((d) => d.study))('the year of "$name"', (study) => {
  let year: YearResult
  beforeAll(() => {
    year = simulate(study)
  })

  it('is a sound study', () => expect(readStudy(study)).toEqual({ ok: true, value: study }))

  it('closes its ledger, year and months', () => {
    expect(Math.abs(year.energy.residualKwh)).toBeLessThan(1e-3 * purchasedKwh(year))
    for (const month of year.months) expect(Math.abs(month.energy.residualKwh)).toBeLessThan(1e-3 * purchasedKwh(month))
  })

  it('gives the same bytes twice', () =>
    expect(JSON.stringify(simulate(structuredClone(study)))).toBe(JSON.stringify(year)))

  it('has months that add up to the year', () => {
    const sum = (of: (p: YearResult['months'][number]) => number) => year.months.reduce((s, m) => s + of(m), 0)
    expect(sum((m) => m.energy.usefulKwh)).toBeCloseTo(year.energy.usefulKwh, 3)
    expect(sum((m) => m.cost.total)).toBeCloseTo(year.cost.total, 3)
    expect(sum((m) => m.water.mixedL)).toBeCloseTo(year.water.mixedL, 2)
  })

  it('splits its energy money over the stations and its heat over the picture', () => {
    const energy = Object.values(year.cost.energy).reduce((s, x) => s + x, 0)
    const stations = Object.values(moneyByStation(year)).reduce((s, x) => s + x, 0)
    // All of it but what stands in the store more or less than at the beginning.
    expect(Math.abs(stations + meanPrice(year) * year.energy.storedChangeKwh - energy)).toBeLessThan(1e-3)
    const { nodes, links } = heatFlow(year)
    for (const n of nodes.filter((n) => n.role === 'passes')) {
      const into = links.filter((l) => l.to === n.id).reduce((s, l) => s + l.kwh, 0)
      const out = links.filter((l) => l.from === n.id).reduce((s, l) => s + l.kwh, 0)
      expect(Math.abs(into - out)).toBeLessThan(0.002 * into + 5)
    }
  })

  it('is one a practitioner would believe', () => {
    const perPersonDay =
      (year.water.mixedL + year.water.toWasteL) / study.people.persons.length / (365 - emptyDays(study.people).size)
    expect(perPersonDay).toBeGreaterThan(30)
    expect(perPersonDay).toBeLessThan(110)
    const useful = year.energy.usefulKwh / cameInKwh(year)
    expect(useful).toBeGreaterThan(0.15)
    expect(useful).toBeLessThan(0.85)
  })
})

describe('a cable along the pipe', () => {
  it('gives all its electricity as heat: none of it is put down to the heater or to a pump', () => {
    const off = edited(hillTown, (s) => void (s.controls.found.loop.mode = 'off'))
    const cable = edited(off, ({ controls }) => {
      controls.found.loop.mode = 'trace heating'
      controls.found.loop.schedule = ALWAYS
    })
    const [without, year] = [off, cable].map((s) => simulate(asFound(s))) as [YearResult, YearResult]
    expect(year.energy.loopPumpKwh).toBeGreaterThan(100)
    const { nodes, links } = heatFlow(year)
    expect(nodes.map((n) => n.id)).not.toContain('pump')
    const at = (end: 'from' | 'to') => links.filter((l) => l[end] === 'heater').reduce((s, l) => s + l.kwh, 0)
    expect(Math.abs(at('to') - at('from'))).toBeLessThan(1)
    const goes = energyGoes(year)
    expect(goes.conversion).toBeCloseTo(year.energy.conversionKwh, 6)
    // The boiler makes about what it made, at about its efficiency, and so costs about the same.
    expect(moneyByStation(year).heater).toBeGreaterThan(0.7 * moneyByStation(without).heater)
  })
})

describe('standard tapping cycles', () => {
  it.each([
    ['S', 2.1],
    ['M', 5.845],
    ['L', 11.655],
    ['XL', 19.07],
  ] as const)('%s adds up to %d kWh', (name, kwh) => {
    expect(standardKwh(name)).toBeCloseTo(kwh, 6)
  })
})

describe('limits with exact answers', () => {
  it('a year with no people uses no water and loses just what the store and the plant lose', () => {
    const study = nobody({
      ...hillTown,
      controls: {
        ...hillTown.controls,
        found: { ...hillTown.controls.found, loop: { ...hillTown.controls.found.loop, mode: 'off' } },
      },
    })
    const year = simulate(study)
    expect(year.water).toEqual({ hotL: 0, mixedL: 0, toWasteL: 0, reliefL: 0, warmColdL: 0 })
    expect(year.energy.usefulKwh).toBe(0)
    // The store hovers between call and setpoint; its loss lies between the losses at the two.
    const ua = standingUa(study.plant.store!.loss, study.plant.store!.litres)
    const at = (storeC: number) => ua * (storeC - 13.4) * 8.76
    expect(year.energy.storeKwh).toBeGreaterThan(at(57))
    expect(year.energy.storeKwh).toBeLessThan(at(66))
    expect(Math.abs(year.energy.deadLegKwh)).toBeLessThan(0.5)
  })

  it('a loop at steady state loses what its closed form says', () => {
    const study = nobody(structuredClone(hillTown))
    study.controls.found.loop.mode = 'always'
    study.controls.found.heaters.boiler = { setpointC: 60, differentialK: 1, schedule: null, ...defaultFunctions() }
    // The boiler comes and goes, so the drop along the loop is summed over the days, weighted by time.
    let [expected, from] = [0, 0]
    const carriedWK = (study.pipes.loop!.pumpLMin / 60) * KJ_PER_LITRE_K * 1000
    const lengths = [
      ...study.pipes.runs.filter((r) => ['cellar-main', 'riser-ground', 'riser-first', 'riser-top'].includes(r.id)),
      study.pipes.loop!.back,
    ]
    const { flows, home } = firstDays(study, 4, (h) => {
      const supplyC = h.plant.state().supplyC
      // Along the loop T − Ta falls as exp(−U'L/ṁc), run after run.
      const back = lengths.reduce((c, l) => {
        const airC = placeTemperature(l.place, 0, study.site.monthlyAirC)
        return airC + (c - airC) * Math.exp(-runUa(l, 60, study.site.monthlyAirC) / carriedWK)
      }, supplyC)
      expected += (supplyC - back) * (h.nowS - from)
      from = h.nowS
    })
    expect(home.network.branches.filter((b) => b.onLoop)).toHaveLength(5)
    expect(Math.abs((flows.loop * 1000) / (carriedWK * expected) - 1)).toBeLessThan(0.01)
  })

  it('draws the same heat at any setpoint when it is mixed down', () => {
    const useful = (setpointC: number) => {
      const study = structuredClone(hillTown)
      study.controls.found.heaters.boiler.setpointC = setpointC
      return firstDays(study, 14).flows.useful
    }
    expect(Math.abs(useful(65) / useful(55) - 1)).toBeLessThan(0.015)
  })

  it('a hotter store costs more all the same: it stands, runs and burns hotter', () => {
    const at = (setpointC: number) => {
      const study = structuredClone(hillTown)
      study.controls.found.heaters.boiler.setpointC = setpointC
      return firstDays(study, 14)
    }
    const [cool, hot] = [at(55), at(65)]
    expect(hot.flows.store).toBeGreaterThan(cool.flows.store)
    expect(hot.flows.loop).toBeGreaterThan(cool.flows.loop)
    expect(hot.flows.conversion / hot.input).toBeGreaterThan(cool.flows.conversion / cool.input)
  })
})

describe('the instantaneous heater', () => {
  const flat = (change: (s: Study) => void) => {
    const study = structuredClone(harbourFlat)
    study.site.mains = { kind: 'monthly', monthlyC: Array(12).fill(10) }
    study.people.uses = [
      {
        ...study.people.uses[0],
        id: 'long',
        days: Array(7).fill(true),
        atMin: 480,
        spreadMin: 0,
        chance: 1,
        use: { kind: 'timed', minutes: 30 },
        amountSpread: 0,
        tapId: 'shower',
        requiredC: 45,
      },
    ]
    study.people.winterSwing = 0
    study.people.absences = []
    study.pipes.taps[0].mixes = false
    change(study)
    return study
  }

  it('does not fire below its least flow', () => {
    const { flows, input } = firstDays(
      flat((s) => void (s.pipes.taps[0].flowLMin = 2.4)),
      1,
    )
    expect(input - (2 / 1000) * 86_400).toBeCloseTo(0, 6)
    // Only what the room had warmed in the pipes.
    expect(flows.useful).toBeLessThan(150)
  })

  it('makes people wait for its lag and the pipe, in seconds', () => {
    const study = flat((s) => void (s.pipes.taps[0].flowLMin = 6))
    const { home } = firstDays(study, 2)
    const front = home.network.paths[0].reduce((s, i) => s + home.network.branches[i].run.warmUpVolumeL, 0.8)
    const wait = home.taps.records[1].waitedS
    expect(wait).toBeGreaterThan(7 + (front / 6) * 60 - 6)
    expect(wait).toBeLessThan(7 + (front / 6) * 60 + 6)
  })
})
