import { waterPower } from '../water/power'
import { gravityFlow } from './thermosiphon'

/** Hottest water a coil gives; what the fire makes beyond becomes steam at the relief valve, °C. */
export const COIL_LIMIT_C = 95
/** Return at which the flow by gravity is worked out: a store that has been heated for a while, °C. */
const GRAVITY_RETURN_C = 50

/** The way of the water between a fire and its store: moved by a pump, or by its own warmth when null. */
interface Circuit {
  pump: { flowLMin: number } | null
  heightM: number
  lengthM: number
  boreMm: number
  fittingsM: number
}

/** Flow between a fire and its store, L/min: its pump's, or what its own warmth moves; none when the store stands too low. */
export function circuitFlow(circuit: Circuit, waterKw: number): number {
  if (circuit.pump) return circuit.pump.flowLMin
  if (circuit.heightM <= 0) return 0
  const { heightM, lengthM, boreMm, fittingsM } = circuit
  return gravityFlow({
    heightM,
    lengthM,
    innerMm: boreMm,
    fittingsEquivalentM: fittingsM,
    powerKw: waterKw,
    returnC: GRAVITY_RETURN_C,
  }).flowLMin
}

/** Rise of the water that carries a fire's heat away at a flow, K; without end when nothing flows. */
export const riseAt = (flowLMin: number, waterKw: number): number =>
  flowLMin > 0 ? waterKw / waterPower(flowLMin, GRAVITY_RETURN_C, GRAVITY_RETURN_C + 1) : Infinity
