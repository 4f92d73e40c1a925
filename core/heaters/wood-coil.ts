import { DAY_S, WEEK_MIN } from '../climate/calendar'
import type { FireCircuit, Firing } from '../study/fire'
import type { HeaterOf } from '../study/plant'
import type { LayeredStore } from '../stores/layered-store'
import { waterPower } from '../water/power'
import { KJ_PER_LITRE_K } from '../water/properties'
import type { Ledger } from '../year/ledger'
import { sameEverywhere } from '../year/same-everywhere'
import { DirectHeater } from './store-heater'
import { gravityFlow } from './thermosiphon'

/** Hottest water a coil gives; what the fire makes beyond becomes steam at the relief valve, °C. */
export const COIL_LIMIT_C = 95
/** Return at which the flow by gravity is worked out: a store that has been heated for a while, °C. */
const GRAVITY_RETURN_C = 50
const FIRE_STEP_S = 120
/** Heat that a litre takes away as steam, kJ: warmed from about 50 °C and boiled off. */
const STEAM_KJ_L = 2470

/** Flow between a fire and its store, L/min: its pump's, or what its own warmth moves; none when the store stands too low. */
export function circuitFlow(circuit: FireCircuit, waterKw: number): number {
  if (circuit.pump) return circuit.pump.flowLMin
  if (circuit.heightM <= 0) return 0
  const { heightM, lengthM, boreMm, fittingsM } = circuit
  return gravityFlow({ heightM, lengthM, innerMm: boreMm, fittingsEquivalentM: fittingsM, powerKw: waterKw, returnC: GRAVITY_RETURN_C }).flowLMin
}

/** Rise of the water that carries a fire's heat away at a flow, K; without end when nothing flows. */
export const riseAt = (flowLMin: number, waterKw: number): number => (flowLMin > 0 ? waterKw / waterPower(flowLMin, GRAVITY_RETURN_C, GRAVITY_RETURN_C + 1) : Infinity)

/** Minutes of the week in which a fire burns, as edges: [from, to) after Monday midnight, `to` possibly past its end. */
const burns = (firings: readonly Firing[]): [number, number][] =>
  firings.flatMap((f) => f.days.flatMap((on, d) => (on ? [[d * 1440 + f.atMin, d * 1440 + f.atMin + Math.round(f.hours * 60)] as [number, number]] : [])))

/** A fire's diary, week by week. */
export class FireDiary {
  private readonly spans: [number, number][]
  /** Every minute of the week at which a fire is lit or dies, ascending. */
  readonly edges: number[]

  constructor(firings: readonly Firing[], private readonly firstWeekday: number) {
    this.spans = burns(firings)
    this.edges = [...new Set(this.spans.flat().map((m) => m % WEEK_MIN))].sort((a, b) => a - b)
  }

  private minute(atS: number): number {
    return (this.firstWeekday * 1440 + atS / 60) % WEEK_MIN
  }

  lit(atS: number): boolean {
    // A thousandth of a minute ahead: a step may end a rounding before the edge it aimed at.
    const now = this.minute(atS) + 1e-3
    return this.spans.some(([from, to]) => (now >= from && now < to) || (now + WEEK_MIN >= from && now + WEEK_MIN < to))
  }

  /** Seconds until a fire is lit or dies. */
  secondsToEdge(atS: number): number {
    if (this.edges.length === 0) return Infinity
    const now = this.minute(atS) + 1e-3
    const next = this.edges.find((e) => e > now) ?? this.edges[0] + WEEK_MIN
    return Math.min(DAY_S, Math.max(0.1, (next - now + 1e-3) * 60))
  }
}

/**
 * A coil or jacket in a fire. It gives its heat while the diary says that the fire burns, whether the store wants it or not;
 * what the flow cannot carry away below the limit leaves as steam through the relief valve.
 */
export class WoodHeater extends DirectHeater {
  private readonly diary: FireDiary
  private readonly carriedKwK: number
  private lit = false

  constructor(
    private readonly spec: Pick<HeaterOf<'wood-coil'>, 'carrier' | 'waterKw' | 'efficiency' | 'firings' | 'circuit' | 'coil'>,
    private readonly ledger: Ledger,
    firstWeekday: number,
  ) {
    super()
    this.diary = new FireDiary(spec.firings, firstWeekday)
    this.carriedKwK = sameEverywhere((circuitFlow(spec.circuit, spec.waterKw) / 60) * KJ_PER_LITRE_K)
  }

  longestStep(_store: LayeredStore, _setpointC: number, atS: number): number {
    return this.longestRest(atS)
  }

  override longestRest(atS: number): number {
    const edge = this.diary.secondsToEdge(atS)
    return this.diary.lit(atS) ? Math.min(FIRE_STEP_S, edge) : edge
  }

  override rest(dtS: number, store: LayeredStore, atS: number): void {
    this.give(store, dtS, atS)
  }

  protected give(store: LayeredStore, dtS: number, atS: number): void {
    const { spec, ledger } = this
    this.kw = 0
    const burning = this.diary.lit(atS)
    if (burning && !this.lit) this.starts++
    this.lit = burning
    if (!burning) return
    const made = spec.waterKw * dtS
    const { bottom } = spec.coil
    const carried = Math.min(made, Math.max(0, this.carriedKwK * (COIL_LIMIT_C - store.at(bottom)) * dtS), store.heatToReach(COIL_LIMIT_C, bottom))
    ledger.buy(spec.carrier, made / spec.efficiency, made)
    if (spec.circuit.pump) ledger.buy('electricity', (spec.circuit.pump.watts / 1000) * dtS, 0)
    ledger.add('relief', made - carried)
    ledger.water('relief', (made - carried) / STEAM_KJ_L)
    this.kw = carried / dtS
    store.heat(carried, bottom)
  }
}
