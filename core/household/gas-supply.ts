import type { Carrier } from '../money/carriers'
import { gasPipeCapacity, PIPED_GASES, type PipedGasName } from '../pipes/gas-pipe'
import type { Study } from '../study/study'

/** Gas input that what leads to the heater can carry, kW gross, and how that is known. */
export interface GasSupply {
  kw: number
  by: 'entered' | 'pipe'
  /** Of the pipe: what else hangs on it, kW; null: not looked. */
  otherKw: number | null
}

/** Comes to the heater through a pipe, from the main or from a tank. */
export const isPiped = (carrier: Carrier): carrier is PipedGasName => carrier in PIPED_GASES

/** What the gas line carries: as somebody said it, or by its bore and length; null where neither is known. */
export function gasSupply({ site }: Study, carrier: Carrier): GasSupply | null {
  const { lengthM, boreMm, otherKw } = site.gasPipe
  if (site.gasLineKw !== null) return { kw: site.gasLineKw, by: 'entered', otherKw: 0 }
  return isPiped(carrier) && lengthM !== null && boreMm !== null
    ? { kw: gasPipeCapacity(carrier, { lengthM, boreMm }), by: 'pipe', otherKw }
    : null
}
