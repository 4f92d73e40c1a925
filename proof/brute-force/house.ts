import { isOn } from '../../core/calendar/week'
import { DAY_S } from '../../core/calendar/year'
import { placeTemperature } from '../../core/climate/places'
import { efficiencyAt } from '../../core/heaters/efficiency'
import { coefficientOfPerformance } from '../../core/heaters/heat-pump'
import { standingUa } from '../../core/stores/standing-loss'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Tap } from '../../core/study/pipes'
import type { Heater } from '../../core/study/plant'
import type { Study } from '../../core/study/study'
import { mainsThroughYear } from '../../core/water/mains'
import { type Draw, drawsOfYear } from '../../core/year/draws/draws'
import { FinePipe, heatOf, KJ, type Parcel } from './pipe'
import { platesBack } from './plates'
import { FineStore } from './store'

/** What a stretch of days came to, kJ, litres and seconds. */
export interface BruteResult {
  useful: number
  deadLeg: number
  toWaste: number
  loop: number
  store: number
  primary: number
  conversion: number
  input: number
  /** More held at the end than at the start. */
  stored: number
  toWasteL: number
  waits: number[]
  starts: number
  cool: number
}

interface Open {
  draw: Draw
  tap: number
  path: number[]
  waiting: boolean
  waitedS: number
  waitedL: number
  giveUpL: number
  left: number
  hotLMin: number
  /** Share of this second in which it still runs. */
  part: number
  litres: number
  short: number
  gaveUp: boolean
}

/**
 * A household followed second by second with finely divided pipes and store, written from the handbook and sharing with the
 * engine its tables (pipes, efficiency, places, main, the list of draws) but none of its methods: the engine is held
 * against it. January only; heaters: boiler with coil, gas store, element, heat pump, instantaneous gas.
 */
export function bruteForce(study: Study, days: number): BruteResult {
  const { site, pipes, plant } = study
  const control = study.controls.found
  const mains = mainsThroughYear(site)
  const airAt = (place: Heater['place']) => placeTemperature(place, 0, site.monthlyAirC)
  const ids = new Map(pipes.runs.map((r, i) => [r.id, i]))
  const pathTo = (id: string): number[] => {
    const run = pipes.runs.find((r) => r.id === id)!
    return [...(run.from === null ? [] : pathTo(run.from)), ids.get(id)!]
  }
  const order = [...pipes.runs.keys()].sort((a, b) => pathTo(pipes.runs[a].id).length - pathTo(pipes.runs[b].id).length)
  const runs = pipes.runs.map((r) => new FinePipe(r, site.monthlyAirC, 0))
  const back = pipes.loop ? new FinePipe(pipes.loop.back, site.monthlyAirC, 0) : null
  const loopPath = pipes.loop ? pathTo(pipes.loop.returnConnectionRunId) : []
  const loopOn = new Set(loopPath)
  const paths = pipes.taps.map((t: Tap) => pathTo(t.runId))
  const draws = drawsOfYear(study.people, site).filter((d) => d.startS < days * DAY_S)
  const r: BruteResult = {
    useful: 0,
    deadLeg: 0,
    toWaste: 0,
    loop: 0,
    store: 0,
    primary: 0,
    conversion: 0,
    input: 0,
    stored: 0,
    toWasteL: 0,
    waits: [],
    starts: 0,
    cool: 0,
  }
  const buy = (kj: number, heat: number) => {
    r.input += kj
    r.conversion += kj - heat
  }

  const heater = plant.heaters[0]
  const set = control.heaters[heater.id]
  const store = plant.store
    ? new FineStore(
        plant.store.litres,
        plant.store.heightM,
        standingUa(plant.store.loss, plant.store.litres),
        Math.max(...plant.heaters.map((h) => control.heaters[h.id].setpointC)),
        plant.store.inletMix,
        airAt(plant.store.place),
      )
    : null
  const instant = heater.kind === 'instant-gas' ? new Instant(heater, airAt(heater.place), set.setpointC, buy, r) : null
  const heats = store
    ? plant.heaters.map(
        (h) => new StoreHeat(h, store, airAt(h.place), control.heaters[h.id], plant.store!.sensorHeight, buy, r),
      )
    : []

  const held = () =>
    runs.reduce((s, x) => s + x.heldKj(), 0) +
    (back?.heldKj() ?? 0) +
    (store?.heldKj() ?? 0) +
    (instant?.heldKj() ?? 0) +
    heats.reduce((s, h) => s + h.heldKj(), 0)
  const before = held()
  const open: Open[] = []
  let next = 0
  for (let now = 0; now < days * DAY_S; now++) {
    const mainC = mains[Math.floor(now / DAY_S)]
    while (next < draws.length && draws[next].startS <= now) {
      const draw = draws[next++]
      if (draw.requiredC <= mainC + 0.5) continue
      const tap = pipes.taps.findIndex((t) => t.id === draw.tapId)
      const front = paths[tap].reduce((s, i) => s + runs[i].litres, 0)
      const flow = draw.hotLMin ?? pipes.taps[tap].flowLMin
      open.push({
        draw,
        tap,
        path: paths[tap],
        waiting: draw.waits,
        waitedS: 0,
        waitedL: 0,
        giveUpL: 1.5 * front + (flow / 60) * 45,
        left: draw.amount,
        hotLMin: 0,
        part: 1,
        litres: 0,
        short: 0,
        gaveUp: false,
      })
    }
    const flows = runs.map(() => 0)
    for (const o of open) {
      const arrivesC = runs[o.path[o.path.length - 1]].exitC()
      const tap = pipes.taps[o.tap]
      const all = o.draw.hotLMin ?? tap.flowLMin
      const mixes = tap.mixes && o.draw.hotLMin === null
      if (o.waiting && arrivesC >= o.draw.requiredC - 2) o.waiting = false
      o.hotLMin =
        o.waiting || !mixes || arrivesC <= o.draw.requiredC
          ? all
          : (all * (o.draw.requiredC - mainC)) / (arrivesC - mainC)
      const perS = o.hotLMin / 60
      if (o.waiting) o.part = Math.min(1, (o.giveUpL - o.waitedL) / perS)
      else if (o.draw.measure === 'seconds') o.part = Math.min(1, o.left)
      else if (o.draw.measure === 'litres') o.part = Math.min(1, o.left / ((mixes ? all : o.hotLMin) / 60))
      else o.part = Math.min(1, o.left / Math.max(1e-9, perS * KJ * (arrivesC - mainC)))
      for (const i of o.path) flows[i] += perS * o.part
    }
    const pumping =
      back !== null &&
      (control.loop.mode === 'always' ||
        (control.loop.mode === 'clock' && isOn(control.loop.schedule, (site.firstWeekday * 1440 + now / 60) % 10080)))
    const loopL = pumping ? pipes.loop!.pumpLMin / 60 : 0
    for (const i of loopPath) flows[i] += loopL
    if (pumping) buy(pipes.loop!.pumpW / 1000, 0)
    const tapL = open.reduce((s, o) => s + (o.hotLMin / 60) * o.part, 0)

    // Out of the plant, along the tree, to the taps and back.
    const total = tapL + loopL
    const supply = total <= 0 ? [] : store ? store.draw(total) : instant!.run(total, mainC)
    const share = (parcels: readonly Parcel[], part: number) =>
      parcels.map((p) => ({ litres: p.litres * part, c: p.c }))
    for (const i of order) {
      const from = pipes.runs[i].from
      const before = from === null ? supply : runs[ids.get(from)!].out
      const beforeL = from === null ? total : flows[ids.get(from)!]
      runs[i].second(flows[i] > 0 ? share(before, flows[i] / beforeL) : [])
    }
    back?.second(
      loopL > 0 ? share(runs[loopPath[loopPath.length - 1]].out, loopL / flows[loopPath[loopPath.length - 1]]) : [],
    )
    for (const o of open) {
      const last = o.path[o.path.length - 1]
      receive(o, share(runs[last].out, ((o.hotLMin / 60) * o.part) / flows[last]), mainC, pipes.taps[o.tap], r)
    }
    for (let i = open.length - 1; i >= 0; i--)
      if (open[i].left <= (open[i].draw.measure === 'kj' ? 0.05 : 1e-3)) {
        const [o] = open.splice(i, 1)
        if (o.draw.waits) r.waits.push(o.waitedS)
        if (o.gaveUp || (o.draw.waits && o.short > o.litres)) r.cool++
      }
    if (store) {
      if (loopL > 0)
        store.fillAt(
          pipes.loop!.returns.by === 'own pipe' ? pipes.loop!.returns.height : 0,
          loopL,
          heatOf(back!.out) / (loopL * KJ),
        )
      store.fillBottom(tapL, mainC)
      const busy = heats.find((h) => h.calls())
      for (const h of heats) h.second(h === busy)
      store.second()
    } else instant!.second()
    buy(plant.heaters.reduce((s, h) => s + ('standbyW' in h ? h.standbyW : 0), 0) / 1000, 0)
  }
  r.stored = held() - before
  runs.forEach((run, i) =>
    loopOn.has(i) && control.loop.mode !== 'off' ? (r.loop += run.lostKj) : (r.deadLeg += run.lostKj),
  )
  if (back) r.loop += back.lostKj
  if (store) r.store = store.lostKj
  r.primary += heats.reduce((s, h) => s + h.lostKj, 0) + (instant?.lostKj ?? 0)
  return r
}

function receive(o: Open, arrived: readonly Parcel[], mainC: number, tap: Tap, r: BruteResult): void {
  const mixes = tap.mixes && o.draw.hotLMin === null
  for (const p of arrived) {
    const kj = p.litres * KJ * (p.c - mainC)
    const seconds = (p.litres / o.hotLMin) * 60
    if (o.waiting && p.c < o.draw.requiredC - 2) {
      r.toWaste += kj
      r.toWasteL += p.litres
      o.waitedS += seconds
      o.waitedL += p.litres
      if (o.waitedL >= o.giveUpL - 1e-9) {
        o.waiting = false
        o.gaveUp = true
      }
      continue
    }
    o.waiting = false
    r.useful += kj
    const mixed = mixes && p.c > o.draw.requiredC
    const litres = mixed ? (p.litres * (p.c - mainC)) / (o.draw.requiredC - mainC) : p.litres
    o.litres += litres
    if (!mixed) o.short += litres * Math.max(0, o.draw.requiredC - p.c)
    o.left -= o.draw.measure === 'seconds' ? seconds : o.draw.measure === 'litres' ? litres : kj
  }
}

type Buy = (kj: number, heat: number) => void

/** What heats a store, second by second. */
class StoreHeat {
  lostKj = 0
  private calling = false
  private firing = false
  private lagS = 0
  private overrunS = 0
  private primaryC: number
  private lit = false
  private cycles = false

  constructor(
    private readonly spec: Heater,
    private readonly store: FineStore,
    private readonly airC: number,
    private readonly set: { setpointC: number; differentialK: number },
    private readonly sensorHeight: number,
    private readonly buy: Buy,
    private readonly r: BruteResult,
  ) {
    this.primaryC = airC
  }

  heldKj(): number {
    return this.spec.kind === 'boiler-coil' ? this.spec.primary.litres * KJ * this.primaryC : 0
  }

  calls(): boolean {
    const sensor = ('sensorHeight' in this.spec ? this.spec.sensorHeight : null) ?? this.sensorHeight
    const now = this.store.at(sensor)
    if (this.calling && now >= this.set.setpointC) this.calling = false
    else if (!this.calling && now < this.set.setpointC - this.set.differentialK) this.calling = true
    return this.calling
  }

  second(on: boolean): void {
    const h = this.spec
    if (on && !this.firing && h.kind !== 'boiler-coil') this.r.starts++
    switch (h.kind) {
      case 'boiler-coil':
        this.coil(h, on)
        break
      case 'gas-store': {
        const share = efficiencyAt(h.efficiency, this.store.mean(0, 0.12), h.carrier)
        if (on && !this.firing) this.buy(h.startLossWh * 3.6, 0)
        const fuel = (on ? h.outputKw / share : 0) + h.pilotW / 1000
        this.buy(fuel, fuel * share)
        this.store.heat(fuel * share, 0)
        break
      }
      case 'element':
        if (on) this.give(h.powerKw, h.powerKw, h.height)
        break
      case 'heat-pump':
        if (on) {
          const paid = h.outputKw / coefficientOfPerformance(this.store.mean(h.coil.bottom, h.coil.top), this.airC)
          this.give(paid, h.outputKw, h.coil.bottom)
        }
        break
      default:
        throw new RangeError(`${h.kind} is not in the reference`)
    }
    this.firing = on
  }

  private give(boughtKw: number, heatKw: number, from: number): void {
    this.buy(boughtKw, boughtKw)
    this.store.heat(heatKw, from)
  }

  private coil(h: HeaterOf<'boiler-coil'>, on: boolean): void {
    const c = h.primary.litres * KJ
    const flowKwK = (h.primary.flowLMin / 60) * KJ
    const loses = (h.primary.uaWK / 1000) * (this.primaryC - this.airC)
    this.lostKj += loses
    this.primaryC -= loses / c
    if (!on) {
      this.overrunS = this.firing ? h.primary.overrunS : Math.max(0, this.overrunS - 1)
      if (this.overrunS > 0) {
        this.buy(h.primary.pumpW / 1000, 0)
        if (this.primaryC > this.store.mean(h.coil.bottom, h.coil.top))
          this.primaryC -= this.store.coil(this.primaryC, flowKwK, h.coil.uaWK, h.coil.bottom, h.coil.top) / c
      }
      return void (this.lit = this.cycles = false)
    }
    const start = () => {
      this.r.starts++
      this.buy(h.startLossWh * 3.6, 0)
      this.lit = true
    }
    if (!this.firing) {
      this.lagS = h.startDelayS
      start()
    }
    this.buy(h.primary.pumpW / 1000, 0)
    if (this.lagS > 0) return void this.lagS--
    const intoStore = this.store.coil(this.primaryC, flowKwK, h.coil.uaWK, h.coil.bottom, h.coil.top)
    const hold = intoStore + c * (h.primary.flowMaxC - this.primaryC)
    if (this.lit && hold < h.minOutputKw && this.primaryC >= h.primary.flowMaxC - 0.5) this.lit = false
    else if (!this.lit && this.primaryC <= h.primary.flowMaxC - h.primary.restartDifferentialK) {
      start()
      this.cycles = true
    }
    // A burner that comes back from its limit comes back at its least fire, until the circuit cools all the same.
    if (this.primaryC < h.primary.flowMaxC - 2 * h.primary.restartDifferentialK) this.cycles = false
    const burns = this.lit ? (this.cycles ? h.minOutputKw : Math.min(h.outputKw, Math.max(h.minOutputKw, hold))) : 0
    if (burns > 0) this.buy(burns / efficiencyAt(h.efficiency, this.primaryC - intoStore / flowKwK, h.carrier), burns)
    this.primaryC += (burns - intoStore) / c
  }
}

/** What heats the water as it runs, second by second. */
class Instant {
  lostKj = 0
  /** Its water before the heat and behind it: heated along its length it stands at the mean of both. */
  private cold: Parcel[]
  private content: Parcel[]
  private firing = false
  private lagS = 0
  private ran = false

  constructor(
    private readonly spec: HeaterOf<'instant-gas'>,
    private readonly airC: number,
    private readonly setpointC: number,
    private readonly buy: Buy,
    private readonly r: BruteResult,
  ) {
    this.cold = [{ litres: spec.contentL / 2, c: airC }]
    this.content = [{ litres: spec.contentL / 2, c: airC }]
  }

  run(litres: number, mainC: number): Parcel[] {
    const { spec } = this
    this.ran = true
    const comes = heatOf(through(this.cold, { litres, c: mainC })) / (litres * KJ)
    let c = comes
    if (litres * 60 >= spec.minActivationFlowLMin) {
      if (!this.firing) {
        this.firing = true
        this.lagS = spec.startDelayS
        this.r.starts++
        this.buy(spec.startLossWh * 3.6, 0)
      }
      if (this.lagS >= 1) this.lagS--
      else {
        const kw = Math.min(spec.outputKw, (this.setpointC - comes) * litres * KJ)
        c += kw / (litres * KJ)
        const back = spec.exchanger === 'plate' ? platesBack(spec.outputKw, kw, comes, c) : comes + 10
        this.buy(kw / efficiencyAt(spec.efficiency, back, spec.carrier), kw)
      }
    } else this.firing = false
    return through(this.content, { litres, c })
  }

  heldKj(): number {
    return heatOf(this.content) + heatOf(this.cold)
  }

  second(): void {
    if (!this.ran) this.firing = false
    this.ran = false
    for (const p of [...this.cold, ...this.content]) {
      const kj = ((p.c - this.airC) * this.spec.contentUaWK * p.litres) / this.spec.contentL / 1000
      p.c -= kj / (p.litres * KJ)
      this.lostKj += kj
    }
  }
}

/** Pushes a parcel into water that stands in order; what leaves at the other end. */
function through(content: Parcel[], parcel: Parcel): Parcel[] {
  content.push(parcel)
  const out: Parcel[] = []
  for (let left = parcel.litres; left > 1e-12;) {
    const first = content[0]
    const take = Math.min(first.litres, left)
    out.push({ litres: take, c: first.c })
    left -= take
    if (first.litres - take < 1e-12) content.shift()
    else first.litres -= take
  }
  return out
}
